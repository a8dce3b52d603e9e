import { describe, expect, it } from '@jest/globals'
import { SEASON } from '#shared/test/season'
import { base, call } from './test/calling'
import { DEAREST, LEGAL_COMPUTATIONS } from './test/legal-computations'

/* The questions of Mix and Feed asked by a script; the expected figures are worked out by hand. */

interface Tabled {
  figures: { name: string; value: number; unit: string }[]
  [key: string]: unknown
}
const ask = async (what: string, body: object) => {
  const answer = await call('POST', `/api/compute/${what}`, body)
  return { status: answer.status, body: answer.body as Tabled & { errors: { field: string }[] } }
}
const valueAt = ({ figures }: Tabled, place: unknown) => figures[(place as { figure: number }).figure]!.value
const named = ({ figures }: Tabled, name: string) => figures.find((figure) => figure.name === name)!.value
const coir = [{ materialId: 'coir', parts: 1 }]
const BALANCED = {
  name: 'Powder',
  basedOn: null,
  form: 'powder',
  nPercent: 20,
  p2o5Percent: 20,
  k2oPercent: 20,
  densityGPerMl: 0.95,
  labelRatePerL: 1,
  organic: false,
}

describe('compute', () => {
  it('a mix: coir alone loses nothing; 4 g of lime bring peat to 5.8 (handbook); pressed, it weighs what went in', async () => {
    const plain = await ask('mix', { parts: coir, containerId: 'tray-72' })
    expect(plain.status).toBe(200)
    expect(named(plain.body, 'Mixing loss')).toBe(0)
    const { ph } = await ask('mix', {
      parts: [{ materialId: 'peat', parts: 1 }],
      extras: [{ materialId: 'dolomitic-lime', gPerL: 4 }],
      containerId: 'tray-72',
    }).then(({ body }) => ({ ph: valueAt(body, (body['chemistry'] as { ph: unknown }).ph) }))
    expect(ph).toBeCloseTo(5.8, 6)
    // 80 g/L of coir settle by a tenth and are pressed 2 : 1: 80 · 2 / 1.1.
    const block = await ask('mix', { parts: coir, containerId: 'block-2in' })
    const { dryBulkDensityGPerL } = block.body['physics'] as { dryBulkDensityGPerL: unknown }
    expect(valueAt(block.body, dryBulkDensityGPerL)).toBeCloseTo(160 / 1.1, 6)
  })

  it('a blend: 100 mg/L of nitrogen from 20-20-20 are half a gram in a litre', async () => {
    const kinds = { P: 'any', K: 'any', Ca: 'any', Mg: 'any' }
    const { body } = await ask('blend', {
      feeds: [BALANCED],
      wanted: { N: 100, P: 0, K: 0, Ca: 0, Mg: 0 },
      kinds,
    })
    expect((body['lines'] as { gPerL: number }[])[0]!.gPerL).toBeCloseTo(0.5, 4)
  })

  it('water, granular feed, packs, capacity, a stock, a schedule', async () => {
    // Half rain: (0.8 + 0.03) / 2 mS/cm.
    const water = await ask('water', { ecMsPerCm: 0.8, alkalinityMgPerL: 200, rainShare: 0.5 })
    expect(valueAt(water.body, water.body['ecMsPerCm'])).toBeCloseTo(0.415, 9)
    // 3 g a litre in a pot of 544.9 mL (prismatoid rule): 1.635 g.
    const granular = await ask('granular', { feed: BALANCED, gPerL: 3, containerId: 'pot-10cm' })
    expect(valueAt(granular.body, granular.body['perPotG'])).toBeCloseTo(1.635, 3)
    // 70 L: one of 50 and one of 20 for 14, less than two of 50 for 20 or four of 20 for 16.
    const offers = [
      { id: 'large', holds: 50, price: 10 },
      { id: 'small', holds: 20, price: 4 },
    ]
    const { purchase } = (await ask('shopping', { need: 70, offers })).body as unknown as {
      purchase: { cost: number; packs: object[] }
    }
    expect([purchase.cost, purchase.packs]).toEqual([
      14,
      [
        { id: 'large', count: 1 },
        { id: 'small', count: 1 },
      ],
    ])
    const batch = {
      parts: coir,
      fills: [{ containerId: 'pot-10cm', count: 1, coverMm: 0, coverMaterialId: 'mix' }],
      allowances: { fill: 1, fillUnderCover: 1, blockCompression: 2, mixingLossK: 0.1, spare: 0 },
      scoop: { name: 'pot', volumeL: 0.5 },
    }
    // A pot takes 0.5449 · 1.1 = 0.599 L of coir, which settles by a tenth: ten of them 5.99 L.
    const capacity = await ask('capacity', { batch, availableL: { coir: 6 } })
    expect(capacity.body).toEqual({ count: 10, limitedBy: 'coir' })
    const { stock, programme } = LEGAL_COMPUTATIONS
    expect((await ask('stock', stock!)).body['stock']).not.toBeNull()
    expect(((await ask('programme', programme!)).body['events'] as object[]).length).toBeGreaterThan(3)
  })

  it('the finder answers with a chance, and refuses what would take too long', async () => {
    const found = await ask('find', {
      materialIds: ['coir', 'perlite', 'castings'],
      containerId: 'tray-72',
      wants: { air: { low: 0.08 }, salts: { high: 1 } },
    })
    const best = found.body['best'] as { chance: number }[]
    expect(best[0]!.chance).toBeGreaterThan(0.8)
    const many = {
      materialIds: Array(20).fill('coir'),
      containerId: 'tray-72',
      wants: {},
      mostParts: 12,
      mostMaterials: 6,
    }
    const refused = await ask('find', many)
    expect([refused.status, refused.body.errors[0]!.field]).toEqual([422, 'materialIds'])
  })

  const asked = { season: SEASON, today: '2027-01-10' }
  const uuid = (n: number) => `7b1c0a30-0000-4000-8000-00000000000${n}`

  it('packing: five sowings of four cells are one 24-cell tray; one that wants the dark stands apart, and it says why', async () => {
    const share = (key: string, more: object = {}) => ({
      ...{ key, name: key, containerId: 'tray-24', recipeId: 'lean-and-light', on: '2027-03-20', cells: 4 },
      ...more,
    })
    const five = ['a', 'b', 'c', 'd'].map((key) => share(key, { light: 'wants light' }))
    const { body } = await ask('packing', { shares: [...five, share('e', { light: 'wants dark' })] })
    const placed = body.placed as {
      key: string
      trays: number
      freeCells: number
      sharedTray: string
      apart: object
    }[]
    const of = (key: string) => placed.find((one) => one.key === key)!
    expect([of('a').trays, of('a').freeCells, of('a').sharedTray]).toEqual([0.25, 8, 'a'])
    expect([of('e').trays, of('e').apart]).toEqual([1, { name: 'a', why: 'light and dark' }])
    const wrong = await ask('packing', { shares: [share('a', { containerId: 'bath' })] })
    expect([wrong.status, (wrong.body.errors as { field: string }[])[0]!.field]).toEqual([
      422,
      'shares[0].containerId',
    ])
  })

  it('odds: 48 plants at 80 % with 95 % certainty take 67 cells (binomial); 18 of 24 lie between 55 and 88 % (Wilson)', async () => {
    const { body } = await ask('odds', { plants: 48, germination: 0.8, certainty: 0.95, up: 18, of: 24 })
    expect(body['cells']).toBe(67)
    const { low, high } = body['interval'] as { low: number; high: number }
    expect([low, high].map((x) => Math.round(x * 100))).toEqual([55, 88])
    expect((await ask('odds', { plants: 4, germination: 0.8, up: 5, of: 4 })).status).toBe(422)
  })

  it('a wish: every word heard, none planned while one is open; a date in the order of the kitchen', async () => {
    const wish = async (text: string, more: object = {}) =>
      (await ask('wish', { text, ...asked, ...more })).body
    const open = await wish('12 eggplants by 29 May asap')
    expect([open['sowings'], (open['questions'] as { question: string }[])[0]!.question]).toEqual([
      [],
      expect.stringContaining('asap'),
    ])
    const [one] = (await wish('12 eggplants by 6/5', { units: 'us' }))['sowings'] as {
      outOn: string
      cropId: string
    }[]
    expect(one).toMatchObject({ cropId: 'aubergine', outOn: '2027-06-05' })
  })

  it('a sowing and a season: five sowings of one day share a tray, which is one flat; seasons are the same for a seed', async () => {
    const stages = [
      { kind: 'sow', containerId: 'tray-72', recipeId: 'lean-and-light', part: 1 },
      { kind: 'harden', containerId: null, recipeId: null, part: 0 },
    ]
    const sowings = ['tomato', 'tomatillo', 'cosmos', 'marigold', 'zinnia'].map((cropId, i) => ({
      id: uuid(i),
      sowing: { name: cropId, cropId, plants: 4, sowOn: '2027-03-20', stages },
    }))
    const alone = await ask('sowing', { ...asked, sowing: sowings[0]!.sowing })
    expect(alone.body['sowOn']).toBe('2027-03-20')
    const { body } = await ask('season', { ...asked, sowings })
    const planned = body['sowings'] as { stages: { trays: number; flats: number; looseL: number }[] }[]
    const sum = (of: (stage: (typeof planned)[number]['stages'][number]) => number) =>
      planned.reduce((total, { stages: [first] }) => total + of(first!), 0)
    expect([sum(({ trays }) => trays), sum(({ flats }) => flats)].map((x) => Number(x.toFixed(6)))).toEqual([
      1, 1,
    ])
    const [mix] = body['mixes'] as { looseL: number }[]
    expect(mix!.looseL).toBeCloseTo(
      sum(({ looseL }) => looseL),
      6,
    )
    const simulated = async (seed: number) =>
      (await ask('simulation', { ...asked, sowings, seasons: 50, seed })).body['chance']
    expect(await simulated(0.3)).toEqual(await simulated(0.3))
    expect(await simulated(0.3)).not.toEqual(await simulated(0.7))
    const unknown = await ask('sowing', { ...asked, sowing: { ...sowings[0]!.sowing, cropId: 'nothing' } })
    expect([unknown.status, unknown.body.errors[0]!.field]).toEqual([422, 'sowing.cropId'])
  })
})

describe('long work leaves the thread that answers requests', () => {
  const timing = async (name: string, body: object) => {
    const answer = await fetch(`${base}/api/compute/${name}`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
    })
    await answer.arrayBuffer()
    return [answer.status, /^thread;desc="[1-9]\d*"/.test(answer.headers.get('server-timing') ?? '')]
  }
  it.each(Object.entries({ ...LEGAL_COMPUTATIONS, ...DEAREST }))('%s', async (name, body) => {
    expect(await timing(name, body)).toEqual([200, true])
  })
  it('where too many wait, the next is told when to come back', async () => {
    const answers = await Promise.all(
      Array.from({ length: 60 }, () =>
        fetch(`${base}/api/compute/season`, {
          method: 'POST',
          headers: { 'content-type': 'application/json' },
          body: JSON.stringify(DEAREST.season),
          signal: AbortSignal.timeout(100_000),
        }).then(async (answer) => {
          await answer.arrayBuffer()
          return [answer.status, answer.headers.get('retry-after')] as const
        }),
      ),
    )
    const refused = answers.filter(([status]) => status === 503)
    expect(refused.length).toBeGreaterThan(10)
    expect(refused.every(([, after]) => Number(after) > 0)).toBe(true)
    expect(answers.every(([status]) => status === 200 || status === 503)).toBe(true)
  }, 120_000)
})
