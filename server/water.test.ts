import { randomUUID } from 'node:crypto'
import { beforeAll, describe, expect, it } from '@jest/globals'
import { gridFor } from '#core/trays/layout'
import { BUILT_IN_CONTAINERS } from '#core/containers/catalogue'
import { SEASON } from '#shared/test/season'
import { call } from './test/calling'

/* Groups and the water of trays against the real server and the real PostgreSQL. */

const household = randomUUID()
const at = (collection: string, id: string) => `/api/households/${household}/${collection}/${id}`
const today = new Date().toISOString().slice(0, 10)
const tray = randomUUID()
const batch = randomUUID()
const pack = randomUUID()

const entry = (over: object) => ({
  name: 'Weighed',
  kind: 'weighed',
  on: today,
  subjects: [{ what: 'trays', id: tray, stage: null }],
  ...over,
})
const weighed = (grams: number, more: object = {}) =>
  call('PUT', at('entries', randomUUID()), {
    version: 0,
    body: entry({ water: [{ trayId: tray, grams, moment: 'now', sdG: 2 }], ...more }),
  })

beforeAll(async () => {
  await call('PUT', `/api/households/${household}`, {
    version: 0,
    body: { name: 'Tests', units: 'metric', season: SEASON },
  })
  const grid = gridFor(BUILT_IN_CONTAINERS.get('tray-72')!, 72)
  await call('PUT', at('trays', tray), {
    version: 0,
    body: {
      name: '72-cell tray',
      containerId: 'tray-72',
      rows: grid.rows,
      columns: grid.columns,
      recipeId: 'lean-and-light',
      groups: [{ code: 'A', name: 'Okra', cropId: 'okra', seedsPerCell: 1 }],
      cells: Array(grid.rows * grid.columns).fill('A'),
    },
  })
  await call('PUT', at('batches', batch), {
    version: 0,
    body: {
      name: 'Ten litres',
      recipeId: null,
      parts: [
        { materialId: 'coir', parts: 1 },
        { materialId: 'perlite', parts: 1 },
      ],
      fills: [{ containerId: 'pot-10cm', count: 20, coverMm: 0, coverMaterialId: 'mix' }],
      allowances: { fill: 0.9, fillUnderCover: 0.75, blockCompression: 2, mixingLossK: 0.1, spare: 0.05 },
      scoop: { name: 'Pot', volumeL: 0.5 },
    },
  })
  await call('PUT', at('stocks', pack), {
    version: 0,
    body: {
      name: 'Perlite',
      kind: 'material',
      goodsId: 'perlite',
      size: { measure: 'loose', amount: 100 },
      price: null,
      packs: 1,
    },
  })
})

describe('a weight that is written down', () => {
  it('is kept, with its scale', async () => {
    const { status, body } = await weighed(2800)
    expect(status).toBe(200)
    expect(body.body.water[0]).toMatchObject({ trayId: tray, grams: 2800, moment: 'now', sdG: 2, how: null })
  })
  it.each([
    ['40 kg for a flat', () => weighed(40_000), 'body.water.0.grams', /far more than it can weigh/],
    ['a few grams', () => weighed(12), 'body.water.0.grams', /far less than its dry mix/],
    ['below nothing', () => weighed(-5), 'body.water.0.grams', /above 0/],
    ['a day to come', () => weighed(2800, { on: '2099-01-01' }), 'body.on', /in the future/],
    [
      'a tray it is not about',
      () => weighed(2800, { subjects: [{ what: 'trays', id: randomUUID(), stage: null }] }),
      null,
      /not known|Say which trays/,
    ],
  ])('%s is refused at its field, and nothing is written', async (_, write, field, words) => {
    const before = (await call('GET', `/api/households/${household}/entries?limit=200`)).body.length
    const { status, body } = await write()
    expect(status).toBe(422)
    expect(body.detail).toMatch(words)
    if (field)
      expect(body.errors.map((one: { field: string }) => one.field.replace(/\[(\d+)\]/g, '.$1'))).toContain(
        field,
      )
    expect((await call('GET', `/api/households/${household}/entries?limit=200`)).body).toHaveLength(before)
  })
})

describe('a run', () => {
  const group = (over: object = {}) => ({
    name: 'Mix',
    kind: 'mix',
    subjects: [{ what: 'batches', id: batch, stage: null }],
    onDay: today,
    ...over,
  })
  const mark = (step: string) => ({ id: randomUUID(), step, what: 'done', at: new Date().toISOString() })

  it('keeps the marks of two phones: the second is told, shown what stands, and joins', async () => {
    const id = randomUUID()
    await call('PUT', at('guidedJobs', id), { version: 0, body: group() })
    const [one, other] = [mark('measure'), mark('soak-coir')]
    const first = await call('PUT', at('guidedJobs', id), { version: 1, body: group({ marks: [one] }) })
    const second = await call('PUT', at('guidedJobs', id), { version: 1, body: group({ marks: [other] }) })
    expect([first.status, second.status]).toEqual([200, 409])
    const stands = second.body.current
    const joined = await call('PUT', at('guidedJobs', id), {
      version: stands.version,
      body: { ...stands.body, marks: [...stands.body.marks, other] },
    })
    expect(joined.body.body.marks.map(({ step }: { step: string }) => step)).toEqual(['measure', 'soak-coir'])
  })
  it('is about what is there, and of a kind that is known', async () => {
    const unknown = await call('PUT', at('guidedJobs', randomUUID()), {
      version: 0,
      body: group({ subjects: [{ what: 'batches', id: randomUUID(), stage: null }] }),
    })
    expect([unknown.status, unknown.body.errors[0].field]).toEqual([422, 'body.subjects[0].id'])
    expect(
      (await call('PUT', at('guidedJobs', randomUUID()), { version: 0, body: group({ kind: 'dance' }) }))
        .status,
    ).toBe(422)
    expect(
      (await call('PUT', at('guidedJobs', randomUUID()), { version: 0, body: group({ hands: 0 }) })).status,
    ).toBe(422)
  })
  it('that ends half way takes half from the supplies, and gives it back when it is taken back', async () => {
    const packs = async () => (await call('GET', at('stocks', pack))).body.body.packs
    const before = await packs()
    const id = randomUUID()
    const made = await call('PUT', at('entries', id), {
      version: 0,
      body: {
        name: 'Ten litres',
        kind: 'batch made',
        on: today,
        subjects: [{ what: 'batches', id: batch, stage: null }],
        actual: { share: 0.5, leftL: 1 },
      },
    })
    expect(made.status).toBe(200)
    const took = before - (await packs())
    const whole =
      made.body.body.facts.find(({ what }: { what: string }) => /perlite/i.test(what)).amount / 0.5
    expect(took * 100).toBeCloseTo(whole / 2, 3)
    await call('DELETE', `${at('entries', id)}?version=${made.body.version}`)
    expect(await packs()).toBeCloseTo(before, 6)
  })
})
