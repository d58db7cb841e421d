import { defineConfig } from '@playwright/test'

const flags =
  '--headless --no-sandbox --disable-gpu --disable-quic --no-first-run --disable-background-networking --disable-component-update --disable-sync'

export default defineConfig({
  testDir: './e2e',
  workers: 2,
  fullyParallel: false,
  retries: 0,
  timeout: 60_000,
  expect: { timeout: 8_000 },
  outputDir: './test-results',
  use: {
    baseURL: process.env.BASE_URL ?? 'http://127.0.0.1:5180',
    locale: 'en-GB',
    viewport: { width: 1280, height: 800 },
    contextOptions: { reducedMotion: 'reduce' },
    launchOptions: { executablePath: '/usr/bin/chromium', args: flags.split(' ') },
  },
})
