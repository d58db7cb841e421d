import { expect, test } from '@playwright/test'
import { after, card, signIn, takeIn, version, digit } from './bench'

test('two browsers on one job see each other, and a stale answer is refused with what changed', async ({
  page,
  browser,
}) => {
  await signIn(page)
  const id = await takeIn(page, 'E2E-TWO-1')
  const other = await (await browser.newContext()).newPage()
  await signIn(other, 'Tom Adeyemi-Rowe')
  await other.goto(`/bench/${id}`)
  await expect(card(other)).toHaveAttribute('data-step', (await card(page).getAttribute('data-step'))!)

  // An answer in one shows in the other.
  await after(page, () => digit(page, '1'))
  await expect.poll(() => version(other), { intervals: [50], timeout: 1000 }).toBe(await version(page))

  // Cut off from the news, the other answers what it still shows: refused, told, never doubled.
  await other.route('**/api/events', (route) => route.abort())
  const jobPage = new RegExp(`/api/jobs/${id}(\\?|$)`)
  await other.route(jobPage, (route) => (route.request().method() === 'GET' ? route.abort() : route.continue()))
  await other.reload({ waitUntil: 'commit' }).catch(() => {})
  await other.unroute(jobPage)
  await other.goto(`/bench/${id}`)
  const step = await card(other).getAttribute('data-step')
  const seen = await version(other)
  await after(page, () => digit(page, '1'))
  await expect(card(other)).toHaveAttribute('data-step', step!)
  await digit(other, '1')
  await expect(other.getByRole('alert').filter({ hasText: 'Somebody was faster' })).toContainText('Ines Varga')
  await expect.poll(() => version(other)).toBe(seen + 1)
})

test('a clock is told by the server: it survives a reload and shows in another browser, rings, and is ended', async ({
  page,
  browser,
}) => {
  await signIn(page)
  const id = await takeIn(page, 'E2E-CLOCK-1')
  await page.keyboard.press('t')
  await page.getByLabel('Minutes').fill('0.05')
  await after(page, () => page.getByRole('button', { name: 'Start', exact: true }).click())
  await expect(page.locator('[data-clock][data-rings]')).toContainText('is up')
  await page.reload()
  await expect(page.locator('[data-clock][data-rings]')).toBeVisible()
  const other = await (await browser.newContext()).newPage()
  await signIn(other, 'Tom Adeyemi-Rowe')
  await expect(other.locator('[data-group="rings"]')).toContainText('Marram Quartet A4')
  await other.goto(`/bench/${id}`)
  await after(other, () => other.keyboard.press('t'))
  await expect(page.locator('[data-clock]')).toHaveCount(0)
})
