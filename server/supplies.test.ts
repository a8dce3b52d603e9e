import { randomUUID } from 'node:crypto'
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import pg from 'pg'
import { DEFAULT_ALLOWANCES, plainBatch } from '#core/media/batch-request'
import type { Collection } from '#shared/records/collection-names'
import { call, newHousehold } from './test/calling'

/* What leaves the supplies and comes back, on real PostgreSQL through the built application. */
const database = new pg.Client({ connectionString: process.env.DATABASE_URL })
const household = randomUUID()
const at = (collection: Collection, id: string = randomUUID(), query = '') =>
  `/api/households/${household}/${collection}/${id}${query}`
const create = async (collection: Collection, body: object, id: string = randomUUID()) => {
  const { status, body: stored } = await call('PUT', at(collection, id), { version: 0, body })
  expect(status).toBe(200)
  return stored
}

beforeAll(async () => {
  await database.connect()
  await newHousehold(household)
})
afterAll(async () => {
  for (const table of ['feeding', 'batch'])
    await database.query(`delete from "${table}" where household_id = $1`, [household])
  await database.query('delete from household where household_id = $1', [household])
  await database.end()
})

/** 10 pots of half a litre, of one material that is all fine or all coarse: 10 · 0.5 · 0.9 · (1 + settling) · 1.05 L. */
const WANTED_L = 10 * 0.5 * 0.9 * 1.1 * 1.05
async function batchOf(materialId: string) {
  const tin = await create('containers', {
    name: 'Tin',
    kind: 'pot',
    cells: 1,
    measuredVolumeMl: 500,
    shape: { form: 'round', topDiameterMm: 80, baseDiameterMm: 80, depthMm: 100 },
  })
  return create('batches', {
    ...plainBatch(),
    name: 'Batch',
    recipeId: null,
    lowerRecipeId: null,
    onDate: null,
    sowings: [],
    parts: [{ materialId, parts: 1 }],
    fills: [{ containerId: tin.id, count: 10, coverMm: 0, coverMaterialId: 'mix' }],
    allowances: DEFAULT_ALLOWANCES,
    scoop: { name: 'pot', volumeL: 0.5 },
  })
}
const bagOf = (materialId: string, litres: number, packs: number) =>
  create('stocks', {
    name: `${litres} L bag`,
    kind: 'material',
    goodsId: materialId,
    size: { measure: 'loose', amount: litres },
    price: 6,
    packs,
  })
const packsOf = async (id: string) => (await call('GET', at('stocks', id))).body.body.packs as number
const make = (batchId: string, id: string = randomUUID(), more: object = {}) =>
  call('PUT', at('entries', id), {
    version: 0,
    body: {
      name: 'Made',
      kind: 'batch made',
      on: '2027-03-02',
      subjects: [{ what: 'batches', id: batchId }],
      by: 'Wren',
      ...more,
    },
  })

describe('making a batch', () => {
  it('draws it from the supplies and writes down what it took; undo puts it back, redo takes it again', async () => {
    const bag = await bagOf('peat-fine', 10, 1.4)
    const batch = await batchOf('peat-fine')
    const made = await make(batch.id)
    expect(made.status).toBe(200)
    expect(made.body.body.moves).toEqual([
      {
        of: 'stocks',
        id: bag.id,
        name: '10 L bag',
        by: expect.closeTo(-WANTED_L / 10, 5),
        amount: expect.closeTo(-WANTED_L, 6),
        unit: 'L',
      },
    ])
    expect(made.body.body.facts[0]).toEqual({
      what: 'Loose mix',
      amount: expect.closeTo(WANTED_L, 6),
      unit: 'L',
    })
    expect(await packsOf(bag.id)).toBeCloseTo(1.4 - WANTED_L / 10, 5)

    const undone = await call('DELETE', at('entries', made.body.id, '?version=1'))
    expect(undone.body).toEqual({ version: 2 })
    expect(await packsOf(bag.id)).toBe(1.4)

    const again = await call('PUT', at('entries', made.body.id), { version: 2, body: made.body.body })
    expect(again.status).toBe(200)
    expect(await packsOf(bag.id)).toBeCloseTo(1.4 - WANTED_L / 10, 5)
  })

  it('is done once, and what was used is not rewritten afterwards', async () => {
    await bagOf('rice-hulls', 50, 2)
    const batch = await batchOf('rice-hulls')
    const made = (await make(batch.id)).body
    const twice = await make(batch.id)
    expect([twice.status, twice.body.errors[0].field]).toEqual([422, 'body.subjects'])
    const { body } = await call('PUT', at('entries', made.id), {
      version: 1,
      body: { ...made.body, by: 'Ada', moves: [], facts: [] },
    })
    expect(body.body).toEqual({ ...made.body, by: 'Ada' })
  })

  it('is refused with the numbers where the supplies hold too little, and then nothing has moved', async () => {
    const bag = await bagOf('pumice', 2, 1)
    const batch = await batchOf('pumice')
    const refused = await make(batch.id)
    expect([refused.status, refused.body.errors]).toEqual([
      422,
      [{ field: 'body.evenIfShort', message: 'Pumice, 2–5 mm: 5.2 L wanted, 2 L in the supplies.' }],
    ])
    expect(await packsOf(bag.id)).toBe(1)
    expect((await make(batch.id, randomUUID(), { evenIfShort: true })).status).toBe(200)
    expect(await packsOf(bag.id)).toBe(0)
  })

  it('two reach for the last bag at once: one is told', async () => {
    const bag = await bagOf('sand', 6, 1)
    const batches = await Promise.all([batchOf('sand'), batchOf('sand')])
    const answers = await Promise.all(batches.map(({ id }) => make(id)))
    expect(answers.map(({ status }) => status).sort()).toEqual([200, 422])
    expect(answers.find(({ status }) => status === 422)!.body.detail).toMatch(
      /Washed sand, coarse: 5.2 L wanted/,
    )
    expect(await packsOf(bag.id)).toBeCloseTo((6 - WANTED_L) / 6, 5)
  })

  it('leaves nothing half done when the server dies between taking and writing down', async () => {
    const bag = await bagOf('wood-fibre', 20, 1)
    const batch = await batchOf('wood-fibre')
    await database.query(
      `create function die() returns trigger language plpgsql as $$ begin if new.name = 'Cut off' then perform pg_terminate_backend(pg_backend_pid()); end if; return new; end $$`,
    )
    await database.query('create trigger die before insert on entry for each row execute function die()')
    try {
      const id = randomUUID()
      const cut = await make(batch.id, id, { name: 'Cut off' })
      expect([cut.status, cut.type]).toEqual([503, 'application/problem+json'])
      expect(await packsOf(bag.id)).toBe(1)
      expect((await call('GET', at('entries', id))).status).toBe(404)
      expect((await make(batch.id, id)).status).toBe(200)
      expect(await packsOf(bag.id)).toBeCloseTo(1 - WANTED_L / 20, 5)
    } finally {
      await database.query('drop trigger die on entry')
      await database.query('drop function die')
    }
  })

  it('undone in any order, the shelf is as it was', async () => {
    const bag = await bagOf('biochar', 30, 3)
    const made = await Promise.all(
      Array.from({ length: 6 }, async () => (await make((await batchOf('biochar')).id)).body.id as string),
    )
    for (const id of fc.sample(fc.shuffledSubarray(made, { minLength: 6 }), { numRuns: 1, seed: 7 })[0]!)
      expect((await call('DELETE', at('entries', id, '?version=1'))).status).toBe(200)
    expect(await packsOf(bag.id)).toBe(3)
  })
})

describe('giving a feed', () => {
  it('takes the dose, as often as it was mixed, and says how strong it was', async () => {
    const bottle = await create('stocks', {
      name: 'Tub of powder',
      kind: 'feed',
      goodsId: 'balanced-20',
      size: { measure: 'mass', amount: 100 },
      price: null,
      packs: 1,
    })
    const feeding = await create('feedings', {
      name: 'Feed',
      feedId: 'balanced-20',
      growthStageId: 'true-leaves',
      targetNMgPerL: 60,
      vessel: { name: 'jug', volumeL: 2 },
      batchId: null,
      toolId: null,
    })
    const given = await call('PUT', at('entries'), {
      version: 0,
      body: {
        name: 'Fed',
        kind: 'feed given',
        on: '2027-03-02',
        subjects: [{ what: 'feedings', id: feeding.id }],
        times: 3,
        to: 'Basil, two trays',
      },
    })
    // 60 mg/L in 2 L of a 20 % feed are 0.6 g, three times.
    expect(given.body.body.moves[0]).toMatchObject({ amount: expect.closeTo(-1.8, 9), unit: 'g' })
    expect(given.body.body.facts).toContainEqual({ what: 'Nitrogen', amount: 60, unit: 'mg/L' })
    expect(await packsOf(bottle.id)).toBeCloseTo(1 - 0.018, 6)
  })
})

describe('a pack', () => {
  it.each<[string, object, string]>([
    ['below nothing', { packs: -0.5 }, 'body.packs'],
    ['of something unknown', { goodsId: 'moon dust' }, 'body.goodsId'],
    ['of perlite, sold pressed', { size: { measure: 'pressed', amount: 10 } }, 'body.size.measure'],
    ['that holds nothing', { size: { measure: 'loose', amount: 0 } }, 'body.size.amount'],
  ])('%s is told at its field', async (_, wrong, field) => {
    const body = {
      name: 'Bag',
      kind: 'material',
      goodsId: 'perlite',
      size: { measure: 'loose', amount: 10 },
      price: null,
      packs: 1,
      ...wrong,
    }
    const refused = await call('PUT', at('stocks'), { version: 0, body })
    expect([refused.status, refused.body.errors[0].field]).toEqual([422, field])
  })

  it('cannot go below nothing in the database itself', async () => {
    const bag = await bagOf('perlite', 10, 1)
    await expect(
      database.query('update stock set packs = -1 where household_id = $1 and id = $2', [household, bag.id]),
    ).rejects.toThrow(/stock_packs/)
  })
})

describe('history', () => {
  it('keeps what each change replaced, newest first, and a restore is a change like any other', async () => {
    const body = (parts: number) => ({
      name: `Mix of ${parts}`,
      reasoning: '',
      parts: [{ materialId: 'coir', parts }],
      extras: [],
      preparations: [],
      worksIn: [],
      homeTests: [],
    })
    const { id } = await create('recipes', body(1))
    await call('PUT', at('recipes', id), { version: 1, body: body(2) })
    await call('PUT', at('recipes', id), { version: 2, body: body(3) })
    const { body: past } = await call('GET', `${at('recipes', id)}/history`)
    expect(past.map((one: { version: number; body: object }) => [one.version, one.body])).toEqual([
      [2, body(2)],
      [1, body(1)],
    ])
    const restored = await call('PUT', at('recipes', id), { version: 3, body: past[1].body })
    expect(restored.body).toMatchObject({ version: 4, body: body(1) })
    expect((await call('GET', `${at('recipes', id)}/history`)).body).toHaveLength(3)
  })
})
