import { describe, expect, it } from 'vitest'
import { laidOut } from './planLine'
import type { HeadStep } from './useHeadCare'

const step = (handsMin: number, waitMin: number, low: number, best: number, high: number) =>
  ({ handsMin, waitMin, low, best, high }) as HeadStep

describe('laidOut', () => {
  it('fills the line, and draws no step too narrow to read', () => {
    const { widths, edges } = laidOut([step(6, 0, 0, 2, 5), step(15, 600, 0, 1, 4), step(6, 0, 0, 0, 3)], 8)
    expect(edges.at(-1)).toBeCloseTo(100)
    expect(Math.min(...widths)).toBeGreaterThanOrEqual(14)
    expect(widths[1]!).toBeGreaterThan(widths[0]! * 2)
  })

  it('goes from all that is missing to what is left, highest first', () => {
    const line = laidOut([step(6, 0, 1, 4, 8)], 8)
    expect(line.best).toBe('0,4 100,50')
    expect(line.band).toBe('0,4 100,84.5 100,4 0,4')
  })
})
