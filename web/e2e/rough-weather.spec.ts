import { expect, test } from '@playwright/test'
import { after, card, password, signIn, takeIn, version } from './bench'

test('a sign-in that ran out in mid-form keeps what was typed', async ({ page, context }) => {
  await signIn(page)
  await page.goto('/take-in')
  await page.getByRole('button', { name: 'Clear the form' }).click()
  await page.getByLabel('Serial').fill('E2E-OUT-1')
  await page.getByLabel('Model').selectOption({ index: 1 })
  await page.getByLabel('Name').fill('Lantern Museum')
  await page.getByLabel('In the customer’s own words').fill('Typed before the sign-in ran out.')
  await page.getByLabel('Which is it nearest to').selectOption({ index: 1 })
  await context.clearCookies()
  // News of another bench may ask for the sign-in before the press does: the page is behind the question then.
  const again = page.getByRole('dialog', { name: 'Your sign-in has ended' })
  await expect(async () => {
    if (await again.isHidden())
      await page.getByRole('button', { name: 'Take it in, make its tag' }).click({ timeout: 500 })
    await expect(again).toBeVisible({ timeout: 2_000 })
  }).toPass()
  await again.getByLabel('Password').fill(password)
  await again.getByRole('button', { name: 'Sign in' }).click()
  await expect(again).toBeHidden()
  await expect(page.getByLabel('In the customer’s own words')).toHaveValue('Typed before the sign-in ran out.')
  await page.getByRole('button', { name: 'Take it in, make its tag' }).click()
  await page.waitForURL(/\/tag$/)
})

test('a write that gets no answer is asked about again by itself, under its key, and is there once', async ({
  page,
}) => {
  await signIn(page)
  const id = await takeIn(page, 'E2E-LOST-1')
  const seen = await version(page)
  // The server writes, but its answer is lost on the way.
  await page.route(
    `**/api/jobs/${id}/answers`,
    async (route) => {
      await route.fetch()
      await route.abort()
    },
    { times: 1 },
  )
  await card(page).locator('[data-outcome]').first().click()
  const note = page.getByRole('alert').filter({ hasText: 'Could not reach the server' })
  await expect(note.getByTestId('asking')).toBeVisible()
  await expect(note).toBeHidden()
  await expect.poll(() => version(page)).toBe(seen + 1)
  await expect(page.locator('[data-entry="answered"]')).toHaveCount(1)
})

test('records that stay out of reach are a clear problem, and the press waits for them', async ({ page }) => {
  await page.clock.install()
  await signIn(page)
  const id = await takeIn(page, 'E2E-DOWN-1')
  const problem = {
    type: 'about:blank',
    status: 503,
    code: 'database-unreachable',
    title: 'Could not reach the records',
    detail: 'Nothing was written.',
    hint: 'Try again in a moment; what you typed is kept.',
    problems: [],
    changes: [],
  }
  await page.route(
    `**/api/jobs/${id}/answers`,
    (route) => route.fulfill({ status: 503, contentType: 'application/problem+json', json: problem }),
    { times: 4 },
  )
  const seen = await version(page)
  await card(page).locator('[data-outcome]').first().click()
  // Said while it is asked again; then the press waits by itself, and is sent when the records are back.
  await expect(page.getByRole('alert').filter({ hasText: 'Could not reach the records' })).toBeVisible()
  await expect(async () => {
    await page.clock.fastForward(10_000)
    await expect.poll(() => version(page), { timeout: 200 }).toBe(seen + 1)
  }).toPass()
  await expect(page.getByTestId('waiting')).toBeHidden()
})

test('a wrong take-in names each field and keeps the form', async ({ page }) => {
  await signIn(page)
  await page.goto('/take-in')
  await page.getByRole('button', { name: 'Clear the form' }).click()
  await page.getByLabel('In the customer’s own words').fill('x'.repeat(100_000))
  await page.getByRole('button', { name: 'Take it in, make its tag' }).click()
  await expect(page.getByText('It has 100000 characters; the field takes 2000.').first()).toBeVisible()
  await expect(page.getByLabel('Serial')).toHaveAttribute('aria-invalid', 'true')
  await expect(page.getByLabel('In the customer’s own words')).toHaveValue('x'.repeat(100_000))
})

test('a machine in warranty is not opened without the customer’s word', async ({ page }) => {
  await signIn(page)
  await takeIn(page, 'E2E-WARRANTY-1', { warrantyEnd: '2040-01-01' })
  const gate = page.locator('[data-gate="warranty-opening"]')
  await expect(gate).toContainText('may void it')
  await page.getByTestId('held').getByText('why').click()
  await gate.getByRole('button', { name: 'The customer agrees' }).click()
  await page.getByLabel('Who said so, and how').fill('Kite Loft, by phone')
  await after(page, () => page.getByRole('button', { name: 'Record the word' }).click())
  await expect(gate).toBeHidden()
})
