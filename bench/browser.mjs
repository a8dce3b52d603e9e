/*
 * The production build in Chromium: how much script the first page takes, when it first paints, and how long a
 * recalculation holds the page. Each beside a page of bare HTML or an empty update in the same run.
 */
import { gzipSync } from 'node:zlib'
import { chromium } from '@playwright/test'
import { CHROMIUM } from '../scripts/packages.mjs'

const [base] = process.argv.slice(2)
const middle = (values) => values.sort((a, b) => a - b)[values.length >> 1]

const browser = await chromium.launch({
  executablePath: CHROMIUM,
  args: ['--no-sandbox', '--disable-dev-shm-usage', '--disable-gpu'],
})

async function firstPaint(url) {
  const times = []
  for (let i = 0; i < 7; i++) {
    const context = await browser.newContext({ viewport: { width: 1280, height: 800 } })
    const page = await context.newPage()
    await page.goto(url, { waitUntil: 'load' })
    await page.waitForFunction(() => performance.getEntriesByName('first-contentful-paint').length > 0)
    times.push(await page.evaluate(() => performance.getEntriesByName('first-contentful-paint')[0].startTime))
    await context.close()
  }
  return middle(times)
}

for (const path of ['/', '/mix', '/feed']) {
  const page = await browser.newPage()
  let bytes = 0
  const pending = []
  page.on('response', (response) => {
    if (response.request().resourceType() === 'script')
      pending.push(response.body().then((body) => (bytes += gzipSync(body).length)))
  })
  await page.goto(base + path, { waitUntil: 'networkidle' })
  await Promise.all(pending)
  await page.close()
  const paint = await firstPaint(base + path)
  const bare = await firstPaint('data:text/html,<title>bare</title><p>bare')
  console.log(
    `${path}: ${(bytes / 1000).toFixed(0)} kB of gzipped script · first contentful paint ${paint.toFixed(0)} ms · bare page ${bare.toFixed(0)} ms`,
  )
}

/** Times of a key press on a slider, from the event to the laid-out result. */
async function presses(path, slider, keys) {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
  await page.goto(base + path, { waitUntil: 'networkidle' })
  const times = await page
    .getByRole('slider', { name: slider })
    .first()
    .evaluate(async (element, names) => {
      const laidOut = async (act) => {
        const start = performance.now()
        act()
        await new Promise((resolve) => queueMicrotask(() => queueMicrotask(resolve)))
        await Promise.resolve()
        document.body.getBoundingClientRect()
        return performance.now() - start
      }
      const results = []
      for (let i = 0; i < 60; i++)
        results.push(
          await laidOut(() =>
            element.dispatchEvent(
              new KeyboardEvent('keydown', { key: names[i % names.length], bubbles: true, cancelable: true }),
            ),
          ),
        )
      return results
    }, keys)
  await page.close()
  const sorted = times.sort((a, b) => a - b)
  console.log(
    `${path}, ${slider}: median ${middle(sorted).toFixed(1)} ms, worst ${sorted.at(-1).toFixed(1)} ms of the 16 ms of a frame (ratio ${(middle(sorted) / 16).toFixed(2)})`,
  )
}
await presses('/mix', /^Edge between/, ['ArrowUp', 'ArrowDown'])
await presses('/feed', 'Wanted strength', ['ArrowRight', 'ArrowLeft'])
await browser.close()
