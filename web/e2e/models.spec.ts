import { expect, test, type Page } from '@playwright/test'
import { card, expectNoAxeFindings, signIn } from './bench'

const unique = () => Math.floor(Math.random() * 1e6)

/** Answers a dozen questions about a machine that nobody has seen; how many presses it took. */
async function makeKind(page: Page, name: string, answers: Record<string, string>) {
  let presses = 2
  await page.getByLabel('Maker').fill('Heath')
  await page.getByLabel('Name of the model').fill(name)
  for (const [axis, says] of Object.entries(answers)) {
    await page.locator(`[data-axis="${axis}"]`).getByRole('button', { name: says, exact: true }).click()
    presses++
  }
  await page.getByRole('button', { name: 'black, cyan, magenta, yellow' }).click()
  await page.getByRole('button', { name: 'Make the model' }).click()
  return presses + 2
}

const tank = {
  delivery: 'tanks filled from bottles',
  headPlace: 'it stays on the carriage',
  head: 'piezo',
  panel: 'a screen',
  waste: 'a box that comes out',
  spares: 'no, or not known',
}

test('a stranger makes a model of a machine never seen, takes one in and gets first advice, in under 40 presses', async ({
  page,
}) => {
  await signIn(page)
  const name = `Solo ${unique()}`
  await page.goto('/take-in')
  await page.getByRole('button', { name: 'Clear the form' }).click()
  await page.getByLabel('Serial').fill(`HS-${unique()}`)
  await page.getByRole('link', { name: 'It is none of these' }).click()
  let presses = 3 + (await makeKind(page, name, tank))
  await page.waitForURL('**/take-in')
  await expect(page.getByLabel('Model')).toHaveValue(/heath-solo/)
  await page.getByLabel('Name').fill('Kite Loft')
  await page.getByLabel('In the customer’s own words').fill('Stripes since the holidays.')
  await page.getByLabel('Which is it nearest to').selectOption('missing-after-idle')
  await page.getByLabel('Idle, weeks').fill('6')
  await page.getByRole('button', { name: 'Take it in, make its tag' }).click()
  await page.waitForURL(/\/tag/)
  await page.getByRole('link', { name: 'To the bench' }).click()
  presses += 6
  await expect(card(page)).toHaveAttribute('data-step', /.+/)
  expect(presses).toBeLessThan(40)
})

test('what is taught is known: a figure measured, one far off asked about, a code, an opening; passed on and taken in', async ({
  page,
}) => {
  await signIn(page)
  await page.goto('/models?make')
  await page.getByRole('button', { name: 'A machine nobody has seen' }).click()
  const name = `Duet ${unique()}`
  await makeKind(page, name, {
    ...tank,
    delivery: 'cartridges on the carriage',
    cartridge: 'a sponge',
    chips: 'chips that end',
  })
  await expect(page.getByRole('heading', { name: `Heath ${name}` })).toBeVisible()
  await expect(page.getByTestId('help').getByRole('listitem')).toHaveCount(3)

  const figure = page.locator('[data-figure="operations/clean-light/mlPerChannel"]')
  await expect(figure).toContainText('family default')
  await figure.getByRole('button', { name: 'Tell' }).click()
  await figure.getByRole('textbox').fill('0.21')
  await figure.getByRole('button', { name: 'Measured here' }).click()
  await expect(figure).toContainText('measured once')
  await figure.getByRole('button', { name: 'Tell' }).click()
  await figure.getByRole('textbox').fill('9')
  await figure.getByRole('button', { name: 'Measured here' }).click()
  await expect(page.locator('[data-code="own-far-off"]')).toContainText('was expected')
  await figure.getByLabel('It is so').check()
  await figure.getByRole('button', { name: 'Measured here' }).click()
  await expect(figure).toContainText('measured 2 times')

  const codes = page.getByTestId('codes')
  await codes.getByLabel('Code on the panel').fill('H-07')
  await codes.getByLabel('The panel’s words').fill('Box full')
  await codes.getByLabel('What does it tell of').selectOption('waste')
  await codes.getByRole('button', { name: 'Teach this code' }).click()
  await expect(codes.getByRole('link', { name: 'H-07' })).toBeVisible()

  const opening = page.getByTestId('opening')
  for (const part of ['Mains lead', 'Rear panel', 'Pads']) {
    await opening.getByRole('button', { name: part, exact: true }).click()
  }
  await opening.getByRole('button', { name: 'Teach this opening, 3 parts' }).click()
  await expect(opening).toContainText('Taught by one opening')
  await opening.getByText('Parts, 3').click()
  await expect(opening.getByRole('listitem').filter({ hasText: 'Pads' })).toContainText('after Rear panel')
  await expectNoAxeFindings(page)

  // Passed on: the same file changes nothing; one that says otherwise is shown, and replaces only when told to.
  const file = await (
    await page.request.get(`/api/models/export?model=heath-${name.toLowerCase().replace(' ', '-')}`)
  ).text()
  await page.goto('/models')
  const bring = page.getByTestId('import')
  const give = (text: string) =>
    bring
      .locator('input[type=file]')
      .setInputFiles({ name: 'm.json', mimeType: 'application/json', buffer: Buffer.from(text) })
  await give(file)
  await expect(page.getByTestId('import-look')).toContainText('just as it is here')
  await give(file.replace('"spares": "no"', '"spares": "yes"'))
  await expect(bring).toContainText('changed on the way')
  await expectNoAxeFindings(page)
})
