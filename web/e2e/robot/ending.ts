import { sayWaitOver } from './form'
import type { Hand } from './hand'
import { plain } from './record'
import { pressables, textOf, words } from './screen'

/** Ends every thread of the job, honestly: verified where it may be, else handed back with a reason; then hands it over. */
export async function endJob(hand: Hand) {
  const { page } = hand
  for (let thread = 0; thread < 8; thread++) {
    await hand.goto(`/bench/${hand.job}`)
    if ((await page.getByText(/Closed; waits to be handed over|Handed over/).count()) > 0) break
    const close = (await pressables(page.locator('main'))).find((p) => p.name === 'Close the job')
    if (!close) break
    await hand.press(close, 'bench', 'mouse')
    await fillClosing(hand)
    await hand.leave()
  }
  const spent = plain(await textOf(page.getByRole('region', { name: 'Spent so far' })))
  const last = await hand.lastLine()
  await hand.goto(`/bench/${hand.job}/hand-over`)
  const to = page.getByLabel('To', { exact: true })
  await to.waitFor({ timeout: 4000 }).catch(() => undefined)
  hand.verdicts.judge(3, (await to.count()) > 0, () => 'the job cannot be closed')
  if ((await to.count()) === 0) return
  await judgeSheet(hand)
  await judgeSpent(hand, spent)
  await hand.type(to, 'Sal Marsh', 'hand-over')
  await hand.type(page.getByLabel(/^Charged/), '40', 'hand-over')
  const home = page.getByRole('button', { name: 'The machine goes home' })
  await hand.press({ name: 'The machine goes home', key: '', at: home }, 'hand-over', 'mouse')
  const lines = (await hand.linesSince(last)).filter((l) => l.kind === 'handed-over')
  hand.verdicts.judge(1, lines.length === 1, () => `handed over once, on record ${lines.length} times`)
}

async function fillClosing(hand: Hand) {
  const dialog = await hand.dialog()
  if (!dialog) return
  const proved = (await dialog.getByText('mended, and proved').count()) > 0
  await dialog.getByLabel(proved ? /^Verified/ : /^Handed back/).check()
  const clear = dialog.getByRole('button', { name: 'All back: clear the tray' })
  if ((await clear.count()) > 0) {
    await hand.press({ name: 'All back: clear the tray', key: '', at: clear }, 'closing', 'mouse')
    await sayWaitOver(hand, 'closing')
  }
  await hand.type(dialog.getByLabel(/^Reason/), 'the time is over', 'closing')
  const send = (await pressables(dialog)).filter((p) => /^Close/.test(p.name)).at(-1)
  if (!send) return
  await hand.press(send, 'closing', 'mouse')
  for (let i = 0; i < 3 && (await sayWaitOver(hand, 'closing')); i++);
  const refused = (await hand.dialog()) ? await hand.refusal() : ''
  hand.verdicts.judge(3, !refused, () => `closing is refused: ${refused.slice(0, 160)}`)
}

/** What stands on the customer's sheet as done is what the record has as done. */
async function judgeSheet(hand: Hand) {
  const sheet = plain(await words(hand.page.getByTestId('hand-over-sheet')))
  const done = (await hand.linesSince(0)).filter((l) => l.kind === 'mended' && !l.takenBack)
  for (const line of done) {
    const name = plain(line.says)
      .replace(/^Done: /, '')
      .split(/ on slots? |, /)[0]!
    hand.verdicts.judge(1, sheet.includes(name), () => `the customer's sheet leaves out what was done: ${name}`)
  }
}

/** What the bench said was spent is what the customer's sheet says. */
async function judgeSpent(hand: Hand, spent: string) {
  const sheet = plain(await words(hand.page.getByTestId('hand-over-sheet')))
  const minutes = /([\d.,]+) min/
  const [here, there] = [minutes.exec(spent)?.[1], minutes.exec(/Bench time, .{0,20}/.exec(sheet)?.[0] ?? '')?.[1]]
  if (here && there)
    hand.verdicts.judge(4, here === there, () => `${here} min spent on the bench, ${there} min on the customer's sheet`)
  const total = spent.split('·')[2]?.trim().split(' ')[0]
  const sum = /Together .{0,16}/.exec(sheet)?.[0]
  if (total && sum)
    hand.verdicts.judge(4, sum.includes(total), () => `${total} spent on the bench, “${sum}” on the sheet`)
}
