import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { FEEDS } from '../feed/feeds'
import { DEFAULT_ALLOWANCES, plainBatch } from '../media/batch-request'
import { planBatch } from '../media/batch'
import { BUILT_IN, materialById } from '../media/materials'
import { CONTAINERS } from '../containers/catalogue'
import { costOf } from './cost'
import { drawFrom, fullAndOpen, onShelves, type Shelf } from './draw'
import { packHolds, packProblems, type Goods } from './goods'
import { shoppingList } from './list'
import { addUp, needsOfBatch } from './needs'
import { cheapestPacks, type Offer } from './shopping'

const of = (id: string): Goods => ({ kind: 'material', material: materialById(id) })
const feed = (form: 'powder' | 'liquid'): Goods => ({
  kind: 'feed',
  feed: { ...FEEDS.find((one) => one.form === form)!, densityGPerMl: form === 'liquid' ? 1.15 : 0.95 },
})

describe('a pack', () => {
  // NIST Handbook 44: 8 US dry quarts are 8.810 L; a 3.8 cu ft bale is 107.6 L pressed, 1.8–2.0 times that loosened.
  it.each<[string, Goods, Parameters<typeof packHolds>[0], number, string]>([
    ['8 dry quarts', of('potting-mix'), { measure: 'loose', amount: 8 * 1.101220942715 }, 8.81, 'L'],
    ['a bale', of('peat'), { measure: 'pressed', amount: 3.8 * 28.316846592 }, 107.6 * 1.9, 'L'],
    ['a 650 g brick, 13 L a kilogram', of('coir'), { measure: 'mass', amount: 650 }, 8.45, 'L'],
    ['a sack of sand at 1550 g/L', of('sand'), { measure: 'mass', amount: 31_000 }, 20, 'L'],
    ['2 L of lime at 1400 g/L', of('dolomitic-lime'), { measure: 'loose', amount: 2 }, 2800, 'g'],
    ['a kilogram of powder', feed('powder'), { measure: 'mass', amount: 1000 }, 1000, 'g'],
    ['a litre of powder', feed('powder'), { measure: 'loose', amount: 1 }, 950, 'g'],
    ['a bottle', feed('liquid'), { measure: 'loose', amount: 0.5 }, 500, 'mL'],
    ['a bottle by weight', feed('liquid'), { measure: 'mass', amount: 1150 }, 1000, 'mL'],
  ])('of %s', (_, goods, size, holds, unit) => {
    const figure = packHolds(size, goods)
    expect(figure.value / holds).toBeCloseTo(1, 3)
    expect(figure.unit).toBe(unit)
  })

  it('is pressed for peat only, and holds something', () => {
    expect(packProblems({ measure: 'pressed', amount: 100 }, of('perlite'))[0]!.path).toEqual(['measure'])
    expect(packProblems({ measure: 'mass', amount: 0 }, of('perlite'))[0]!.path).toEqual(['amount'])
    expect(packProblems({ measure: 'pressed', amount: 100 }, of('peat'))).toEqual([])
    expect(() => packHolds({ measure: 'pressed', amount: 1 }, of('sand'))).toThrow(/measure/)
  })
})

const offers = fc.array(
  fc.record({ holds: fc.integer({ min: 1, max: 40 }), price: fc.integer({ min: 0, max: 60 }) }),
  { minLength: 1, maxLength: 3 },
)
const named = (list: { holds: number; price: number }[]): Offer[] =>
  list.map((offer, i) => ({ id: `pack ${i}`, ...offer }))

describe('the cheapest whole packs', () => {
  it('are what trying every count finds', () => {
    fc.assert(
      fc.property(offers, fc.integer({ min: 1, max: 120 }), (list, need) => {
        let best = { cost: Infinity, holds: Infinity }
        const count = (i: number, cost: number, holds: number): void => {
          if (i === list.length) {
            if (holds >= need && (cost < best.cost || (cost === best.cost && holds < best.holds)))
              best = { cost, holds }
            return
          }
          const { holds: each, price } = list[i]!
          for (let n = 0; n * each < need + each; n++) count(i + 1, cost + n * price, holds + n * each)
        }
        count(0, 0, 0)
        const found = cheapestPacks(named(list), need)!
        expect([found.cost, found.holds]).toEqual([best.cost, best.holds])
        expect(found.leftover).toBe(best.holds - need)
      }),
      { numRuns: 150 },
    )
  }, 30_000)

  it('cost what HiGHS, an independent solver, finds', async () => {
    const { default: load } = await import('highs')
    const highs = await load()
    const packs = named([
      { holds: 10, price: 6.4 },
      { holds: 25, price: 13.2 },
      { holds: 70, price: 34.9 },
      { holds: 100, price: 47.5 },
    ])
    for (const need of [3, 48, 131, 377, 1000]) {
      const sum = (of: 'holds' | 'price') => packs.map((pack, i) => `${pack[of]} x${i}`).join(' + ')
      const names = packs.map((_, i) => `x${i}`).join(' ')
      const { ObjectiveValue } = highs.solve(
        `Minimize\n c: ${sum('price')}\nSubject To\n n: ${sum('holds')} >= ${need}\nGeneral\n ${names}\nEnd`,
      )
      expect(cheapestPacks(packs, need)!.cost).toBeCloseTo(ObjectiveValue, 6)
    }
  })

  it('leave least over where no price is known, and buy nothing for nothing', () => {
    const packs = [
      { id: 'small', holds: 8, price: null },
      { id: 'large', holds: 30, price: null },
    ]
    expect(cheapestPacks(packs, 38)).toEqual({
      packs: [
        { id: 'small', count: 1 },
        { id: 'large', count: 1 },
      ],
      cost: null,
      holds: 38,
      leftover: 0,
    })
    expect(cheapestPacks(packs, 0)!.packs).toEqual([])
    expect(cheapestPacks([], 5)).toBeNull()
  })
})

const shelves = fc
  .array(
    fc.record({
      holds: fc.integer({ min: 1, max: 100 }),
      packs: fc.double({ min: 0, max: 6, noNaN: true }),
    }),
    { minLength: 1, maxLength: 4 },
  )
  .map((list): Shelf[] => list.map((shelf, i) => ({ id: String(i), ...shelf })))

describe('drawing from the shelves', () => {
  it('takes what there is and no more, and says what is short', () => {
    fc.assert(
      fc.property(shelves, fc.double({ min: 0, max: 900, noNaN: true }), (list, amount) => {
        const { drawn, short } = drawFrom(list, amount)
        const taken = drawn.reduce((sum, one) => sum + one.amount, 0)
        expect(taken + short).toBeCloseTo(amount, 6)
        expect(short > 1e-6).toBe(amount > onShelves(list) + 1e-6)
        for (const one of drawn) {
          const shelf = list.find(({ id }) => id === one.id)!
          expect(one.packs).toBeLessThanOrEqual(shelf.packs + 1e-9)
          expect(one.amount).toBeCloseTo(one.packs * shelf.holds, 9)
        }
      }),
    )
  })

  it('finishes open packs before it opens another', () => {
    const list = [
      { id: 'bag', holds: 50, packs: 2 },
      { id: 'open bag', holds: 50, packs: 1.4 },
      { id: 'open sack', holds: 100, packs: 0.05 },
    ]
    expect(drawFrom(list, 20).drawn.map(({ id, amount }) => [id, Math.round(amount)])).toEqual([
      ['open sack', 5],
      ['open bag', 15],
    ])
    expect(() => drawFrom(list, -1)).toThrow(RangeError)
    expect(() => drawFrom([{ id: 'x', holds: 1, packs: -1 }], 1)).toThrow(RangeError)
  })

  it('a tenth ten times is a full pack', () => {
    const tenths = Array.from({ length: 10 }, () => 0.1).reduce((a, b) => a + b, 0)
    expect(fullAndOpen(tenths)).toEqual({ full: 1, open: 0 })
    expect(fullAndOpen(2.4).full).toBe(2)
    expect(fullAndOpen(2.4).open).toBeCloseTo(0.4, 9)
  })
})

const batch = planBatch({
  ...plainBatch(),
  parts: [
    { materialId: 'potting-mix', parts: 3 },
    { materialId: 'perlite', parts: 1 },
  ],
  fills: [
    {
      container: CONTAINERS.find(({ id }) => id === 'tray-72')!,
      count: 2,
      coverMm: 5,
      coverMaterialId: 'perlite',
    },
  ],
  extras: [
    { materialId: 'rock-dust', gPerL: 5 },
    { materialId: 'castings', gPerL: 42 },
  ],
  preparations: ['sieve'],
  allowances: DEFAULT_ALLOWANCES,
  scoop: { name: 'pot', volumeL: 0.5 },
  materials: BUILT_IN,
})

describe('what a batch takes', () => {
  const amounts = Object.fromEntries(addUp(needsOfBatch(batch)).map(({ id, amount }) => [id, amount]))

  it('is what goes onto the sieve, covers and extras included', () => {
    expect(amounts['potting-mix']).toBeCloseTo(batch.measures[0]!.looseL.value / 0.8, 9)
    expect(amounts.perlite).toBeCloseTo(batch.measures[1]!.looseL.value + batch.fills[0]!.coverL!.value, 9)
    expect(amounts['rock-dust']).toBeCloseTo(5 * batch.mixL.value, 9)
    // 42 g/L of castings at 420 g/L are a tenth of a litre.
    expect(amounts.castings).toBeCloseTo(0.1 * batch.mixL.value, 9)
  })

  it('costs what its litres cost, over litres and over plants', () => {
    const prices: Record<string, number> = { 'potting-mix': 0.5, perlite: 0.8 }
    const cost = costOf(batch, ({ id }) => prices[id] ?? null)!
    const expected = 0.5 * amounts['potting-mix']! + 0.8 * amounts.perlite!
    expect(cost.cost.value).toBeCloseTo(expected, 9)
    expect(cost.perL.value * batch.mixL.value).toBeCloseTo(expected, 9)
    expect(cost.perPlant.value * 144).toBeCloseTo(expected, 9)
    expect(cost.unpriced).toEqual(['rock-dust', 'castings'])
    expect(costOf(batch, () => null)).toBeNull()
  })

  it('is bought where the shelves fall short', () => {
    const [line] = shoppingList([
      {
        goods: 'perlite',
        amount: 26,
        shelves: [{ id: 'open', holds: 10, packs: 0.6 }],
        offers: [{ id: 'bag', holds: 10, price: 7 }],
      },
    ])
    expect(line).toMatchObject({ inStores: 6, short: 20, buy: { cost: 14, leftover: 0 } })
  })
})
