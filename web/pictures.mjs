// Makes the pictures of docs/screenshots from the demo data. Usage: node pictures.mjs BASE_URL OUT_DIR [name...]
import { chromium } from '@playwright/test'

const [base, out, ...only] = process.argv.slice(2)
const desk = { width: 1280, height: 800 }
const phone = { width: 390, height: 844 }
const onPlace = (place) => async (page) => {
  await page.goto(`${base}/today`)
  await page.locator(`[data-place="${place}"]`).click()
  await page.getByTestId('bench').waitFor()
}
const pictures = [
  {
    name: 'model',
    view: desk,
    go: async (p) => {
      await p.goto(`${base}/models?new`)
      await p.getByLabel('Maker').fill('Heath')
      await p.getByLabel('Name of the model').fill('Solo 4')
      for (const says of [
        'tanks filled from bottles',
        'it stays on the carriage',
        'piezo',
        'a screen',
        'a box that comes out',
      ])
        await p.getByRole('button', { name: says, exact: true }).click()
      await p.locator('[data-axis="spares"] button').first().click()
      await p.getByRole('button', { name: 'black, cyan, magenta, yellow' }).click()
      await p.getByRole('button', { name: 'Make the model' }).click()
      await p.waitForURL('**/take-in')
      await p.goto(`${base}/models/heath-solo-4`)
      await p.getByTestId('help').waitFor()
    },
  },
  {
    name: 'today',
    view: desk,
    go: async (p) => {
      await p.goto(`${base}/today`)
      await p.getByTestId('day-lines').waitFor()
    },
  },
  { name: 'bench', view: desk, go: onPlace(2) },
  {
    name: 'waste',
    view: desk,
    go: async (p) => {
      await onPlace(3)(p)
      await p.keyboard.press('u')
      await p.getByTestId('waste').waitFor()
    },
  },
  { name: 'bench-lamp-off', view: desk, lamp: 'off', go: onPlace(1) },
  {
    name: 'nozzle-sheet',
    view: desk,
    go: async (p) => {
      await onPlace(1)(p)
      await p.getByRole('link', { name: /Nozzle sheets/ }).click()
      await p.getByTestId('reading').waitFor()
      await p.waitForFunction(() => [...document.images].every((i) => i.complete))
    },
  },
  {
    name: 'people',
    view: desk,
    go: async (p) => {
      await p.goto(`${base}/people`)
      await p.getByLabel('Name').fill('Wren Hale')
      await p.getByRole('button', { name: 'Make a one-time code' }).click()
      await p.getByTestId('made-code').waitFor()
    },
  },
  { name: 'bench-phone', view: phone, go: onPlace(2) },
  { name: 'take-in', view: desk, go: (p) => p.goto(`${base}/take-in`) },
  {
    name: 'head-care',
    view: desk,
    go: async (p) => {
      await onPlace(3)(p)
      await p.keyboard.press('s')
      const sheets = p.getByTestId('sheets')
      const seen = await sheets.getAttribute('data-version')
      await p.keyboard.press('s')
      await p.waitForFunction((v) => document.querySelector('[data-testid=sheets]')?.dataset.version !== v, seen)
      await p.goto(p.url().replace(/sheets.*$/, 'head-care'))
      await p.getByTestId('head-do').waitFor()
    },
  },
  {
    name: 'hand-over',
    view: desk,
    go: async (p) => {
      await p.goto(`${base}/records?q=fades`)
      await p.getByText('The first sheet is fine').nth(2).click()
      await p.getByRole('link', { name: 'Hand-over sheet' }).first().click()
      await p.getByTestId('hand-over-sheet').waitFor()
    },
  },
  {
    name: 'record',
    view: desk,
    go: async (p) => {
      await p.goto(`${base}/records/7`)
      await p.getByTestId('parts').waitFor()
    },
  },
  {
    name: 'opening',
    view: desk,
    go: async (p) => {
      await onPlace(4)(p)
      await p.getByRole('link', { name: /Opening up/ }).click()
      await p.getByTestId('act').waitFor()
    },
  },
  {
    name: 'guide',
    view: desk,
    go: (p) => p.goto(`${base}/guides/steps/outside-bottle?model=marram-quartet-a4`),
  },
  { name: 'guides', view: desk, go: (p) => p.goto(`${base}/guides`) },
  {
    name: 'ink',
    view: desk,
    go: async (p) => {
      await onPlace(4)(p)
      await p.keyboard.press('i')
      await p.getByTestId('ink-visit').waitFor()
      await p
        .getByTestId('run-check')
        .getByText(/Yes|No/)
        .first()
        .waitFor()
    },
  },
  { name: 'practice', view: desk, go: (p) => p.goto(`${base}/practice`) },
  { name: 'odds', view: desk, go: (p) => p.goto(`${base}/practice/odds`) },
  { name: 'shelf', view: desk, go: (p) => p.goto(`${base}/shelf`) },
]

const browser = await chromium.launch({
  executablePath: '/usr/bin/chromium',
  args: '--headless --no-sandbox --disable-gpu --disable-quic --no-first-run --disable-background-networking --disable-component-update --disable-sync'.split(
    ' ',
  ),
})
const context = await browser.newContext({ locale: 'en-GB', reducedMotion: 'reduce' })
const page = await context.newPage()
await page.goto(`${base}/sign-in`)
await page.getByLabel('Name').fill('Ines Varga')
await page.getByLabel('Password').fill('fennmouth-bench')
await page.getByRole('button', { name: 'Sign in' }).click()
await page.waitForURL('**/today')
for (const picture of pictures.filter((p) => only.length === 0 || only.includes(p.name))) {
  const at = picture.signedOut ? await (await browser.newContext({ locale: 'en-GB' })).newPage() : page
  await at.setViewportSize(picture.view)
  if (!picture.signedOut)
    await at.evaluate((lamp) => localStorage.setItem('side-bench-lamp', lamp), picture.lamp ?? 'on')
  await picture.go(at)
  await at.locator('h1').first().waitFor({ state: 'attached' })
  await at.waitForFunction(() => !document.body.textContent.includes('Loading '))
  await at.evaluate(() => document.fonts.ready)
  await at.screenshot({ path: `${out}/${picture.name}.png` })
}
await browser.close()
