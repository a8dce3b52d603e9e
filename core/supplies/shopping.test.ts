import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { cheapestPacks, type Offer } from './shopping'
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
