import type { Locator } from '@playwright/test'
import { fillAndSend, sayWaitOver } from './form'
import type { Hand } from './hand'
import { plain, type Line } from './record'
import { pressables, watched, type Pressable } from './screen'

export const cardOf = (hand: Hand) => hand.page.getByTestId('next-card')

/** What the card is about, as its heading says. */
export const titleOf = async (card: Locator) => plain(await card.getByRole('heading').first().innerText())

/** An answer as it stands on the card: its key, its words in bold, the field beside it. */
interface Row {
  thing: Pressable
  label: string
  field: Locator | null
}

async function rowsOf(card: Locator): Promise<Row[]> {
  const rows: Row[] = []
  for (const row of await card.locator('ol > li').all()) {
    const [thing] = await pressables(row)
    if (!thing || !/^\d$/.test(thing.key)) continue
    // What is bold is the answer; what is faint beneath it is how likely it is.
    const label = await thing.at.evaluate(
      (button) =>
        [...button.querySelectorAll<HTMLElement>('*')].find(
          (e) => !e.matches('.keycap') && e.children.length === 0 && Number(getComputedStyle(e).fontWeight) >= 600,
        )?.innerText ?? '',
    )
    const field = row.locator('input').first()
    rows.push({ thing, label: plain(label), field: (await field.count()) > 0 ? field : null })
  }
  return rows
}

/** Answers the card, does what it says, or clears what holds it. False when there is nothing to press. */
export async function workCard(hand: Hand): Promise<boolean> {
  const card = cardOf(hand)
  if ((await card.count()) === 0) return false
  const title = await titleOf(card)
  const rows = await rowsOf(card)
  if (rows.length > 0) return answer(hand, card, title, rows)
  const done = (await pressables(card)).find((p) => p.key === '1' && p.name === 'Done')
  if (done) return mend(hand, title, done)
  const clear = (await pressables(card)).find((p) => /clear the tray/.test(p.name))
  if (clear) {
    await hand.press(clear, `card “${title}”`)
    if (await sayWaitOver(hand, `card “${title}”`)) await hand.quiet()
    return true
  }
  const before = (await pressables(card)).find((p) => /seen before/.test(p.name))
  if (before && hand.chance.hits(0.3)) {
    await hand.press(before, `card “${title}”`)
    return true
  }
  return false
}

async function answer(hand: Hand, card: Locator, title: string, rows: Row[]): Promise<boolean> {
  const row = hand.chance.of(rows)
  const where = `card “${title}”`
  const last = await hand.lastLine()
  let number = ''
  if (row.field && hand.chance.hits(0.7)) {
    number = `${hand.chance.whole(1, 12)}`
    await hand.type(row.field, number, `${where}, at “${row.label}”`)
  }
  const tooSoon = hand.chance.hits(0.05)
  if (number && hand.chance.hits(0.4)) {
    await hand.stands(row.thing.at)
    hand.verdicts.did(`${where}: Enter at “${row.label}”`)
    const shows = await watched(hand.page)
    await row.field!.press('Enter')
    hand.verdicts.judge(2, await shows(), () => `${where}: Enter at “${row.label}” shows nothing`)
    await hand.quiet()
  } else if (tooSoon && row.thing.key && !number) return pressTwice(hand, card, title, row)
  else await hand.press(row.thing, where, number ? 'mouse' : undefined)
  const asks = await card.getByText('Type the number it was.').count()
  const refused = await hand.refusal()
  const lines = (await hand.linesSince(last)).filter((l) => l.person === hand.person && l.kind === 'answered')
  if (asks > 0 || refused) {
    hand.verdicts.judge(1, lines.length === 0, () => `${where}: “${row.label}” refused (${refused}), and yet written`)
    await hand.leave()
    return true
  }
  judgeAnswer(hand, title, row.label, number, lines)
  await judgeNext(hand, title)
  return true
}

/** The same key twice, as a nervous hand presses: one answer is written, and not one of the next card. */
async function pressTwice(hand: Hand, card: Locator, title: string, row: Row): Promise<boolean> {
  const last = await hand.lastLine()
  // A digit that is typed while a field has the focus goes into that field.
  await hand.page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur())
  await hand.stands(row.thing.at)
  hand.verdicts.did(`card “${title}”: key ${row.thing.key} twice at “${row.label}”`)
  const shows = await watched(hand.page)
  await hand.page.keyboard.press(row.thing.key)
  await hand.page.keyboard.press(row.thing.key)
  hand.verdicts.judge(2, await shows(), () => `card “${title}”: key ${row.thing.key} twice shows nothing`)
  await hand.quiet()
  const lines = (await hand.linesSince(last)).filter((l) => l.person === hand.person && l.kind === 'answered')
  // A card that changed just then takes no press, and says so.
  const early = lines.length === 0 && (await card.getByText('Too soon').count()) > 0
  if (!early && !(await hand.refusal())) judgeAnswer(hand, title, row.label, '', lines)
  await hand.leave()
  return (await card.count()) > 0
}

function judgeAnswer(hand: Hand, title: string, label: string, number: string, lines: Line[]) {
  const says = lines.map((l) => plain(l.says))
  hand.verdicts.judge(
    1,
    lines.length === 1 && says[0]!.startsWith(`${title}: ${label}`) && (!number || says[0]!.includes(number)),
    () =>
      `card “${title}”: pressed “${label}”${number && ` at ${number}`}, on record: ${says.join(' / ') || 'nothing'}`,
  )
}

async function mend(hand: Hand, title: string, done: Pressable): Promise<boolean> {
  const last = await hand.lastLine()
  await hand.press(done, `card “${title}”`)
  const lines = (await hand.linesSince(last)).filter((l) => l.person === hand.person && l.kind === 'mended')
  if (await hand.refusal()) {
    hand.verdicts.judge(1, lines.length === 0, () => `card “${title}”: refused, and yet written`)
    await hand.leave()
    return true
  }
  const says = lines.map((l) => plain(l.says))
  hand.verdicts.judge(
    1,
    lines.length === 1 && says[0]!.startsWith(`Done: ${title}`),
    () => `card “${title}”: done, on record: ${says.join(' / ') || 'nothing'}`,
  )
  await judgeNext(hand, title, true)
  return true
}

const ofAgain = /again|once more|another|prove|proof|still|repeat|since|after/i

/** What was told is not asked again, unless the card's own reason says why; work that is done on the machine makes every look new. */
export async function judgeNext(hand: Hand, title: string, isWork = false) {
  if (isWork) hand.told.clear()
  hand.told.add(title)
  const card = cardOf(hand)
  if ((await card.count()) === 0) return
  const next = await titleOf(card)
  // The reason stands right beneath the title; the answers' words are no reason.
  const reason = (await card.locator(':scope > p').allInnerTexts()).join(' ')
  hand.verdicts.judge(
    5,
    !hand.told.has(next) || ofAgain.test(reason),
    () =>
      `“${next}” is ${next === title ? 'just done' : 'told already'}, and asked for: ${plain(reason).slice(0, 140)}`,
  )
}

const sentences = [
  'cap is dry',
  'sheet complete',
  'pulls hard 4 ml',
  'yellow is blank',
  'no film left on it',
  'contacts were inky',
  'vent is clear',
  'counter reads 64 percent',
  'prints fade after two pages',
  'nothing comes out of black',
  'it was moved last week',
  'pump draws',
]

/** Tells a finding in words: what is pressed of what it can mean is what is written. */
export async function tellInWords(hand: Hand): Promise<boolean> {
  const field = hand.page.getByTestId('quick')
  if ((await field.count()) === 0) return false
  const sentence = hand.chance.of(sentences)
  const last = await hand.lastLine()
  await hand.type(field, sentence, 'told in words')
  const list = hand.page.getByRole('list', { name: 'It can mean' })
  const none = hand.page.getByText('Nothing in the book fits these words')
  await list
    .or(none)
    .first()
    .waitFor({ timeout: 3000 })
    .catch(() => undefined)
  const readings = (await list.count()) > 0 ? await pressables(list) : []
  if (readings.length === 0) {
    hand.verdicts.judge(
      2,
      (await none.count()) > 0,
      () => `typed “${sentence}”: neither a reading nor a word that there is none`,
    )
    await field.fill('')
    return true
  }
  const reading = hand.chance.of(readings)
  await hand.press(reading, `told in words “${sentence}”`, 'mouse')
  const lines = (await hand.linesSince(last)).filter((l) => l.person === hand.person && l.kind === 'answered')
  if (!(await hand.refusal())) {
    const name = plain(lines[0]?.says ?? '').split(':')[0] ?? ''
    hand.verdicts.judge(
      1,
      lines.length === 1 && name !== '' && reading.name.includes(name),
      () =>
        `typed “${sentence}”, pressed “${reading.name}”, on record: ${lines.map((l) => plain(l.says)).join(' / ') || 'nothing'}`,
    )
  }
  await hand.leave()
  await hand.page
    .getByTestId('quick')
    .fill('')
    .catch(() => undefined)
  return true
}

/** Takes back what the page lists as known. */
export async function takeBack(hand: Hand): Promise<boolean> {
  const panel = hand.page.getByRole('region', { name: 'What we know' })
  const all = (await panel.count()) > 0 ? (await pressables(panel)).filter((p) => p.name.startsWith('take back')) : []
  if (all.length === 0) return false
  const last = await hand.lastLine()
  await hand.press(hand.chance.of(all), 'what we know')
  hand.told.clear()
  const lines = await hand.linesSince(last)
  if (!(await hand.refusal()))
    hand.verdicts.judge(
      1,
      lines.filter((l) => l.kind === 'corrected').length === 1,
      () => 'taken back once, on record otherwise',
    )
  await hand.leave()
  return true
}

/** Opens a station of the map, perhaps the arithmetic behind a cause, and goes back or chooses a step of it. */
export async function lookAtMap(hand: Hand): Promise<boolean> {
  const map = hand.page.getByRole('region', { name: 'Paths of the machine' })
  const stations = (await map.count()) > 0 ? await pressables(map) : []
  if (stations.length === 0) return false
  await hand.press(hand.chance.of(stations), 'map', 'mouse')
  const dialog = await hand.dialog()
  if (!dialog) return true
  const inside = (await pressables(dialog)).filter((p) => p.name !== 'Back')
  if (inside.length > 0 && hand.chance.hits(0.7)) await hand.press(hand.chance.of(inside), 'station', 'mouse')
  await hand.leave()
  return true
}

/** A note, a clock, a thing on the tray: whatever has a dialog beside the card. */
export async function keepSomething(hand: Hand): Promise<boolean> {
  const wanted = hand.chance.of([/^Note$/, /^Start a clock$/, /^Add$/, /^end/])
  const all = (await pressables(hand.page.locator('main'))).filter((p) => wanted.test(p.name))
  if (all.length === 0) return false
  const thing = hand.chance.of(all)
  await hand.press(thing, 'bench')
  const dialog = await hand.dialog()
  if (dialog) await fillAndSend(hand, dialog, thing.name)
  else await sayWaitOver(hand, thing.name)
  await hand.leave()
  return true
}

/** Another step than the advised one, where the card offers some. */
export async function chooseOther(hand: Hand): Promise<boolean> {
  const card = cardOf(hand)
  if ((await card.count()) === 0) return false
  const others = (await pressables(card)).filter((p) => /^[AB]$/.test(p.key))
  if (others.length === 0) return false
  await hand.press(hand.chance.of(others), `card “${await titleOf(card)}”`)
  return true
}
