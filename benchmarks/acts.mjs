/*
 * How soon the page answers: the ten commonest acts, from the press to the first frame that shows it, and the switch from one of
 * the five places to another, the first time and again. Wanted: under 100 ms, and under 300 ms.
 */
import { chromium } from '@playwright/test'
import { CHROMIUM } from '../scripts/packages.mjs'

const ACT_MS = 100
const SWITCH_MS = 300
const [base] = process.argv.slice(2)
const middle = (values) => [...values].sort((a, b) => a - b)[values.length >> 1]

const browser = await chromium.launch({
  executablePath: CHROMIUM,
  args: ['--no-sandbox', '--disable-dev-shm-usage', '--disable-gpu'],
})
const DEMO = '0b1a5700-de30-4000-8000-000000000001'
const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, locale: 'en-GB' })
await context.addCookies([{ name: 'household', value: DEMO, url: base }])
const page = await context.newPage()

/** From the act on an element to the first frame after the page changed, ms. */
const answered = (locator, act) =>
  locator.first().evaluate(async (element, [kind, value]) => {
    const changed = new Promise((resolve) => {
      const seen = new MutationObserver(() => (seen.disconnect(), resolve()))
      seen.observe(document.body, { subtree: true, childList: true, attributes: true, characterData: true })
    })
    const start = performance.now()
    if (kind === 'click') element.dispatchEvent(new MouseEvent('click', { bubbles: true, cancelable: true }))
    if (kind === 'key')
      element.dispatchEvent(new KeyboardEvent('keydown', { key: value, bubbles: true, cancelable: true }))
    if (kind === 'type') {
      Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set.call(element, value)
      element.dispatchEvent(new Event('input', { bubbles: true }))
    }
    if (kind === 'press') {
      const { x, y, width, height } = element.getBoundingClientRect()
      element.setPointerCapture = () => {}
      const at = {
        bubbles: true,
        button: 0,
        pointerId: 1,
        clientX: x + width * 0.04,
        clientY: y + height * 0.1,
      }
      element.dispatchEvent(new PointerEvent('pointerdown', at))
      element.dispatchEvent(new PointerEvent('pointerup', at))
    }
    await Promise.race([changed, new Promise((resolve) => setTimeout(resolve, 2000))])
    await new Promise((resolve) => requestAnimationFrame(() => setTimeout(resolve)))
    return performance.now() - start
  }, act)

const rows = []
async function measure(name, path, locate, act, times = 5) {
  await page.goto(base + path, { waitUntil: 'networkidle' })
  const taken = []
  for (let i = 0; i < times; i++) {
    taken.push(await answered(locate(page), typeof act === 'function' ? act(i) : act))
    await page.waitForTimeout(400)
  }
  rows.push([name, middle(taken), Math.max(...taken), ACT_MS])
}

await measure('tick a job', '/', (p) => p.getByRole('button', { name: /: done$/ }), ['click'], 3)
await measure('undo it', '/', (p) => p.getByRole('button', { name: 'Undo', exact: true }), ['click'], 2)
await measure(
  'say what to grow',
  '/plan',
  (p) => p.getByLabel('What do you want to grow?'),
  (i) => ['type', `${12 + i} basil`],
)
await measure('open a sowing', '/plan', (p) => p.locator('g[role=slider]').first(), ['key', 'Enter'], 1)
await measure(
  'tap a cell',
  '/trays/0b1a5700-de30-4000-8000-000000000402',
  (p) => p.getByRole('application'),
  ['press'],
  4,
)
await measure('one tray more', '/mix', (p) => p.getByRole('button', { name: /more$/ }), ['click'])
await measure(
  'drag the edge of the mix',
  '/mix',
  (p) => p.getByRole('slider', { name: /^Edge between/ }),
  (i) => ['key', i % 2 ? 'ArrowUp' : 'ArrowDown'],
)
await measure(
  'change the strength',
  '/feed',
  (p) => p.getByRole('slider', { name: 'Wanted strength' }),
  (i) => ['key', i % 2 ? 'ArrowLeft' : 'ArrowRight'],
)
await measure(
  'say what happened',
  '/records',
  (p) => p.getByLabel('What happened?'),
  (i) => ['type', `tray 3 watered ${i + 1} L`],
)
await measure('look for a page', '/', (p) => p.getByRole('button', { name: /^Search or jump/ }), ['click'], 1)

for (const [name, shown, worst, wanted] of rows)
  console.log(
    `${name}: answered in ${shown.toFixed(0)} ms, worst ${worst.toFixed(0)} ms of ${wanted} (ratio ${(shown / wanted).toFixed(2)})`,
  )

/** From the press on a place in the head to its heading in the page. */
async function switched(to) {
  return page.evaluate(async (name) => {
    const link = [...document.querySelectorAll('header nav a')].find((one) => one.textContent.trim() === name)
    const before = document.querySelector('main h1')
    const start = performance.now()
    link.click()
    for (;;) {
      await new Promise((resolve) => requestAnimationFrame(resolve))
      const now = document.querySelector('main h1')
      if ((now && now !== before && now.isConnected) || performance.now() - start > 5000) break
    }
    await new Promise((resolve) => setTimeout(resolve))
    return performance.now() - start
  }, to)
}
await page.goto(base, { waitUntil: 'networkidle' })
const PLACES = ['Plan', 'Trays', 'Mix & feed', 'Records', 'Today']
for (const visit of ['first visit', 'again'])
  for (const place of PLACES) {
    const ms = await switched(place)
    await page.waitForTimeout(1500)
    console.log(
      `to ${place}, ${visit}: ${ms.toFixed(0)} ms of ${SWITCH_MS} (ratio ${(ms / SWITCH_MS).toFixed(2)})`,
    )
  }
await browser.close()
