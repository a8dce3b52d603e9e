import { randomUUID } from 'node:crypto'
import { readFileSync } from 'node:fs'
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import pg from 'pg'
import type { Collection } from '#shared/records/collection-names'
import { SEASON } from '#shared/test/season'
import { call, newHousehold } from './test/calling'

/* The ledger on real PostgreSQL: whatever is done, undone and done again, levels are the sum of what stands. */
const database = new pg.Client({ connectionString: process.env.DATABASE_URL })
const household = randomUUID()
const at = (collection: Collection, id: string) => `/api/households/${household}/${collection}/${id}`
const put = (collection: Collection, body: object, version = 0, id: string = randomUUID()) =>
  call('PUT', at(collection, id), { version, body })
const recount = async () => {
  const { rows } = await database.query(readFileSync('server/db/recount.sql', 'utf8'))
  return rows.filter((row) => row.household_id === household)
}
const packet = (seeds: number | null) => ({
  name: 'Saved',
  cropId: 'tomato',
  supplier: '',
  year: 2027,
  seeds,
  germination: 1,
})
const bag = (packs: number) => ({
  name: 'Bag',
  kind: 'feed',
  goodsId: 'balanced-20',
  size: { measure: 'mass', amount: 1000 },
  price: null,
  packs,
})

beforeAll(async () => {
  await database.connect()
  await newHousehold(household)
  await call('PUT', `/api/households/${household}`, {
    version: 1,
    body: { name: 'Ledger', units: 'metric', season: SEASON },
  })
})
afterAll(async () => {
  await database.query('delete from feeding where household_id = $1', [household])
  await database.query('delete from household where household_id = $1', [household])
  await database.end()
})

describe('the ledger', () => {
  it('finds a level that something else than an entry changed', async () => {
    const { body } = await put('stocks', bag(2))
    expect(await recount()).toEqual([])
    await database.query('update stock set packs = 5 where household_id = $1 and id = $2', [
      household,
      body.id,
    ])
    expect(await recount()).toMatchObject([{ name: 'Bag', level: 5, moved: 2 }])
    await database.query('update stock set packs = 2 where household_id = $1 and id = $2', [
      household,
      body.id,
    ])
  })

  it('agrees with every level, in whatever order things are done, counted, taken back and done again', async () => {
    const shelf = (await put('stocks', bag(3))).body.id as string
    const seed = (await put('packets', packet(90))).body.id as string
    const feeding = await put('feedings', {
      name: 'Feed',
      feedId: 'balanced-20',
      growthStageId: 'potted-up',
      targetNMgPerL: 200,
      vessel: { name: 'tank', volumeL: 500 },
      batchId: null,
      toolId: null,
    })
    const sowing = {
      name: 'Tomato',
      cropId: 'tomato',
      packetId: seed,
      plants: 20,
      seedsPerCell: 1,
      certainty: 0.5,
      sowOn: '2027-03-20',
    }
    const sowings = await Promise.all(
      [0, 1, 2, 3, 4].map(async () => (await put('sowings', sowing)).body.id as string),
    )
    const acts = [
      ...sowings.map((id) => ({
        name: 'sown',
        kind: 'stage',
        on: '2027-03-20',
        subjects: [{ what: 'sowings', id, stage: 0 }],
      })),
      ...[1, 3].map((times) => ({
        name: 'fed',
        kind: 'feed given',
        on: '2027-04-01',
        subjects: [{ what: 'feedings', id: feeding.body.id }],
        times,
        evenIfShort: true,
      })),
    ]
    const levels = async () => ({
      packs: (await call('GET', at('stocks', shelf))).body as { version: number; body: { packs: number } },
      seeds: (await call('GET', at('packets', seed))).body as {
        version: number
        body: { seeds: number | null }
      },
    })
    const step = fc.oneof(
      fc.record({ do: fc.constant('act' as const), which: fc.nat(acts.length - 1), id: fc.nat(11) }),
      fc.record({
        do: fc.constant('count' as const),
        seeds: fc.option(fc.nat(200)),
        packs: fc.integer({ min: 0, max: 9 }),
      }),
    )
    await fc.assert(
      fc.asyncProperty(fc.array(step, { minLength: 4, maxLength: 12 }), async (steps) => {
        const ids = Array.from({ length: 12 }, () => randomUUID())
        for (const one of steps) {
          if (one.do === 'count') {
            const { packs, seeds } = await levels()
            await put('stocks', { ...packs.body, packs: one.packs }, packs.version, shelf)
            await put('packets', { ...seeds.body, seeds: one.seeds }, seeds.version, seed)
          } else {
            // The same id again: written, taken back, or standing again, whichever comes next.
            const id = ids[one.id]!
            const written = await call('GET', at('entries', id))
            const answer =
              written.status === 200
                ? await call('DELETE', `${at('entries', id)}?version=${written.body.version}`)
                : await put('entries', acts[one.which]!, 0, id)
            expect([200, 409, 422]).toContain(answer.status)
          }
          const { packs, seeds } = await levels()
          expect(packs.body.packs).toBeGreaterThanOrEqual(0)
          expect(seeds.body.seeds ?? 0).toBeGreaterThanOrEqual(0)
          expect(await recount()).toEqual([])
        }
      }),
      { numRuns: 12 },
    )
  })

  it('answers the same when the same entry is sent again, and reads back by page, newest first', async () => {
    const { body: sowing } = await put('sowings', { name: 'Kale', cropId: 'kale', plants: 9 })
    const looked = {
      name: 'Looked',
      kind: 'look',
      on: '2027-04-02',
      at: '07:30',
      by: 'Ada',
      subjects: [{ what: 'sowings', id: sowing.id, stage: 0 }],
    }
    const id = randomUUID()
    const [first, again] = [await put('entries', looked, 0, id), await put('entries', looked, 0, id)]
    expect(again).toEqual(first)
    expect(first.body.body).toMatchObject({ at: '07:30', by: 'Ada', on: '2027-04-02' })
    const page = (query: string) => call('GET', `/api/households/${household}/entries?${query}`)
    const newest = (await page('limit=1')).body
    expect(newest.map((one: { id: string }) => one.id)).toEqual([id])
    const older = (await page(`limit=2&before=${newest[0].number}`)).body as { number: number }[]
    expect(older.every(({ number }) => number < newest[0].number)).toBe(true)
    expect((await page('limit=0')).status).toBe(422)
  })
})

describe('what is removed', () => {
  it('is listed for ninety days and comes back as it was; a voided entry stands again', async () => {
    const { body } = await put('stocks', bag(4))
    const gone = await call('DELETE', `${at('stocks', body.id)}?version=1`)
    const { body: removed } = await call('GET', `/api/households/${household}/removed`)
    expect(removed[0]).toMatchObject({
      collection: 'stocks',
      id: body.id,
      name: 'Bag',
      version: gone.body.version,
    })
    const back = await call('POST', `${at('stocks', body.id)}/restore?version=2`)
    expect([back.status, back.body.body]).toEqual([200, body.body])
    expect((await call('POST', `${at('stocks', body.id)}/restore?version=2`)).status).toBe(409)
    await database.query(
      `update stock set deleted_at = now() - interval '91 days' where household_id = $1 and id = $2`,
      [household, body.id],
    )
    const later = (await call('GET', `/api/households/${household}/removed`)).body as { id: string }[]
    expect(later.some(({ id }) => id === body.id)).toBe(false)
    await database.query('delete from stock where household_id = $1 and id = $2', [household, body.id])
  })

  it('gives way to another wherever it is used, all or nothing', async () => {
    const tin = {
      name: 'Tin',
      kind: 'tray',
      cells: 10,
      measuredVolumeMl: 90,
      shape: { form: 'round', topDiameterMm: 60, baseDiameterMm: 50, depthMm: 70 },
    }
    const { body: container } = await put('containers', tin)
    const stages = [{ kind: 'sow', containerId: container.id, recipeId: 'lean-and-light', part: 1 }]
    const { body: sowing } = await put('sowings', { name: 'Chard', cropId: 'chard', plants: 9, stages })
    const refused = await call('DELETE', `${at('containers', container.id)}?version=1`)
    expect(refused.body.usedBy).toEqual([{ collection: 'sowings', id: sowing.id, name: 'Chard' }])
    const nowhere = { version: 1, with: 'moon-tray' }
    expect((await call('POST', `${at('containers', container.id)}/replace`, nowhere)).status).toBe(422)
    expect((await call('GET', at('containers', container.id))).status).toBe(200)
    const replaced = await call('POST', `${at('containers', container.id)}/replace`, {
      version: 1,
      with: 'tray-72',
    })
    expect([replaced.status, replaced.body.changed]).toMatchObject([200, [{ before: { id: sowing.id } }]])
    const now = await call('GET', at('sowings', sowing.id))
    expect(now.body.body.stages[0].containerId).toBe('tray-72')
    expect((await call('GET', at('containers', container.id))).status).toBe(404)
  })

  it('and is taken into use at the same moment: one of the two wins, every time', async () => {
    for (let i = 0; i < 12; i++) {
      const { body: tin } = await put('containers', {
        name: 'Tin',
        kind: 'pot',
        cells: 1,
        measuredVolumeMl: 90,
        shape: { form: 'round', topDiameterMm: 60, baseDiameterMm: 50, depthMm: 70 },
      })
      const stages = [{ kind: 'sow', containerId: tin.id, recipeId: 'lean-and-light', part: 1 }]
      const [used, removed] = await Promise.all([
        put('sowings', { name: 'Race', cropId: 'chard', plants: 9, stages }),
        call('DELETE', `${at('containers', tin.id)}?version=1`),
      ])
      expect([used.status, removed.status].sort()).toEqual([200, 422])
    }
  })
})
