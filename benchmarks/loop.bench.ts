import { randomUUID } from 'node:crypto'
import { DEAREST } from '../server/test/legal-computations'

/*
 * How long the application answers nobody while it does the dearest that may be asked: health is asked every 5 ms beside each.
 * Run by `npm run bench`.
 */

const EVERY_MS = 5
const address = process.argv[2]!
const json = { 'content-type': 'application/json' }

async function beside(
  work: () => Promise<unknown>,
): Promise<{ tookMs: number; worstMs: number; p99Ms: number }> {
  const waits: number[] = []
  let going = true
  const asking = (async () => {
    const open = new Set<Promise<void>>()
    while (going) {
      const from = performance.now()
      const one = fetch(`${address}/api/health`)
        .then((answer) => answer.arrayBuffer())
        .then(() => void waits.push(performance.now() - from))
        .finally(() => open.delete(one))
      open.add(one)
      await new Promise((resolve) => setTimeout(resolve, EVERY_MS))
    }
    await Promise.all(open)
  })()
  const from = performance.now()
  await work()
  const tookMs = performance.now() - from
  going = false
  await asking
  waits.sort((a, b) => a - b)
  return { tookMs, worstMs: waits.at(-1) ?? 0, p99Ms: waits[Math.floor(waits.length * 0.99)] ?? 0 }
}

const post = async (path: string, body: string, type = 'application/json') => {
  const answer = await fetch(address + path, { method: 'POST', headers: { 'content-type': type }, body })
  await answer.arrayBuffer()
  return answer.status
}
const get = async (path: string) => (await (await fetch(address + path)).arrayBuffer()).byteLength

const [demo] = (await (await fetch(`${address}/api/households?limit=1`)).json()) as [{ id: string }]
const home = `/api/households/${demo.id}`
/** So that no answer is remembered. */
const touch = () =>
  fetch(`${address}${home}/tools/${randomUUID()}`, {
    method: 'PUT',
    headers: json,
    body: JSON.stringify({ version: 0, body: { name: 'Jug', kind: 'jug', capacityMl: 1000 } }),
  })
const lines = [
  'on,what,of,value',
  ...Array.from({ length: 1000 }, (_, n) => `2027-04-12,jug,blue jug,${0.9 + n / 10_000}`),
]
const saves = JSON.stringify({
  commands: Array.from({ length: 500 }, () => ({
    name: 'save record',
    collection: 'tools',
    id: randomUUID(),
    version: 0,
    body: { name: 'Jug', kind: 'jug', capacityMl: 1000 },
  })),
})

const calls: [string, () => Promise<unknown>][] = [
  ...Object.entries(DEAREST).map(
    ([name, body]) =>
      [`compute: ${name}`, () => post(`/api/compute/${name}`, JSON.stringify(body))] as [
        string,
        () => Promise<unknown>,
      ],
  ),
  ['the season on paper', () => get(`${home}/papers/season`)],
  ['a year on paper', () => get(`${home}/papers/year?year=2027`)],
  ['the calendar', () => get(`${home}/calendar.ics`)],
  ['today', () => get(`${home}/today`)],
  ['what a household keeps', () => get(home)],
  ['the archive', () => get(`${home}/archive`)],
  [
    'a table of 1 000 lines, looked at',
    () => post(`${home}/tables/measurements`, lines.join('\n'), 'text/csv'),
  ],
  ['500 records in one act', () => post(`${home}/commands`, saves)],
  ['the API document', () => get('/api/openapi.json')],
]
const idle = await beside(() => new Promise((resolve) => setTimeout(resolve, 1000)))
console.log(`\nHealth asked every ${EVERY_MS} ms; with nothing else: worst ${idle.worstMs.toFixed(0)} ms`)
for (const [name, work] of calls) {
  await touch()
  const { tookMs, worstMs, p99Ms } = await beside(work)
  console.log(
    `  ${name.padEnd(36)} took ${tookMs.toFixed(0).padStart(6)} ms; health waited ${worstMs.toFixed(0).padStart(4)} ms at worst, 99 % within ${p99Ms.toFixed(0)} ms`,
  )
}
