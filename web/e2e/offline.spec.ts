import { expect, test, type Page } from '@playwright/test'
import { signIn, takeIn, version } from './bench'

const presses = 100

async function note(page: Page, text: string) {
  await page.keyboard.press('n')
  const dialog = page.getByRole('dialog', { name: 'Note' })
  await dialog.getByLabel('What to remember').fill(text)
  await page.keyboard.press('Control+Enter')
  await expect(dialog).toBeHidden()
}

test('an hour without a line: a hundred presses, a reload, another person on the job; nothing lost, nothing doubled', async ({
  page,
  context,
  browser,
}) => {
  test.setTimeout(180_000)
  await signIn(page)
  const id = await takeIn(page, 'E2E-OFF-1')
  const seen = await version(page)
  await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined))
  await context.setOffline(true)
  await expect(page.getByTestId('offline')).toBeVisible()

  for (let i = 1; i <= presses; i++) {
    await note(page, `without a line ${i}`)
    // The page is loaded again in the middle: the shell, the job and what waits are there.
    if (i !== presses / 2) continue
    await page.reload()
    await expect(page.getByTestId('next-card')).toBeVisible()
  }
  await expect(page.getByTestId('waiting')).toContainText(`${presses} presses wait`)

  // Another person writes on the same job meanwhile: a note, which stands in nobody's way.
  const other = await (await browser.newContext()).newPage()
  await signIn(other, 'Tom Adeyemi-Rowe')
  await other.goto(`/bench/${id}`)
  await expect(other.getByTestId('next-card')).toBeVisible()
  await note(other, 'Tom was here')
  await expect.poll(() => version(other)).toBe(seen + 1)

  await context.setOffline(false)
  await expect(page.getByTestId('waiting')).toBeHidden({ timeout: 60_000 })
  await expect.poll(() => version(page)).toBe(seen + 1 + presses)
  const lines = await page.evaluate(
    async (job) =>
      ((await (await fetch(`/api/jobs/${job}`)).json()) as { record: { entries: { says: string }[] } }).record.entries
        .map((e) => e.says)
        .filter((s) => s.includes('without a line')),
    id,
  )
  expect(lines.length).toBe(presses)
  expect(new Set(lines).size).toBe(presses)
})

test('a guide goes on without a line, and its ticks are there when it is back', async ({ page, context }) => {
  await signIn(page)
  const id = await takeIn(page, 'E2E-OFF-3')
  await page.goto(`/bench/${id}/opening`)
  await page.locator('[data-guide="outside-bottle"]').click()
  await expect(page.getByTestId('run')).toBeVisible()
  await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined))
  await context.setOffline(true)
  await expect(page.getByTestId('offline')).toBeVisible()
  const step = async () => (await page.getByTestId('act').getAttribute('data-key'))!
  const [first, then] = [await step(), [] as string[]]
  for (const key of ['2', '1']) {
    await expect(page.getByTestId('act')).toHaveAttribute('data-settled', 'true')
    const before = await step()
    await page.keyboard.press(key)
    await expect(page.getByTestId('act')).not.toHaveAttribute('data-key', before)
    then.push(await step())
  }
  await page.reload()
  await expect(page.getByTestId('act')).toHaveAttribute('data-key', then[1]!)
  await context.setOffline(false)
  await expect(page.getByTestId('waiting')).toBeHidden({ timeout: 30_000 })
  await expect(page.getByTestId('act')).toHaveAttribute('data-key', then[1]!)
  expect(new Set([first, ...then]).size).toBe(3)
  const opening = await page.evaluate(async (job) => (await fetch(`/api/jobs/${job}/opening`)).json(), id)
  expect((opening as { run: { done: number } }).run.done).toBe(2)
})

test('an answer that no longer fits comes back as a question with both sides', async ({ page, context, browser }) => {
  await signIn(page)
  const id = await takeIn(page, 'E2E-OFF-2')
  const seen = await version(page)
  await context.setOffline(true)
  await expect(page.getByTestId('offline')).toBeVisible()
  const card = page.getByTestId('next-card')
  const words = async (says: string) => (await card.locator(`[data-says=${says}]`).first().textContent())!.trim()
  const pressed = `${await words('step')}: ${await words('answer')}`
  await card.locator('[data-outcome]').first().click()
  await expect(page.getByTestId('waiting')).toContainText('One press waits')
  const other = await (await browser.newContext()).newPage()
  await signIn(other, 'Tom Adeyemi-Rowe')
  await other.goto(`/bench/${id}`)
  await other.getByTestId('next-card').locator('[data-outcome]').last().click()
  await expect.poll(() => version(other)).toBeGreaterThan(seen)
  await context.setOffline(false)
  const question = page.getByTestId('waiting').getByRole('alert')
  await expect(question).toContainText('Tom Adeyemi-Rowe')
  await expect(question).toContainText(pressed)
  await question.getByRole('button', { name: 'Leave it out' }).click()
  await expect(page.getByTestId('waiting')).toBeHidden()
})

test('who signed out leaves nothing of the shop in the browser', async ({ page, context }) => {
  await signIn(page)
  await page.goto('/take-in')
  await page.getByLabel('In the customer’s own words').fill('typed and not sent')
  const draft = () => page.evaluate(() => localStorage.getItem('side-bench-take-in') ?? '')
  await expect.poll(draft).toContain('typed and not sent')
  await page.getByRole('button', { name: /Ines Varga/ }).click()
  await page.getByRole('button', { name: 'Sign out' }).click()
  await expect(page).toHaveURL(/sign-in/)
  const kept = () =>
    page.evaluate(
      () =>
        new Promise<number>((go) => {
          const asked = indexedDB.open('side-bench')
          asked.onsuccess = () => {
            const all = asked.result.transaction('pages').objectStore('pages').count()
            all.onsuccess = () => go(all.result)
          }
        }),
    )
  await expect.poll(kept).toBe(0)
  expect(await draft()).not.toContain('typed and not sent')
  await context.setOffline(true)
  await page.goto('/today').catch(() => undefined)
  await expect(page.getByText('Today at the bench')).toHaveCount(0)
})
