/** Chance from a seed: the same seed draws the same. */
export class Chance {
  constructor(private state: number) {}

  /** The next share, 0 to 1. */
  share(): number {
    this.state = (this.state + 0x6d2b79f5) | 0
    let t = Math.imul(this.state ^ (this.state >>> 15), 1 | this.state)
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296
  }

  /** Whether something with this chance happens. */
  hits = (chance: number) => this.share() < chance

  /** A whole number from one to another, both of them possible. */
  whole = (from: number, to: number) => from + Math.floor(this.share() * (to - from + 1))

  /** One of them. */
  of<T>(all: readonly T[]): T {
    if (all.length === 0) throw new Error('nothing to choose from')
    return all[this.whole(0, all.length - 1)]!
  }

  /** One of them by weight. */
  weighed<T>(all: readonly (readonly [number, T])[]): T {
    let left = this.share() * all.reduce((sum, [weight]) => sum + weight, 0)
    for (const [weight, thing] of all) if ((left -= weight) <= 0) return thing
    return all.at(-1)![1]
  }
}
