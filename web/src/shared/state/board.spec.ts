import { describe, expect, it } from 'vitest'
import { rings, standingNow, type BoardJob } from './useBoard'

const now = Date.parse('2026-03-02T09:00:00Z')
const job = (standing: string, clockEndsAt: string | null): BoardJob => ({
  id: 1,
  tag: 417,
  machine: 'm',
  customer: 'c',
  words: 'w',
  place: 1,
  standing,
  headline: 'h',
  clockEndsAt,
  promiseAt: null,
  openedAt: '2026-03-01T09:00:00Z',
  version: 1,
})

describe('standing of a job on the strip', () => {
  it.each([
    ['a clock that runs', job('time', '2026-03-02T09:00:01Z'), 'time'],
    ['a clock that is up', job('time', '2026-03-02T09:00:00Z'), 'rings'],
    ['a clock that was up already when it was written', job('hands', '2026-03-02T08:00:00Z'), 'rings'],
    ['no clock', job('hands', null), 'hands'],
    ['parts that are late', job('parts', '2026-03-01T00:00:00Z'), 'parts'],
  ])('%s', (_, given, standing) => {
    expect(standingNow(given, now)).toBe(standing)
    expect(rings(given, now)).toBe(standing === 'rings')
  })
})
