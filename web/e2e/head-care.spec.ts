import { expect, test, type Page } from '@playwright/test'
import { expectNoAxeFindings, signIn, takeIn } from './bench'

/** Taps a sheet in on which some nozzles of the second channel are missing: the same on every run. */
async function tap(page: Page, job: number, missing: number[]) {
  await page.goto(`/bench/${job}/sheets`)
  const seen = (await page.getByTestId('sheets').getAttribute('data-version'))!
  await page.getByRole('button', { name: 'Tap it in' }).click()
  for (const n of missing) await page.locator(`[data-of="1"][data-nozzle="${n}"]`).press('Enter')
  await page.getByRole('button', { name: 'Put it on record' }).click()
  await expect(page.getByTestId('sheets')).not.toHaveAttribute('data-version', seen)
}

for (const [model, serial] of [
  ['Tolling Folio 3', 'HC-5101'],
  ['Marram Quartet A4', 'HC-5102'],
]) {
  test(`${model}: from the first sheet through a step of the plan to the sheet that judges it`, async ({ page }) => {
    test.setTimeout(150_000)
    await signIn(page)
    const job = await takeIn(page, serial!, {
      model: model!,
      complaint: 'Missing nozzles after idle time',
      words: 'Stripes since the holidays.',
      moved: false,
      idle: '9',
    })
    await page.keyboard.press('h')
    const card = page.getByTestId('head-do')
    await expect(card).toHaveAttribute('data-kind', 'sheet')
    await expectNoAxeFindings(page)
    await tap(page, job, [12, 30, 44, 51])
    await page.goto(`/bench/${job}/head-care`)
    await expect(card).not.toHaveAttribute('data-kind', 'sheet')
    await expect(page.getByRole('list', { name: 'Steps of the plan' }).getByRole('listitem').first()).toBeVisible()
    await expect(page.getByRole('row', { name: /this plan/ })).toContainText('£')
    await expectNoAxeFindings(page)

    const whatIf = page.getByRole('region', { name: 'What if I just do' })
    await whatIf.getByRole('button', { name: 'Deep clean' }).click()
    const says = whatIf.locator('p').first()
    const twice = await says.textContent()
    await whatIf.getByRole('button', { name: '1', exact: true }).click()
    await expect(says).not.toHaveText(twice!)

    await expect(card).toHaveAttribute('data-kind', 'work')
    const title = (await card.getByRole('heading', { level: 2 }).textContent())!
    // A press goes with the words above it: were they another step's, nothing would be written.
    const step = card.locator('[data-says=step]')
    const name = (await step.textContent())!
    await step.evaluate((at) => (at.firstChild!.textContent = 'Deep soak of another head'))
    await page.keyboard.press('1')
    await expect(page.locator('[data-code=shown-other]')).toContainText('Deep soak of another head')
    await step.evaluate((at, words) => (at.firstChild!.textContent = words), name)
    await page.keyboard.press('1')
    await expect(card).toHaveAttribute('data-kind', 'sheet')
    await expect(page.getByRole('region', { name: 'All cleanings of this machine' })).toContainText(
      title.split(':')[0]!,
    )
    await tap(page, job, [30])
    await page.goto(`/bench/${job}/head-care`)
    await expect(page.getByRole('region', { name: 'All cleanings of this machine' })).toContainText('4 → 1 missing')
    await expectNoAxeFindings(page)
    await page.getByRole('button', { name: '3', exact: true }).last().click()
    await expect(page.getByRole('button', { name: '3', exact: true }).last()).toHaveAttribute('aria-pressed', 'true')
    await page.goto(`/bench/${job}`)
    await expect(page.getByText('up to 3 missing nozzles in a channel may stay').first()).toBeVisible()
  })
}

test('a sum is worked out as it is typed, and a wrong field says so beside itself', async ({ page }) => {
  await signIn(page)
  await page.goto('/sums')
  await page.getByRole('link', { name: 'Counter: what it has room for' }).click()
  await page.getByLabel('Counter now').fill('91')
  await page.getByLabel('Points each').fill('2,7')
  await page.getByLabel('Times').fill('4')
  const result = page.getByTestId('sum-result')
  await expect(result).toContainText('101.8')
  await expect(result).toContainText('Operations that fit3')
  await expectNoAxeFindings(page)
  await page.getByLabel('Times').fill('1.5')
  await expect(page.getByText('It should be a whole number')).toBeVisible()
  await expect(result).toContainText('one field is not right')
  await page.getByRole('button', { name: 'One more' }).click()
  await expect(page.getByLabel('Times')).toHaveCount(2)
  await page.getByRole('link', { name: 'Cleans: when they end' }).click()
  await expect(result).toContainText('Ends at')
})
