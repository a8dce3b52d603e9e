import type { ChildProcess } from 'node:child_process'
import { chmodSync, mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import pg from 'pg'
import PgBoss from 'pg-boss'
import { afterAll, beforeAll, expect, it, jest } from '@jest/globals'
import { startApplication, stopApplication } from './application.mjs'
import { Cluster } from './cluster.mjs'
import { migrateDatabase } from './migrate.mjs'
import { freePort } from './port.mjs'
import { setUpRoles } from './roles.mjs'

jest.setTimeout(180_000)

/* Work that comes round, on two copies of the application: one schedule, one of them at a time, and none of it lost. */

const LEASE_S = '4'
const folder = mkdtempSync(join(tmpdir(), 'blastomix-jobs-'))
chmodSync(folder, 0o755)
const cluster = new Cluster(folder, { throwAway: true })
const children: ChildProcess[] = []
const addresses: string[] = []
let database: pg.Client
let boss: PgBoss
const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms))
async function until<Found>(what: string, look: () => Promise<Found | undefined | false>): Promise<Found> {
  for (const end = Date.now() + 120_000; Date.now() < end; await pause(150)) {
    const found = await look()
    if (found) return found
  }
  throw new Error(`it did not come: ${what}`)
}
const jobsOf = async (name: string) =>
  (await database.query('select state::text, retry_count from jobs.job where name = $1', [name])).rows as {
    state: string
    retry_count: number
  }[]

beforeAll(async () => {
  const superuserUrl = await cluster.start()
  const { ownerUrl, applicationUrl, housekeepingUrl } = await setUpRoles(superuserUrl)
  process.env.BLASTOMIX_LEASE_S = LEASE_S
  process.env.BLASTOMIX_LEASE_LOOK_S = '1'
  await migrateDatabase(ownerUrl)
  database = new pg.Client({ connectionString: superuserUrl })
  await database.connect()
  boss = new PgBoss({
    connectionString: superuserUrl,
    schema: 'jobs',
    migrate: false,
    schedule: false,
    supervise: false,
    max: 1,
  })
  // Its pool may still hold a connection when the cluster is stopped.
  boss.on('error', () => undefined)
  await boss.start()
  for (let copy = 0; copy < 2; copy++) {
    const { child, address } = await startApplication({
      host: '127.0.0.1',
      port: await freePort(),
      databaseUrl: applicationUrl,
      housekeepingUrl,
      demo: false,
    })
    children.push(child)
    addresses.push(address)
  }
})
afterAll(async () => {
  for (const child of children) await stopApplication(child)
  await boss.stop({ graceful: false })
  await database.end()
  await cluster.destroy()
})

it('is planned once for all copies, in tables the application cannot change', async () => {
  const { rows } = await database.query('select name from jobs.schedule order by name')
  expect(rows.map(({ name }) => name)).toEqual([
    'ask-forecasts',
    'forget-acts',
    'forget-lost-photo-files',
    'forget-removed-households',
    'forget-unopened-examples',
    'mend-references',
    'thin-readings',
    'write-backup',
    'write-days-of-devices',
  ])
  const owners = await database.query(
    `select distinct pg_get_userbyid(relowner) as owner from pg_class c join pg_namespace n on n.oid = c.relnamespace where n.nspname = 'jobs'`,
  )
  expect(owners.rows).toEqual([{ owner: 'blastomix_owner' }])
})

it('is done by one copy at a time; where that one is killed in the middle, by the other, once', async () => {
  const blocker = new pg.Client({ connectionString: cluster.url() })
  await blocker.connect()
  await blocker.query('begin')
  await blocker.query('lock table reading in access exclusive mode')
  await boss.send('thin-readings', {})
  // It waits for the table that is held: which copy it is stands in the name of its connection.
  const at = await until('a copy at work', async () => {
    const { rows } = await database.query(
      `select application_name as name from pg_stat_activity where wait_event_type = 'Lock' and application_name like 'blastomix housekeeping %'`,
    )
    return rows.length === 1 && (rows[0].name as string)
  })
  // Another that is due meanwhile waits, on whichever copy.
  await boss.send('thin-readings', {})
  expect((await jobsOf('thin-readings')).filter(({ state }) => state === 'active')).toHaveLength(1)
  const victim = children.find(({ pid }) => at.endsWith(` ${pid}`))!
  victim.kill('SIGKILL')
  await until('its end', async () => victim.signalCode === 'SIGKILL')
  await blocker.query('rollback')
  await blocker.end()

  const [other] = addresses.filter((_, i) => children[i] !== victim)
  const done = await until('the other copy to take it up', async () => {
    const jobs = await jobsOf('thin-readings')
    return jobs.length > 0 && jobs.every(({ state }) => state === 'completed') && jobs
  })
  expect(done.some(({ retry_count }) => retry_count > 0)).toBe(true)
  const ready = (await (await fetch(`${other}/api/ready`)).json()) as {
    ready: boolean
    jobs: { name: string; state: string; doneAt: string | null }[]
  }
  const told = ready.jobs.find(({ name }) => name === 'thin-readings')!
  expect([ready.ready, told.state, typeof told.doneAt]).toEqual([true, 'done', 'string'])
})

it('looks through households of before once: what points nowhere is let go of and told', async () => {
  // A copy that was not killed in the test before.
  const address = addresses[children.findIndex(({ signalCode }) => signalCode === null)]!
  const home = `${address}/api/households/${crypto.randomUUID()}`
  const put = async (path: string, body: object) => {
    const answer = await fetch(`${home}${path}`, {
      method: 'PUT',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ version: 0, body }),
    })
    expect([path, answer.status]).toEqual([path, 200])
  }
  const get = async <Found>(path: string) => (await (await fetch(`${home}${path}`)).json()) as Found
  await put('', { name: 'Before', units: 'metric' })
  const [packet, tray, device, entry] = Array.from({ length: 4 }, () => crypto.randomUUID())
  await put(`/packets/${packet}`, { name: 'Basil', cropId: 'basil', year: 2027, seeds: null })
  const groups = [{ code: 'A', name: 'Basil', cropId: 'basil', packetId: packet }]
  await put(`/trays/${tray}`, {
    name: 'Tray',
    containerId: 'tray-24',
    rows: 4,
    columns: 6,
    groups,
    cells: Array(24).fill('A'),
  })
  await put(`/devices/${device}`, { name: 'Scale', kind: 'kitchen scale', trayId: tray })
  const about = [packet, tray].map((id, i) => ({ what: i ? 'trays' : 'packets', id, stage: null }))
  await put(`/entries/${entry}`, { name: 'Seen', kind: 'seen', on: '2027-01-01', subjects: about })
  // As it could be written once: ids of nothing, in lists and beside them.
  const nothing = crypto.randomUUID()
  await database.query(
    `update tray set groups = jsonb_set(groups, '{0,packetId}', to_jsonb($2::text)) where id = $1`,
    [tray, nothing],
  )
  await database.query(`update device set tray_id = $2 where id = $1`, [device, nothing])
  await database.query(
    `update entry set subjects = jsonb_set(subjects, '{0,id}', to_jsonb($2::text)) where id = $1`,
    [entry, nothing],
  )
  await database.query(`insert into unchecked_household values ($1)`, [home.split('/').at(-1)])
  await boss.send('mend-references', {})
  await until(
    'the look through it',
    async () => (await database.query('select from unchecked_household')).rowCount === 0,
  )
  interface Kept {
    version: number
    body: { groups: { packetId: string | null }[]; trayId: string | null; subjects: { id: string }[] }
  }
  const [mendedTray, mendedDevice, mendedEntry] = await Promise.all(
    [`/trays/${tray}`, `/devices/${device}`, `/entries/${entry}`].map((path) => get<Kept>(path)),
  )
  expect([mendedTray!.version, mendedTray!.body.groups[0]!.packetId]).toEqual([2, null])
  expect([mendedDevice!.version, mendedDevice!.body.trayId]).toEqual([2, null])
  expect(mendedEntry!.body.subjects.map(({ id }) => id)).toEqual([tray])
  // What it was is in its history, and the log says what was done.
  const [before] = await get<Kept[]>(`/trays/${tray}/history`)
  expect(before!.body.groups[0]!.packetId).toBe(nothing)
  const notes = await get<{ body: { name: string; note: string } }[]>('/entries?limit=20')
  expect(notes.find(({ body }) => /mended 3 records/.test(body.name))?.body.note).toMatch(
    /device “Scale” pointed at a tray/,
  )
  // And its archive can be read again.
  const archive = await (await fetch(`${home}/archive`)).arrayBuffer()
  const read = await fetch(`${address}/api/households/${crypto.randomUUID()}/archive`, {
    method: 'POST',
    headers: { 'content-type': 'application/zip' },
    body: archive,
  })
  expect(read.status).toBe(200)
})
