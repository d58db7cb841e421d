import AxeBuilder from '@axe-core/playwright'
import { expect, type Page } from '@playwright/test'

export const password = 'fennmouth-bench'

export async function signIn(page: Page, name = 'Ines Varga') {
  await page.goto('/sign-in')
  await page.getByLabel('Name').fill(name)
  await page.getByLabel('Password').fill(password)
  await page.getByRole('button', { name: 'Sign in' }).click()
  await page.waitForURL('**/today')
}

/** Takes a machine in by the form, and stands on its bench page. */
export async function takeIn(page: Page, serial: string, more: Partial<Intake> = {}) {
  const intake = {
    model: 'Marram Quartet A4',
    customer: 'Kite Loft',
    complaint: 'Fades under load',
    moved: true,
    ...more,
  }
  await page.goto('/take-in')
  await page.getByRole('button', { name: 'Clear the form' }).click()
  await page.getByLabel('Serial').fill(serial)
  await page.getByLabel('Model').selectOption({ label: await optionOf(page, 'Model', intake.model) })
  await page.getByLabel('Name').fill(intake.customer)
  await page
    .getByLabel('In the customer’s own words')
    .fill(intake.words ?? 'The first sheet is fine, the second fades.')
  await page
    .getByLabel('Which is it nearest to')
    .selectOption({ label: await optionOf(page, 'Which is it nearest to', intake.complaint) })
  if (intake.moved) await page.getByRole('group', { name: 'Moved or tipped lately' }).getByText('yes').click()
  if (intake.ink) await page.getByRole('group', { name: 'Ink in use' }).getByText(intake.ink).click()
  if (intake.idle) await page.getByLabel('Idle, weeks').fill(intake.idle)
  if (intake.warrantyEnd) await page.getByLabel('Warranty ends').fill(intake.warrantyEnd)
  await page.getByRole('button', { name: 'Take it in, make its tag' }).click()
  await page.waitForURL(/\/bench\/\d+\/tag/)
  const id = Number(/bench\/(\d+)/.exec(page.url())![1])
  await page.getByRole('link', { name: 'To the bench' }).click()
  await expect(page.getByTestId('next-card')).toBeVisible()
  return id
}

interface Intake {
  model: string
  customer: string
  complaint: string
  words: string
  moved: boolean
  ink: string
  idle: string
  warrantyEnd: string
}

async function optionOf(page: Page, label: string, start: string): Promise<string> {
  const options = page.getByLabel(label).locator('option')
  await expect(options.filter({ hasText: start })).toHaveCount(1)
  return (await options.filter({ hasText: start }).first().textContent())!.trim()
}

export const card = (page: Page) => page.getByTestId('next-card')

export const version = async (page: Page) => Number(await page.getByTestId('bench').getAttribute('data-version'))

/** Waits until the bench page shows a later version than before. */
export async function after(page: Page, act: () => Promise<void>) {
  const before = await version(page)
  await act()
  await expect.poll(() => version(page)).toBeGreaterThan(before)
}

/** Presses a digit on the bench card, once the card has stood long enough to be read. */
export async function digit(page: Page, key: string) {
  await expect(card(page)).toHaveAttribute('data-settled', 'true')
  await page.keyboard.press(key)
}

/** Chooses a step by its station on the path map, then gives an answer. */
export async function answerAt(page: Page, station: string, step: string, outcome: string) {
  await page.locator(`[data-station="${station}"]`).first().click()
  await page.locator(`[data-choose="${step}"]`).click()
  await expect(card(page)).toHaveAttribute('data-step', step)
  await after(page, () => card(page).locator(`[data-outcome="${outcome}"]`).click())
}

/** Looks at the page from its top: a target that has scrolled half under the strip is no finding. */
export async function expectNoAxeFindings(page: Page) {
  await page.evaluate(() => window.scrollTo(0, 0))
  // There are no frames, and what passes need not be written down: so it takes half the time.
  const { violations } = await new AxeBuilder({ page })
    .setLegacyMode(true)
    .options({ runOnly: ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'], resultTypes: ['violations'] })
    .analyze()
  expect(violations.map((v) => `${v.id}: ${v.nodes.map((n) => n.target).join(' | ')}`)).toEqual([])
}

/** What a machine shows where nothing is wrong there, by finding; a story says what differs. */
export const usual: Record<string, string> = {
  'ink-seen': 'enough',
  'nozzle-sheet': 'complete',
  'panel-code': 'none',
  'one-or-all': 'one',
  'film-and-tabs': 'none',
  'scrap-look': 'none',
  'normal-ask': 'more',
  'leak-colour': 'mixture',
  'colour-page': 'wrong',
  'count-history': 'yes',
  'past-low-ask': 'no',
  'rim-look': 'wet',
  'flat-look': 'flat',
  'settings-seen': 'fit',
  'just-changed': 'weeks',
  'valve-look': 'open',
  'date-look': 'in',
  'press-home': 'no-change',
  'number-and-slot': 'right',
  'one-slot-or-all': 'one',
  'notice-words': 'empty',
  'panel-index': 'same',
  'bay-work-ask': 'no',
  'firmware-ask': 'no',
  'update-ask': 'no',
  'parked-ask': 'no',
  'covers-look': 'shut',
  'queue-look': 'sound',
  'paper-feel': 'good',
  'gap-look': 'fits',
  'profile-look': 'right',
  'plug-look': 'right',
  'reset-history': 'no',
  'box-in-again': 'stays',
  'box-number': 'right',
  'cap-look': 'clean',
  'vent-look': 'clear',
  'pump-test': 'vanishes',
  'felt-look': 'moist',
  'wiper-look': 'straight',
  'ink-kind-ask': 'right',
  'region-look': 'same',
  'chip-straight-look': 'straight',
  'pins-dab': 'clean',
  'swap-known-good': 'read',
  'box-contacts-look': 'clean',
  'drain-look': 'on',
  'spare-box': 'accepted',
  'head-cable-look': 'home',
  'plate-look': 'clean',
  'level-against-panel': 'agree',
  'rest-sheet': 'complete',
  'full-pages': 'even',
  'good-start': 'read',
  'counter-readback': 'ready',
  'sheet-after-clean': 'complete',
}

/** Answers the card as the machine of a story would, for as long as it asks easy things. */
export async function answerEasy(page: Page, until: string[] = []) {
  for (let i = 0; i < 20; i++) {
    await expect(card(page)).toHaveAttribute('data-settled', 'true')
    const step = (await card(page).getAttribute('data-step')) ?? ''
    if (until.includes(step) || !usual[step] || !(await card(page).locator('[data-outcome]').first().isEnabled()))
      return
    await after(page, () => card(page).locator(`[data-outcome="${usual[step]}"]`).click())
  }
}
