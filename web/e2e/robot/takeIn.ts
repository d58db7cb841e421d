import type { Locator } from '@playwright/test'
import type { Hand } from './hand'
import { plain } from './record'

const customers = ['Kite Loft', 'Ferry Café', 'Seed Library', 'Jo Brack', 'Tide Press']
const told = [
  'It does not print as it should.',
  'Worked last week, not today.',
  'Since we filled it one colour is pale.',
  'It stops and says no.',
]

async function choose(hand: Hand, select: Locator, where: string): Promise<string> {
  const values = await select
    .locator('option:not([disabled])')
    .evaluateAll((all) =>
      all.map((o) => ({ value: (o as HTMLOptionElement).value, text: (o as HTMLOptionElement).text })),
    )
  const one = hand.chance.of(values)
  hand.verdicts.did(`take in: ${where} ${plain(one.text)}`)
  await select.selectOption(one.value)
  return plain(one.text)
}

/** Takes a random machine in with a random complaint, and stands on its bench page. Its model, as it is called. */
export async function takeIn(hand: Hand, serial: string): Promise<string> {
  const { page, chance } = hand
  await hand.goto('/take-in')
  const clear = page.getByRole('button', { name: 'Clear the form' })
  if ((await clear.count()) > 0) await clear.click()
  await hand.type(page.getByLabel('Serial'), serial, 'take in')
  const model = await choose(hand, page.getByLabel('Model'), 'model')
  await hand.type(page.getByLabel('Name'), chance.of(customers), 'take in')
  await hand.type(page.getByLabel('In the customer’s own words'), chance.of(told), 'take in')
  await choose(hand, page.getByLabel('Which is it nearest to'), 'complaint')
  const where = page.getByLabel('Where', { exact: true })
  if ((await where.count()) > 0 && chance.hits(0.6)) await choose(hand, where, 'where')
  for (const group of ['Ink in use', 'Moved or tipped lately', 'Paper'])
    if (chance.hits(0.6)) {
      const options = page.getByRole('group', { name: group }).locator('label')
      const option = options.nth(chance.whole(0, (await options.count()) - 1))
      hand.verdicts.did(`take in: ${group} ${plain(await option.innerText())}`)
      await option.click()
    }
  if (chance.hits(0.3)) await hand.type(page.getByLabel('Idle, weeks'), `${chance.whole(1, 30)}`, 'take in, idle weeks')
  const send = page.getByRole('button', { name: 'Take it in, make its tag' })
  await hand.press({ name: 'Take it in, make its tag', key: '', at: send }, 'take in', 'mouse')
  await page.waitForURL(/\/bench\/\d+\/tag/, { timeout: 10_000 })
  hand.job = Number(/bench\/(\d+)/.exec(page.url())![1])
  await hand.goto(`/bench/${hand.job}`)
  return model.replace(/ \(.*/, '')
}
