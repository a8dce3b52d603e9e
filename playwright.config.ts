import { defineConfig } from '@playwright/test'

export default defineConfig({
  testDir: 'e2e',
  outputDir: 'test-results',
  fullyParallel: true,
  workers: 2,
  // A browser that stops drawing is no fault of the page: one more try, and ./test says which needed it.
  retries: 1,
  // Slow machines are no failure.
  timeout: 300_000,
  expect: { timeout: 30_000 },
  use: {
    baseURL: process.env.BLASTOMIX_URL ?? 'http://127.0.0.1:3000',
    actionTimeout: 90_000,
    viewport: { width: 1280, height: 800 },
    locale: 'en-GB',
    screenshot: 'only-on-failure',
    launchOptions: {
      executablePath: '/usr/bin/chromium',
      args: [
        '--no-sandbox',
        '--disable-dev-shm-usage',
        '--disable-gpu',
        '--host-resolver-rules=MAP * ~NOTFOUND , EXCLUDE 127.0.0.1 , EXCLUDE localhost',
      ],
    },
  },
})
