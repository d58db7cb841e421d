import type { Locator, Page, Request } from '@playwright/test'
import type { Chance } from './chance'
import { linesOf, type Line } from './record'
import { oddWords, until, watched, words, type Pressable } from './screen'
import type { Verdicts } from './verdicts'

export type By = 'key' | 'mouse' | 'touch'

/** The hands and eyes of the robot: it presses what it sees, waits until that shows, and looks whether anything on the screen is odd. */
export class Hand {
  /** What was asked of the server and has had no answer yet. */
  private open = 0
  job = 0
  /** Titles of the cards that were answered since work was last done on the machine. */
  readonly told = new Set<string>()

  constructor(
    readonly page: Page,
    readonly chance: Chance,
    readonly verdicts: Verdicts,
    readonly person: string,
    readonly hasTouch: boolean,
  ) {
    // News come on a line that stays open; everything else has an end.
    const counts = (r: Request) => r.url().includes('/api/') && !r.url().includes('/api/events')
    const ended = (r: Request) => void (counts(r) && (this.open = Math.max(0, this.open - 1)))
    page.on('request', (r) => void (counts(r) && this.open++))
    page.on('requestfinished', ended)
    page.on('requestfailed', ended)
    page.on('response', (r) => {
      if (r.status() >= 500)
        verdicts.judge(6, false, () => `the server answers ${r.status()} to ${new URL(r.url()).pathname}`)
    })
    page.on('pageerror', (e) => verdicts.judge(6, false, () => `the page breaks: ${e.message.slice(0, 200)}`))
    page.on('console', (m) => {
      // What is refused is told by the browser as an error too; that it is refused is no fault.
      if (m.type() === 'error' && !/status of 4\d\d/.test(m.text()))
        verdicts.judge(6, false, () => `the console says: ${m.text().slice(0, 200)}`)
    })
  }

  /** The lines of the job that came since. */
  async linesSince(last: number): Promise<Line[]> {
    return (await linesOf(this.page, this.job)).filter((l) => l.id > last)
  }

  async lastLine(): Promise<number> {
    return (await linesOf(this.page, this.job)).at(-1)?.id ?? 0
  }

  /** Until every write has its answer and the page is quiet. */
  async quiet() {
    const { page } = this
    // What went with a page that was left may end without a word.
    if (!(await until(() => Promise.resolve(this.open === 0), 8000))) this.open = 0
    const busy = () => /\b(working|loading) …/i.test(document.body.innerText)
    const isQuiet = await until(async () => !(await page.evaluate(busy).catch(() => true)), 8000)
    this.verdicts.judge(2, isQuiet, () => 'the page is still loading after eight seconds')
  }

  /** How a thing can be pressed here: by its key where it has one and nothing is typed in. */
  private async way(thing: Pressable, only?: By): Promise<By> {
    if (only) return only
    const isFree = await this.page.evaluate(
      () => !document.querySelector('[role=dialog]') && !document.activeElement?.closest('input, textarea, select'),
    )
    if (thing.key.length === 1 && isFree && this.chance.hits(0.6)) return 'key'
    return this.hasTouch && this.chance.hits(0.6) ? 'touch' : 'mouse'
  }

  /**
   * Presses a thing, and judges that something shows.
   * @param thing What is pressed.
   * @param where Where it stands, for the walk to be walked again.
   * @param only The one way to press it; by default as it comes.
   */
  async press(thing: Pressable, where: string, only?: By): Promise<By> {
    const by = await this.way(thing, only)
    await this.stands(thing.at)
    const shows = await watched(this.page)
    this.verdicts.did(`${where}: ${by === 'key' ? `key ${thing.key}` : by} “${thing.name.slice(0, 80)}”`)
    if (by === 'key') await this.page.keyboard.press(thing.key)
    else if (by === 'touch') await thing.at.tap({ timeout: 5000 })
    else await thing.at.click({ timeout: 5000 })
    const did = await shows()
    this.verdicts.judge(2, did, () => `${where}: pressing “${thing.name.slice(0, 60)}” by ${by} shows nothing`)
    await this.quiet()
    await this.look(where)
    return by
  }

  /** A card that has just come is read before it is pressed. */
  async stands(at: Locator) {
    await at
      .and(this.page.locator(':not([aria-disabled=true])'))
      .waitFor({ state: 'attached', timeout: 3000 })
      .catch(() => undefined)
  }

  /** Types into a field, as a person does who presses into it first. */
  async type(field: Locator, text: string, where: string) {
    this.verdicts.did(`${where}: types “${text}”`)
    await field.fill(text)
  }

  /** Looks at the whole page for what cannot be. */
  async look(where: string) {
    const odd = oddWords(await words(this.page.locator('body')))
    this.verdicts.judge(6, odd.length === 0, () => `${where.split(',')[0]}: ${odd[0]}`)
  }

  async goto(path: string) {
    this.verdicts.did(`goes to ${path}`)
    await this.page.goto(path)
    await this.quiet()
  }

  /** The dialog that is open; null when none is. */
  async dialog(): Promise<Locator | null> {
    const all = this.page.getByRole('dialog')
    return (await all.count()) > 0 ? all.last() : null
  }

  /** What stands in the way, as the page says it; empty when nothing does. */
  async refusal(): Promise<string> {
    const alerts = await this.page.locator('main [role=alert], [role=dialog] [role=alert]').allInnerTexts()
    return alerts
      .map((a) => a.replace(/\s+/g, ' ').trim())
      .filter(Boolean)
      .join(' ')
  }

  /** Closes what is open, and says that a refusal was read. */
  async leave() {
    for (let i = 0; i < 4; i++) {
      const understood = this.page.getByRole('button', { name: 'Understood' })
      if ((await understood.count()) > 0)
        await understood
          .first()
          .click({ timeout: 2000 })
          .catch(() => undefined)
      if (!(await this.dialog())) return
      await this.page.keyboard.press('Escape')
      await until(async () => (await this.dialog()) === null, 600)
    }
  }
}
