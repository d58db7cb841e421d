import { sayWaitOver } from './form'
import type { Hand } from './hand'
import { judgeAsked } from './judgeAsked'
import { OrderOfHands } from './order'
import { plain } from './record'
import { pressables, textOf, words } from './screen'
import { toBench } from './crafts'

const most = 70
/** What is read off a scale or a panel: what is nothing after a reset first, since that is asked for most strictly. */
const numbers = ['15', '0', '40', '4']
/** Opens the page of opening up and follows one guide, to its end or until it is given up. */
export async function followGuide(hand: Hand, model: string): Promise<boolean> {
  const link = (await pressables(hand.page.locator('main'))).find((p) => p.name === 'Opening up')
  if (!link) return false
  await hand.press(link, 'bench')
  await hand.page.waitForURL(/opening/, { timeout: 5000 }).catch(() => undefined)
  await hand.quiet()
  const show = (await pressables(hand.page.locator('main'))).find((p) => p.name === 'Guides')
  if (show) await hand.press(show, 'opening')
  const list = hand.page.getByRole('region', { name: /Follow a guide|It is open as far/ })
  const guides = (await list.count()) > 0 ? (await pressables(list)).filter((p) => p.name.startsWith('Follow')) : []
  const running = (await hand.page.getByTestId('run').count()) > 0
  if (guides.length === 0 && !running) {
    await toBench(hand)
    return true
  }
  if (!running) await hand.press(hand.chance.of(guides), 'opening', 'mouse')
  const last = await hand.lastLine()
  hand.told.clear()
  if ((await hand.page.getByTestId('run').count()) > 0) await walk(hand, model)
  await toBench(hand)
  await judgeAsked(hand, last)
  return true
}

async function walk(hand: Hand, model: string) {
  const { page, chance } = hand
  const name = plain(await page.getByTestId('run').getByRole('heading').first().innerText())
  const stopsAt = chance.hits(0.6) ? most : chance.whole(1, 8)
  const order = new OrderOfHands(hand, name, model)
  let stuck = 0
  for (let n = 0; n < stopsAt && stuck < 4; n++) {
    const end = page.getByRole('button', { name: 'Guide done' })
    if ((await end.count()) > 0) {
      await hand.press({ name: 'Guide done', key: '', at: end }, `guide “${name}”`, 'mouse')
      hand.verdicts.judge(
        3,
        (await page.getByTestId('run').count()) === 0,
        () => `guide “${name}” on ${model} is done and does not end`,
      )
      return
    }
    const card = page.getByTestId('act')
    if ((await card.count()) === 0) break
    const was = await words(card)
    await order.look()
    await step(hand, name, stuck)
    stuck = (await card.count()) > 0 && (await words(card)) === was ? stuck + 1 : 0
  }
  const last = plain(await textOf(page.getByTestId('act'))).slice(0, 60)
  hand.verdicts.judge(3, stuck < 4, () => `guide “${name}” on ${model} does not go on at “${last}”`)
  await giveUp(hand, name)
}

/** One press of the card; what it asks for first comes first. */
async function step(hand: Hand, name: string, tries: number) {
  const { page, chance } = hand
  const card = page.getByTestId('act')
  const where = `guide “${name}”, “${plain(await card.getByRole('heading').first().innerText())}”`
  const agreed = card.getByLabel('Who agreed')
  if ((await agreed.count()) > 0) {
    await hand.type(agreed, 'Sal Marsh', where)
    const agree = page.getByRole('button', { name: 'They agree' })
    return void (await hand.press({ name: 'They agree', key: '', at: agree }, where, 'mouse'))
  }
  if ((await card.getByText('A photo first').count()) > 0) {
    hand.verdicts.did(`${where}: takes a photo`)
    const buffer = await page.screenshot({ clip: { x: 0, y: 0, width: 80, height: 60 } })
    await card.locator('input[type=file]').setInputFiles({ name: 'p.png', mimeType: 'image/png', buffer })
    await hand.quiet()
    await card
      .getByText('A photo first')
      .waitFor({ state: 'detached', timeout: 5000 })
      .catch(() => undefined)
    return
  }
  const number = card.locator('input[inputmode=decimal]')
  if ((await number.count()) > 0) await hand.type(number, numbers[tries] ?? chance.of(numbers), where)
  const answers = (await pressables(card)).filter((p) => /^[1-9]$/.test(p.key))
  if (answers.length === 0) return
  const answer = chance.hits(0.85) ? answers[0]! : chance.of(answers)
  const last = await hand.lastLine()
  const title = plain(await card.getByRole('heading').first().innerText())
  const label = answer.name
  await hand.press(answer, where, (await number.count()) > 0 ? 'mouse' : undefined)
  if (await sayWaitOver(hand, where)) return
  // A step that has only just come takes no press, and says so.
  if ((await card.getByText('Too soon').count()) > 0) return
  const refused = await hand.refusal()
  const lines = (await hand.linesSince(last)).filter((l) => l.person === hand.person)
  // What must be true is ticked on the screen alone, until the last of it is.
  if (/^True:/.test(label)) return
  if (refused) {
    hand.verdicts.judge(1, lines.length === 0, () => `${where}: “${label}” refused (${refused}), and yet written`)
    await hand.leave()
    return
  }
  const told = lines.filter((l) =>
    ['guide-ticked', 'taken-off', 'put-back', 'tray-cleared', 'would-not', 'photo-taken'].includes(l.kind),
  )
  hand.verdicts.judge(
    1,
    told.length === 1 || /Skip|Photo/.test(label),
    () =>
      `${where}: pressed “${label}” at “${title}”, on record: ${lines.map((l) => plain(l.says)).join(' / ') || 'nothing'}`,
  )
}

async function giveUp(hand: Hand, name: string) {
  const { page } = hand
  const up = page.getByRole('button', { name: 'Give it up' })
  if ((await up.count()) === 0) return
  await hand.leave()
  await hand.press({ name: 'Give it up', key: '', at: up.first() }, `guide “${name}”`, 'mouse')
  const dialog = await hand.dialog()
  if (!dialog) return
  await hand.type(dialog.getByLabel('Why'), 'the customer came back', 'giving up')
  const send = dialog.getByRole('button', { name: 'Give it up' })
  await hand.press({ name: 'Give it up', key: '', at: send }, 'giving up', 'mouse')
  hand.verdicts.judge(3, (await page.getByTestId('run').count()) === 0, () => `guide “${name}” cannot be given up`)
  await hand.leave()
}
