import type { Hand } from './hand'
import { plain } from './record'
import { textOf, words } from './screen'

const wantsPower =
  /\b(in the (panel )?menu|on the panel|print (a|one|the) |run (a|one) (light |normal |deep )?clean|switch (it|the machine) on|power (it )?up|start it|read the counter)\b/i
const givesPower =
  /\b(plug (it|the lead|the mains lead) (back )?in|switch (it|the machine) on|lead (back )?in|power (it )?up)\b/i
/** What a hand does with a thing where it stands in the machine. */
const uses = /\b(draw|flush|prime|drive|turn|wipe|press|run|slide|push|pull|suck|drip|read|print)\b/i
const frees = /\b(free|unpark|let go)\b.*\b(carriage|head)\b|\b(carriage|head)\b.*\b(by hand|is free)\b/i
const parks = /\bpark\b.*\b(carriage|head)\b|\b(carriage|head)\b.*\b(is parked|back on its cap)\b/i

/** A thing of the tray as its card says it: what, and how it is now. */
interface Beside {
  what: string
  is: string
}

/** Judges the steps of one guide against what lies beside the machine as each is asked for. */
export class OrderOfHands {
  /** Steps since the carriage was freed; null while it is not. */
  private sinceFree: number | null = null

  constructor(
    private readonly hand: Hand,
    private readonly guide: string,
    private readonly model: string,
  ) {}

  /** Looks at the step in hand and the tray that stands beside it. */
  async look() {
    const card = this.hand.page.getByTestId('act')
    const title = plain(await card.getByRole('heading').first().innerText())
    const kind = plain(await textOf(card.locator('p').first()))
    const tray = this.hand.page.getByTestId('tray-cards')
    const noPower = /No power yet: ([^.]*)\./.exec(plain(await textOf(tray)))?.[1] ?? ''
    this.judgePower(title, await words(card), noPower)
    if (/^Step/.test(kind)) this.judgeUse(title, await this.beside())
    this.judgeCarriage(title, kind)
  }

  private judge(good: boolean, what: string) {
    this.hand.verdicts.judge(7, good, () => `guide “${this.guide}” on ${this.model}: ${what}`)
  }

  private judgePower(title: string, text: string, noPower: string) {
    if (givesPower.test(title)) {
      // The lead itself is what this step takes off the tray.
      const left = noPower.split(', ').filter((n) => n && !/lead|unplugged/i.test(n))
      this.judge(left.length === 0 || left.every((n) => text.includes(n)), `“${title}” with ${left.join(', ')}`)
    } else if (wantsPower.test(title)) this.judge(noPower === '', `“${title}” before ${noPower} is undone`)
  }

  private judgeUse(title: string, tray: readonly Beside[]) {
    const used = uses.test(title) ? tray.filter((t) => t.is === 'off' && namesIt(title, t.what)) : []
    this.judge(used.length === 0, `“${title}” while ${used.map((u) => u.what).join(', ')} is off`)
  }

  private judgeCarriage(title: string, kind: string) {
    if (parks.test(title)) {
      this.judge(this.sinceFree !== 0, `“${title}” right after it was freed, with no work between`)
      this.sinceFree = null
    } else if (frees.test(title)) this.sinceFree = 0
    else if (this.sinceFree !== null && /^Step/.test(kind)) this.sinceFree++
  }

  private async beside(): Promise<Beside[]> {
    const cards = await this.hand.page.getByTestId('tray-cards').locator('li').all()
    const all: Beside[] = []
    for (const card of cards) {
      const says = (await card.getByRole('button').locator('strong, span').allInnerTexts()).map(plain).filter(Boolean)
      if (says.length > 1) all.push({ is: says[0]!.toLowerCase(), what: says[1]! })
    }
    return all
  }
}

const namesIt = (title: string, part: string) => title.toLowerCase().includes(part.toLowerCase().replace(/^the /, ''))
