import { describe, expect, it } from '@jest/globals'
import { call } from './calling'

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

  it('water, granular feed, packs, capacity, a stock, a ladder', async () => {
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
    const tools = [
      { name: 'syringe', kind: 'syringe', capacityMl: 10 },
      { name: 'scale', kind: 'kitchen scale', capacityMl: null },
    ]
    const dose = {
      stageId: 'true-leaves',
      targetNMgPerL: 20,
      vessel: { name: 'jug', volumeL: 1 },
      feed: BALANCED,
      tools,
    }
    expect((await ask('stock', dose)).body['stock']).not.toBeNull()
    const ladder = {
      name: 'x',
      feedId: 'balanced-20',
      appetite: 'medium',
      school: 'weak and often',
      plants: 10,
      rungs: [
        {
          stageId: 'true-leaves',
          days: 20,
          containerId: 'tray-72',
          recipeId: 'boiled-coir',
          nMgPerL: 60,
          everyDays: 3,
        },
      ],
    }
    expect(((await ask('programme', ladder)).body['events'] as object[]).length).toBeGreaterThan(3)
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
})
