import { expect, test, type Page } from '@playwright/test'
import { act, key, soon } from './act'
import { signIn, takeIn } from './bench'

/** Does whatever the card asks for, until the guide has no step left; one whose pads must dry for a day stops where they would go back. */
async function followToEnd(page: Page, until = '') {
  const photo = await page.screenshot({ clip: { x: 0, y: 0, width: 120, height: 90 } })
  const asks = (what: string) => act(page).getByText(what)
  while ((await page.getByRole('button', { name: 'Guide done' }).count()) === 0) {
    if (until && (await key(page)) === until) return
    if (await page.getByLabel('Who agreed').count()) {
      await page.getByLabel('Who agreed').fill('Sal Marsh')
      await page.getByRole('button', { name: 'They agree' }).click()
      await expect(page.getByLabel('Who agreed')).toHaveCount(0)
    } else if (await asks('A photo first').count()) {
      await act(page).locator('input[type=file]').setInputFiles({ name: 'p.png', mimeType: 'image/png', buffer: photo })
      await expect(asks('A photo first')).toHaveCount(0)
    } else {
      const number = act(page).locator('input[inputmode="decimal"]')
      // What is read after a reset is near nothing; everything else is about the middle.
      if (await number.count()) await number.fill((await key(page)) === 'step-reset' ? '0' : '15')
      const before = await key(page)
      await act(page).locator('[data-answer="done"], [data-answer="check"]').first().click()
      await expect.poll(() => key(page), soon).not.toBe(before)
    }
  }
}

for (const [guide, model, serial, fitted] of [
  ['outside-bottle', 'Marram Quartet A4', 'OU-5103', 'Outside bottle'],
  ['head-change', 'Tolling Broadside 44', 'OU-5104', ''],
  ['cartridge-change-lights', 'Marram Duo', 'OU-5105', ''],
  ['pads', 'Tolling Folio 3', 'OU-5106', ''],
  ['hand-flush', 'Tolling Folio 3', 'OU-5107', ''],
  ['under-head', 'Marram Quartet A4', 'OU-5108', ''],
  ['reset-by-program', 'Marram Duo', 'OU-5114', ''],
  ['store-not-found', 'Tolling Broadside 44', 'OU-5113', ''],
] as const)
  test(`the guide ${guide} is followed to its end, with everything back, on ${model}`, async ({ page }) => {
    test.setTimeout(180_000)
    await signIn(page)
    const job = await takeIn(page, serial, { model, moved: false })
    await page.goto(`/bench/${job}/opening`)
    await page.locator(`[data-guide="${guide}"]`).click()
    await expect(page.getByTestId('run')).toBeVisible()
    await followToEnd(page)
    await page.getByRole('button', { name: 'Guide done' }).click()
    await expect(page.getByTestId('run')).toHaveCount(0)
    await page.goto(`/bench/${job}`)
    await expect(page.getByTestId('tray')).toContainText('Clear')
    if (fitted) {
      // What was fitted is the machine's from now on: on its page, on its paths, and on the paper that goes with it.
      await expect(page.getByTestId('this-machine')).toContainText(fitted)
      await expect(page.locator('[data-station="bottle"]')).toBeVisible()
      await page.goto(`/bench/${job}/hand-over`)
      await expect(page.getByTestId('hand-over-sheet')).toContainText(`Fitted: ${fitted}`)
    }
  })

for (const [guide, model, serial, until] of [
  ['refurbish-box', 'Pellow Six Tank', 'OU-5111', 'step-lid'],
  ['wash-store', 'Marram Duo', 'OU-5112', 'step-back'],
] as const)
  test(`the guide ${guide} lets nothing back on ${model} before the pads are dry`, async ({ page }) => {
    test.setTimeout(180_000)
    await signIn(page)
    const job = await takeIn(page, serial, { model, moved: false })
    await page.goto(`/bench/${job}/opening`)
    await page.locator(`[data-guide="${guide}"]`).click()
    await followToEnd(page, until)
    await expect(page.getByTestId('act')).toContainText(/bottom of the drawing|Each until it clicks/)
    await act(page).locator('[data-answer="done"]').first().click()
    await expect(page.getByText('A wait still guards this')).toBeVisible()
    await expect(page.getByText(/pads dry, 24 h to go/)).toBeVisible()
    expect(await key(page)).toBe(until)
    // The card stays on the panel: it must not print.
    await page.goto(`/bench/${job}`)
    await expect(page.getByTestId('tray')).toContainText('do not print')
  })
