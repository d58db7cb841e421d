import { cardOf, titleOf } from './bench'
import { toBench } from './crafts'
import type { Hand } from './hand'
import { plain } from './record'
import { pressables, textOf, words } from './screen'

const spends = /\b(clean|rest|soak|flush|purge)\b/i

/** Looks at one job on all its pages at one time, and judges that they say the same. Begins and ends on the bench. */
export async function lookAround(hand: Hand) {
  const { page, verdicts } = hand
  const card = cardOf(hand)
  if ((await card.count()) === 0) return
  const advised = await titleOf(card)
  const held = (await textOf(page.getByTestId('held'))).toLowerCase()
  const bench = await words(page.locator('main'))
  verdicts.judge(
    4,
    !held.includes(`${advised.toLowerCase()}.`),
    () => `the bench advises “${advised}” and holds it back`,
  )
  await at(hand, 'Head care', async () => {
    const next = page.getByTestId('head-do')
    if ((await next.count()) === 0) return
    const does = plain(await next.getByRole('heading').first().innerText())
    const isWork = (await pressables(next)).some((p) => p.key === '1' && p.name === 'Done')
    const notNow = (await words(next)).split('Not now')[1]?.toLowerCase() ?? ''
    verdicts.judge(
      4,
      !notNow.includes(advised.toLowerCase()),
      () => `the bench advises “${advised}”, head care says not now`,
    )
    if (isWork) {
      verdicts.judge(4, !held.includes(does.toLowerCase()), () => `head care says “${does}”, the bench holds it back`)
      if (spends.test(advised) && !/sheet/i.test(advised))
        verdicts.judge(
          4,
          advised.toLowerCase().includes(does.toLowerCase().split(/[ ,]/)[0]!),
          () => `the bench advises “${advised}”, head care “${does}”`,
        )
    }
  })
  await at(hand, 'Waste', async () => {
    const gate = page.getByTestId('waste-gate')
    if ((await gate.count()) === 0) return
    const says = plain(await gate.getByRole('heading').first().innerText())
    if (/\breset\b.*counter|counter.*\breset\b|then reset/i.test(advised))
      verdicts.judge(
        4,
        !/Nothing to reset/.test(says),
        () => `the bench advises “${advised}”, the waste page says “${says}”`,
      )
    const waste = await words(page.locator('main'))
    if (/renew (the )?(pads|box)/i.test(advised))
      verdicts.judge(
        4,
        !/none is advised/i.test(waste),
        () => `the bench advises “${advised}”, on the waste page none is advised`,
      )
    const here = /Waste counter last read: ?(\d+)/.exec(bench)?.[1]
    const drawn = page.getByRole('img', { name: /The counter says/ }).first()
    const there = /\d+/.exec((await drawn.getAttribute('aria-label')) ?? '')?.[0]
    if (here && there)
      verdicts.judge(
        4,
        Math.abs(Number(here) - Number(there)) <= 1,
        () => `the counter stands at ${here} % on the bench, at ${there} % on the waste page`,
      )
  })
  await at(hand, 'Ink and chips', async () => {
    const visit = page.getByTestId('ink-visit')
    if ((await visit.count()) === 0) return
    const title = plain(await visit.getByRole('heading').first().innerText())
    if (/Nothing is due/.test(title))
      verdicts.judge(
        4,
        !/^(Refill|Fill|Top up)/i.test(advised),
        () => `the bench advises “${advised}”, on the ink page nothing is due`,
      )
  })
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
