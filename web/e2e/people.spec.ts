import { expect, test } from '@playwright/test'
import { signIn } from './bench'

test('a person is invited, joins, is suspended while at work, and has left', async ({ page, browser }) => {
  await signIn(page)
  await page.goto('/people')
  const name = `Wren ${Date.now() % 100000}`
  await page.getByLabel('Name').fill(name)
  await page.getByRole('button', { name: 'Make a one-time code' }).click()
  const code = await page.getByTestId('made-code').locator('p').first().innerText()

  // At another browser they choose their own password; a common one is refused, with what was typed kept.
  const other = await browser.newPage()
  await other.goto('/sign-in')
  await other.getByRole('button', { name: 'I have a one-time code' }).click()
  await other.getByLabel('One-time code').fill(code.toLowerCase())
  await other.getByLabel('Name').fill(name)
  await other.getByLabel('Your new password').fill('password123')
  await other.getByRole('button', { name: 'Join' }).click()
  await expect(other.getByText('guessed first').first()).toBeVisible()
  await other.getByLabel('Your new password').fill('kettle lamp orchard')
  await other.getByRole('button', { name: 'Join' }).click()
  await expect(other).toHaveURL(/\/today/)

  // They change their password, and see where they are signed in.
  await other.goto('/me')
  await expect(other.getByTestId('sign-ins')).toContainText('this one')
  await other.getByLabel('Password of now', { exact: true }).fill('kettle lamp orchard')
  await other.getByLabel('New password', { exact: true }).fill('copper ladle meadow')
  await other.getByRole('button', { name: 'Change password' }).click()
  await expect(other.getByRole('status')).toContainText('Your new password holds')

  // The owner suspends them: what they press next asks for a sign-in.
  await page.getByRole('button', { name: 'It is written down' }).click()
  await page.reload()
  await page.getByRole('button', { name: `Suspend ${name}` }).click()
  await page.getByLabel('Why, for the record').fill('until Monday')
  await page
    .locator('form')
    .getByRole('button', { name: `Suspend ${name}` })
    .click()
  await expect(page.getByTestId('accounts')).toContainText('suspended')
  await other.goto('/today')
  await expect(other.getByRole('heading', { name: 'Side Bench' })).toBeVisible()
  await page.getByRole('button', { name: `Let back ${name}` }).click()
  await page.getByRole('button', { name: `Has left the shop, ${name}` }).click()
  await page.getByRole('button', { name: `${name} has left` }).click()
  await expect(page.getByText(/Have left:/)).toContainText(name)
  // The only owner cannot step down.
  await page.getByLabel('Role of Ines Varga').selectOption('Counter')
  await expect(page.getByText('The shop needs an owner')).toBeVisible()
  await expect(page.getByLabel('Role of Ines Varga')).toHaveValue('Owner')
})
