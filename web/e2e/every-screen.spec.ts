import { expect, test } from '@playwright/test'
import { card, expectNoAxeFindings, signIn } from './bench'

const screens = [
  { name: 'today', go: '/today' },
  { name: 'take in', go: '/take-in' },
  { name: 'records', go: '/records?q=kite' },
  { name: 'a machine’s record', go: '/records/1' },
  { name: 'people', go: '/people' },
  { name: 'me', go: '/me' },
  { name: 'shelf', go: '/shelf' },
  { name: 'models', go: '/models?new' },
  { name: 'a model', go: '/models/marram-duo' },
  { name: 'guides', go: '/guides' },
  { name: 'a cause', go: '/guides/causes/vent-blocked' },
  { name: 'a code', go: '/guides/codes/tolling-folio-3/F-10' },
  { name: 'a blank nozzle sheet', go: '/guides/sheets/pellow-mono-pair-sheet' },
  { name: 'a guide on paper', go: '/guides/steps/outside-bottle-cut' },
  { name: 'sums', go: '/sums/clean-plan-time' },
  { name: 'practice', go: '/practice' },
  { name: 'how the odds have done', go: '/practice/odds' },
  { name: 'nothing there', go: '/no-such-page' },
]

for (const lamp of ['on', 'off']) {
  test(`axe finds nothing on any screen, lamp ${lamp}`, async ({ page }) => {
    test.setTimeout(240_000)
    await page.goto('/sign-in')
    await page.evaluate((l) => localStorage.setItem('side-bench-lamp', l), lamp)
    await expectNoAxeFindings(page)
    await signIn(page)
    // What blinks is held at its faintest.
    await page.emulateMedia({ reducedMotion: 'no-preference' })
    await page.goto('/today')
    await expect(page.locator('.rings').first()).toBeVisible()
    const faint = () =>
      page.evaluate(() => document.getAnimations().map((a) => (a.pause(), (a.currentTime = 999), a.playState)))
    expect(await faint()).toContain('paused')
    await expectNoAxeFindings(page)
    await page.emulateMedia({ reducedMotion: 'reduce' })
    for (const screen of screens) {
      await page.goto(screen.go)
      await expect(page.getByRole('heading').first()).toBeVisible()
      await expectNoAxeFindings(page)
    }
    for (const place of [1, 2, 3, 4]) {
      await page.goto('/today')
      await page.locator(`[data-place="${place}"]`).click()
      await expect(page.getByTestId('bench')).toBeVisible()
      await expectNoAxeFindings(page)
    }
    await page.getByRole('link', { name: 'Opening up' }).click()
    await expect(page.getByTestId('act')).toBeVisible()
    await expectNoAxeFindings(page)
    await page.goBack()
    await page.getByRole('link', { name: 'Hand-over sheet' }).click()
    await expect(page.getByTestId('hand-over-sheet')).toBeVisible()
    await expectNoAxeFindings(page)
    await page.keyboard.press('/')
    await page.getByRole('combobox').fill('kite')
    await expect(page.getByRole('option').first()).toBeVisible()
    await expectNoAxeFindings(page)
    await page.keyboard.press('Escape')
    await page.keyboard.press('?')
    await expect(page.getByRole('dialog')).toContainText('jump anywhere')
    await expectNoAxeFindings(page)
  })
}

for (const view of [
  { name: 'phone', width: 390, height: 844 },
  { name: 'tablet', width: 820, height: 1180 },
  { name: 'desk', width: 1280, height: 800 },
]) {
  test(`nothing is cut off and every press is large enough at ${view.name} width`, async ({ page }) => {
    await page.setViewportSize(view)
    await signIn(page)
    for (const go of [
      '/today',
      '/take-in',
      '/records/1',
      '/shelf',
      '/models?new',
      '/models/marram-duo',
      '/guides',
      '/guides/causes/vent-blocked',
      '/practice',
      '/practice/odds',
      '/guides/steps/bay-swap',
      '/sums/clean-plan-time',
      'place',
      'head care',
      'opening',
    ]) {
      const place = { place: 2, 'head care': 1, opening: 4 }[go]
      if (place) {
        await page.goto('/today')
        await page.locator(`[data-place="${place}"]`).click()
        await expect(card(page)).toBeVisible()
        if (go === 'head care') {
          await page.getByRole('link', { name: 'Head care' }).click()
          await expect(page.getByTestId('head-do')).toBeVisible()
        }
        if (go === 'opening') {
          await page.getByRole('link', { name: 'Opening up' }).click()
          await expect(page.getByTestId('act')).toBeVisible()
        }
      } else await page.goto(go)
      await expect(page.getByRole('heading').first()).toBeVisible()
      const wide = await page.evaluate(
        () => document.documentElement.scrollWidth - document.documentElement.clientWidth,
      )
      expect(wide, go).toBeLessThanOrEqual(0)
      // A drawing that is fitted to its place has its size once the place has.
      const small = () =>
        page.evaluate(() =>
          [...document.querySelectorAll('main button, main a.press, main [role=button]')]
            .filter((e) => e.getClientRects().length > 0 && e.getBoundingClientRect().height < 43.5)
            .map((e) => `${e.textContent?.trim().slice(0, 30)} ${e.getBoundingClientRect().height}`),
        )
      await expect.poll(small, { message: go }).toEqual([])
    }
  })
}

test('scripts and styles come in their smallest form', async ({ request }) => {
  const shell = await (await request.get('/sign-in')).text()
  const files = shell.match(/\/assets\/[^"]+\.(?:js|css)/g) ?? []
  expect(files.length).toBeGreaterThan(2)
  for (const file of files) {
    const sent = await request.get(file, { headers: { 'Accept-Encoding': 'br, gzip' } })
    expect(sent.headers()['content-encoding'], file).toBe('br')
    expect((await request.get(file, { headers: { 'Accept-Encoding': 'identity' } })).headers()).not.toHaveProperty(
      'content-encoding',
    )
    expect(sent.headers()['content-type'], file).toMatch(/javascript|css/)
  }
})

test('keys: digits answer, Alt and a digit changes the place, slash jumps', async ({ page }) => {
  await signIn(page)
  await expect(page.locator('[data-place="2"]')).toBeVisible()
  await page.keyboard.press('Alt+2')
  await expect(page.getByRole('heading', { name: 'Marram Quartet A4' })).toBeVisible()
  await page.keyboard.press('Alt+3')
  await expect(page.getByRole('heading', { name: 'Tolling Folio 3' })).toBeVisible()
  await page.keyboard.press('/')
  await page.getByRole('combobox').fill('mono pair')
  await expect(page.getByRole('option').first()).toContainText('Pellow Mono Pair')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { name: 'Pellow Mono Pair' })).toBeVisible()
  await page.keyboard.press('/')
  await page.getByRole('combobox').fill('adeyemi')
  await page.getByRole('option', { name: 'Tom Adeyemi-Rowe' }).click()
  await expect(page.getByRole('heading', { name: 'People of the shop' })).toBeVisible()
})

test('people switch at one bench by PIN, and the counter looks on', async ({ page }) => {
  await signIn(page)
  await expect(page.locator('[data-place="2"]')).toBeVisible()
  await page.keyboard.press('Alt+2')
  await expect(card(page)).toBeVisible()
  await page.keyboard.press('p')
  await page.getByRole('button', { name: /Mika Sund/ }).click()
  await page.getByLabel('PIN of Mika Sund').fill('3690')
  await page.getByRole('button', { name: 'Switch', exact: true }).click()
  await expect(page.getByText('The counter looks on: a technician answers.')).toBeVisible()
  await expect(card(page).locator('[data-outcome]').first()).toBeDisabled()
})
