import { randomUUID } from 'node:crypto'
import { beforeAll, describe, expect, it } from '@jest/globals'
import ICAL from 'ical.js'
import pg from 'pg'
import { SEASON } from '#shared/test/season'
import { base, call } from './test/calling'

/* Devices, weather and calendars against the real server and the real PostgreSQL. */

/** What housekeeping does each hour is done here at once; the server’s own files are checked by their own compiler. */
const SERVICES = './services' as string
const household = randomUUID()
const home = `/api/households/${household}`
const probe = randomUUID()
const now = () => Math.floor(Date.now() / 1000)
let key = ''

const post = async (pack: unknown, bearer = key, type = 'application/senml+json') => {
  const answer = await fetch(`${base}${home}/readings`, {
    method: 'POST',
    headers: { 'content-type': type, ...(bearer && { authorization: `Bearer ${bearer}` }) },
    body: typeof pack === 'string' ? pack : JSON.stringify(pack),
  })
  return { status: answer.status, body: await answer.json() }
}
const latest = async () =>
  (await call('GET', `${home}/readings/latest?limit=2000`)).body as {
    value: number
    atMs: number
    count: number
    quantity: string
  }[]
const temperature = (v: number, t = 0) => ({ n: 'air', u: 'Cel', v, t })

beforeAll(async () => {
  await call('PUT', home, { version: 0, body: { name: 'Devices', units: 'metric', season: SEASON } })
  await call('PUT', `${home}/devices/${probe}`, {
    version: 0,
    body: { name: 'Probe on the shelf', kind: 'air probe', placeId: 'shelf' },
  })
  key = (await call('POST', `${home}/device-keys/${probe}`)).body.key
})

describe('readings', () => {
  it('are taken with the device’s own key, in units of the registry, once', async () => {
    expect((await post([temperature(20)], '')).status).toBe(401)
    expect((await post([temperature(20)], 'device-of-somebody-else')).status).toBe(401)
    expect((await post([temperature(20)], key, 'application/json')).status).toBe(415)
    const pack = [
      { bn: 'urn:dev:mac:0024befffe804ff1:', bt: now() - 10, ...temperature(21.5) },
      { n: 'humidity', u: '%RH', v: 48 },
      { n: 'door', vb: true },
    ]
    expect((await post(pack)).body).toEqual({
      ...{ kept: 2, duplicates: 0, ignored: 1, impossible: [], skewS: 0 },
    })
    expect((await post(pack)).body).toMatchObject({ kept: 0, duplicates: 2 })
    expect((await latest()).map(({ quantity, value }) => [quantity, value])).toEqual([
      ['humidity', 48],
      ['temperature', 21.5],
    ])
  })
  it('come back as SenML that says the same', async () => {
    const answer = await fetch(`${base}${home}/readings`)
    expect(answer.headers.get('content-type')).toContain('application/senml+json')
    const pack = (await answer.json()) as { u: string; v: number }[]
    expect(pack.map(({ u, v }) => [u, v])).toEqual([
      ['%RH', 48],
      ['Cel', 21.5],
    ])
  })
  it('of a clock that is fast are set back, of a flood one a second is kept, and gaps are no matter', async () => {
    const fast = await post([{ bt: now() + 7200, ...temperature(22) }])
    expect(fast.body).toMatchObject({ kept: 1 })
    expect(fast.body.skewS).toBeGreaterThan(7000)
    expect(Math.max(...(await latest()).map(({ atMs }) => atMs))).toBeLessThanOrEqual(Date.now() + 1000)
    const flood = Array.from({ length: 900 }, (_, i) => temperature(20 + i / 1000, -5000 + i / 100))
    const { kept, duplicates } = (await post(flood)).body
    expect(kept + duplicates).toBe(900)
    expect(kept).toBeLessThanOrEqual(10)
    expect((await post([temperature(19, -20_000)])).body.kept).toBe(1)
  })
  it.each<[unknown, RegExp]>([
    ['{"n":', /not valid JSON/],
    [{ n: 'a', v: 1 }, /JSON array/],
    [[{ n: 'air', u: 'Far', v: 70 }], /no unit a bench reads/],
    [[{ n: 'air', u: 'Cel', v: 1e12 }], /is no temperature/],
    [[{ n: 'air', u: 'Cel', v: 20, bt: 1e9 }], /more than a year ago/],
    [[{ n: 'air', u: 'Cel', v: 20, bt: 1e308 }], /no time of a reading/],
    [[{ n: 'air', u: 'Cel', v: 20, bt: 4.2e9 }], /no time of a reading/],
    [Array.from({ length: 2001 }, () => temperature(20)), /at most 2000/],
  ])('%#: what is no reading is refused in words, and nothing of it is written', async (pack, words) => {
    const before = await latest()
    const answer = await post(pack)
    expect([400, 422]).toContain(answer.status)
    expect(answer.body.detail).toMatch(words)
    expect(await latest()).toEqual(before)
  })
  it('are heard live by who listens, and by no other household', async () => {
    const stop = new AbortController()
    const answer = await fetch(`${base}${home}/readings/live`, { signal: stop.signal })
    expect(answer.headers.get('content-type')).toContain('text/event-stream')
    const reader = answer.body!.getReader()
    const decoder = new TextDecoder()
    let heard = ''
    await post([{ ...temperature(23.25), n: 'heard' }])
    while (!heard.includes('23.25')) heard += decoder.decode((await reader.read()).value)
    expect(heard).toContain(probe)
    stop.abort()
  })
  it('a new key makes the old one worthless', async () => {
    const old = key
    key = (await call('POST', `${home}/device-keys/${probe}`)).body.key
    expect((await post([temperature(20)], old)).status).toBe(401)
    expect((await post([temperature(20.5)])).status).toBe(200)
    // When it was given each of them is remembered; the keys themselves are not.
    const keys = (await call('GET', `${home}/device-keys/${probe}`)).body as { replacedAt: string | null }[]
    expect(keys.map(({ replacedAt }) => replacedAt === null)).toEqual([true, false])
  })
  it('a key asked for twice under one Idempotency-Key is one key', async () => {
    const headers = { 'idempotency-key': randomUUID() }
    const asked = await Promise.all(
      [0, 1, 2].map(() => call('POST', `${home}/device-keys/${probe}`, undefined, headers)),
    )
    expect(new Set(asked.map(({ body }) => (body as { key: string }).key)).size).toBe(1)
    key = (asked[0]!.body as { key: string }).key
    expect((await post([temperature(21)])).status).toBe(200)
  })
  it('sent again under one Idempotency-Key are answered alike; another pack under it is refused', async () => {
    const act = randomUUID()
    const send = (pack: object[]) =>
      call('POST', `${home}/readings`, JSON.stringify(pack), {
        'content-type': 'application/senml+json',
        authorization: `Bearer ${key}`,
        'idempotency-key': act,
      })
    const pack = [{ ...temperature(19, -40), n: 'twice' }]
    const both = await Promise.all([send(pack), send(pack), send(pack)])
    expect(both.map(({ status, body }) => [status, (body as { kept: number }).kept])).toEqual(
      Array(3).fill([200, 1]),
    )
    expect((await send([{ ...temperature(19, -50), n: 'twice' }])).status).toBe(422)
  })
  it('that cannot be are left out with the reason; a pack of nothing else is refused', async () => {
    const odd = [
      { n: 'cold', u: 'Cel', v: -300 },
      { n: 'sour', u: 'pH', v: 5000 },
      { n: 'dry', u: '%RH', v: -5 },
    ]
    for (const one of odd) {
      const refused = await post([one])
      expect([refused.status, refused.body.detail]).toEqual([422, expect.stringMatching(/cannot be/)])
    }
    const mixed = await post([...odd, { ...temperature(22, -70), n: 'sound' }])
    expect([mixed.status, mixed.body.kept, mixed.body.impossible.length]).toEqual([200, 1, 3])
  })
  it('come under so many names of a device, and one more is refused', async () => {
    const names = ((await latest()) as unknown as { deviceId: string; name: string; quantity: string }[]).map(
      ({ name, quantity }) => `${quantity} ${name}`,
    )
    const known = new Set(names).size
    const pack = (from: number, to: number) =>
      Array.from({ length: to - from }, (_, n) => ({ ...temperature(20, -n), n: `p${from + n}` }))
    expect((await post(pack(0, 64 - known))).status).toBe(200)
    const one = await post(pack(64 - known, 65 - known))
    expect([one.status, one.body.detail]).toEqual([422, expect.stringMatching(/at most 64 names/)])
    expect((await post([{ ...temperature(20, -5), n: 'p0' }])).status).toBe(200)
    expect(
      new Set(
        (await latest()).map(({ quantity, ...one }) => `${quantity} ${(one as { name?: string }).name}`),
      ).size,
    ).toBe(64)
  })
  it('of a flood in an hour are refused with when to come back', async () => {
    const device = randomUUID()
    await call('PUT', `${home}/devices/${device}`, { version: 0, body: { name: 'Flood', kind: 'other' } })
    const own = ((await call('POST', `${home}/device-keys/${device}`)).body as { key: string }).key
    const pack = (minute: number) =>
      Array.from({ length: 2000 }, (_, n) => temperature(20, -minute * 2000 - n))
    for (let n = 0; n < 10; n++) expect((await post(pack(n), own)).status).toBe(200)
    const answer = await post(pack(11), own)
    expect([answer.status, answer.body.afterS > 0]).toEqual([429, true])
  })
})

describe('weather', () => {
  const day = (n: number) => new Date(Date.now() + n * 86_400_000).toISOString().slice(0, 10)
  it('comes in as a table with a decimal comma, and goes out as it came', async () => {
    const csv = `on;low_c;high_c;rain_mm;source\r\n${day(1)};-1,5;7,25;0;forecast\r\n${day(2)};2;11;;forecast\r\n`
    const taken = await fetch(`${base}${home}/weather.csv`, {
      method: 'POST',
      headers: { 'content-type': 'text/csv' },
      body: csv,
    })
    expect(await taken.json()).toEqual({ written: 2 })
    const { body } = await call('GET', `${home}/weather`)
    expect(body).toMatchObject([
      { on: day(1), lowC: -1.5, highC: 7.25, rainMm: 0 },
      { on: day(2), lowC: 2, highC: 11, rainMm: null },
    ])
    const out = await (await fetch(`${base}${home}/weather.csv`)).text()
    const again = await fetch(`${base}${home}/weather.csv`, {
      method: 'POST',
      headers: { 'content-type': 'text/csv' },
      body: out,
    })
    expect(await again.json()).toEqual({ written: 2 })
    expect((await call('GET', `${home}/weather`)).body).toEqual(body)
  })
  it.each([
    ['low_c,high_c\n1,2\n', /no “on”/],
    ['on,low_c,high_c\n2027-02-30,1,2\n', /Line 2/],
    ['on,low_c,high_c\n2027-02-03,9,2\n', /no higher than the high/],
    ['on,low_c,high_c\n2027-02-03,cold,2\n', /is no number/],
  ])('%j is refused with its line', async (csv, words) => {
    const answer = await fetch(`${base}${home}/weather.csv`, {
      method: 'POST',
      headers: { 'content-type': 'text/csv' },
      body: csv,
    })
    expect(answer.status).toBe(422)
    expect((await answer.json()).detail).toMatch(words)
  })
  it('the coldest night ahead shelters what is hardening: the forecast moves the job', async () => {
    const { body } = await call('GET', home)
    expect(body.weather.map(({ lowC }: { lowC: number }) => lowC)).toContain(-1.5)
  })
})

describe('a calendar of one’s own', () => {
  const event = (lines: string[]) => ['BEGIN:VEVENT', ...lines, 'END:VEVENT']
  const stamp = (n: number) =>
    new Date(Date.now() + n * 86_400_000).toISOString().slice(0, 10).replaceAll('-', '')
  const calendar = (...events: string[][]) =>
    ['BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:-//a test//EN', ...events.flat(), 'END:VCALENDAR', ''].join(
      '\r\n',
    )
  const read = (text: string) =>
    fetch(`${base}${home}/calendar`, {
      method: 'POST',
      headers: { 'content-type': 'text/calendar' },
      body: text,
    })
  it('gives its whole days, its nights and its repeats, and leaves the rest with a reason', async () => {
    const answer = await read(
      calendar(
        event([
          'UID:a',
          'SUMMARY:By the sea',
          `DTSTART;VALUE=DATE:${stamp(10)}`,
          `DTEND;VALUE=DATE:${stamp(14)}`,
        ]),
        event(['UID:b', 'SUMMARY:Night train', `DTSTART:${stamp(20)}T210000`, `DTEND:${stamp(21)}T080000`]),
        event(['UID:c', 'SUMMARY:Dentist', `DTSTART:${stamp(5)}T090000`, `DTEND:${stamp(5)}T093000`]),
        event(['UID:d', 'SUMMARY:Called off', 'STATUS:CANCELLED', `DTSTART;VALUE=DATE:${stamp(6)}`]),
        event(['UID:e', 'SUMMARY:Choir', `DTSTART;VALUE=DATE:${stamp(30)}`, 'RRULE:FREQ=WEEKLY;COUNT=3']),
        event(['UID:f', 'SUMMARY:Last year', `DTSTART;VALUE=DATE:${stamp(-300)}`]),
      ),
    )
    const { away, left } = (await answer.json()) as {
      away: { name: string; from: string; to: string }[]
      left: string[]
    }
    const dash = (text: string) => `${text.slice(0, 4)}-${text.slice(4, 6)}-${text.slice(6)}`
    expect(away.map(({ name, from, to }) => [name, from, to])).toEqual([
      ['By the sea', dash(stamp(10)), dash(stamp(13))],
      ['Night train', dash(stamp(20)), dash(stamp(21))],
      ...[30, 37, 44].map((n) => ['Choir', dash(stamp(n)), dash(stamp(n))]),
    ])
    expect(left).toEqual(['1 that last less than a day', '1 cancelled or marked as free', '1 that are over'])
  })
  it('is refused in words where it is none', async () => {
    for (const text of ['hello', 'BEGIN:VCALENDAR\r\nBEGIN:VEVENT\r\n'])
      expect((await (await read(text)).json()).detail).toMatch(/no calendar|damaged|0 that/)
  })
  it('that goes out reminds in the morning where that is wanted, read back by a library', async () => {
    const sowing = { name: 'Okra by the wall', cropId: 'okra', packetId: null, plants: 8 }
    await call('PUT', `${home}/sowings/${randomUUID()}`, { version: 0, body: sowing })
    const events = async (query: string) =>
      new ICAL.Component(
        ICAL.parse(await (await fetch(`${base}${home}/calendar.ics?${query}`)).text()),
      ).getAllSubcomponents('vevent')
    const alarms = (all: ICAL.Component[]) => all.map((one) => one.getAllSubcomponents('valarm').length)
    const plain = await events('')
    const reminded = await events('alarms=morning')
    expect(reminded.length).toBe(plain.length)
    expect(alarms(reminded).every((n) => n === 1)).toBe(true)
    expect(alarms(plain).filter((n) => n === 0).length).toBeGreaterThan(0)
    const [alarm] = reminded[0]!.getAllSubcomponents('valarm')
    expect(String(alarm!.getFirstPropertyValue('trigger'))).toBe('PT7H')
  })
})

describe('after a month', () => {
  it('five minutes of readings are one, and nothing of their sum is lost', async () => {
    const client = new pg.Client({ connectionString: process.env.DATABASE_URL })
    await client.connect()
    try {
      const at = (s: number) =>
        new Date(Math.floor(Date.now() / 300_000) * 300_000 - 40 * 86_400_000 + s * 1000).toISOString()
      for (let s = 0; s < 600; s += 60)
        await client.query(
          `insert into reading (household_id, device_id, quantity, name, at, value) values ($1, $2, 'temperature', 'old', $3, $4)`,
          [household, probe, at(s), 10 + s / 60],
        )
      const { thinReadings } = (await import(`${SERVICES}/device-readings`)) as {
        thinReadings: () => Promise<void>
      }
      await thinReadings()
      const { rows } = await client.query(
        `select value, count, extract(epoch from at)::bigint % 300 = 0 as "onFive" from reading
          where household_id = $1 and name = 'old' order by at`,
        [household],
      )
      // 10 … 14 and 15 … 19, a minute apart.
      expect(rows).toEqual([
        { value: 12, count: 5, onFive: true },
        { value: 17, count: 5, onFive: true },
      ])
      // Thinned again nothing changes; one that comes late is weighed in.
      await client.query(
        `insert into reading (household_id, device_id, quantity, name, at, value) values ($1, $2, 'temperature', 'old', $3, 18)`,
        [household, probe, at(10)],
      )
      await thinReadings()
      await thinReadings()
      const { rows: again } = await client.query(
        `select value, count from reading where household_id = $1 and name = 'old' order by at`,
        [household],
      )
      expect(again).toEqual([
        { value: 13, count: 6 },
        { value: 17, count: 5 },
      ])
    } finally {
      await client.end()
      await ((await import('./db/door' as string)) as { closePools: () => Promise<void> }).closePools()
    }
  })
})
