import { randomUUID } from 'node:crypto'
import { request } from 'node:http'
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals'
import ICAL from 'ical.js'
import pg from 'pg'
import sharp from 'sharp'
import { MOST_RECORDS } from '#shared/records/bounds'
import { SEASON } from '#shared/test/season'
import { base, call, newHousehold } from './test/calling'

/* What the application promises whoever writes to it: once, within bounds, and nobody by the side door. */

const database = new pg.Client({ connectionString: process.env.DATABASE_URL })
let household: string
const address = (...rest: string[]) => [`/api/households/${household}`, ...rest].join('/')
const jug = (name: string) => ({ version: 0, body: { name, kind: 'jug', capacityMl: 1000 } })

interface Raw {
  status: number
  headers: Record<string, string | string[] | undefined>
  body: string
}
/** A request as no browser would send it. */
const raw = (path: string, options: object = {}, body = ''): Promise<Raw> =>
  new Promise((resolve, reject) => {
    const asked = request(new URL(path, base), options, (answer) => {
      let text = ''
      answer.on('data', (chunk) => (text += chunk))
      answer.on('end', () => resolve({ status: answer.statusCode!, headers: answer.headers, body: text }))
    })
    asked.on('error', reject)
    asked.end(body)
  })
const send = (path: string, method: string, body: object, headers: Record<string, string> = {}) =>
  raw(path, { method, headers: { 'content-type': 'application/json', ...headers } }, JSON.stringify(body))

beforeAll(async () => {
  await database.connect()
  household = randomUUID()
  await newHousehold(household)
})
afterAll(async () => {
  await database.query('delete from household where household_id = $1', [household])
  await database.end()
})

describe('an act is done once', () => {
  it('and answered the same, however often and by how many it is sent', async () => {
    const path = address('tools', randomUUID())
    const headers = { 'idempotency-key': randomUUID() }
    const answers = await Promise.all(
      Array.from({ length: 12 }, () => send(path, 'PUT', jug('Once'), headers)),
    )
    expect(new Set(answers.map(({ status, body }) => `${status} ${body}`)).size).toBe(1)
    expect(answers[0]!.status).toBe(200)

    // A change that is repeated after another came: the answer of then, and nothing is written.
    const change = { ...jug('Twice'), version: 1 }
    const key = { 'idempotency-key': randomUUID() }
    const first = await send(path, 'PUT', change, key)
    await send(path, 'PUT', { ...jug('Thrice'), version: 2 })
    expect(await send(path, 'PUT', change, key)).toMatchObject({ status: 200, body: first.body })
    expect((await call('GET', path)).body.body.name).toBe('Thrice')

    const borrowed = await send(path, 'PUT', { ...jug('Other'), version: 3 }, key)
    expect([borrowed.status, JSON.parse(borrowed.body).detail]).toEqual([
      422,
      'This key was used for another request.',
    ])
  })

  it('also when it removes, and when what it says stands already', async () => {
    const id = randomUUID()
    await call('PUT', address('tools', id), jug('Gone'))
    const headers = { 'idempotency-key': randomUUID() }
    const remove = () => raw(`${address('tools', id)}?version=1`, { method: 'DELETE', headers })
    const [one, two] = [await remove(), await remove()]
    expect([one.status, two.status, two.body]).toEqual([200, 200, one.body])

    const again = randomUUID()
    await call('PUT', address('tools', again), jug('Same'))
    const late = await call('PUT', address('tools', again), { ...jug('Same'), version: 7 })
    expect([late.status, late.body.version]).toEqual([200, 1])
  })

  it('starting to use a thing and removing it at once: exactly one wins', async () => {
    for (let i = 0; i < 20; i++) {
      const tin = randomUUID()
      await call('PUT', address('containers', tin), {
        version: 0,
        body: {
          name: 'Tin',
          kind: 'tray',
          cells: 6,
          measuredVolumeMl: 90,
          shape: { form: 'round', topDiameterMm: 60, baseDiameterMm: 50, depthMm: 70 },
        },
      })
      const batch = {
        name: 'Filling the tin',
        recipeId: null,
        parts: [{ materialId: 'coir', parts: 1 }],
        fills: [{ containerId: tin, count: 1, coverMm: 0, coverMaterialId: 'mix' }],
        allowances: { fill: 0.9, fillUnderCover: 0.75, blockCompression: 2, mixingLossK: 0.1, spare: 0 },
        scoop: { name: 'pot', volumeL: 0.5 },
        packIds: {},
        extras: [],
        preparations: [],
        feel: 'wrung-out sponge',
        tubL: null,
      }
      const both = await Promise.all([
        call('PUT', address('batches', randomUUID()), { version: 0, body: batch }),
        call('DELETE', `${address('containers', tin)}?version=1`),
      ])
      expect(both.map(({ status }) => status).sort()).toEqual([200, 422])
    }
  })
})

describe('somebody who stands still in the middle of a write', () => {
  it('holds up neither other households nor the health check, and is cut off', async () => {
    const other = randomUUID()
    await newHousehold(other)
    const frozen = new pg.Client({ connectionString: process.env.DATABASE_URL })
    await frozen.connect()
    await frozen.query('begin')
    await frozen.query('select from household where household_id = $1 for update', [household])
    const waiting = Array.from({ length: 15 }, (_, n) =>
      call('PUT', address('tools', randomUUID()), jug(`Waiting ${n}`)),
    )
    const elsewhere = await call('PUT', `/api/households/${other}/tools/${randomUUID()}`, jug('Free'))
    expect(elsewhere.status).toBe(200)
    expect((await raw('/api/health')).status).toBe(200)
    expect((await raw('/api/ready')).status).toBe(200)
    await frozen.query('rollback')
    expect((await Promise.all(waiting)).map(({ status }) => status)).toEqual(Array(15).fill(200))
    await frozen.end()
    // None of the application's own connections stands still in a transaction; between two statements it may for a moment.
    const { rows } = await database.query(
      `select count(*)::int as n from pg_stat_activity
       where usename = 'blastomix_application' and state = 'idle in transaction' and state_change < now() - interval '10 seconds'`,
    )
    expect(rows[0].n).toBe(0)
    await database.query('delete from household where household_id = $1', [other])
  })
})

describe('who asks', () => {
  it.each<[string, string, object, number]>([
    ['a page under a strange name', '/api/households', { headers: { host: 'bench.example:80' } }, 403],
    ['the same for the page itself', '/', { headers: { host: 'bench.example' } }, 403],
    ['this machine by name', '/api/health', { headers: { host: 'localhost:1234' } }, 200],
    [
      'another site that writes',
      '/api/compute/dose',
      { method: 'POST', headers: { origin: 'http://bench.example' } },
      403,
    ],
    [
      'a sandboxed page that writes',
      '/api/compute/dose',
      { method: 'POST', headers: { origin: 'null' } },
      403,
    ],
    [
      'a browser that says it comes from elsewhere',
      '/api/compute/dose',
      { method: 'POST', headers: { 'sec-fetch-site': 'cross-site' } },
      403,
    ],
    ['this page that writes', '/api/compute/dose', { method: 'POST', headers: { origin: base } }, 415],
    ['a method nobody answers to', '/api/households', { method: 'PATCH' }, 405],
    ['what may be asked, asked', '/api/households', { method: 'OPTIONS' }, 405],
    ['a list that is written to', '/api/households', { method: 'POST' }, 405],
    ['the head of a list', '/api/households', { method: 'HEAD' }, 200],
    ['the head of a page', '/mix', { method: 'HEAD' }, 200],
    ['very many cookies', '/api/health', { headers: { cookie: `a=${'x'.repeat(100_000)}` } }, 200],
  ])('%s: %s', async (_, path, options, status) => {
    const answer = await raw(path, options)
    expect(answer.status).toBe(status)
    if (status === 405) expect(answer.headers['allow']).toContain('GET')
    if ((options as { method?: string }).method === 'HEAD') expect(answer.body).toBe('')
  })
})

describe('what people write', () => {
  it('is cleaned of what no text holds, once, and cannot add to the calendar', async () => {
    await call('PUT', address(), {
      version: 1,
      body: { name: 'Bounded', place: '', units: 'metric', season: SEASON },
    })
    const name = 'Kale\u0000\r\nBEGIN:VEVENT\u2028SUMMARY:x\ud800\u0007'
    const id = randomUUID()
    const kept = await call('PUT', address('sowings', id), {
      version: 0,
      body: { name, cropId: 'kale', plants: 12 },
    })
    expect([kept.status, kept.body.body.name]).toEqual([200, 'Kale BEGIN:VEVENT SUMMARY:x'])
    const text = await (await fetch(`${base}${address('calendar.ics')}`)).text()
    expect(text.split('\r\n').every((line) => !/[\r\n]/.test(line) && Buffer.byteLength(line) <= 75)).toBe(
      true,
    )
    const calendar = new ICAL.Component(ICAL.parse(text))
    const events = calendar.getAllSubcomponents('vevent')
    const summaries = events.map((event) => String(event.getFirstPropertyValue('summary')))
    expect(summaries).not.toContain('x')
    expect(summaries).toContain('Sow: Kale BEGIN:VEVENT SUMMARY:x')
    const key = await send(address('batches', randomUUID()), 'PUT', { version: 0, body: { 'a\u0000': 1 } })
    expect(key.status).toBe(400)
  })

  it('is dated by the clock of the household', async () => {
    const zones = ['Pacific/Kiritimati', 'Pacific/Pago_Pago']
    const days: string[] = []
    for (const timeZone of zones) {
      const { version, body } = (await call('GET', address())).body.household
      await call('PUT', address(), { version, body: { ...body, timeZone } })
      days.push((await call('GET', address('today'))).body.on)
    }
    // Fourteen hours before Greenwich and eleven behind: never the same day.
    const inZone = (timeZone: string) => new Date().toLocaleDateString('sv-SE', { timeZone })
    expect(days).toEqual(zones.map(inZone))
    expect(days[0]! > days[1]!).toBe(true)
    const { version, body } = (await call('GET', address())).body.household
    const nowhere = await call('PUT', address(), { version, body: { ...body, timeZone: 'Mars/Olympus' } })
    expect([nowhere.status, nowhere.body.errors[0].field]).toEqual([422, 'body.timeZone'])
  })
})

it('a household is removed whole and comes back whole', async () => {
  const whole = randomUUID()
  await newHousehold(whole)
  const path = `/api/households/${whole}`
  await call('PUT', `${path}/tools/${randomUUID()}`, jug('Still there'))
  const { household: stands } = (await call('GET', path)).body
  expect((await call('DELETE', `${path}?version=${stands.version + 1}`)).status).toBe(409)
  expect((await call('DELETE', `${path}?version=${stands.version}`)).status).toBe(200)
  expect((await call('GET', path)).status).toBe(404)
  expect((await call('PUT', `${path}/tools/${randomUUID()}`, jug('Late'))).status).toBe(404)
  const removed = (await call('GET', '/api/removed')).body as { id: string }[]
  expect(removed.map(({ id }) => id)).toContain(whole)
  expect((await call('POST', `${path}/restore`, {})).status).toBe(200)
  expect((await call('GET', `${path}/tools`)).body[0].body.name).toBe('Still there')
  await database.query('delete from household where household_id = $1', [whole])
})

describe('who asks more often than a person can', () => {
  /** From an address of its own, so that nobody else is counted with it. */
  const ask = (from: string, method: string, path: string, body = '') =>
    raw(path, { method, localAddress: from, headers: { 'content-type': 'application/json' } }, body)
  const home = `/api/households/${randomUUID()}`
  it.each([
    ['writes of a household', 'DELETE', `${home}/tools/${randomUUID()}?version=1`, 600],
    ['writes of an address', 'POST', '/api/examples/none', 1200],
    ['computations of an address', 'POST', '/api/compute/dose', 600],
    ['files of an address', 'GET', `${home}/papers/none`, 300],
    ['households an address makes', 'PUT', '/api/households/none', 240],
  ])('%s', async (what, method, path, most) => {
    const from = `127.0.0.${20 + ([...what].reduce((sum, one) => sum + one.charCodeAt(0), 0) % 200)}`
    const address =
      what === 'households an address makes' ? () => `/api/households/${randomUUID()}` : () => path
    const answers: Raw[] = []
    for (let n = 0; n < most + 30; n += 30)
      answers.push(...(await Promise.all(Array.from({ length: 30 }, () => ask(from, method, address())))))
    const refused = answers.findIndex(({ status }) => status === 429)
    expect(refused).toBeGreaterThanOrEqual(most - 30)
    expect(answers.slice(0, most - 30).every(({ status }) => status !== 429)).toBe(true)
    expect(Number(answers[refused]!.headers['retry-after'])).toBeGreaterThan(0)
    expect(JSON.parse(answers[refused]!.body).detail).toContain(`${most} ${what}`)
    // Somebody else goes on, and so does health.
    expect((await ask('127.0.0.3', 'GET', '/api/health')).status).toBe(200)
  })
})

describe('what is asked is bounded', () => {
  interface Shape {
    type?: string | string[]
    maxLength?: number
    maxItems?: number
    enum?: unknown[]
    const?: unknown
    format?: string
    pattern?: string
    properties?: Record<string, Shape>
    items?: Shape
    prefixItems?: Shape[]
    anyOf?: Shape[]
    oneOf?: Shape[]
    allOf?: Shape[]
    additionalProperties?: Shape | boolean
  }
  it('every list and every text of every body has an end', async () => {
    const { body } = await call('GET', '/api/openapi.json')
    const endless: string[] = []
    const walk = (shape: Shape | undefined, path: string): void => {
      if (!shape || typeof shape !== 'object' || shape.enum || shape.const !== undefined) return
      for (const one of [...(shape.anyOf ?? []), ...(shape.oneOf ?? []), ...(shape.allOf ?? [])])
        walk(one, path)
      for (const [key, one] of Object.entries(shape.properties ?? {})) walk(one, `${path}.${key}`)
      shape.prefixItems?.forEach((one, i) => walk(one, `${path}[${i}]`))
      if (shape.type === 'array' && !shape.prefixItems) {
        if (shape.maxItems === undefined) endless.push(path)
        walk(shape.items, `${path}[]`)
      }
      if (shape.type === 'string' && shape.maxLength === undefined && !shape.format && !shape.pattern)
        endless.push(path)
    }
    for (const [path, methods] of Object.entries(body.paths as Record<string, Record<string, never>>))
      for (const [method, operation] of Object.entries(methods)) {
        const { requestBody, parameters = [] } = operation as {
          requestBody?: { content: Record<string, { schema: Shape }> }
          parameters?: { name: string; schema: Shape }[]
        }
        walk(requestBody?.content['application/json']?.schema, `${method} ${path}`)
        for (const { name, schema } of parameters) walk(schema, `${method} ${path}?${name}`)
      }
    expect(endless).toEqual([])
  })
  it('a kind of record is kept so often, and one more is refused with the number', async () => {
    const full = randomUUID()
    await newHousehold(full)
    await database.query(
      `insert into tool (household_id, id, name, kind, capacity_ml) select $1, gen_random_uuid(), 'Jug', 'jug', 1000 from generate_series(1, $2) n`,
      [full, MOST_RECORDS.tools - 1],
    )
    const put = () => call('PUT', `/api/households/${full}/tools/${randomUUID()}`, jug('One more'))
    expect((await put()).status).toBe(200)
    const refused = await put()
    expect([refused.status, refused.body.detail]).toEqual([
      422,
      expect.stringContaining(String(MOST_RECORDS.tools)),
    ])
    await database.query('delete from household where household_id = $1', [full])
  })
  it('what happened is of no year that is far ahead', async () => {
    const put = (on: string) =>
      call('PUT', address('entries', randomUUID()), {
        version: 0,
        body: { name: 'Late frost', kind: 'weather', on, subjects: [] },
      })
    const refused = await put('2099-05-08')
    expect([refused.status, refused.body.errors[0].field]).toEqual([422, 'body.on'])
    expect((await put(new Date().toISOString().slice(0, 10))).status).toBe(200)
  })
  it('a picture of many pixels in few bytes is refused before it is unfolded, and holds nobody up', async () => {
    const bomb = await sharp({
      create: { width: 14_000, height: 7_000, channels: 3, background: '#000' },
      limitInputPixels: false,
    })
      .png({ compressionLevel: 9 })
      .toBuffer()
    const sent = Array.from({ length: 8 }, () =>
      fetch(`${base}${address('photo-files', randomUUID())}`, {
        method: 'PUT',
        headers: { 'content-type': 'image/png' },
        body: new Uint8Array(bomb),
      }),
    )
    const meanwhile = await Promise.all([raw('/api/health'), raw('/mix'), call('GET', address('tools'))])
    expect(meanwhile.map(({ status }) => status)).toEqual([200, 200, 200])
    expect(new Set((await Promise.all(sent)).map(({ status }) => status))).toEqual(new Set([422]))
  })
})

describe('what is answered', () => {
  it.each([
    ['/mix', 200],
    ['/trays/anything', 200],
    ['/no-such-page', 404],
    ['/trays/one/two/three', 404],
  ])('the page %s: %i', async (path, status) => {
    const answer = await raw(path, { headers: { accept: 'text/html' } })
    expect([answer.status, answer.body.includes('<!DOCTYPE html>')]).toEqual([status, true])
  })
  it('is shown by no page of another site', async () => {
    for (const path of ['/api/health', address(), address('tools'), '/api/none'])
      expect([path, (await raw(path)).headers['cross-origin-resource-policy']]).toEqual([path, 'same-origin'])
  })
})
