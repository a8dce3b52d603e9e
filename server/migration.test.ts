import { randomUUID } from 'node:crypto'
import { cpSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, beforeAll, expect, it } from '@jest/globals'
import { drizzle } from 'drizzle-orm/node-postgres'
import { migrate } from 'drizzle-orm/node-postgres/migrator'
import pg from 'pg'

/* A database of the version before the ledger, as it was kept then, brought up to date. */
const MIGRATIONS = 'server/db/migrations'
const LAST_BEFORE = '0006_marks-since'
const name = `before_${randomUUID().slice(0, 8)}`
const server = new pg.Client({ connectionString: process.env.DATABASE_URL })
const before = new pg.Client({
  connectionString: process.env.DATABASE_URL?.replace(/\/[^/]*$/, `/${name}`),
})
const folder = mkdtempSync(join(tmpdir(), 'blastomix-'))

beforeAll(async () => {
  cpSync(MIGRATIONS, folder, { recursive: true })
  const journal = JSON.parse(readFileSync(join(folder, 'meta/_journal.json'), 'utf8')) as {
    entries: { tag: string }[]
  }
  const last = journal.entries.findIndex(({ tag }) => tag === LAST_BEFORE)
  journal.entries = journal.entries.slice(0, last + 1)
  writeFileSync(join(folder, 'meta/_journal.json'), JSON.stringify(journal))
  await server.connect()
  await server.query(`create database ${name}`)
  await before.connect()
  await migrate(drizzle({ client: before }), { migrationsFolder: folder })
})
afterAll(async () => {
  await before.end()
  await server.query(`drop database ${name}`)
  await server.end()
  rmSync(folder, { recursive: true, force: true })
})

it('uses and marks become entries, levels agree with them, and nothing is lost', async () => {
  const [home, batch, feeding, bag, seed, uncounted, sowing] = Array.from({ length: 7 }, () => randomUUID())
  const [made, given, sown, undone, later] = Array.from({ length: 5 }, () => randomUUID())
  const q = (text: string, values: unknown[]) => before.query(text, values)
  await q(`insert into household (household_id, name, place, kitchen) values ($1, 'Old', '', 'us')`, [home])
  await q(
    `insert into batch (household_id, id, name, number, parts, fills, allowances, scoop, pack_ids)
     values ($1, $2, 'Mix', 1, '[]', '[]', '{}', '{}', '{}')`,
    [home, batch],
  )
  await q(
    `insert into feeding (household_id, id, name, feed_id, stage_id, target_n_mg_per_l, vessel)
     values ($1, $2, 'Feed', 'fish', 'true-leaves', 50, '{}')`,
    [home, feeding],
  )
  await q(
    `insert into stock (household_id, id, name, kind, goods_id, size, packs) values ($1, $2, 'Bag', 'material', 'peat', '{}', 1.6)`,
    [home, bag],
  )
  for (const [id, seeds] of [
    [seed, 40],
    [uncounted, null],
  ])
    await q(
      `insert into packet (household_id, id, name, crop_id, supplier, year, seeds) values ($1, $2, 'Leek', 'leek', '', 2026, $3)`,
      [home, id, seeds],
    )
  await q(
    `insert into sowing (household_id, id, name, crop_id, plants, season, certainty) values ($1, $2, 'Leek', 'leek', 9, 'spring', 0.9)`,
    [home, sowing],
  )
  const use = `insert into "use" (household_id, id, name, kind, batch_id, feeding_id, by, "to", note, times, even_if_short, drawn, facts, created_at, deleted_at)
     values ($1, $2, $3, $4, $5, $6, 'Ida', 'tray 3', 'damp', 2, false, $7, $8, '2026-03-04 10:00Z', $9)`
  const drawn = [{ stockId: bag, name: 'Bag', packs: 0.4, amount: 8, unit: 'L' }]
  const facts = [{ what: 'Loose mix', amount: 20, unit: 'L' }]
  await q(use, [
    home,
    made,
    'Made',
    'batch made',
    batch,
    null,
    JSON.stringify(drawn),
    JSON.stringify(facts),
    null,
  ])
  await q(use, [home, given, 'Fed', 'feed given', null, feeding, '[]', '[]', '2026-03-05 10:00Z'])
  const mark = `insert into mark (household_id, id, name, what, of, "on", snoozed_until, seeds, deleted_at) values ($1, $2, 'sown', 'rung', $3, '2026-03-20', $4, $5, $6)`
  const of = JSON.stringify([{ sowingId: sowing, rung: 0 }])
  const seeds = JSON.stringify([{ packetId: seed, seeds: 60 }])
  await q(mark, [home, sown, of, null, seeds, null])
  await q(mark, [home, undone, of, null, seeds, '2026-03-21 10:00Z'])
  await q(mark, [home, later, of, '2026-03-25', '[]', null])
  await q(mark.replaceAll("'rung'", "'out'"), [home, randomUUID(), of, null, '[]', null])
  await q(
    `insert into revision (household_id, collection, id, version, body, written_at) values ($1, 'marks', $2, 1, $3, '2026-03-20 10:00Z')`,
    [
      home,
      undone,
      JSON.stringify({
        name: 'sown',
        what: 'rung',
        of: JSON.parse(of),
        on: '2026-03-20',
        snoozedUntil: null,
        seeds: JSON.parse(seeds),
      }),
    ],
  )

  // Another household, whose rows a migration under row-level security could pass over without a word.
  const [next, theirSowing] = [randomUUID(), randomUUID()]
  await q(`insert into household (household_id, name, place, kitchen) values ($1, 'Next', '', 'metric')`, [
    next,
  ])
  await q(
    `insert into sowing (household_id, id, name, crop_id, plants, season, certainty, ladder_id, rungs)
     values ($1, $2, 'Beet', 'beet', 9, 'spring', 0.9, 'cell', '[{"stage":"sow","part":1},{"stage":"harden","part":0}]')`,
    [next, theirSowing],
  )

  await migrate(drizzle({ client: before }), { migrationsFolder: MIGRATIONS })

  const { rows } = await before.query(
    `select *, "on"::text as day from entry where kind <> 'counted' order by id`,
  )
  const entry = (id: string | undefined) => rows.find((row) => row.id === id)
  expect(rows).toHaveLength(6)
  const ended = await before.query('select over_on::text as day from sowing where id = $1', [sowing])
  expect(ended.rows).toEqual([{ day: '2026-03-20' }])
  expect(entry(made)).toMatchObject({
    kind: 'batch made',
    day: '2026-03-04',
    subjects: [{ what: 'batches', id: batch, stage: null }],
    by: 'Ida',
    to: 'tray 3',
    note: 'damp',
    times: 2,
    voided_at: null,
    moves: [{ of: 'stocks', id: bag, name: 'Bag', by: -0.4, amount: -8, unit: 'L' }],
    facts,
  })
  expect(entry(given)).toMatchObject({
    subjects: [{ what: 'feedings', id: feeding }],
    voided_at: expect.any(Date),
  })
  expect(entry(sown)).toMatchObject({
    kind: 'stage',
    day: '2026-03-20',
    subjects: [{ what: 'sowings', id: sowing, stage: 0 }],
    moves: [{ of: 'packets', id: seed, by: -60, unit: 'seeds' }],
  })
  expect(entry(undone).voided_at).toBeInstanceOf(Date)
  expect(entry(later).snoozed_until).toBeTruthy()
  expect((await before.query(readFileSync('server/db/recount.sql', 'utf8'))).rows).toEqual([])
  const counted = await before.query(`select moves from entry where kind = 'counted'`)
  expect(counted.rows.map((row) => row.moves[0].by).sort()).toEqual([100, 2])
  const revision = await before.query(`select collection, body from revision`)
  expect(revision.rows).toMatchObject([
    {
      collection: 'entries',
      body: { kind: 'stage', subjects: [{ id: sowing, stage: 0 }], moves: [{ by: -60 }] },
    },
  ])
  const both = await before.query('select units, name from household order by name')
  expect(both.rows).toEqual([
    { units: 'metric', name: 'Next' },
    { units: 'us', name: 'Old' },
  ])
  const theirs = await before.query('select schedule_id, stages from sowing where id = $1', [theirSowing])
  expect(theirs.rows).toEqual([
    {
      schedule_id: 'cell',
      stages: [
        { kind: 'sow', part: 1 },
        { kind: 'harden', part: 0 },
      ],
    },
  ])
})
