/** The letters of a nozzle in the order a tap goes through them: good, missing, weak, beside its place. */
export const letters = ['.', 'x', 'w', 'd'] as const
export type Letter = (typeof letters)[number]

/** Words for the letters. */
export const words: Record<string, string> = {
  '.': 'good',
  x: 'missing',
  w: 'weak',
  d: 'beside its place',
  b: 'weak and beside',
}

/** A text of nozzles with a run of them set to one letter; the ends may come in any order. */
export function withRun(nozzles: string, from: number, to: number, letter: string): string {
  const [low, high] = from < to ? [from, to] : [to, from]
  return [...nozzles].map((old, n) => (n >= low && n <= high ? letter : old)).join('')
}

/** How many nozzles are in a state. */
export function count(nozzles: string, letter: string): number {
  return [...nozzles].filter((n) => n === letter).length
}

/** Runs of missing nozzles as people say them: 4, 7–9. Counted from 1. */
export function runs(numbers: readonly number[]): string {
  const parts: string[] = []
  for (let i = 0; i < numbers.length; i++) {
    const from = numbers[i]!
    while (i + 1 < numbers.length && numbers[i + 1] === numbers[i]! + 1) i++
    parts.push(from === numbers[i] ? `${from + 1}` : `${from + 1}–${numbers[i]! + 1}`)
  }
  return parts.join(', ')
}
