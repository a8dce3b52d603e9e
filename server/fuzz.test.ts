import { randomUUID } from 'node:crypto'
import { connect } from 'node:net'
import { afterAll, beforeAll, expect, it } from '@jest/globals'
import fc from 'fast-check'
import pg from 'pg'
import { SEASON } from '#shared/test/season'
import { base, call, newHousehold } from './test/calling'

/*
 * Requests made from the API document itself, with everything in them that programs and people get wrong: none may
 * bring the server to its knees, break it off, or be answered as a fault of its own.
 */

const RUNS = 400 * Number(process.env.DEEP ?? 1)
/** Where nothing is answered within this, it is not going to be. */
const PATIENCE_MS = 20_000

const database = new pg.Client({ connectionString: process.env.DATABASE_URL })
const household = randomUUID()
interface Schema {
  type?: string | string[]
  enum?: unknown[]
  const?: unknown
  format?: string
  properties?: Record<string, Schema>
  required?: string[]
  items?: Schema
  prefixItems?: Schema[]
  additionalProperties?: Schema | boolean
  anyOf?: Schema[]
  oneOf?: Schema[]
  allOf?: Schema[]
}
interface Operation {
  parameters?: { name: string; in: string; schema: Schema }[]
  requestBody?: { content: { 'application/json': { schema: Schema } } }
}
let operations: { path: string; method: string; operation: Operation }[]

beforeAll(async () => {
  await database.connect()
  await newHousehold(household)
  await call('PUT', `/api/households/${household}`, {
    version: 1,
    body: { name: 'Fuzz', place: '', units: 'metric', season: SEASON },
  })
  const { body } = await call('GET', '/api/openapi.json')
  operations = Object.entries(body.paths as Record<string, Record<string, Operation>>).flatMap(
    ([path, methods]) => Object.entries(methods).map(([method, operation]) => ({ path, method, operation })),
  )
  // What is listened to has no end.
  operations = operations.filter(({ path }) => !path.endsWith('/live'))
})
afterAll(async () => {
  await database.query('delete from household where household_id = $1', [household])
  await database.end()
})

const deep = (levels: number): unknown => (levels ? [deep(levels - 1)] : 0)
const wrong = fc.oneof(
  fc.constantFrom<unknown>(
    '',
    ' ',
    '\u0000',
    '\ud800',
    '\r\nSet-Cookie: a=b',
    '2027-02-30',
    '0000-01-01',
    '9999-12-31',
    'null',
    '-1',
    'x'.repeat(3000),
    -1,
    0,
    1.5,
    5e-324,
    1e-300,
    1e308,
    2 ** 31,
    2 ** 53,
    null,
    true,
    [],
    {},
    deep(200),
    { __proto__: null, constructor: 1 },
    "'; drop table household; --",
    '<script>alert(1)</script>',
  ),
  fc.jsonValue({ maxDepth: 3 }),
)
const IDS = [
  'tomato',
  'tray-72',
  'pot-10cm',
  'coir',
  'perlite',
  'balanced-20',
  'lean-and-light',
  'growing-on',
]

/** Something of the shape a schema asks for, now and then with something else in it. */
function like(schema: Schema | boolean | undefined): fc.Arbitrary<unknown> {
  if (!schema || typeof schema === 'boolean') return fc.jsonValue({ maxDepth: 1 })
  const right = (): fc.Arbitrary<unknown> => {
    if (schema.const !== undefined) return fc.constant(schema.const)
    if (schema.enum) return fc.constantFrom(...schema.enum)
    const any = schema.anyOf ?? schema.oneOf
    if (any) return fc.oneof(...any.map(like))
    if (schema.allOf) return like(schema.allOf[0])
    if (schema.prefixItems) return fc.tuple(...schema.prefixItems.map(like))
    const type = Array.isArray(schema.type) ? schema.type[0] : schema.type
    if (type === 'object')
      return fc.record(
        Object.fromEntries(Object.entries(schema.properties ?? {}).map(([key, one]) => [key, like(one)])),
        { requiredKeys: Math.random() < 0.9 ? (schema.required ?? []) : [] },
      )
    if (type === 'array') return fc.array(like(schema.items), { maxLength: 4 })
    if (type === 'number')
      return fc.oneof(fc.integer({ min: 0, max: 60 }), fc.double({ min: 0, max: 1 }), fc.double())
    if (type === 'integer') return fc.oneof(fc.integer({ min: 0, max: 60 }), fc.integer())
    if (type === 'boolean') return fc.boolean()
    if (schema.format === 'uuid') return fc.oneof(fc.uuid(), fc.constant(household))
    if (schema.format === 'date')
      return fc.constantFrom('2027-03-20', '2027-05-08', '2026-11-01', '1990-01-01')
    return fc.oneof(
      fc.constantFrom(...IDS),
      fc.string({ unit: 'binary', maxLength: 40 }),
      fc.string({ maxLength: 200 }),
    )
  }
  return fc.oneof({ weight: 14, arbitrary: fc.constant(null).chain(right) }, { weight: 1, arbitrary: wrong })
}

const request = fc.nat().chain((n) => {
  const { path, method, operation } = operations[n % operations.length]!
  const inPath = (operation.parameters ?? []).filter((one) => one.in === 'path')
  const inQuery = (operation.parameters ?? []).filter((one) => one.in === 'query')
  return fc.record({
    method: fc.constant(method.toUpperCase()),
    path: fc
      .tuple(
        ...inPath.map(({ name, schema }) =>
          name === 'householdId'
            ? fc.oneof(
                { weight: 8, arbitrary: fc.constant(household) },
                { weight: 1, arbitrary: like(schema) },
              )
            : like(schema),
        ),
      )
      .map((values) =>
        inPath.reduce((text, { name }, i) => text.replace(`{${name}}`, encode(values[i])), path),
      ),
    query: fc.record(Object.fromEntries(inQuery.map(({ name, schema }) => [name, like(schema)])), {
      requiredKeys: [],
    }),
    body: operation.requestBody
      ? fc.oneof(
          { weight: 9, arbitrary: like(operation.requestBody.content['application/json'].schema) },
          { weight: 1, arbitrary: wrong },
        )
      : fc.constant(undefined),
    key: fc.option(fc.oneof(fc.uuid(), fc.constant('no key'))),
  })
})

/** Half a character cannot stand in an address at all. */
const encode = (value: unknown) =>
  encodeURIComponent(
    (typeof value === 'string' ? value : (JSON.stringify(value) ?? ''))
      .replace(/[\ud800-\udfff]/g, '?')
      .slice(0, 500),
  )

it('whatever is sent is answered, and never as a fault of the server', async () => {
  const seen = new Map<number, number>()
  await fc.assert(
    fc.asyncProperty(request, async ({ method, path, query, body, key }) => {
      const asked = new URLSearchParams(
        Object.entries(query).map(([name, value]) => [name, decodeURIComponent(encode(value))]),
      )
      const answer = await fetch(`${base}${path}?${asked}`, {
        method,
        headers: { 'content-type': 'application/json', ...(key && { 'idempotency-key': key }) },
        ...(body !== undefined && { body: JSON.stringify(body) }),
        signal: AbortSignal.timeout(PATIENCE_MS),
      })
      const text = await answer.text()
      seen.set(answer.status, (seen.get(answer.status) ?? 0) + 1)
      if (answer.status >= 500) throw new Error(`${answer.status}: ${text.slice(0, 300)}`)
      if (answer.status >= 400) expect(JSON.parse(text)).toMatchObject({ status: answer.status })
    }),
    { numRuns: RUNS },
  )
  // Not all of it is refused at the door.
  expect(seen.get(200) ?? 0).toBeGreaterThan(RUNS / 50)
})

it.each([
  ['no request at all', 'HELLO\r\n\r\n'],
  [
    'a length that is a lie',
    'PUT /api/households/x HTTP/1.1\r\nhost: localhost\r\ncontent-length: -5\r\n\r\n',
  ],
  [
    'two lengths',
    'POST /api/compute/dose HTTP/1.1\r\nhost: localhost\r\ncontent-length: 1\r\ncontent-length: 2\r\n\r\nx',
  ],
  [
    'an address with a zero in it',
    'GET /api/households/%00 HTTP/1.1\r\nhost: localhost\r\nconnection: close\r\n\r\n',
  ],
  ['an address that is no address', 'GET //// HTTP/1.1\r\nhost: localhost\r\nconnection: close\r\n\r\n'],
  [
    'an address with half a per cent',
    'GET /api/households/%E0%A4%A HTTP/1.1\r\nhost: localhost\r\nconnection: close\r\n\r\n',
  ],
  [
    'a way out of the folder',
    'GET /_nuxt/../../../../etc/passwd HTTP/1.1\r\nhost: localhost\r\nconnection: close\r\n\r\n',
  ],
  ['no host', 'GET /api/health HTTP/1.0\r\n\r\n'],
  [
    'a body of no type',
    'PUT /api/households/x HTTP/1.1\r\nhost: localhost\r\ncontent-length: 2\r\nconnection: close\r\n\r\n{}',
  ],
])('%s is refused in words', async (_, bytes) => {
  const answer = await new Promise<string>((resolve, reject) => {
    const { hostname, port } = new URL(base)
    let text = ''
    const socket = connect(Number(port), hostname, () => socket.write(bytes))
    socket.setTimeout(PATIENCE_MS, () => socket.destroy(new Error('no answer')))
    socket.on('data', (chunk) => (text += chunk))
    socket.on('close', () => resolve(text))
    socket.on('error', reject)
  })
  expect(answer).toMatch(/^HTTP\/1\.1 (200|3\d\d|4\d\d) /)
  expect(answer).not.toContain('root:')
})

/** It takes the half minute it is about. */
;(process.env.DEEP ? it : it.skip)(
  'a body that trickles in is given up and its connection closed',
  async () => {
    const { hostname, port } = new URL(base)
    const answer = await new Promise<string>((resolve, reject) => {
      let text = ''
      const socket = connect(Number(port), hostname, () =>
        socket.write(
          'POST /api/compute/dose HTTP/1.1\r\nhost: localhost\r\ncontent-type: application/json\r\ncontent-length: 100000\r\n\r\n{',
        ),
      )
      const trickle = setInterval(() => socket.write(' '), 2000)
      const patience = setTimeout(() => socket.destroy(new Error('still open after a minute')), 60_000)
      socket.on('data', (chunk) => (text += chunk))
      socket.on('close', () => {
        clearInterval(trickle)
        clearTimeout(patience)
        resolve(text)
      })
      socket.on('error', (error) => (text ? resolve(text) : reject(error)))
    })
    expect(answer).toMatch(/^HTTP\/1\.1 408 /)
  },
)
