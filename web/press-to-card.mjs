// Times a press on the bench card until the next card stands, in the browser, on the demo's open jobs: on this machine as it is, and on
// a processor four times slower. Usage: node press-to-card.mjs BASE_URL
import { chromium } from '@playwright/test'

const base = process.argv[2]
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium' })
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
const devtools = await page.context().newCDPSession(page)
await page.goto(`${base}/sign-in`)
await page.getByLabel('Name').fill('Ines Varga')
await page.getByLabel('Password').fill('fennmouth-bench')
await page.getByRole('button', { name: 'Sign in' }).click()
await page.waitForURL('**/today')

/** Presses a digit; how long until another card stands, in ms, or null when that press asks for more. */
async function press(digit) {
  await page.evaluate(() => {
    const step = () => document.querySelector('[data-testid="next-card"]')?.getAttribute('data-step') ?? ''
    const before = step()
    window.taken = new Promise((done) => {
      const giveUp = setTimeout(() => done(null), 4000)
      const pressed = () => {
        const start = performance.now()
        const watch = new MutationObserver(() => {
          if (!step() || step() === before) return
          watch.disconnect()
          clearTimeout(giveUp)
          requestAnimationFrame(() => done(performance.now() - start))
        })
        watch.observe(document.body, { subtree: true, childList: true, attributes: true })
      }
      addEventListener('keydown', pressed, { once: true, capture: true })
    })
  })
  await page.keyboard.press(digit)
  return page.evaluate(() => window.taken)
}

const times = { 1: [], 4: [] }
await page.locator('[data-place]').first().waitFor()
const places = await page.locator('[data-place]').evaluateAll((all) => all.map((p) => p.getAttribute('data-place')))
for (const place of places) {
  await page.goto(`${base}/today`)
  await page.locator(`[data-place="${place}"]`).click()
  const card = page.locator('[data-testid="next-card"][data-settled="true"]')
  const isThere = await card.waitFor({ timeout: 8000 }).then(
    () => true,
    () => false,
  )
  if (!isThere) continue
  for (let i = 0; i < 10; i++) {
    const slower = i % 2 ? 4 : 1
    await devtools.send('Emulation.setCPUThrottlingRate', { rate: slower })
    await card.waitFor()
    const time = await press('1')
    await devtools.send('Emulation.setCPUThrottlingRate', { rate: 1 })
    if (time === null) break
    times[slower].push(time)
  }
}
await browser.close()
for (const [slower, all] of Object.entries(times)) {
  all.sort((a, b) => a - b)
  const at = (share) => all[Math.min(all.length - 1, Math.floor(all.length * share))]?.toFixed(0)
  console.log(
    `press to next card, processor ${slower} times slower: p50 ${at(0.5)} ms, p90 ${at(0.9)} ms, of ${all.length}`,
  )
}
