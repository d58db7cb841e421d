import { describe, expect, it } from 'vitest'
import { count, runs, withRun } from './tapping'

describe('tapping', () => {
  it('marks a run whichever end was touched first, and nothing beside it', () => {
    expect(withRun('......', 1, 3, 'x')).toBe('.xxx..')
    expect(withRun('......', 3, 1, 'x')).toBe('.xxx..')
    expect(withRun('.xxx..', 2, 2, '.')).toBe('.x.x..')
  })

  it('counts a state', () => {
    expect(count('.x.xw', 'x')).toBe(2)
    expect(count('', 'x')).toBe(0)
  })

  it('says runs as people do, counted from one', () => {
    expect(runs([3, 6, 7, 8, 20])).toBe('4, 7–9, 21')
    expect(runs([])).toBe('')
  })
})
