import type { HeadStep } from './useHeadCare'

/** The narrowest a step is drawn, percent of the line: a label must fit. */
const least = 14

/** Where a plan's steps lie on its line: widths by time, none too narrow to read; the band and the middle of what is missing. */
export function laidOut(steps: HeadStep[], missing: number) {
  const times = steps.map((s) => Math.sqrt(s.handsMin + s.waitMin))
  const all = times.reduce((sum, t) => sum + t, 0) || 1
  const floor = Math.min(least, 100 / Math.max(1, steps.length))
  const free = 100 - floor * steps.length
  const widths = times.map((t) => floor + (t / all) * free)
  const edges = widths.reduce((at, w) => [...at, at[at.length - 1]! + w], [0])
  const y = (n: number) => 96 - (missing ? (n / missing) * 92 : 0)
  const at = (pick: (s: HeadStep) => number) => [missing, ...steps.map(pick)].map((n, i) => `${edges[i]},${y(n)}`)
  return {
    widths,
    edges,
    best: at((s) => s.best).join(' '),
    band: [...at((s) => s.low), ...at((s) => s.high).reverse()].join(' '),
  }
}
