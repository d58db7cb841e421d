import { expect, test } from '@playwright/test'
import { expectNoAxeFindings, signIn, takeIn } from './bench'

test('a sheet is scanned, read nozzle by nozzle, told to the thread, and put right by hand', async ({ page }) => {
  test.setTimeout(120_000)
  await signIn(page)
  // A made-up machine may have a cause that leaves its sheet complete: then the next one is taken in.
  let job = 0
  let gaps: number[] = []
  for (const serial of ['NS-4101', 'NS-4111', 'NS-4121']) {
    job = await takeIn(page, serial, {
      model: 'Tolling Folio 3',
      complaint: 'Missing nozzles after idle time',
      words: 'Stripes since the holidays.',
      moved: false,
      idle: '9',
    })
    await page.keyboard.press('s')
    await expect(page.getByRole('heading', { name: 'No nozzle sheet yet' })).toBeVisible()
    await expectNoAxeFindings(page)
    await page.keyboard.press('s')
    await expect(page.getByTestId('reading')).toBeVisible({ timeout: 60_000 })
    await expect(page.locator('[data-unit]')).toHaveCount(6)
    gaps = await page
      .locator('[data-unit]')
      .evaluateAll((units) => units.map((u) => Number((u as HTMLElement).dataset.missing)))
    if (gaps.some((n) => n > 0)) break
  }
  expect(gaps.reduce((a, b) => a + b)).toBeGreaterThan(0)
  await expect(page.getByAltText('Nozzle sheet 1')).toBeVisible()
  await page.getByRole('button', { name: 'faint inks lifted' }).click()
  await page.getByRole('button', { name: 'Larger' }).click()
  await expectNoAxeFindings(page)

  await page.getByRole('button', { name: 'Tap to correct' }).click()
  await page.getByRole('button', { name: 'all good' }).first().click()
  await page.getByRole('button', { name: 'none prints' }).first().click()
  await expectNoAxeFindings(page)
  await page.getByRole('button', { name: 'Put it on record' }).click()
  await expect(page.getByText(/put right by hand/)).toBeVisible()
  await expect(page.locator('[data-unit="K"]')).toHaveAttribute('data-missing', '90')
  await page.goto(`/bench/${job}`)
  await expect(page.getByText(/Nozzle sheet \(flatbed, made up\)/)).toBeVisible()
  await expect(page.getByText(/Nozzle sheet put right: K 90 missing/)).toBeVisible()
})

test('a sheet is tapped in with a drag, and a picture that is none changes nothing', async ({ page }) => {
  await signIn(page)
  const job = await takeIn(page, 'NS-4102', { model: 'Marram Quartet A4', moved: false })
  await page.goto(`/bench/${job}/sheets`)
  await page.setInputFiles('input[type=file] >> nth=0', {
    name: 'sheet.jpg',
    mimeType: 'image/jpeg',
    buffer: Buffer.from('no picture at all'),
  })
  await expect(page.locator('[data-code="picture-unknown"]')).toContainText('neither PNG nor JPEG')
  await page.getByRole('button', { name: 'Tap it in' }).click()
  const dash = (n: number) => page.locator(`[data-of="1"][data-nozzle="${n}"]`)
  await dash(20).scrollIntoViewIfNeeded()
  const [from, to] = [(await dash(20).boundingBox())!, (await dash(27).boundingBox())!]
  await page.mouse.move(from.x + 5, from.y + 8)
  await page.mouse.down()
  await page.mouse.move(to.x + 5, to.y + 8, { steps: 6 })
  await page.mouse.up()
  await expect(page.getByText('8 missing')).toBeVisible()
  await dash(20).press('Enter')
  await expect(page.getByText('7 missing')).toBeVisible()
  await page.getByRole('button', { name: 'Put it on record' }).click()
  await expect(page.locator('[data-unit="C"]')).toHaveAttribute('data-missing', '7')
  await expect(page.locator('[data-unit="C"]')).toContainText('solid run')
})

test('the demo’s three sheets are compared over the machine’s life, on a phone too', async ({ page }) => {
  await signIn(page)
  await page.locator('[data-place="1"]').click()
  await page.getByRole('link', { name: /Nozzle sheets/ }).click()
  await expect(page.getByRole('heading', { name: 'Nozzle sheet 3' })).toBeVisible()
  await expect(page.getByTestId('reading')).toContainText('Two different faults.')
  await expect(page.locator('[data-unit="C"]')).toContainText('15 → 4')
  await page.getByLabel('compared with').selectOption({ index: 1 })
  await expect(page.locator('[data-unit="C"]')).toContainText('7 → 4')
  await page.locator('[data-unit="M"]').hover()
  await page.setViewportSize({ width: 390, height: 844 })
  await expect.poll(() => page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
  await expectNoAxeFindings(page)
  await page.getByRole('link', { name: /blank sheet/ }).click()
  await expect(page.getByRole('img', { name: 'Six Tank nozzle sheet' })).toBeVisible()
  await expectNoAxeFindings(page)
})
