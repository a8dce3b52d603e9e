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

const [demo] = await (await fetch(`${base}/api/households`)).json()
async function openContext(options) {
  const context = await browser.newContext(options)
  await context.addCookies([{ name: 'household', value: demo.id, url: base }])
  return context
}
const openPage = async (options) => (await openContext(options)).newPage()

async function firstPaint(url) {
  const times = []
  for (let i = 0; i < 7; i++) {
    const context = await openContext({ viewport: { width: 1280, height: 800 } })
    const page = await context.newPage()
    await page.goto(url, { waitUntil: 'load' })
    await page.waitForFunction(() => performance.getEntriesByName('first-contentful-paint').length > 0)
    times.push(await page.evaluate(() => performance.getEntriesByName('first-contentful-paint')[0].startTime))
    await context.close()
  }
  return middle(times)
}

for (const path of ['/', '/mix', '/feed']) {
  const page = await openPage()
  let bytes = 0
  const pending = []
  page.on('response', (response) => {
    if (response.request().resourceType() === 'script')
      pending.push(
        response.body().then(
          (body) => (bytes += gzipSync(body).length),
          () => 0,
        ),
      )
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
  const page = await openPage({ viewport: { width: 1280, height: 800 } })
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

/** A household with so many sowings this season and, beside them, so many that are long out. */
async function seasonOf(name, open, out) {
  const id = crypto.randomUUID()
  const put = async (path, body, version = 0) => {
    const answer = await fetch(`${base}/api/households/${id}${path}`, {
      method: 'PUT',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ version, body }),
    })
    // A season that was not kept would be measured as an empty one.
    if (!answer.ok) throw new Error(`${path}: ${answer.status} ${await answer.text()}`)
  }
  const year = new Date().getFullYear() + 1
  const season = {
    lastFrost: `${year}-05-08`,
    firstFrost: `${year}-10-12`,
    places: [
      {
        id: 'shelf',
        name: 'Shelf',
        kind: 'shelf',
        flats: 40,
        dayC: 20,
        nightC: 18,
        heatC: 24,
        light: null,
        cover: 'none',
      },
    ],
    lightMethod: 'sixteen',
    feedingMethod: 'weak and often',
    feedId: 'balanced-20',
    tubL: 40,
    canL: 9,
  }
  await put('', { name, place: '', units: 'metric', season })
  const crops = [
    'tomato',
    'basil',
    'lettuce',
    'cabbage',
    'snapdragon',
    'leek',
    'cosmos',
    'pepper',
    'chard',
    'zinnia',
  ]
  for (let n = 0; n < open + out; n++) {
    const sowing = crypto.randomUUID()
    const outOn = new Date(Date.UTC(year, 3, 10 + (n % 70))).toISOString().slice(0, 10)
    await put(`/sowings/${sowing}`, {
      name: `Sowing ${n}`,
      cropId: crops[n % 10],
      plants: 20 + (n % 90),
      outOn,
    })
    // The years before come first.
    if (n >= out) continue
    for (const what of ['make mix', 'stage', 'look', 'out'])
      await put(`/entries/${crypto.randomUUID()}`, {
        name: what,
        kind: what,
        subjects: [{ what: 'sowings', id: sowing, stage: 0 }],
        on: outOn,
      })
  }
  return id
}

/** Frames while a sowing is dragged over the page, a step of a day each. */
async function drags(id, count) {
  const context = await openContext({ viewport: { width: 1280, height: 800 } })
  await context.addCookies([{ name: 'household', value: id, url: base }])
  const page = await context.newPage()
  await page.goto(`${base}/season`, { waitUntil: 'networkidle' })
  const times = await page
    .locator('.stage')
    .first()
    .evaluate(async (element) => {
      const { x, y, height } = element.getBoundingClientRect()
      const fire = (type, clientX) =>
        element.dispatchEvent(
          new PointerEvent(type, {
            bubbles: true,
            button: 0,
            pointerId: 1,
            clientX,
            clientY: y + height / 2,
          }),
        )
      fire('pointerdown', x + 8)
      const results = []
      for (let i = 1; i <= 60; i++) {
        const start = performance.now()
        fire('pointermove', x + 8 + i * 6)
        await new Promise((resolve) => queueMicrotask(() => queueMicrotask(resolve)))
        await Promise.resolve()
        document.body.getBoundingClientRect()
        results.push(performance.now() - start)
      }
      dispatchEvent(new KeyboardEvent('keydown', { key: 'Escape' }))
      return results
    })
  await context.close()
  const [firstMove] = times
  const sorted = times.sort((a, b) => a - b)
  console.log(
    `/season, a drag among ${count} sowings: recomputed and laid out in ${middle(sorted).toFixed(1)} ms, worst ${sorted.at(-1).toFixed(1)} ms of 30 + 16 ms (ratio ${(middle(sorted) / 46).toFixed(2)}); the first move ${firstMove.toFixed(1)} ms of 50`,
  )
}

/** One cell painted among 512, from the press to the laid-out tray, beside the drawing made anew. */
async function paints(id, trayId) {
  const context = await openContext({ viewport: { width: 1280, height: 800 } })
  await context.addCookies([{ name: 'household', value: id, url: base }])
  const page = await context.newPage()
  await page.goto(`${base}/trays/${trayId}`, { waitUntil: 'networkidle' })
  const { strokes, anew } = await page
    .getByRole('application')
    .first()
    .evaluate(async (svg) => {
      const box = svg.getBoundingClientRect()
      const laidOut = async (act) => {
        const start = performance.now()
        act()
        await new Promise((resolve) => queueMicrotask(() => queueMicrotask(resolve)))
        await Promise.resolve()
        svg.getBoundingClientRect()
        return performance.now() - start
      }
      const fire = (type, x, y) =>
        svg.dispatchEvent(
          new PointerEvent(type, {
            bubbles: true,
            button: 0,
            pointerId: 1,
            pointerType: 'mouse',
            clientX: x,
            clientY: y,
          }),
        )
      svg.setPointerCapture = () => {}
      const strokes = []
      for (let row = 0; row < 16; row++) {
        const y = box.top + (box.height * (row + 0.5)) / 16
        fire('pointerdown', box.left + box.width * 0.02, y)
        for (let column = 1; column < 32; column++)
          strokes.push(
            await laidOut(() => fire('pointermove', box.left + (box.width * (column + 0.5)) / 32, y)),
          )
        fire('pointerup', box.right - 8, y)
      }
      const copy = svg.cloneNode(false)
      svg.after(copy)
      const anew = []
      for (let i = 0; i < 15; i++)
        anew.push(await laidOut(() => ((copy.innerHTML = svg.innerHTML), copy.getBoundingClientRect())))
      return { strokes, anew }
    })
  await context.close()
  const [one, all] = [middle(strokes), middle(anew)]
  console.log(
    `/trays, a cell painted among 512: ${one.toFixed(1)} ms of 8, worst ${strokes.at(-1).toFixed(1)} ms · the drawing made anew: ${all.toFixed(1)} ms · ratio ${(one / all).toFixed(2)}`,
  )
}
async function plugTray(id) {
  const trayId = crypto.randomUUID()
  const send = async (path, body) => {
    const answer = await fetch(`${base}/api/households/${id}${path}`, {
      method: 'PUT',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ version: 0, body }),
    })
    if (!answer.ok) throw new Error(`${path}: ${answer.status} ${await answer.text()}`)
  }
  const cells = Array.from({ length: 512 }, (_, i) => i)
  await send(`/trays/${trayId}`, {
    name: 'Plugs',
    containerId: 'tray-512',
    rows: 16,
    columns: 32,
    groups: [{ code: 'A', name: 'Snapdragon', cropId: 'snapdragon' }],
    cells: cells.map(() => 'A'),
  })
  await send(`/entries/${crypto.randomUUID()}`, {
    name: 'Sown',
    kind: 'stage',
    on: new Date().toISOString().slice(0, 10),
    subjects: [{ what: 'trays', id: trayId }],
    cells: [{ trayId, group: 'A', what: 'sown', cells: cells.map((cell) => [cell, 1]) }],
  })
  return trayId
}

async function todays(id) {
  const times = []
  for (let i = 0; i < 15; i++) {
    const start = performance.now()
    await (await fetch(`${base}/api/households/${id}/today`)).json()
    times.push(performance.now() - start)
  }
  return middle(times)
}
const season = await seasonOf('Bench, one season', 40, 0)
const years = await seasonOf('Bench, five years', 40, 1500)
const [one, five] = [await todays(season), await todays(years)]
console.log(
  `Today with five years of records: ${five.toFixed(1)} ms · with this season only: ${one.toFixed(1)} ms · ratio ${(five / one).toFixed(2)}`,
)
await paints(season, await plugTray(season))
await drags(await seasonOf('Bench, 200 sowings', 200, 0), 200)
await browser.close()
