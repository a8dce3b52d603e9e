import { createServer } from 'node:http'
import type { AddressInfo } from 'node:net'
import { describe, expect, it, jest } from '@jest/globals'
import { addDays, dayFrom, type Day } from '#core/calendar/day'
import { QUANTITIES } from '#core/readings/kinds'
import { COLLECTION_NAMES } from '#shared/records/collection-names'
import { weatherDays } from '#shared/records/weather'
import { SimulatedBench } from './bench'
import { broken } from './fault'
import { forecastOn, weatherOn } from './weather'

const SKY = { place: 'A yard that is not there', lastFrost: dayFrom('2027-05-08') }
const days = (from: Day, n: number) => Array.from({ length: n }, (_, i) => addDays(from, i))
const mean = (values: readonly number[]) => values.reduce((sum, one) => sum + one, 0) / values.length

describe('the sky that was never there', () => {
  it('is the same for the same seed, another for another, and warmer in July than in January', () => {
    const on = dayFrom('2027-07-14')
    expect(weatherOn(SKY, on)).toEqual(weatherOn(SKY, on))
    expect(weatherOn(SKY, on)).not.toEqual(weatherOn({ ...SKY, place: 'Another' }, on))
    const lows = (month: Day) => mean(days(month, 30).map((day) => weatherOn(SKY, day).lowC))
    expect(lows(dayFrom('2027-07-01'))).toBeGreaterThan(lows(dayFrom('2027-01-01')) + 10)
  })
  it('freezes for the last time about the day that was said', () => {
    const last = Array.from({ length: 40 }, (_, seed) => {
      const sky = { ...SKY, place: `Yard ${seed}` }
      const cold = days(dayFrom('2027-03-01'), 120).filter((day) => weatherOn(sky, day).lowC <= 0)
      return (Date.parse(cold.at(-1) ?? '2027-03-01') - Date.parse(SKY.lastFrost)) / 86_400_000
    })
    expect(Math.abs(mean(last))).toBeLessThan(14)
  })
  it('is forecast in the documented shape, with errors that grow with the days ahead', () => {
    const made = days(dayFrom('2027-03-01'), 90)
    expect(weatherDays.safeParse(forecastOn(SKY, made[0]!, 10)).success).toBe(true)
    const off = (ahead: number) =>
      Math.sqrt(
        mean(
          made.map((on) => {
            const said = forecastOn(SKY, on, 10).find(
              (one) => one.source === 'forecast' && one.on === addDays(on, ahead),
            )!
            return (said.lowC - weatherOn(SKY, addDays(on, ahead)).lowC) ** 2
          }),
        ),
      )
    expect(off(0)).toBeLessThan(0.1)
    expect(off(2)).toBeGreaterThan(off(1))
    expect(off(8)).toBeGreaterThan(off(2))
    for (const one of forecastOn(SKY, made[0]!, 10)) expect(one.simulated).toBe(true)
  })
})

describe('a device that is broken on purpose', () => {
  const now = [{ quantity: 'temperature' as const, name: 'air', value: 20.4 }]
  const before = [{ quantity: 'temperature' as const, name: 'air', value: 19.9 }]
  it('is silent, stuck or wild', () => {
    expect(broken(null, now, before, 'x')).toEqual(now)
    expect(broken('silent', now, before, 'x')).toEqual([])
    expect(broken('stuck', now, before, 'x')).toEqual(before)
    const wild = Array.from({ length: 50 }, (_, i) => broken('wild', now, before, `x ${i}`)[0]!.value)
    const { from, to } = QUANTITIES.temperature
    expect(Math.max(...wild) - Math.min(...wild)).toBeGreaterThan((to - from) / 3)
  })
})

describe('the bench of several households', () => {
  it('sends with the key each device has there, although copies hold the same devices, and one that is gone stops none', async () => {
    const scale = { id: 'scale', body: { kind: 'kitchen scale', simulated: true, fault: null, trayId: null } }
    const body = { name: 'A bench', place: '', clock: null, season: null, water: null, learning: {} }
    const whole = {
      ...Object.fromEntries(COLLECTION_NAMES.map((name) => [name, []])),
      household: { body },
      devices: [scale],
    }
    const keys = new Map<string, string>()
    const sent: string[] = []
    const server = createServer((request, response) => {
      const [path, authorization] = [request.url!, request.headers.authorization]
      const home = path.split('/')[3]!
      const answer = (status: number, said: unknown) =>
        void response.writeHead(status, { 'content-type': 'application/json' }).end(JSON.stringify(said))
      request.resume().on('end', () => {
        if (path === '/api/simulated')
          return answer(
            200,
            ['gone', 'one', 'other'].map((householdId) => ({ householdId })),
          )
        if (home === 'gone') return answer(404, {})
        if (path.includes('/device-keys/')) {
          keys.set(home, `key ${keys.size} of ${home}`)
          return answer(200, { key: keys.get(home) })
        }
        if (!path.endsWith('/readings')) return answer(200, path.endsWith('/devices') ? [scale] : whole)
        const isOwn = authorization === `Bearer ${keys.get(home)}`
        sent.push(`${home} ${isOwn ? 'kept' : 'refused'}`)
        return answer(isOwn ? 200 : 401, {})
      })
    })
    await new Promise<void>((ready) => server.listen(0, '127.0.0.1', ready))
    const said = jest.spyOn(console, 'error').mockReturnValue()
    const bench = new SimulatedBench(`http://127.0.0.1:${(server.address() as AddressInfo).port}`)
    for (let beat = 0; beat < 3; beat++) await bench.turn()
    server.closeAllConnections()
    server.close()
    // What is gone is said once, not at every beat.
    expect(said.mock.calls.map(String)).toEqual([expect.stringContaining('/gone/devices: 404')])
    said.mockRestore()
    expect(sent.sort()).toEqual([...Array(3).fill('one kept'), ...Array(3).fill('other kept')])
  })
})
