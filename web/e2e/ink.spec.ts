import { expect, test, type Page } from '@playwright/test'
import { expectNoAxeFindings, signIn, takeIn } from './bench'

const version = (page: Page) => page.getByTestId('ink').getAttribute('data-version')

/** Does something that is written, and waits until the page shows it. */
async function written(page: Page, act: () => Promise<void>) {
  const before = await version(page)
  await act()
  await expect.poll(() => version(page)).not.toBe(before)
  await expect(page.getByRole('dialog')).toHaveCount(0)
}

async function readChips(page: Page, counts: number[]) {
  await page.keyboard.press('c')
  for (const [at, count] of counts.entries())
    await page.getByRole('dialog').locator('input').nth(at).fill(String(count))
  await expectNoAxeFindings(page)
  await written(page, () => page.getByRole('button', { name: 'On record' }).click())
}

test('refillables with hand-reset chips: from nothing known to a visit that is done', async ({ page }) => {
  test.setTimeout(120_000)
  await signIn(page)
  const job = await takeIn(page, 'IK-5101', { model: 'Pellow Studio Eight', moved: false, ink: 'refilled' })
  await page.keyboard.press('i')
  const card = page.getByTestId('ink-visit')
  await expect(card).toContainText('Read the chips first')
  await expectNoAxeFindings(page)
  // A number that belongs elsewhere says where.
  await page.locator('[data-slot="3"]').first().click()
  await page.keyboard.press('x')
  await page.getByRole('dialog').getByLabel('Number on a cartridge').fill('pe m')
  await expect(page.locator('[role=dialog] [data-fit]')).toHaveAttribute('data-fit', 'wrong-slot')
  await page.getByRole('dialog').getByLabel('Number on a cartridge').fill('PE-C')
  await expect(page.locator('[role=dialog] [data-fit]')).toHaveAttribute('data-fit', 'right')
  await page.getByRole('dialog').getByLabel('It is').selectOption('refillable')
  await expectNoAxeFindings(page)
  await written(page, () => page.getByRole('button', { name: 'On record' }).click())
  await readChips(page, [60, 55, 20, 70, 65, 80, 75, 50])
  await expect(page.locator('[data-slot="3"]').first()).toHaveAttribute('data-urgency', 'now')
  await expect(card).toContainText('in one visit')

  // A cartridge lighter than an empty one is asked about, and nothing is written.
  const before = await version(page)
  await page.keyboard.press('w')
  await page.getByLabel('It weighs, g').fill('0.9')
  await page.getByRole('button', { name: 'On record' }).click()
  await expect(page.getByRole('dialog')).toContainText('Lighter than empty')
  expect(await version(page)).toBe(before)
  await page.keyboard.press('Escape')
  await expect(page.getByRole('dialog')).toHaveCount(0)

  await expect(card.getByTestId('visit-done')).not.toHaveAttribute('aria-disabled', 'true')
  await written(page, () => page.keyboard.press('1'))
  await expect(card).toContainText('Nothing is due')
  await expect(page.locator('[data-slot="3"]').first()).toHaveAttribute('data-urgency', 'fine')
  await page.goto(`/bench/${job}`)
  await expect(page.getByText('Filled, by slot').first()).toBeVisible()
})

test('a reset board: all nine in one visit, one press spent, and the run that lasts after it', async ({ page }) => {
  test.setTimeout(120_000)
  await signIn(page)
  await page.goto('/today')
  await page.locator('[data-place="4"]').click()
  await expect(page.getByTestId('bench')).toBeVisible()
  await page.keyboard.press('i')
  const card = page.getByTestId('ink-visit')
  await expect(card).toContainText('All 9 slots, in one visit')
  await expect(page.getByText('24 of 24')).toBeVisible()
  await expectNoAxeFindings(page)
  const run = page.getByTestId('run-check')
  await run.getByLabel('Pages').fill('400')
  await run.getByLabel('Cover, %').fill('5')
  await expect(run).toContainText('No.')
  await expect(card.getByTestId('visit-done')).not.toHaveAttribute('aria-disabled', 'true')
  await written(page, () => card.getByTestId('visit-done').click())
  await expect(page.getByText('23 of 24')).toBeVisible()
  await expect(run).toContainText('Yes.')
  await expect(card).toContainText('Nothing is due')
  await page.setViewportSize({ width: 390, height: 844 })
  await expectNoAxeFindings(page)
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
})
