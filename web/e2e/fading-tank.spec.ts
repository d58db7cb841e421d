import { expect, test } from '@playwright/test'
import { after, answerAt, answerEasy, card, signIn, takeIn, version, digit } from './bench'

test('a fading tank machine is taken in, found, mended, proved with full pages, closed and handed over', async ({
  page,
}) => {
  await signIn(page)
  const strip = page.getByRole('navigation', { name: 'Bench places' })
  for (const standing of ['time', 'hands', 'parts', 'customer', 'rings']) {
    await expect(strip.locator(`[data-standing="${standing}"]`).first()).toBeVisible()
  }
  const id = await takeIn(page, 'E2E-FADE-1')

  // Easy checks come first; a digit answers.
  await expect(card(page)).toHaveAttribute('data-step', 'ink-seen')
  await after(page, () => digit(page, '1'))
  await expect(page.locator('[data-source="ink-seen"]')).toContainText('Ink above the low mark in every slot')

  await answerEasy(page, ['nozzle-sheet'])

  // A complete sheet clears head and nozzles, and holds every head cleaning back with its reason.
  await answerAt(page, 'nozzles', 'nozzle-sheet', 'complete')
  await expect(page.locator('[data-station="head"]')).toHaveAttribute('data-state', 'cleared')
  await expect(page.locator('[data-station="nozzles"]')).toHaveAttribute('data-state', 'cleared')
  const held = page.locator('[data-gate="complete-pattern"]')
  for (const clean of ['Light clean', 'Normal clean', 'Deep clean']) await expect(held).toContainText(clean)
  await expect(held).toContainText('the head is not the fault')

  await answerEasy(page)

  // A draw test that pulls hard leaves vent, line and damper; opening the vent is the cheaper look.
  await answerAt(page, 'damper', 'draw-test', 'hard')
  await answerEasy(page)
  for (const station of ['vent', 'line', 'damper']) {
    await expect(page.locator(`[data-station="${station}"]`)).toHaveAttribute('aria-label', /suspicion [1-9]\d %/)
  }
  await expect(card(page)).toHaveAttribute('data-step', 'vent-open-draw')

  // A slip of the finger is taken back: both lines stay, the odds follow.
  const before = await page.locator('[data-station="vent"]').getAttribute('aria-label')
  await after(page, () => card(page).locator('[data-outcome="same"]').click())
  await expect(page.locator('[data-station="vent"]')).not.toHaveAttribute('aria-label', before!)
  await after(page, () =>
    page
      .locator('[data-source="vent-open-draw"]')
      .getByRole('button', { name: /take back/ })
      .click(),
  )
  await expect(page.locator('[data-station="vent"]')).toHaveAttribute('aria-label', before!)
  await expect(page.locator('[data-entry="answered"][data-taken-back]')).toHaveCount(1)
  await expect(page.locator('[data-entry="corrected"]')).toHaveCount(1)

  await after(page, () => card(page).locator('[data-outcome="returns"]').click())
  await expect(card(page)).toHaveAttribute('data-step', 'clear-vent')
  await after(page, () => card(page).getByTestId('done').click())
  await expect(page.locator('[data-clock="settle"]')).toBeVisible()

  // The proof is full pages; the open machine holds it until the tray is clear.
  await expect(card(page)).toHaveAttribute('data-step', 'full-pages')
  await expect(page.getByTestId('step-held')).toBeVisible()
  await expect(card(page).locator('[data-outcome="even"]')).toBeDisabled()
  await after(page, () => page.getByRole('button', { name: 'All back, dry and out: clear the tray' }).click())
  await answerEasy(page)

  // Closing is refused while something is on the tray and no reason is given.
  await page.getByRole('button', { name: 'Add to the tray' }).click()
  await page.getByRole('textbox', { name: 'What' }).fill('cover screw, short')
  await after(page, () => page.getByRole('button', { name: 'Put on the tray' }).click())
  await card(page).getByRole('button', { name: 'Close as verified' }).click()
  const dialog = page.getByRole('dialog')
  await dialog.getByRole('button', { name: 'Close the job' }).click()
  await expect(dialog.getByRole('alert')).toContainText('The tray is not clear')
  await dialog.getByRole('button', { name: 'All back: clear the tray' }).click()
  await expect(dialog.getByText('All back: clear the tray')).toBeHidden()
  await dialog.getByRole('button', { name: 'Close the job' }).click()

  await page.waitForURL(`**/bench/${id}/hand-over`)
  const sheet = page.getByTestId('hand-over-sheet')
  await expect(sheet).toContainText('Mended and proved.')
  await expect(sheet).toContainText('Vent blocked by dried ink')
  await expect(sheet).toContainText('Clear the vent')
  const pages = await page.pdf({ format: 'A4' })
  expect(pages.toString('latin1').match(/\/Type\s*\/Page[^s]/g)).toHaveLength(1)
  await page.getByRole('button', { name: 'The machine goes home' }).click()
  await expect(page.getByText('✓ Handed over.')).toBeVisible()
})

test('the record shows every line of a machine and exports', async ({ page }) => {
  await signIn(page)
  const id = await takeIn(page, 'E2E-RECORD-1')
  await page.keyboard.press('n')
  await page.getByLabel('What to remember').fill('Label photographed before pulling cables.')
  await page.getByRole('button', { name: 'Write it down' }).click()
  await expect(page.locator('[data-entry="noted"]')).toBeVisible()
  const seen = await version(page)
  await page.getByRole('link', { name: 'Kite Loft' }).click()
  await expect(page.locator('[data-entry="machine-registered"]')).toHaveCount(1)
  expect(await page.locator('[data-entry]').count()).toBeGreaterThan(seen)
  const [csv] = await Promise.all([page.waitForEvent('download'), page.getByRole('link', { name: 'CSV' }).click()])
  expect(csv.suggestedFilename()).toBe('record-E2E-RECORD-1.csv')
  const [json] = await Promise.all([page.waitForEvent('download'), page.getByRole('link', { name: 'JSON' }).click()])
  expect(json.suggestedFilename()).toBe('record-E2E-RECORD-1.json')
  await page.goto(`/bench/${id}`)
})
