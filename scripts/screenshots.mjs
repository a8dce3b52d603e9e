import { chromium } from '@playwright/test'
import { buildApplication } from './install.mjs'
import { CHROMIUM } from './packages.mjs'
import { withThrowAwayApplication } from './throw-away.mjs'
import { orSayWhy } from './trouble.mjs'

const BATCH = '0b1a5700-de30-4000-8000-000000000051'
const FEEDING = '0b1a5700-de30-4000-8000-000000000062'
const PROGRAMME = '0b1a5700-de30-4000-8000-000000000065'
const TRAY = '0b1a5700-de30-4000-8000-000000000402'
const RUN = '0b1a5700-de30-4000-8000-000000000601'
const WIDE = { width: 1280, height: 800 }
const PHONE = { width: 390, height: 844 }

/** Each main view, from the demo household. */
const VIEWS = [
  { name: 'today', path: '/', size: WIDE },
  { name: 'season', path: '/plan', size: { width: 1280, height: 1150 } },
  { name: 'trays', path: '/trays', size: { width: 1280, height: 1000 } },
  { name: 'tray', path: `/trays/${TRAY}`, size: WIDE },
  { name: 'guided-job', path: `/jobs/${RUN}`, size: WIDE },
  { name: 'mix', path: `/mix?batch=${BATCH}`, size: WIDE },
  { name: 'find', path: '/find', size: { width: 1280, height: 1000 }, see: 'meets your limits' },
  { name: 'mix-phone', path: `/mix?batch=${BATCH}`, size: PHONE },
  { name: 'feed', path: `/feed?plan=${FEEDING}`, size: WIDE },
  { name: 'feed-dark', path: `/feed?plan=${FEEDING}`, size: WIDE, dark: true },
  { name: 'bench-card', path: `/batches/${BATCH}`, size: { width: 1280, height: 1500 } },
  { name: 'supplies', path: '/supplies', size: WIDE },
  {
    name: 'feeding-schedule',
    path: `/programme?programme=${PROGRAMME}`,
    size: { width: 1280, height: 1000 },
  },
  { name: 'signs', path: `/signs?sign=pale+old&tray=${TRAY}`, size: WIDE },
  { name: 'log', path: '/records', size: WIDE },
  { name: 'first', path: '/first', size: { width: 1280, height: 1000 } },
  { name: 'help', path: '/help', size: { width: 1280, height: 1000 } },
  { name: 'devices', path: '/devices', size: { width: 1280, height: 1000 } },
  { name: 'season-end', path: '/records/year', size: { width: 1280, height: 1000 } },
]

await orSayWhy(async () => {
  await buildApplication()
  await withThrowAwayApplication(async ({ address }) => {
    const browser = await chromium.launch({
      executablePath: CHROMIUM,
      args: ['--no-sandbox', '--disable-gpu'],
    })
    const [demo] = await (await fetch(`${address}/api/households`)).json()
    for (const { name, path, size, dark, see, scrollTo } of VIEWS) {
      const context = await browser.newContext({ viewport: size, locale: 'en-GB' })
      await context.addCookies([{ name: 'household', value: demo.id, url: address }])
      await context.addCookies([{ name: 'theme', value: dark ? 'dark' : 'light', url: address }])
      const page = await context.newPage()
      await page.goto(address + path, { waitUntil: 'load' })
      await page.locator('main h1').first().waitFor()
      // What is listened to never falls silent: the page is given a moment instead.
      await page.waitForTimeout(2500)
      if (see) await page.getByText(see).first().waitFor()
      if (scrollTo) await page.locator(scrollTo).evaluate((one) => one.scrollIntoView())
      await page.waitForTimeout(300)
      await page.screenshot({ path: `docs/screenshots/${name}.png` })
      await context.close()
    }
    await browser.close()
  })
})
