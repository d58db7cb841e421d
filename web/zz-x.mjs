import { chromium } from '@playwright/test'
const [base, out, what] = process.argv.slice(2)
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--headless', '--disable-gpu'] })
const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 }, reducedMotion: 'reduce' })).newPage()
await page.goto(`${base}/sign-in`)
await page.getByLabel('Name').fill('Ines Varga')
await page.getByLabel('Password').fill('fennmouth-bench')
await page.getByRole('button', { name: 'Sign in' }).click()
await page.waitForURL('**/today')
const shot = (n, o = {}) => page.screenshot({ path: `${out}/${n}.png`, ...o })
const post = (path, body) => page.evaluate(async ([path, body]) => {
  const s = await (await fetch('/api/session')).json()
  const r = await fetch(path, { method: 'POST', headers: { 'X-Side-Bench-Token': s.token, 'Content-Type': 'application/json' }, body: JSON.stringify({ key: crypto.randomUUID(), ...body }) })
  return [r.status, await r.json()]
}, [path, body])
const get = (path) => page.evaluate(async (path) => (await fetch(path)).json(), path)
const tools = { page, base, shot, post, get }
await (await import(`/tmp/w/${what}.mjs`)).default(tools)
await browser.close()
