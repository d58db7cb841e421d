import { fillAndSend } from './form'
import type { Hand } from './hand'
import { judgeAsked } from './judgeAsked'
import { plain } from './record'
import { pressables, words } from './screen'

/** Goes to a craft's page by what the bench offers. False when it is not offered. */
async function open(hand: Hand, name: string): Promise<boolean> {
  const link = (await pressables(hand.page.locator('main'))).find((p) => p.name === name)
  if (!link) return false
  await hand.press(link, 'bench')
  await hand.page.waitForURL((u) => !/\/bench\/\d+$/.test(u.pathname), { timeout: 5000 }).catch(() => undefined)
  await hand.quiet()
  return true
}

/** Back to the bench, by what the page offers. */
export async function toBench(hand: Hand) {
  await hand.leave()
  const back = (await pressables(hand.page.locator('main'))).find((p) => p.key === 'B' && /Bench|^\d+$/.test(p.name))
  if (back) await hand.press(back, 'to the bench')
  if (!/\/bench\/\d+$/.test(new URL(hand.page.url()).pathname)) await hand.goto(`/bench/${hand.job}`)
}

/** One act on the ink page: chips, weighing, filling, a reset, what is fitted, the visit. */
export async function onInk(hand: Hand): Promise<boolean> {
  if (!(await open(hand, 'Ink and chips'))) return false
  for (let n = hand.chance.whole(1, 2); n > 0; n--) {
    const slots = await pressables(hand.page.getByRole('region', { name: 'All slots' }))
    if (slots.length > 1 && hand.chance.hits(0.6)) await hand.press(hand.chance.of(slots), 'ink, slots')
    const acts = (await pressables(hand.page.locator('main'))).filter((p) =>
      /^(Weigh|Fill|Reset|Fitted|Chips read|Tell what the panel shows|Done so.*|\d+ plugs? out)$/.test(p.name),
    )
    if (acts.length === 0) break
    const act = hand.chance.of(acts)
    const last = await hand.lastLine()
    await hand.press(act, 'ink')
    const dialog = await hand.dialog()
    if (dialog) await fillAndSend(hand, dialog, `ink, ${act.name}`)
    else if (!(await hand.refusal()) && /^Done so|plugs? out/.test(act.name)) {
      const lines = (await hand.linesSince(last)).filter((l) => l.person === hand.person)
      hand.verdicts.judge(1, lines.length > 0, () => `ink: “${act.name}” is on record as nothing`)
    }
    await hand.leave()
  }
  await toBench(hand)
  return true
}

/** One act on the waste page: what was done or seen, or a reset. */
export async function onWaste(hand: Hand): Promise<boolean> {
  if (!(await open(hand, 'Waste'))) return false
  const last = await hand.lastLine()
  const acts = (await pressables(hand.page.locator('main'))).filter((p) =>
    /^(Say what was done or seen|Reset.*)$/.test(p.name),
  )
  if (acts.length > 0) {
    const act = hand.chance.of(acts)
    await hand.press(act, 'waste')
    const dialog = await hand.dialog()
    if (dialog) await fillAndSend(hand, dialog, `waste, ${act.name}`)
  }
  await toBench(hand)
  await judgeAsked(hand, last)
  return true
}

/** What head care says to do next, done; or only looked at. */
export async function onHeadCare(hand: Hand): Promise<boolean> {
  if (!(await open(hand, 'Head care'))) return false
  const card = hand.page.getByTestId('head-do')
  const done =
    (await card.count()) > 0 ? (await pressables(card)).find((p) => p.key === '1' && p.name === 'Done') : undefined
  if (done && hand.chance.hits(0.7)) {
    const last = await hand.lastLine()
    const title = plain(await card.getByRole('heading').first().innerText())
    await hand.press(done, `head care “${title}”`)
    if (!(await hand.refusal())) {
      const lines = (await hand.linesSince(last)).filter((l) => l.person === hand.person && l.kind === 'mended')
      hand.verdicts.judge(1, lines.length === 1, () => `head care “${title}”: on record ${lines.length} times`)
      const now = (await card.count()) > 0 ? plain(await card.getByRole('heading').first().innerText()) : ''
      hand.verdicts.judge(5, now !== title, () => `head care: “${title}” was just done, and is next`)
    }
    await hand.leave()
  }
  await toBench(hand)
  return true
}

/** Reads a sheet by taps: what was tapped as missing is what is on record. */
export async function onSheets(hand: Hand): Promise<boolean> {
  if (!(await open(hand, 'Nozzle sheets'))) return false
  const tap = (await pressables(hand.page.locator('main'))).find((p) => p.name === 'Tap it in')
  if (tap) {
    await hand.press(tap, 'sheets')
    const grid = hand.page.getByRole('region', { name: 'Taps' })
    const units = await grid.locator('h3').count()
    if (units > 0) {
      const last = await hand.lastLine()
      const blank = grid.getByRole('button', { name: 'none prints' })
      const dash = grid.locator('[data-nozzle]')
      for (let n = hand.chance.whole(0, 6); n > 0; n--) {
        const at = hand.chance.whole(0, (await dash.count()) - 1)
        hand.verdicts.did(`sheets: taps ${await dash.nth(at).getAttribute('aria-label')}`)
        await dash.nth(at).click()
      }
      if (hand.chance.hits(0.25)) await blank.nth(hand.chance.whole(0, units - 1)).click()
      const missing = /(\d+) missing/.exec(await words(grid))?.[1] ?? '0'
      const keep = (await pressables(grid)).find((p) => p.name === 'Put it on record')!
      await hand.press(keep, 'sheets', 'mouse')
      if (!(await hand.refusal())) {
        const line = (await hand.linesSince(last)).find((l) => l.kind === 'sheet-taken')
        const told = [...(line?.says ?? '').matchAll(/(\d+) missing/g)].reduce((sum, m) => sum + Number(m[1]), 0)
        hand.verdicts.judge(
          1,
          !!line && told === Number(missing),
          () => `sheets: ${missing} tapped, on record: ${line?.says ?? 'nothing'}`,
        )
      }
    }
    await hand.leave()
  }
  await toBench(hand)
  return true
}
