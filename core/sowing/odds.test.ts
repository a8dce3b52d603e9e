import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { binomialDistribution } from 'simple-statistics'
import { given } from '../working/figure'
import { yours } from '../working/source'
import {
  agedGermination,
  anyOf,
  binomialAtMost,
  cellsFor,
  chanceOfOne,
  clumpsFor,
  germinationSeen,
  plantsLikely,
  wilson,
} from './odds'

const share = (value: number) => given('g', value, 'share', yours())

describe('odds (binomial distribution)', () => {
  it('gives the worked chances of a cell', () => {
    expect(chanceOfOne(share(0.8), 2).value).toBeCloseTo(0.96, 10)
    expect(chanceOfOne(share(0.7), 3).value).toBeCloseTo(0.973, 10)
  })

  it.each([
    [0.8, 67],
    [0.96, 53],
    [0.7, 78],
    [0.91, 57],
  ])('asks for the cells that hold 48 plants at 95 %% with p = %s', (p, cells) => {
    expect(cellsFor(48, p, 0.95)).toBe(cells)
  })

  it('a count of cells tells of the germination that gives it; a full tray of several seeds tells of none', () => {
    // By hand: 96 % of cells of two seeds is 1 − √0.04 = 80 %.
    expect(germinationSeen(0.96, 2)).toBeCloseTo(0.8, 12)
    fc.assert(
      fc.property(fc.double({ min: 0.05, max: 0.9, noNaN: true }), fc.integer({ min: 1, max: 5 }), (g, k) => {
        expect(germinationSeen(anyOf(g, k), k)).toBeCloseTo(g, 6)
      }),
    )
    expect([germinationSeen(1, 2), germinationSeen(0, 1), germinationSeen(1, 1)]).toEqual([null, null, 1])
  })

  it('so many plants are likely from the fewest cells for them, and not one more', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 300 }),
        fc.double({ min: 0.2, max: 0.99, noNaN: true }),
        (plants, p) => {
          const likely = plantsLikely(cellsFor(plants, p, 0.9), p, 0.9)
          expect(likely).toBeGreaterThanOrEqual(plants)
          expect(plantsLikely(cellsFor(plants, p, 0.9) - 1, p, 0.9)).toBeLessThan(plants)
        },
      ),
    )
  })

  it('sums as a statistics library does', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 120 }),
        fc.double({ min: 0.05, max: 0.95, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (n, p, along) => {
          const k = Math.floor(along * n)
          const theirs = binomialDistribution(n, p)!
            .slice(0, k + 1)
            .reduce((sum, q) => sum + q, 0)
          expect(binomialAtMost(k, n, p)).toBeCloseTo(theirs, 3)
        },
      ),
      { numRuns: 60 },
    )
  })

  it('finds the fewest cells: one fewer is not enough', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 400 }),
        fc.double({ min: 0.1, max: 1, noNaN: true }),
        fc.double({ min: 0.5, max: 0.999, noNaN: true }),
        (plants, p, certainty) => {
          const cells = cellsFor(plants, p, certainty)
          const sure = (n: number) => 1 - binomialAtMost(plants - 1, n, p)
          return sure(cells) >= certainty && (cells === plants || sure(cells - 1) < certainty)
        },
      ),
    )
  })

  it('sows the fewest clumps that give so many seedlings: one clump less is not sure enough', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 400 }),
        fc.integer({ min: 1, max: 12 }),
        fc.double({ min: 0.2, max: 1, noNaN: true }),
        fc.double({ min: 0.5, max: 0.99, noNaN: true }),
        (plants, perCell, p, certainty) => {
          const sure = (clumps: number) => 1 - binomialAtMost(plants - 1, clumps * perCell, p)
          const clumps = clumpsFor(plants, perCell, p, certainty)
          expect(sure(clumps)).toBeGreaterThanOrEqual(certainty)
          if (clumps > 1) expect(sure(clumps - 1)).toBeLessThan(certainty)
        },
      ),
    )
  })

  it('refuses a chance of nothing, and more plants than a bench', () => {
    expect(() => cellsFor(10, 0, 0.9)).toThrow(/^p/)
    expect(() => cellsFor(90_000, 0.2, 0.9)).toThrow(/plants/)
    expect(() => cellsFor(10, 0.5, 1)).toThrow(/certainty/)
  })

  it('says how sure a count is (Wilson 1927): 18 of 24 is 55–88 %', () => {
    const { low, high } = wilson(18, 24)
    expect([Math.round(low * 100), Math.round(high * 100)]).toEqual([55, 88])
    expect(() => wilson(25, 24)).toThrow(/up/)
  })

  it('lets old seed fail, onions faster than tomatoes', () => {
    expect(agedGermination(share(0.8), 0, 'short').value).toBe(0.8)
    expect(agedGermination(share(0.8), 3, 'short').value).toBeLessThan(
      agedGermination(share(0.8), 3, 'medium').value,
    )
  })
})
