import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { BUILT_IN_FEEDS } from '../../feed/feeds'
import type { Need } from '../../supplies/needs'
import { given } from '../../working/figure'
import { yours } from '../../working/source'
import { addDays, dayFrom } from '../../calendar/day'
import { needsOfFeed, seedShort, shortFrom, type SeedUse } from './shopping'

const first = dayFrom('2027-03-01')
const need = (id: string, amount: number): Need => ({
  kind: 'material',
  id,
  amount: given('Wanted', amount, 'L', yours()),
})

describe('what a season runs short of', () => {
  const anyDated = fc.array(
    fc.record({
      on: fc.integer({ min: 0, max: 60 }).map((n) => addDays(first, n)),
      needs: fc.array(
        fc
          .tuple(fc.constantFrom('coir', 'perlite', 'castings'), fc.integer({ min: 1, max: 40 }))
          .map(([id, amount]) => need(id, amount)),
        { maxLength: 3 },
      ),
    }),
    { maxLength: 12 },
  )
  it('is short on the first day by which more was wanted than lies on the shelf, in whatever order it is asked', () => {
    fc.assert(
      fc.property(anyDated, fc.integer({ min: 0, max: 80 }), (dated, shelf) => {
        const short = shortFrom(dated, () => shelf)
        for (const id of ['coir', 'perlite', 'castings']) {
          const wantedBy = (n: number) =>
            dated
              .filter(({ on }) => on <= addDays(first, n))
              .flatMap(({ needs }) => needs.filter((one) => one.id === id))
              .reduce((sum, { amount }) => sum + amount.value, 0)
          const day = Array.from({ length: 61 }, (_, n) => n).find((n) => wantedBy(n) > shelf)
          expect(short.get(`material ${id}`)).toBe(day === undefined ? undefined : addDays(first, day))
        }
        expect(shortFrom([...dated].reverse(), () => shelf)).toEqual(short)
      }),
    )
  })
  it('a can of feed takes what the label says: 9 L at 100 mg/L from a 20-20-20 is 4.5 g', () => {
    const balanced = [...BUILT_IN_FEEDS.values()].find(
      ({ nPercent, form }) => form === 'powder' && nPercent === 20,
    )!
    const demand = { on: first, nMgPerL: 100, solutionL: 9 } as Parameters<typeof needsOfFeed>[0]
    const [powder] = needsOfFeed(demand, balanced).needs
    // mg/L N = g/L · %N · 10.
    expect(powder!.amount.value).toBeCloseTo((9 * 100) / (20 * 10), 9)
    expect(powder!.amount.unit).toBe('g')
  })
  it('seed is added up by packet over all sowings, one nobody counted is taken as enough', () => {
    const use = (from: string, seeds: number, there: number | null, days: number): SeedUse => ({
      from,
      name: from,
      seeds,
      there,
      on: addDays(first, days),
    })
    const short = seedShort([
      use('chard', 30, 50, 20),
      use('basil', 10, 0, 9),
      use('okra', 500, null, 1),
      use('chard', 30, 50, 6),
      use('fennel', 40, 40, 3),
    ])
    expect(short.map(({ from, seeds, on }) => [from, seeds, on])).toEqual([
      ['chard', 60, addDays(first, 6)],
      ['basil', 10, addDays(first, 9)],
    ])
  })
})
