import { cardOf, titleOf } from './bench'
import { toBench } from './crafts'
import type { Hand } from './hand'
import { linesOf, plain } from './record'
import { pressables, textOf, words } from './screen'

const spends = /\b(clean|rest|soak|flush|purge)\b/i
/** Work of the book that ends with the counter set back, and work that makes new room for waste. */
const resets = /\breset\b/i
const makesRoom = /\b(renew|swap|replace|wash|empty|new)\b.*\b(pads?|box|store|bottle)\b/i

/** What the bench says of a job at one time, as a person reads it there. */
interface Bench {
  advised: string
  /** Names of the steps it holds back. */
  held: string[]
  tray: string[]
  counter: number | null
}

const numberIn = (text: string, pattern: RegExp) => {
  const found = pattern.exec(text)?.[1]
  return found === undefined ? null : Number(found)
}

async function readBench(hand: Hand): Promise<Bench> {
  const { page } = hand
  const all = await words(page.locator('main'))
  return {
    advised: await titleOf(cardOf(hand)),
    held: (await page.getByTestId('held').locator('[data-gate] strong').allTextContents())
      .flatMap((t) => plain(t).replace(/\.$/, '').split('; '))
      .map((t) => t.toLowerCase()),
    tray: await trayOf(hand, 'tray'),
    counter: numberIn(all, /Waste counter last read: ?(\d+)/),
  }
}

const trayOf = async (hand: Hand, id: string) =>
  (
    await hand.page
      .getByTestId(id)
      .locator('[data-tray]')
      .evaluateAll((all) => all.map((e) => e.getAttribute('data-tray') ?? ''))
  ).sort()

/** Looks at one job on all its pages at one time, and judges that they say the same. Begins and ends on the bench. */
export async function lookAround(hand: Hand) {
  if ((await cardOf(hand).count()) === 0) return
  const bench = await readBench(hand)
  const differ = (good: boolean, what: string) => hand.verdicts.judge(4, good, () => what)
  differ(!bench.held.includes(bench.advised.toLowerCase()), `the bench advises “${bench.advised}” and holds it back`)
  await at(hand, 'Head care', () => headCare(hand, bench, differ))
  await at(hand, 'Waste', () => waste(hand, bench, differ))
  await at(hand, 'Ink and chips', () => ink(hand, bench, differ))
  await at(hand, 'Opening up', () => opening(hand, bench, differ))
}

type Differ = (good: boolean, what: string) => void

async function headCare(hand: Hand, bench: Bench, differ: Differ) {
  const next = hand.page.getByTestId('head-do')
  if ((await next.count()) === 0) return
  const does = plain(await next.getByRole('heading').first().innerText())
  const isWork = (await pressables(next)).some((p) => p.key === '1' && p.name === 'Done')
  const notNow = (await words(next)).split('Not now')[1]?.toLowerCase() ?? ''
  differ(
    !notNow.includes(`${bench.advised.toLowerCase()}.`),
    `the bench advises “${bench.advised}”, head care says not now`,
  )
  if (!isWork) return
  differ(!bench.held.includes(does.toLowerCase()), `head care says “${does}”, the bench holds it back`)
  const same = bench.advised.toLowerCase().includes(does.toLowerCase().split(/[ ,]/)[0]!)
  if (spends.test(bench.advised) && !/sheet/i.test(bench.advised))
    differ(same, `the bench advises “${bench.advised}”, head care “${does}”`)
}

async function waste(hand: Hand, bench: Bench, differ: Differ) {
  const { page } = hand
  const gate = page.getByTestId('waste-gate')
  if ((await gate.count()) === 0) return
  const says = plain(await gate.getByRole('heading').first().innerText())
  const ways = page.getByTestId('waste-ways')
  const leads = plain(await textOf(ways.locator('tbody tr b').first()))
  const all = await words(page.locator('main'))
  if (resets.test(bench.advised))
    differ(!/Nothing to reset/.test(says), `the bench advises “${bench.advised}”, the waste page says “${says}”`)
  if (makesRoom.test(bench.advised)) {
    differ(!/none is advised/i.test(all), `the bench advises “${bench.advised}”, on the waste page none is advised`)
    if (leads) differ(!/reset only/i.test(leads), `the bench advises “${bench.advised}”, the waste page “${leads}”`)
  } else if (resets.test(bench.advised) && leads)
    differ(!makesRoom.test(leads), `the bench advises “${bench.advised}” alone, the waste page “${leads}”`)
  if (resets.test(bench.advised))
    differ(!/missing/i.test(says), `the bench advises “${bench.advised}”, the gate: ${says}`)
  const drawn = page.getByRole('img', { name: /The counter says/ }).first()
  const there = numberIn((await drawn.getAttribute('aria-label').catch(() => '')) ?? '', /(\d+)/)
  if (bench.counter !== null && there !== null)
    differ(
      Math.abs(bench.counter - there) <= 1,
      `the counter stands at ${bench.counter} % on the bench, at ${there} % on the waste page`,
    )
  const here = (await linesOf(page, hand.job)).filter((l) => l.kind === 'counter-reset' && !l.takenBack).length
  const counted = numberIn(all, /(\d+) resets? on record/)
  if (counted !== null) differ(counted >= here, `the waste page counts ${counted} resets, this job alone has ${here}`)
}

async function ink(hand: Hand, bench: Bench, differ: Differ) {
  const visit = hand.page.getByTestId('ink-visit')
  if ((await visit.count()) === 0) return
  const title = plain(await visit.getByRole('heading').first().innerText())
  const fills = /^(Refill|Fill|Top up)/i.test(bench.advised)
  if (/Nothing is due/.test(title))
    differ(!fills, `the bench advises “${bench.advised}”, on the ink page nothing is due`)
}

async function opening(hand: Hand, bench: Bench, differ: Differ) {
  const tray = await trayOf(hand, 'tray-cards')
  // The bench folds a long tray; what it shows is on the other too.
  const gone = bench.tray.filter((t) => !tray.includes(t))
  differ(gone.length === 0, `on the tray of the bench, not of opening up: ${gone.join(', ')}`)
  const run = hand.page.getByTestId('run')
  if ((await run.count()) > 0) return
  const open = (await pressables(hand.page.locator('main'))).filter((p) => /^Follow/.test(p.name)).map((p) => p.name)
  const held = open.filter((o) => bench.held.includes(o.replace(/^Follow:? /, '').toLowerCase()))
  differ(held.length === 0, `the bench holds back what opening up offers: ${held.join(', ')}`)
}

async function at(hand: Hand, name: string, look: () => Promise<void>) {
  const link = (await pressables(hand.page.locator('main'))).find((p) => p.name === name)
  if (!link) return
  await hand.press(link, 'looking around')
  await hand.page.waitForURL((u) => !/\/bench\/\d+$/.test(u.pathname), { timeout: 5000 }).catch(() => undefined)
  await hand.quiet()
  await look()
  await toBench(hand)
}
