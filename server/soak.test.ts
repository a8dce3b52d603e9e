import { randomUUID } from 'node:crypto'
import { readFileSync } from 'node:fs'
import { expect, it, jest } from '@jest/globals'
import { linearRegression, mean } from 'simple-statistics'
import { base, call } from './test/calling'
import { LEGAL_COMPUTATIONS } from './test/legal-computations'

/* Five minutes of everything at once, in `./test deep`: what it takes of memory stays as it is. */

const SOAK_S = Number(process.env.SOAK_S ?? 300)
const WORKERS = 6
/** Slower than the limits of one address. */
const PAUSE_MS = 110
jest.setTimeout((SOAK_S + 120) * 1000)

/** Resident memory of the application, MB. */
const residentMb = () => {
  const status = readFileSync(`/proc/${process.env.BLASTOMIX_PID}/status`, 'utf8')
  return Number(/VmRSS:\s+(\d+)/.exec(status)?.[1]) / 1024
}

;(process.env.DEEP && process.env.BLASTOMIX_PID ? it : it.skip)(
  'memory stays flat under mixed load',
  async () => {
    const made = await call('POST', '/api/examples')
    const home = `/api/households/${(made.body as { id: string }).id}`
    const until = Date.now() + SOAK_S * 1000
    const statuses = new Map<number, number>()
    const asks: (() => Promise<{ status: number }>)[] = [
      () => call('GET', home),
      () => call('GET', `${home}/today`),
      () => call('GET', `${home}/log?words=basil`),
      () =>
        call('PUT', `${home}/tools/${randomUUID()}`, {
          version: 0,
          body: { name: 'Jug', kind: 'jug', capacityMl: 1000 },
        }),
      ...Object.entries(LEGAL_COMPUTATIONS).map(
        ([name, body]) =>
          () =>
            call('POST', `/api/compute/${name}`, body),
      ),
      ...['/papers/week', '/archive'].map((path) => async () => {
        const answer = await fetch(`${base}${home}${path}`)
        await answer.arrayBuffer()
        return { status: answer.status }
      }),
      () =>
        fetch(`${base}/mix`).then(async (answer) => (await answer.arrayBuffer(), { status: answer.status })),
    ]
    const samples: [number, number][] = []
    const begun = Date.now()
    const sampling = setInterval(() => samples.push([(Date.now() - begun) / 60_000, residentMb()]), 2000)
    await Promise.all(
      Array.from({ length: WORKERS }, async (_, n) => {
        for (let i = n; Date.now() < until; i += WORKERS) {
          const { status } = await asks[i % asks.length]!()
          statuses.set(status, (statuses.get(status) ?? 0) + 1)
          await new Promise((resolve) => setTimeout(resolve, PAUSE_MS))
        }
      }),
    )
    clearInterval(sampling)
    // Caches fill in the first minute.
    const settled = samples.filter(([minute]) => minute > (SOAK_S / 60) * 0.3)
    const middle = Math.floor(settled.length / 2)
    const [before, after] = [settled.slice(0, middle), settled.slice(middle)].map((half) =>
      mean(half.map(([, mb]) => mb)),
    ) as [number, number]
    const { m } = linearRegression(settled)
    const total = [...statuses.values()].reduce((a, b) => a + b, 0)
    console.log(
      `${total} requests in ${SOAK_S} s (${[...statuses].map(([status, many]) => `${status}: ${many}`).join(', ')}); memory ${before.toFixed(0)} MB, then ${after.toFixed(0)} MB, ${m.toFixed(1)} MB a minute`,
    )
    expect([...statuses.keys()].filter((status) => status >= 500 && status !== 503)).toEqual([])
    expect(after / before).toBeLessThan(1.2)
  },
)
