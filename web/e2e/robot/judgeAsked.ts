import { cardOf, titleOf } from './bench'
import type { Hand } from './hand'
import { plain } from './record'

/** Work that was done on another page is not asked for by the bench's next card. */
export async function judgeAsked(hand: Hand, since: number) {
  const card = cardOf(hand)
  if ((await card.count()) === 0) return
  const title = (await titleOf(card)).toLowerCase()
  const done = (await hand.linesSince(since)).filter(
    (l) => ['mended', 'store-told', 'counter-reset'].includes(l.kind) && !l.takenBack,
  )
  for (const { says } of done) {
    const same = title.startsWith(
      plain(says)
        .replace(/^Done: /, '')
        .split(/ on slots? |, /)[0]!
        .toLowerCase(),
    )
    const renewed = /renewed/i.test(says) && /^renew/.test(title)
    const reset = /^counter reset/i.test(says) && /\breset\b/.test(title)
    hand.verdicts.judge(
      5,
      !same && !renewed && !reset,
      () => `“${plain(says)}” is on record, and the bench asks for “${title}”`,
    )
  }
}
