import { randomUUID } from 'node:crypto'
import { connect } from 'node:net'
import { afterAll, beforeAll, expect, it, jest } from '@jest/globals'
import fc from 'fast-check'
import { strToU8, zipSync } from 'fflate'
import { COLLECTIONS } from '#shared/records/collections'
import { COLLECTION_NAMES, type Collection } from '#shared/records/collection-names'
import { base, call } from './test/calling'
import { like, type Schema } from './test/like'
import { LEGAL_COMPUTATIONS } from './test/legal-computations'

/*
 * Requests made from the API document itself, which is made of what checks them: legal ones of every operation, and the same with
 * everything in them that programs and people get wrong. None may bring the server to its knees, break it off, or be answered as
 * a fault of its own.
 */

const RUNS = 400 * Number(process.env.DEEP ?? 1)
/** Where nothing is answered within this, it is not going to be. */
const PATIENCE_MS = 20_000
jest.setTimeout(120_000 + RUNS * 1000)

interface Operation {
  parameters?: { name: string; in: string; required?: boolean; schema: Schema }[]
  requestBody?: { content: { 'application/json': { schema: Schema } } }
}
interface Asked {
  method: string
  path: string
  body?: unknown
  headers?: Record<string, string>
}
type Row = { id: string; version: number; body: Record<string, unknown> }
type Kept = { [C in Collection]: Row[] } & { household: Row }

let household: string
let kept: Kept
let operations: { path: string; method: string; operation: Operation }[]
let known: ReadonlySet<string>
const answered = new Map<string, number>()
const statuses = new Map<number, number>()

beforeAll(async () => {
  const made = await call('POST', '/api/examples', undefined)
  household = (made.body as { id: string }).id
  kept = (await call('GET', `/api/households/${household}`)).body as unknown as Kept
  const { body } = await call('GET', '/api/openapi.json')
  operations = Object.entries(body.paths as Record<string, Record<string, Operation>>).flatMap(
    ([path, methods]) => Object.entries(methods).map(([method, operation]) => ({ path, method, operation })),
  )
  // What is listened to has no end.
  operations = operations.filter(({ path }) => !path.endsWith('/live'))
  known = new Set(operations.map(({ path, method }) => `${method} ${path}`))
})
afterAll(async () => {
  const { version } = (
    (await call('GET', `/api/households/${household}`)).body as unknown as { household?: Row }
  ).household ?? { version: 0 }
  await call('DELETE', `/api/households/${household}?version=${version}`)
  const seen = [...statuses].sort(([a], [b]) => a - b).map(([status, n]) => `${status}: ${n}`)
  console.log(
    `${[...statuses.values()].reduce((a, b) => a + b, 0)} requests (${seen.join(', ')}); ${answered.size} of ${operations.length} operations answered 2xx`,
  )
  // So many requests use up what an address may ask in ten seconds: the next file is not to pay for it.
  if (process.env.DEEP) await new Promise((go) => setTimeout(go, 11_000))
}, 30_000)

async function ask(operation: string, { method, path, body, headers = {} }: Asked): Promise<number> {
  const isFile = body instanceof Uint8Array || typeof body === 'string'
  const answer = await fetch(`${base}${path}`, {
    method,
    headers: { ...(body !== undefined && !isFile && { 'content-type': 'application/json' }), ...headers },
    ...(body !== undefined && { body: (isFile ? body : JSON.stringify(body)) as BodyInit }),
    signal: AbortSignal.timeout(PATIENCE_MS),
  })
  const text = await answer.text()
  const { status } = answer
  statuses.set(status, (statuses.get(status) ?? 0) + 1)
  if (status >= 500) throw new Error(`${operation} ${path}: ${status}: ${text.slice(0, 300)}`)
  if (status >= 400) expect(JSON.parse(text)).toMatchObject({ status })
  else if (known.has(operation)) answered.set(operation, (answered.get(operation) ?? 0) + 1)
  return status
}

const PNG = Buffer.from(
  'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
  'base64',
)
const WEATHER = { on: '2027-04-02', source: 'history', lowC: 3, highC: 14 }
const home = (rest = '') => `/api/households/${household}${rest}`
const json = (method: string, path: string, body?: unknown): Asked => ({ method, path, body })
const file = (method: string, path: string, type: string, body: string | Uint8Array): Asked => ({
  method,
  path,
  body,
  headers: { 'content-type': type },
})
/** What a kind of record is as somebody new writes it. */
const asNew = (collection: Collection) => {
  const { body } = kept[collection][0]!
  if (collection === 'devices') return { ...body, simulated: false, fault: null }
  if (collection === 'entries') return { name: 'Note', kind: 'thought', on: '2027-04-12', subjects: [] }
  return body
}
async function fresh(collection: Collection): Promise<string> {
  const id = randomUUID()
  expect(
    await ask(
      `put /api/households/{householdId}/${collection}/{id}`,
      json('PUT', home(`/${collection}/${id}`), { version: 0, body: asNew(collection) }),
    ),
  ).toBe(200)
  return id
}

/** A legal request of an operation, by its method and path. */
async function legal(method: string, path: string): Promise<Asked> {
  const [, collection, rest] = /^\/api\/households\/\{householdId\}\/(\w+)(?:\/\{id\}(.*))?$/.exec(path) ?? []
  const M = method.toUpperCase()
  if (collection && (COLLECTION_NAMES as readonly string[]).includes(collection)) {
    const kind = collection as Collection
    if (rest === undefined) return json(M, home(`/${kind}`))
    const id = await fresh(kind)
    const at = home(`/${kind}/${id}${rest}`)
    if (M === 'PUT') return json(M, at, { version: 0, body: asNew(kind) })
    if (M === 'DELETE') return json(M, `${at}?version=1&anyway=true`)
    if (rest === '/replace')
      return json(M, at, { version: 1, with: (await call('GET', home(`/${kind}?newest=true`))).body[1].id })
    if (rest === '/restore') {
      await call('DELETE', `${home(`/${kind}/${id}`)}?version=1&anyway=true`)
      return json(M, `${at}?version=2`)
    }
    return json(M, at)
  }
  const computation = /^\/api\/compute\/(.+)$/.exec(path)?.[1]
  if (computation) return json(M, path, LEGAL_COMPUTATIONS[computation])
  const own = async () => {
    const id = randomUUID()
    await call('PUT', `/api/households/${id}`, { version: 0, body: { name: 'Fuzz', units: 'metric' } })
    return `/api/households/${id}`
  }
  const archive = async () => new Uint8Array(await (await fetch(`${base}${home('/archive')}`)).arrayBuffer())
  const device = async () => {
    const id = await fresh('devices')
    const { body } = await call('POST', home(`/device-keys/${id}`))
    return { id, key: (body as { key: string }).key }
  }
  const command = (intent: object) => `?command=${encodeURIComponent(JSON.stringify(intent))}`
  const at = path.replace('{householdId}', household)
  switch (`${method} ${path.replace('/api/households/{householdId}', '')}`) {
    case 'get /api/label-printer/{n}':
      await call('POST', home(`/labels?kind=stake&trays=${kept.trays[0]!.id}`))
      return json(M, '/api/label-printer/1')
    case 'get /api/schemas/{kind}':
      return json(M, '/api/schemas/sowings')
    case 'put ':
      return json(M, `/api/households/${randomUUID()}`, {
        version: 0,
        body: { name: 'Fuzz', units: 'metric' },
      })
    case 'delete ':
      return json(M, `${await own()}?version=1`)
    case 'post /restore': {
      const one = await own()
      await call('DELETE', `${one}?version=1`)
      return json(M, `${one}/restore`)
    }
    case 'get /acts/{id}': {
      const act = randomUUID()
      await call(
        'PUT',
        home(`/tools/${randomUUID()}`),
        { version: 0, body: asNew('tools') },
        { 'idempotency-key': act },
      )
      return json(M, at.replace('{id}', act))
    }
    case 'get /device-keys/{id}':
    case 'post /device-keys/{id}':
      return json(M, at.replace('{id}', await fresh('devices')))
    case 'post /readings': {
      const { key } = await device()
      const asked = file(
        M,
        at,
        'application/senml+json',
        JSON.stringify([{ n: 'air', u: 'Cel', v: 20, t: 0 }]),
      )
      return { ...asked, headers: { ...asked.headers, authorization: `Bearer ${key}` } }
    }
    case 'put /photo-files/{id}':
      return file(M, at.replace('{id}', randomUUID()), 'image/png', PNG)
    case 'get /photo-files/{id}':
      return json(M, at.replace('{id}', String(kept.photos[0]!.body.fileId)))
    case 'get /papers/{paper}':
      return json(M, at.replace('{paper}', 'week'))
    case 'get /log/{year}':
      return json(M, at.replace('{year}', '2027'))
    case 'get /trace/{id}':
      return json(M, `${at.replace('{id}', kept.trays[0]!.id)}`)
    case 'get /tables/{table}':
      return json(M, at.replace('{table}', 'packets'))
    case 'post /tables/{table}':
      return file(M, at.replace('{table}', 'packets'), 'text/csv', 'crop,variety,year\nbasil,Sweet,2027\n')
    case 'post /archive':
      return file(M, at, 'application/zip', await archive())
    case 'post /commands/file':
      return file(
        M,
        at + command({ name: 'bring in weather' }),
        'text/csv',
        'on,low_c,high_c\n2027-04-03,2,11\n',
      )
    case 'post /commands':
      return json(M, at, {
        commands: [
          { name: 'save record', collection: 'tools', id: randomUUID(), version: 0, body: asNew('tools') },
        ],
      })
    case 'post /weather':
      return json(M, at, [WEATHER])
    case 'post /weather.csv':
      return file(M, at, 'text/csv', 'on,low_c,high_c\n2027-04-02,3,14\n')
    case 'post /calendar':
      return file(
        M,
        at,
        'text/calendar',
        'BEGIN:VCALENDAR\r\nVERSION:2.0\r\nBEGIN:VEVENT\r\nUID:a\r\nDTSTART;VALUE=DATE:20270502\r\nDTEND;VALUE=DATE:20270506\r\nSUMMARY:Sea\r\nEND:VEVENT\r\nEND:VCALENDAR\r\n',
      )
    case 'get /labels.pdf':
    case 'post /labels':
      return json(M, `${at}?kind=stake&trays=${kept.trays[0]!.id}`)
    case 'get /key.pdf':
      return json(M, `${at}?trays=${kept.trays[0]!.id}`)
    default:
      return json(M, at)
  }
}

it('every operation answers a legal request', async () => {
  const wrong: string[] = []
  for (const { path, method } of operations) {
    const operation = `${method} ${path}`
    const status = await ask(operation, await legal(method, path))
    if (status >= 300) wrong.push(`${operation}: ${status}`)
  }
  expect(wrong).toEqual([])
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
/** A value with something else somewhere in it. */
function broken(value: unknown): fc.Arbitrary<unknown> {
  if (!value || typeof value !== 'object' || Object.keys(value).length === 0) return wrong
  const keys = Object.keys(value)
  return fc.oneof(
    { weight: 1, arbitrary: wrong },
    {
      weight: 5,
      arbitrary: fc
        .constantFrom(...keys)
        .chain((key) =>
          broken((value as Record<string, unknown>)[key]).map((inside) =>
            Array.isArray(value)
              ? value.map((one, i) => (String(i) === key ? inside : (one as unknown)))
              : { ...value, [key]: inside },
          ),
        ),
    },
  )
}

/** Ids of what is there, by the name of the field that points at it. */
const pools = (): Record<string, readonly string[]> => ({
  cropId: ['tomato', 'basil', 'leek', ...kept.crops.map(({ id }) => id)],
  containerId: ['tray-72', 'pot-10cm', 'tray-24'],
  ballContainerId: ['tray-72'],
  materialId: ['coir', 'perlite', 'peat', 'vermiculite'],
  coverMaterialId: ['mix', 'vermiculite'],
  feedId: ['balanced-20', 'fish'],
  goodsId: ['coir', 'balanced-20'],
  recipeId: ['lean-and-light', 'growing-on'],
  growthStageId: ['true-leaves'],
  batchId: kept.batches.map(({ id }) => id),
  toolId: kept.tools.map(({ id }) => id),
  packetId: kept.packets.map(({ id }) => id),
  sowingId: kept.sowings.map(({ id }) => id),
  trayId: kept.trays.map(({ id }) => id),
  fileId: kept.photos.map(({ body }) => String(body.fileId)),
  id: COLLECTION_NAMES.flatMap((name) => kept[name].slice(0, 3).map(({ id }) => id)),
  householdId: [household],
})

/** Bodies that are legal, those the shape allows, and both with something wrong in them. */
function bodies(path: string, schema: Schema): fc.Arbitrary<unknown> {
  const shaped = like(schema, pools())
  const collection = /^\/api\/households\/\{householdId\}\/(\w+)\/\{id\}$/.exec(path)?.[1]
  const computation = /^\/api\/compute\/(.+)$/.exec(path)?.[1]
  const own = computation
    ? [LEGAL_COMPUTATIONS[computation]]
    : collection && collection in COLLECTIONS
      ? [asNew(collection as Collection), ...kept[collection as Collection].map(({ body }) => body)].map(
          (body) => ({ version: 0, body }),
        )
      : []
  if (own.length === 0)
    return fc.oneof({ weight: 3, arbitrary: shaped }, { weight: 1, arbitrary: shaped.chain(broken) })
  return fc.oneof(
    { weight: 3, arbitrary: fc.constantFrom<unknown>(...own) },
    { weight: 2, arbitrary: fc.constantFrom<unknown>(...own).chain(broken) },
    { weight: 2, arbitrary: shaped },
  )
}

const request = () =>
  fc.constantFrom(...operations).chain(({ path, method, operation }) => {
    const inPath = (operation.parameters ?? []).filter((one) => one.in === 'path')
    const inQuery = (operation.parameters ?? []).filter((one) => one.in === 'query')
    const ids = pools()
    return fc.record({
      operation: fc.constant(`${method} ${path}`),
      method: fc.constant(method.toUpperCase()),
      path: fc
        .tuple(
          ...inPath.map(({ name, schema }) =>
            fc.oneof(
              {
                weight: 8,
                arbitrary: name === 'householdId' ? fc.constant(household) : like(schema, ids, name),
              },
              { weight: 1, arbitrary: wrong },
            ),
          ),
        )
        .map((values) =>
          inPath.reduce((text, { name }, i) => text.replace(`{${name}}`, encode(values[i])), path),
        ),
      query: fc.record(
        Object.fromEntries(
          inQuery.map(({ name, schema }) => [
            name,
            fc.oneof({ weight: 6, arbitrary: like(schema, ids, name) }, { weight: 1, arbitrary: wrong }),
          ]),
        ),
        { requiredKeys: inQuery.filter(({ required }) => required).map(({ name }) => name) },
      ),
      body: operation.requestBody
        ? bodies(path, operation.requestBody.content['application/json'].schema)
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
  await fc.assert(
    fc.asyncProperty(request(), async ({ operation, method, path, query, body, key }) => {
      // The household itself stays: everything else hangs on it.
      if (operation === 'delete /api/households/{householdId}' && path.includes(household)) return
      const asked = new URLSearchParams(
        Object.entries(query).map(([name, value]) => [name, decodeURIComponent(encode(value))]),
      )
      await ask(operation, {
        method,
        path: `${path}?${asked}`,
        body,
        headers: key ? { 'idempotency-key': key } : {},
      })
    }),
    { numRuns: RUNS, endOnFailure: true },
  )
  // Not all of it is refused at the door.
  expect(statuses.get(200) ?? 0).toBeGreaterThan(RUNS / 5)
})

it.each([
  ['a zip of nothing', zipSync({})],
  ['a manifest alone', zipSync({ 'manifest.json': strToU8('{}') })],
  ['lines that are none', zipSync({ 'manifest.json': strToU8('{}'), 'sowings.jsonl': strToU8('{"id":') })],
  ['bytes', new Uint8Array([80, 75, 3, 4, 0, 0, 0, 0])],
  ['nothing', new Uint8Array()],
])('%s as archive, picture, table and calendar is refused in words', async (_, bytes) => {
  for (const [method, path, type] of [
    ['POST', '/archive', 'application/zip'],
    ['PUT', `/photo-files/${randomUUID()}`, 'image/png'],
    ['POST', '/tables/packets', 'text/csv'],
    ['POST', '/calendar', 'text/calendar'],
    ['POST', '/weather.csv', 'text/csv'],
  ] as const)
    expect(await ask('file', file(method, home(path), type, bytes))).toBeLessThan(500)
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
