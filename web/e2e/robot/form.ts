import type { Locator } from '@playwright/test'
import type { Hand } from './hand'
import { plain } from './record'
import { pressables, until } from './screen'

const names = ['Sal Marsh', 'Juno Pell', 'at the counter', 'seen under the lamp', 'as the customer said']

/** What a person would write into a field, from what stands beside it; null for leaving it empty. */
function sensible(hand: Hand, label: string, needed: boolean): string | null {
  const { chance } = hand
  if (/, g\b|weigh/i.test(label)) return `${chance.whole(20, 90)}`
  if (/%/.test(label)) return `${chance.whole(5, 95)}`
  if (/\bml\b/.test(label)) return needed || chance.hits(0.6) ? `${chance.whole(2, 20)}` : null
  if (/tries|presses/i.test(label)) return `${chance.whole(1, 3)}`
  if (/minutes/i.test(label)) return `${chance.whole(2, 40)}`
  if (/how many/i.test(label)) return `${chance.whole(1, 4)}`
  if (/number|lot/i.test(label)) return chance.hits(0.4) ? `L${chance.whole(100, 999)}` : null
  return needed || chance.hits(0.3) ? chance.of(names) : null
}

/**
 * Fills what a dialog asks for, and sends it. What was typed as an amount must be in the line that is written.
 * @returns Whether it was written.
 */
export async function fillAndSend(hand: Hand, dialog: Locator, where: string): Promise<boolean> {
  const last = await hand.lastLine()
  const ways = (await pressables(dialog)).filter(
    (p) => !/^(Back|On record|Take it from the scale|Let the service program do it)$/.test(p.name),
  )
  const options = dialog.locator('button[aria-pressed]')
  if ((await options.count()) > 0 && hand.chance.hits(0.8)) {
    const option = options.nth(hand.chance.whole(0, (await options.count()) - 1))
    hand.verdicts.did(`${where}: chooses “${plain(await option.innerText())}”`)
    await option.click()
  } else if (ways.length === 0) return false
  const amounts: string[] = []
  for (const select of await dialog.locator('select:visible').all()) {
    const values = await select
      .locator('option:not([disabled])')
      .evaluateAll((all) => all.map((o) => (o as HTMLOptionElement).value))
    if (values.length > 1 && hand.chance.hits(0.5)) await select.selectOption(hand.chance.of(values))
  }
  for (const field of await dialog
    .locator('input:visible:not([type=checkbox], [type=radio], [type=date]), textarea:visible')
    .all()) {
    const { label, needed } = await field.evaluate((f) => {
      const input = f as HTMLInputElement
      return { label: input.labels?.[0]?.innerText ?? input.getAttribute('aria-label') ?? '', needed: input.required }
    })
    const text = sensible(hand, label, needed)
    if (text === null) continue
    await hand.type(field, text, `${where}, ${plain(label).slice(0, 40)}`)
    if (/(, g|, ml|, %|weigh)/i.test(label) && !/before/i.test(label)) amounts.push(text)
  }
  const send = (await pressables(dialog)).filter((p) => !/^Back$/.test(p.name)).at(-1)
  if (!send || (await send.at.isDisabled())) return false
  await hand.press(send, where, 'mouse')
  await until(async () => !(await hand.dialog()) || (await hand.refusal()) !== '', 2000)
  const after = await hand.dialog()
  const refused = after ? await hand.refusal() : ''
  const lines = (await hand.linesSince(last)).filter((l) => l.person === hand.person)
  if (after) {
    // A browser's own word on an empty field is said beside it.
    const ownWord = (await after.locator(':invalid').count()) > 0
    hand.verdicts.judge(
      1,
      lines.length === 0,
      () => `${where}: refused (${refused}), and yet written: ${lines[0]?.says}`,
    )
    hand.verdicts.judge(2, refused !== '' || ownWord, () => `${where}: neither written nor refused`)
    return false
  }
  const said = lines.map((l) => plain(l.says)).join(' / ')
  hand.verdicts.judge(1, lines.length > 0, () => `${where}: nothing is on record of it`)
  hand.verdicts.judge(
    1,
    lines.length === 0 || amounts.length === 0 || amounts.some((a) => said.includes(a)),
    () => `${where}: typed ${amounts.join(', ')}, on record: ${said}`,
  )
  const twice = lines.filter((l, i) => lines.findIndex((o) => o.kind === l.kind && o.says === l.says) !== i)
  hand.verdicts.judge(1, twice.length === 0, () => `${where}: twice on record: ${twice[0]?.says}`)
  return true
}

/** Answers why a wait is over, where the page asks for it. */
export async function sayWaitOver(hand: Hand, where: string): Promise<boolean> {
  const why = hand.page.getByLabel('Why is it over?')
  if ((await why.count()) === 0) return false
  await hand.type(why.first(), 'looked at under the lamp', where)
  const over = hand.page.getByRole('button', { name: 'It is over' }).first()
  await hand.press({ name: 'It is over', key: '', at: over }, where, 'mouse')
  return true
}
