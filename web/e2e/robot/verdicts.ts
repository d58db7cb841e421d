/** What the robot judges; the numbers are those of its rules. */
export const rules: Record<number, string> = {
  1: 'what was shown at the press is what the record holds, once',
  2: 'each press shows something within three seconds',
  3: 'from everywhere it goes on',
  4: 'pages do not contradict each other',
  5: 'what was just done is not advised again',
  6: 'no error, no raw word, no figure that cannot be',
  7: 'guides in an order that hands can follow',
}

export interface Failure {
  rule: number
  job: number
  what: string
  /** The presses until then, so that it can be walked again. */
  presses: string[]
}

/** Failures of one job as they are found; the same one is told once. */
export class Verdicts {
  readonly failures: Failure[] = []
  readonly presses: string[] = []
  /** How often each rule was looked at. */
  readonly looks: Record<number, number> = {}

  constructor(readonly job: number) {}

  did(press: string) {
    this.presses.push(press)
  }

  /** Judges one thing by a rule: counts the look, and keeps what is wrong. */
  judge(rule: number, good: boolean, what: () => string) {
    this.looks[rule] = (this.looks[rule] ?? 0) + 1
    if (good) return
    const says = what()
    if (this.failures.some((f) => f.rule === rule && f.what === says)) return
    this.failures.push({ rule, job: this.job, what: says, presses: [...this.presses] })
  }
}
