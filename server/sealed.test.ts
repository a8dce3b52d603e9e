import { randomUUID } from 'node:crypto'
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals'
import pg from 'pg'
import { SEASON } from '#shared/test/season'
import { setUpRoles } from '../scripts/roles.mjs'
import { base, call } from './test/calling'

/*
 * Households are sealed from each other: in the database by row-level security, and on every route, where the ids of another
 * household are as good as ids of nothing.
 */

const superuser = new pg.Client({ connectionString: process.env.DATABASE_URL })
let application: pg.Client
const mine = randomUUID()
const other = randomUUID()
/** What the other household keeps, by what it is called here. */
const theirs: Record<string, string> = {}
let theirKey = ''

const put = async (household: string, collection: string, body: object) => {
  const id = randomUUID()
  const answer = await call('PUT', `/api/households/${household}/${collection}/${id}`, { version: 0, body })
  if (answer.status !== 200) throw new Error(`${collection}: ${JSON.stringify(answer.body)}`)
  return id
}
const TRAY = {
  name: '24-cell tray',
  containerId: 'tray-24',
  rows: 4,
  columns: 6,
  groups: [{ code: 'A', name: 'Basil', cropId: 'basil' }],
  cells: Array(24).fill('A'),
}
const BATCH = {
  name: 'First',
  recipeId: 'lean-and-light',
  parts: [{ materialId: 'coir', parts: 1 }],
  fills: [{ containerId: 'tray-72', count: 1, coverMm: 0, coverMaterialId: 'mix' }],
  allowances: { fill: 0.9, fillUnderCover: 0.75, blockCompression: 2, mixingLossK: 0.1, spare: 0 },
  scoop: { name: 'pot', volumeL: 0.5 },
}
const FEEDING = {
  name: 'Weak',
  feedId: 'balanced-20',
  growthStageId: 'true-leaves',
  targetNMgPerL: 60,
  vessel: { name: 'Can', volumeL: 9 },
  batchId: null,
  toolId: null,
}
/** The smallest picture there is. */
const PIXEL = Buffer.from(
  'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
  'base64',
)
const entry = (subjects: object[]) => ({
  name: 'Seen',
  kind: 'seen',
  on: '2027-03-01',
  subjects,
  note: 'marmalade',
})

beforeAll(async () => {
  await superuser.connect()
  application = new pg.Client({
    connectionString: (await setUpRoles(process.env.DATABASE_URL!)).applicationUrl,
  })
  await application.connect()
  for (const id of [mine, other])
    await call('PUT', `/api/households/${id}`, {
      version: 0,
      body: { name: 'Sealed', units: 'metric', season: SEASON },
    })
  const at = (collection: string, body: object) => put(other, collection, body)
  theirs.tools = await at('tools', { name: 'Jug', kind: 'jug', capacityMl: 1000 })
  theirs.batches = await at('batches', BATCH)
  theirs.feedings = await at('feedings', FEEDING)
  theirs.packets = await at('packets', {
    name: 'Basil',
    cropId: 'basil',
    supplier: 'Ann',
    year: 2026,
    seeds: 50,
  })
  theirs.sowings = await at('sowings', {
    name: 'Basil',
    cropId: 'basil',
    plants: 12,
    packetId: theirs.packets,
  })
  theirs.trays = await at('trays', TRAY)
  theirs.entries = await at('entries', entry([{ what: 'trays', id: theirs.trays }]))
  theirs.devices = await at('devices', { name: 'Probe', kind: 'air probe', placeId: 'shelf' })
  theirs.guidedJobs = await at('guidedJobs', {
    name: 'Water',
    kind: 'water',
    subjects: [{ what: 'trays', id: theirs.trays }],
    onDay: '2027-03-01',
  })
  theirKey = (await call('POST', `/api/households/${other}/device-keys/${theirs.devices}`)).body.key
  theirs.photoFiles = randomUUID()
  const sent = await fetch(`${base}/api/households/${other}/photo-files/${theirs.photoFiles}`, {
    method: 'PUT',
    headers: { 'content-type': 'image/png' },
    body: PIXEL as never,
  })
  expect(sent.status).toBe(200)
  theirs.photos = await at('photos', {
    name: 'Tray',
    fileId: theirs.photoFiles,
    on: '2027-03-01',
    subjects: [{ what: 'trays', id: theirs.trays }],
    placeId: null,
    width: 1,
    height: 1,
    note: '',
  })
  await fetch(`${base}/api/households/${other}/readings`, {
    method: 'POST',
    headers: { 'content-type': 'application/senml+json', authorization: `Bearer ${theirKey}` },
    body: JSON.stringify([{ n: 'air', u: 'Cel', v: 20 }]),
  })
  await call('POST', `/api/households/${other}/weather`, [
    { on: '2027-03-01', source: 'history', lowC: 1, highC: 9, rainMm: null, windMPerS: null, sunHours: null },
  ])
  const acts = await superuser.query('select id from act where household_id = $1 limit 1', [other])
  theirs.acts = acts.rows[0].id
})
afterAll(async () => {
  await superuser.query('delete from household where household_id = any($1)', [[mine, other]])
  await superuser.end()
  await application.end()
})

const tables = async (): Promise<string[]> =>
  (
    await superuser.query(`select tablename as name from pg_tables where schemaname = 'public' order by 1`)
  ).rows.map(({ name }) => name)

describe('in the database', () => {
  it('every table is fenced, for whoever owns it too, and the application cannot step over', async () => {
    const { rows } = await superuser.query(
      `select c.relname as name, relrowsecurity and relforcerowsecurity as fenced,
         array(select polname::text from pg_policy where polrelid = c.oid) as policies
       from pg_class c join pg_namespace n on n.oid = c.relnamespace where n.nspname = 'public' and c.relkind in ('r', 'p')`,
    )
    expect(rows.length).toBeGreaterThan(20)
    for (const { name, fenced, policies } of rows)
      expect([name, fenced, policies]).toEqual([name, true, ['own_household']])
    const role = await application.query(
      'select rolsuper or rolbypassrls or rolcreaterole as over from pg_roles where rolname = current_user',
    )
    expect(role.rows[0].over).toBe(false)
    await expect(application.query('alter table tool disable row level security')).rejects.toThrow(/owner/)
    await expect(application.query('set role blastomix_housekeeping')).rejects.toThrow(/permission denied/)
  })

  it('of each table a household sees its own rows alone, and writes no others', async () => {
    for (const table of await tables()) {
      const count = async () =>
        Number((await application.query(`select count(*) as n from "${table}"`)).rows[0].n)
      // Nobody is set: nothing is there.
      expect([table, await count()]).toEqual([table, 0])
      const inAll = await superuser.query(`select count(*) as n from "${table}" where household_id = $1`, [
        mine,
      ])
      await application.query('begin')
      await application.query(`set local blastomix.household = '${mine}'`)
      expect([table, await count()]).toEqual([table, Number(inAll.rows[0].n)])
      const reached = await application.query(`select from "${table}" where household_id = $1`, [other])
      const changed = await application.query(
        `update "${table}" set household_id = household_id where household_id = $1`,
        [other],
      )
      const removed = await application.query(`delete from "${table}" where household_id = $1`, [other])
      expect([table, reached.rowCount, changed.rowCount, removed.rowCount]).toEqual([table, 0, 0, 0])
      await application.query('rollback')
    }
    await application.query('begin')
    await application.query(`set local blastomix.household = '${mine}'`)
    await expect(
      application.query(
        `insert into tool (household_id, id, name, kind) values ($1, gen_random_uuid(), 'Smuggled', 'jug')`,
        [other],
      ),
    ).rejects.toThrow(/row-level security/)
    await application.query('rollback')
  })

  it('a migration changes the rows of every household', async () => {
    const owner = new pg.Client({
      connectionString: (await setUpRoles(process.env.DATABASE_URL!)).ownerUrl,
    })
    await owner.connect()
    await put(mine, 'tools', { name: 'Mine', kind: 'jug', capacityMl: 500 })
    await owner.query('begin')
    const changed = await owner.query(
      'update tool set name = name where household_id = any($1) returning household_id',
      [[mine, other]],
    )
    await owner.query('rollback')
    await owner.end()
    expect(new Set(changed.rows.map(({ household_id }) => household_id))).toEqual(new Set([mine, other]))
  })

  it('entries count up within each household', async () => {
    const numbers = async (household: string) =>
      (
        await superuser.query('select number from entry where household_id = $1 order by number', [household])
      ).rows.map(({ number }) => Number(number))
    const [before, elsewhere] = [await numbers(mine), await numbers(other)]
    await put(mine, 'entries', { name: 'Thought', kind: 'thought', on: '2027-03-01', subjects: [] })
    expect(await numbers(mine)).toEqual([...before, (before.at(-1) ?? 0) + 1])
    expect(await numbers(other)).toEqual(elsewhere)
    expect(elsewhere[0]).toBe(1)
  })
})

/** An id of the other household, or one of nothing. */
type Ids = (what: keyof typeof theirs) => string
interface Ask {
  path: string
  body?: unknown
  headers?: Record<string, string>
}
const home = `/api/households/${mine}`
const command = (one: object): unknown => ({ commands: [one] })
const ON = '2026-03-01'

/** For every route of a household: how somebody at home there would reach for what is another's. */
const WALK: Record<string, (id: Ids, household: string) => Ask[]> = {
  'get /api/households/{householdId}': () => [],
  'put /api/households/{householdId}': () => [],
  'delete /api/households/{householdId}': () => [],
  'get /api/households/{householdId}/acts/{id}': (id) => [{ path: `/acts/${id('acts')}` }],
  'get /api/households/{householdId}/archive': () => [],
  'post /api/households/{householdId}/archive': () => [],
  'get /api/households/{householdId}/calendar.ics': () => [],
  'post /api/households/{householdId}/calendar': () => [],
  'post /api/households/{householdId}/commands': (id) => [
    {
      path: '/commands',
      body: command({ name: 'sow', trayId: id('trays'), on: ON, groups: [{ group: 'A' }] }),
    },
    { path: '/commands', body: command({ name: 'give up', sowingId: id('sowings') }) },
    { path: '/commands', body: command({ name: 'end job', id: id('guidedJobs'), by: '' }) },
    { path: '/commands', body: command({ name: 'mark job', id: id('guidedJobs'), marks: [mark] }) },
    { path: '/commands', body: command({ name: 'undo', act: id('acts') }) },
    {
      path: '/commands',
      body: command({ name: 'remove record', collection: 'tools', id: id('tools'), version: 1 }),
    },
    {
      path: '/commands',
      body: command({ name: 'restore record', collection: 'tools', id: id('tools'), version: 1 }),
    },
    { path: '/commands', body: command({ name: 'new device key', deviceId: id('devices') }) },
    {
      path: '/commands',
      body: command({
        name: 'tick',
        kind: 'look',
        of: [{ sowingId: id('sowings'), stage: 0 }],
        title: 'Look',
        on: ON,
      }),
    },
    {
      path: '/commands',
      body: command({
        name: 'write down',
        title: 'Seen',
        kind: 'seen',
        on: ON,
        subjects: [{ what: 'photos', id: id('photos') }],
      }),
    },
  ],
  'post /api/households/{householdId}/commands/file': () => [],
  'get /api/households/{householdId}/device-keys/{id}': (id) => [{ path: `/device-keys/${id('devices')}` }],
  'post /api/households/{householdId}/device-keys/{id}': (id) => [{ path: `/device-keys/${id('devices')}` }],
  'get /api/households/{householdId}/key.pdf': (id) => [{ path: `/key.pdf?trays=${id('trays')}` }],
  'get /api/households/{householdId}/labels.pdf': (id) => [
    { path: `/labels.pdf?kind=stake&trays=${id('trays')}` },
  ],
  'post /api/households/{householdId}/labels': (id) => [{ path: `/labels?kind=stake&trays=${id('trays')}` }],
  'get /api/households/{householdId}/log': (id) => [
    { path: `/log?subject=${id('trays')}` },
    { path: `/log?subject=${id('packets')}` },
    { path: '/log?words=marmalade' },
  ],
  'get /api/households/{householdId}/log/years': () => [{ path: '/log/years' }],
  'get /api/households/{householdId}/log/{year}': () => [{ path: '/log/2027' }],
  'get /api/households/{householdId}/papers/{paper}': (id) => [
    { path: `/papers/batch?id=${id('batches')}` },
    { path: `/papers/feed?id=${id('feedings')}` },
  ],
  'get /api/households/{householdId}/photo-files/{id}': (id) => [
    { path: `/photo-files/${id('photoFiles')}` },
    { path: `/photo-files/${id('photoFiles')}?size=small` },
  ],
  'put /api/households/{householdId}/photo-files/{id}': () => [],
  'get /api/households/{householdId}/readings': (id) => [{ path: `/readings?device=${id('devices')}` }],
  'post /api/households/{householdId}/readings': (_, key) => [
    {
      path: '/readings',
      body: [{ n: 'air', u: 'Cel', v: 20 }],
      headers: { 'content-type': 'application/senml+json', authorization: `Bearer ${key}` },
    },
  ],
  'get /api/households/{householdId}/readings/latest': () => [{ path: '/readings/latest' }],
  'get /api/households/{householdId}/readings/live': () => [],
  'get /api/households/{householdId}/removed': () => [{ path: '/removed' }],
  'post /api/households/{householdId}/restore': () => [],
  'get /api/households/{householdId}/tables/{table}': () => [],
  'post /api/households/{householdId}/tables/{table}': () => [],
  'get /api/households/{householdId}/today': () => [],
  'get /api/households/{householdId}/trace/{id}': (id) => [{ path: `/trace/${id('trays')}` }],
  'get /api/households/{householdId}/weather': () => [{ path: '/weather' }],
  'post /api/households/{householdId}/weather': () => [],
  'post /api/households/{householdId}/weather/ask': () => [],
  'get /api/households/{householdId}/weather.csv': () => [{ path: '/weather.csv' }],
  'post /api/households/{householdId}/weather.csv': () => [],
}
const mark = { id: randomUUID(), step: 'x', what: 'done', at: '2027-03-01T09:00:00.000Z' }
/** The same for each collection: its records by id, in the path and in every field that points somewhere. */
const RECORDS: Record<string, (id: Ids) => Ask[]> = {
  'get ': (id) => [...kinds.map((kind) => ({ path: `/${kind}?from=${id(kind)}` }))],
  'get /{id}': (id) => kinds.map((kind) => ({ path: `/${kind}/${id(kind)}` })),
  'put /{id}': (id) => [
    { path: `/feedings/${FIXED}`, body: { version: 0, body: { ...FEEDING, batchId: id('batches') } } },
    { path: `/feedings/${FIXED}`, body: { version: 0, body: { ...FEEDING, toolId: id('tools') } } },
    {
      path: `/sowings/${FIXED}`,
      body: { version: 0, body: { name: 'Basil', cropId: 'basil', plants: 4, packetId: id('packets') } },
    },
    { path: `/trays/${FIXED}`, body: { version: 0, body: { ...TRAY, batchId: id('batches') } } },
    { path: `/entries/${FIXED}`, body: { version: 0, body: entry([{ what: 'trays', id: id('trays') }]) } },
    ...kinds.map((kind) => ({ path: `/${kind}/${id(kind)}`, body: { version: 1, body: bodies[kind] } })),
  ],
  'delete /{id}': (id) => kinds.map((kind) => ({ path: `/${kind}/${id(kind)}?version=1` })),
  'get /{id}/history': (id) => kinds.map((kind) => ({ path: `/${kind}/${id(kind)}/history` })),
  'post /{id}/replace': (id) => [
    { path: `/tools/${id('tools')}/replace`, body: { version: 1, with: id('tools') } },
  ],
  'post /{id}/restore': (id) => kinds.map((kind) => ({ path: `/${kind}/${id(kind)}/restore?version=1` })),
}
const FIXED = randomUUID()
const kinds = ['tools', 'batches', 'feedings', 'packets', 'sowings', 'trays'] as const
const bodies: Record<(typeof kinds)[number], object> = {
  tools: { name: 'Mine now', kind: 'jug', capacityMl: 1 },
  batches: { ...BATCH, name: 'Mine now' },
  feedings: { ...FEEDING, name: 'Mine now' },
  packets: { name: 'Mine now', cropId: 'basil', supplier: '', year: 2026 },
  sowings: { name: 'Mine now', cropId: 'basil', plants: 12 },
  trays: { ...TRAY, name: 'Mine now' },
}

/** Every row of the other household, as a digest. */
async function digest(): Promise<string[]> {
  const found: string[] = []
  for (const table of await tables()) {
    const { rows } = await superuser.query(
      `select md5(coalesce(string_agg(row, '' order by row), '')) as digest from (select md5(each::text) as row from "${table}" each where household_id = $1) as rows`,
      [other],
    )
    found.push(`${table} ${rows[0].digest}`)
  }
  return found
}

async function asked(method: string, { path, body, headers = {} }: Ask) {
  const answer = await fetch(`${base}${home}${path}`, {
    method: method.toUpperCase(),
    headers: body === undefined ? headers : { 'content-type': 'application/json', ...headers },
    ...(body === undefined ? {} : { body: JSON.stringify(body) }),
  })
  const text = Buffer.from(await answer.arrayBuffer()).toString('latin1')
  return { status: answer.status, text }
}

describe('on every route', () => {
  it('what is another’s is told apart from nothing in no way, and stays as it is', async () => {
    const document = (await call('GET', '/api/openapi.json')).body as {
      paths: Record<string, Record<string, unknown>>
    }
    const routes = Object.entries(document.paths)
      .flatMap(([path, methods]) => Object.keys(methods).map((method) => `${method} ${path}`))
      .filter((one) => one.includes('{householdId}'))
    const collections = [...new Set(kinds)] as string[]
    const recordRoute = new RegExp(`^(\\w+) /api/households/\\{householdId\\}/(\\w+)(/\\{id\\}.*)?$`)
    const own: Ids = () => randomUUID()
    const foreign: Ids = (what) => theirs[what]!
    const before = await digest()
    const missed: string[] = []
    let walked = 0
    for (const route of routes) {
      const [, method = '', collection = '', rest = ''] = recordRoute.exec(route) ?? []
      const isRecord = !(route in WALK)
      const walk = isRecord ? RECORDS[`${method} ${rest}`] : WALK[route]
      if (!walk) missed.push(route)
      // Records of every collection are walked with the first of them.
      if (!walk || (isRecord && collection !== collections[0])) continue
      const reached = walk(foreign, theirKey)
      const nothing = walk(own, 'device-of-nobody')
      for (const [i, ask] of reached.entries()) {
        const verb = route.split(' ')[0]!
        const [there, nowhere] = [await asked(verb, ask), await asked(verb, nothing[i]!)]
        walked++
        const plain = (text: string) => text.replace(/[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}/g, 'ID')
        expect([route, ask.path.split('?')[0] && there.status, plain(there.text)]).toEqual([
          route,
          nowhere.status,
          plain(nowhere.text),
        ])
        expect(there.text).not.toContain('marmalade')
      }
    }
    // A route that is added is to be walked as well.
    expect(missed).toEqual([])
    expect(walked).toBeGreaterThan(60)
    expect(await digest()).toEqual(before)
  })

  it('what is taken in or out holds no row of another', async () => {
    const archive = await fetch(`${base}${home}/archive`)
    const bytes = Buffer.from(await archive.arrayBuffer()).toString('latin1')
    for (const id of Object.values(theirs)) expect(bytes).not.toContain(id)
    for (const table of ['packets', 'trays', 'sowings', 'batches', 'log'])
      expect(await (await fetch(`${base}${home}/tables/${table}`)).text()).not.toMatch(/marmalade|Ann/)
    const everything = JSON.stringify((await call('GET', home)).body)
    for (const id of Object.values(theirs)) expect(everything).not.toContain(id)
  })

  it('a visitor without a cookie is given no household', async () => {
    const page = await fetch(`${base}/`)
    expect(page.headers.get('set-cookie')).toBeNull()
    expect(await page.text()).not.toMatch(/\/api\/households\/[0-9a-f]/)
    const chosen = await fetch(`${base}/`, { headers: { cookie: `household=${mine}` } })
    // What was chosen is asked for before any script of the page comes.
    const text = await chosen.text()
    expect(text.indexOf(`/api/households/${mine}`)).toBeLessThan(text.indexOf('type="module"'))
  })
})
