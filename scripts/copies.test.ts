import type { ChildProcess } from 'node:child_process'
import { randomUUID } from 'node:crypto'
import { chmodSync, mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import pg from 'pg'
import { afterAll, beforeAll, describe, expect, it, jest } from '@jest/globals'
import { startApplication, stopApplication } from './application.mjs'
import { Cluster } from './cluster.mjs'
import { migrateDatabase } from './migrate.mjs'
import { freePort } from './port.mjs'
import { setUpRoles } from './roles.mjs'
import type { Collection } from '#shared/records/collection-names'
import { statements, withAt } from '../server/test/statements'
import { SEASON } from '../shared/test/season'

jest.setTimeout(process.env.DEEP ? 600_000 : 120_000)

/* Two copies of the application on one database, one of which has a clock that was put back. */

/** Kinds of things each kind of record can be about. */
const SAID: Partial<Record<Collection, readonly Collection[]>> = {
  entries: ['sowings', 'batches', 'feedings', 'stocks', 'packets', 'trays', 'photos', 'trials'],
  guidedJobs: ['sowings', 'batches', 'feedings', 'trays'],
  photos: ['trays', 'sowings', 'batches', 'packets'],
}
const ROUNDS = process.env.DEEP ? 60 : 6
const folder = mkdtempSync(join(tmpdir(), 'blastomix-copies-'))
chmodSync(folder, 0o755)
const cluster = new Cluster(folder, { throwAway: true })
const children: ChildProcess[] = []
const addresses: string[] = []
let databaseUrl: string
/** Both copies' clocks stand a day and a half apart. */
const CLOCK_BACK = `data:text/javascript,${encodeURIComponent(
  'const now = Date.now; Date.now = () => now() - 129_600_000',
)}`

beforeAll(async () => {
  const { ownerUrl, applicationUrl, housekeepingUrl } = await setUpRoles(await cluster.start())
  databaseUrl = applicationUrl
  await migrateDatabase(ownerUrl)
  for (const clock of ['', `--import=${CLOCK_BACK}`]) {
    process.env.NODE_OPTIONS = clock
    // Both count together, and more than a person asks.
    Object.assign(process.env, { BLASTOMIX_COPIES: '1', BLASTOMIX_RATE_SCALE: '20' })
    const { child, address } = await startApplication({
      host: '127.0.0.1',
      port: await freePort(),
      databaseUrl,
      housekeepingUrl,
      demo: false,
    })
    children.push(child)
    addresses.push(address)
  }
})
afterAll(async () => {
  for (const child of children) {
    child.kill('SIGCONT')
    await stopApplication(child)
  }
  await cluster.destroy()
})

interface Answer {
  status: number
  body: { version: number; number: number; detail?: string }
}
async function put(copy: number, path: string, version: number, body: object, key = randomUUID()) {
  const answer = await fetch(`${addresses[copy]}/api/households/${path}`, {
    method: 'PUT',
    headers: { 'content-type': 'application/json', 'idempotency-key': key },
    body: JSON.stringify({ version, body }),
    signal: AbortSignal.timeout(30_000),
  })
  return { status: answer.status, body: await answer.json() } as Answer
}
const get = async (copy: number, path: string) =>
  (await (await fetch(`${addresses[copy]}/api/households/${path}`)).json()) as {
    id: string
    number: number
    body: { note: string; name: string }
  }[]
const jug = (name: string) => ({ name, kind: 'jug', capacityMl: 1000 })
async function household() {
  const id = randomUUID()
  const body = { name: 'Copies', place: '', units: 'metric', season: SEASON }
  expect((await put(0, id, 0, body)).status).toBe(200)
  return id
}

type Kept = { [C in Collection]: { id: string; body: Record<string, unknown> }[] }
const send = (copy: number, method: string, path: string, body?: object) =>
  fetch(`${addresses[copy]}/api/households/${path}`, {
    method,
    ...(body && { headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) }),
    signal: AbortSignal.timeout(30_000),
  })

describe('using and removing at the same moment, on two copies', () => {
  let home: string
  let kept: Kept
  beforeAll(async () => {
    home = (
      (await (await fetch(`${addresses[0]}/api/examples`, { method: 'POST' })).json()) as { id: string }
    ).id
    kept = (await (await send(0, 'GET', home)).json()) as Kept
  })
  /** A record of a kind that nothing points at. */
  async function fresh(collection: Collection): Promise<string> {
    const id = randomUUID()
    const { body } = kept[collection][0]!
    const plain = collection === 'devices' ? { ...body, simulated: false, fault: null } : body
    const made = await send(0, 'PUT', `${home}/${collection}/${id}`, { version: 0, body: plain })
    expect([collection, made.status, made.ok ? '' : await made.text()]).toEqual([collection, 200, ''])
    return id
  }
  const pairs = statements.flatMap(([collection, path, among, isSaid]) =>
    (isSaid ? (SAID[collection] ?? []) : among)
      .filter((target) => target !== 'photo-files')
      .map((target) => [collection, path, target as Collection, isSaid] as const),
  )

  it.each(pairs)('%s, %s → %s: exactly one wins', async (collection, path, target, isSaid) => {
    for (let round = 0; round < (process.env.DEEP ? 12 : 2); round++) {
      const used = await fresh(target)
      const body =
        collection === 'entries'
          ? {
              name: 'Seen',
              kind: 'seen',
              on: '2027-04-12',
              subjects: [{ what: target, id: used, stage: null }],
            }
          : kept[collection]
              .map((one) => withAt(one.body, path.split('.'), used, isSaid ? target : undefined))
              .find((one) => one !== null)
      const plain = collection === 'devices' ? { ...(body as object), simulated: false, fault: null } : body
      const answers = await Promise.all([
        send(round % 2, 'PUT', `${home}/${collection}/${randomUUID()}`, { version: 0, body: plain }),
        send(1 - (round % 2), 'DELETE', `${home}/${target}/${used}?version=1`),
      ])
      expect(answers.map(({ status }) => status).sort()).toEqual([200, 422])
    }
  })
  it.each([
    ['batches', 'batch made'],
    ['feedings', 'feed given'],
  ] as const)('%s → %s: exactly one wins', async (target, kind) => {
    const used = await fresh(target)
    const body = {
      name: 'Done',
      kind,
      on: '2027-04-12',
      evenIfShort: true,
      subjects: [{ what: target, id: used, stage: null }],
    }
    const answers = await Promise.all([
      send(0, 'PUT', `${home}/entries/${randomUUID()}`, { version: 0, body }),
      send(1, 'DELETE', `${home}/${target}/${used}?version=1`),
    ])
    expect(answers.map(({ status }) => status).sort()).toEqual([200, 422])
  })
  it('what is only named can be removed by who was asked, and stays named', async () => {
    const sowing = await fresh('sowings')
    const entry = randomUUID()
    const body = {
      name: 'Seen',
      kind: 'seen',
      on: '2027-04-12',
      subjects: [{ what: 'sowings', id: sowing, stage: null }],
    }
    expect((await send(0, 'PUT', `${home}/entries/${entry}`, { version: 0, body })).status).toBe(200)
    const asked = await send(1, 'DELETE', `${home}/sowings/${sowing}?version=1`)
    expect([
      asked.status,
      ((await asked.json()) as { about: { id: string }[] }).about.map(({ id }) => id),
    ]).toEqual([422, [entry]])
    expect((await send(1, 'DELETE', `${home}/sowings/${sowing}?version=1&anyway=true`)).status).toBe(200)
    expect((await send(0, 'GET', `${home}/entries/${entry}`)).status).toBe(200)
  })
})

describe('two copies', () => {
  it('make one household of one key at the same moment, and one example', async () => {
    for (let round = 0; round < ROUNDS; round++) {
      const [id, key] = [randomUUID(), randomUUID()]
      const body = { name: 'Copies', place: '', units: 'metric', season: SEASON }
      const made = await Promise.all([0, 1, 0, 1].map((copy) => put(copy, id, 0, body, key)))
      expect(new Set(made.map((each) => JSON.stringify(each))).size).toBe(1)
      expect(made[0]!.status).toBe(200)
    }
    const headers = { 'idempotency-key': randomUUID() }
    const examples = await Promise.all(
      addresses.map((address) => fetch(`${address}/api/examples`, { method: 'POST', headers })),
    )
    expect(examples.map(({ status }) => status)).toEqual([200, 200])
    const ids = await Promise.all(examples.map(async (one) => ((await one.json()) as { id: string }).id))
    expect(new Set(ids).size).toBe(1)
    for (const id of ids.slice(1)) {
      const { version } = ((await (await send(0, 'GET', id)).json()) as { household: { version: number } })
        .household
      expect((await send(0, 'DELETE', `${id}?version=${version}`)).status).toBe(200)
    }
  })
  it('make five examples for one address, and no more until one is removed', async () => {
    const make = (copy: number) => fetch(`${addresses[copy]}/api/examples`, { method: 'POST' })
    const made = []
    for (let n = 0; n < 8; n++) made.push(await make(n % 2))
    const refused = made.filter(({ status }) => status === 429)
    // One is there already, for the races.
    expect(made.map(({ status }) => status)).toEqual([200, 200, 200, 200, 429, 429, 429, 429])
    expect(refused[0]!.headers.get('retry-after')).toMatch(/^\d+$/)
    const { id } = (await made[0]!.json()) as { id: string }
    const { version } = ((await (await send(0, 'GET', id)).json()) as { household: { version: number } })
      .household
    expect((await send(1, 'DELETE', `${id}?version=${version}`)).status).toBe(200)
    expect((await make(0)).status).toBe(200)
  })
  it('race for one record, one act and one name: one wins, and both tell the same', async () => {
    const home = await household()
    for (let round = 0; round < ROUNDS; round++) {
      const path = `${home}/tools/${randomUUID()}`
      const key = randomUUID()
      const same = await Promise.all(
        Array.from({ length: 8 }, (_, n) => put(n % 2, path, 0, jug('Once'), key)),
      )
      expect(new Set(same.map((each) => JSON.stringify(each))).size).toBe(1)
      const rivals = await Promise.all(
        Array.from({ length: 8 }, (_, n) => put(n % 2, path, 1, jug(`Rival ${n}`))),
      )
      expect(rivals.filter(({ status }) => status === 200)).toHaveLength(1)
      expect(rivals.filter(({ status }) => status === 409)).toHaveLength(7)
    }
    const [here, there] = [await get(0, `${home}/tools`), await get(1, `${home}/tools`)]
    expect(here).toHaveLength(ROUNDS)
    expect(there).toEqual(here)
  })

  it('keep one order of what happened, whatever their clocks say', async () => {
    const home = await household()
    const notes = Array.from({ length: 12 }, (_, n) => `the ${n}th`)
    const sowing = randomUUID()
    const kale = { name: 'Kale', cropId: 'kale', plants: 12 }
    expect((await put(0, `${home}/sowings/${sowing}`, 0, kale)).status).toBe(200)
    for (const [n, note] of notes.entries()) {
      const subjects = [{ what: 'sowings', id: sowing, stage: 0 }]
      const entry = { name: 'Fed', kind: 'feed', on: `2027-03-${30 - n}`, note, subjects }
      expect((await put(n % 2, `${home}/entries/${randomUUID()}`, 0, entry)).status).toBe(200)
    }
    const told = (await get(1, `${home}/entries`)).sort((a, b) => a.number - b.number)
    expect(told.map(({ body }) => body.note)).toEqual(notes)
  })

  it('one is frozen while it writes: the other goes on with that household, with others and with its health', async () => {
    const [home, other] = [await household(), await household()]
    // It waits for the household's lock when it is frozen, and is given it then: so it holds it, and stands still.
    const blocker = new pg.Client({ connectionString: databaseUrl })
    await blocker.connect()
    await blocker.query('begin')
    await blocker.query(`set local blastomix.household = '${home}'`)
    await blocker.query('select from household where household_id = $1 for update', [home])
    const held = Array.from({ length: 10 }, (_, n) =>
      put(0, `${home}/tools/${randomUUID()}`, 0, jug(`Held ${n}`)).catch(() => null),
    )
    const waits = `select count(*)::int as n from pg_stat_activity where wait_event_type = 'Lock'`
    while ((await blocker.query(waits)).rows[0].n === 0)
      await new Promise((resolve) => setTimeout(resolve, 20))
    children[0]!.kill('SIGSTOP')
    await blocker.query('commit')
    await blocker.end()
    try {
      const elsewhere = put(1, `${other}/tools/${randomUUID()}`, 0, jug('Free'))
      const there = put(1, `${home}/tools/${randomUUID()}`, 0, jug('Next'))
      expect((await elsewhere).status).toBe(200)
      expect((await fetch(`${addresses[1]}/api/health`)).status).toBe(200)
      expect((await fetch(`${addresses[1]}/api/ready`)).status).toBe(200)
      // Cut off by the database after five seconds.
      expect((await there).status).toBe(200)
    } finally {
      children[0]!.kill('SIGCONT')
    }
    const answers = await Promise.all(held)
    // What was cut off says so, and is done when it is sent again; what was acknowledged is there.
    for (const answer of answers) expect([200, 503, undefined]).toContain(answer?.status)
    const kept = new Set((await get(1, `${home}/tools`)).map(({ body }) => body.name))
    for (const [n, answer] of answers.entries())
      if (answer?.status === 200) expect(kept).toContain(`Held ${n}`)
    expect((await put(0, `${home}/tools/${randomUUID()}`, 0, jug('Again'))).status).toBe(200)
  })
})
