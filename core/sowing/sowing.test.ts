import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { binomialDistribution } from 'simple-statistics'
import { given } from '../working/figure'
import { yours } from '../working/source'
import { coverOf, cropProblems } from './crop'
import { CROPS } from './crops'
import { daysToEmergence, EMERGENCE_DAYS } from './emergence'
import { agedGermination, binomialAtMost, cellsFor, chanceOfOne, clumpsFor, wilson } from './odds'

const share = (value: number) => given('g', value, 'share', yours())

describe('days to emergence (Harrington & Minges 1954, from memory)', () => {
  it('is the table at its own temperatures', () => {
    const at = (like: string, mixC: number) => daysToEmergence({ like, factor: 1 }, mixC)?.value
    expect(at('tomato', 10)).toBe(43)
    expect(at('lettuce', 25)).toBe(2)
    expect(at('okra', 35)).toBe(6)
    expect(at('pepper', 10)).toBeUndefined()
    expect(at('spinach', 35)).toBeUndefined()
  })

  it('runs evenly in rate between two columns: half way is the harmonic mean', () => {
    const half = (a: number, b: number) => 2 / (1 / a + 1 / b)
    expect(daysToEmergence({ like: 'tomato', factor: 1 }, 17.5)!.value).toBeCloseTo(half(14, 8), 10)
    expect(daysToEmergence({ like: 'celery', factor: 2 }, 12.5)!.value).toBeCloseTo(2 * half(16, 12), 10)
  })

  it('lies between its neighbours everywhere, and ends where the table ends', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...Object.keys(EMERGENCE_DAYS)),
        fc.double({ min: 10, max: 35, noNaN: true }),
        (like, mixC) => {
          const row = EMERGENCE_DAYS[like]!
          const [a, b] = [row[Math.floor((mixC - 10) / 5)], row[Math.ceil((mixC - 10) / 5)]]
          const days = daysToEmergence({ like, factor: 1 }, mixC)
          if (a == null || b == null) return days === null
          return days!.value >= Math.min(a, b) - 1e-9 && days!.value <= Math.max(a, b) + 1e-9
        },
      ),
    )
    expect(daysToEmergence({ like: 'tomato', factor: 1 }, 9.9)).toBeNull()
    expect(daysToEmergence({ like: 'tomato', factor: 1 }, 35.1)).toBeNull()
    expect(() => daysToEmergence({ like: 'moss', factor: 1 }, 20)).toThrow(/like/)
  })
})

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

describe('the book of crops', () => {
  it('holds at least sixty, every one of them plausible and with a source for each figure', () => {
    expect(CROPS.length).toBeGreaterThanOrEqual(60)
    expect(new Set(CROPS.map(({ id }) => id)).size).toBe(CROPS.length)
    for (const crop of CROPS) {
      expect([crop.name, cropProblems(crop)]).toEqual([crop.name, []])
      expect([crop.name, daysToEmergence(crop.emergence, crop.warmthC)]).not.toEqual([crop.name, null])
      for (const source of Object.values(crop.sources)) expect(source.cite).not.toBe('')
    }
  })

  it('keeps the order of the trade: weeks, burying, light, cold', () => {
    const crop = (id: string) => CROPS.find((one) => one.id === id)!
    expect(crop('pepper').weeks[0]).toBeGreaterThan(crop('tomato').weeks[0])
    expect([crop('tomato').buryStem, crop('pepper').buryStem, crop('cucumber').buryStem]).toEqual([
      true,
      false,
      false,
    ])
    expect(coverOf(crop('petunia'))).toMatch(/^pressed in/)
    expect(coverOf(crop('lettuce'))).toMatch(/vermiculite/)
    expect(crop('strawberry').treatment).toEqual({ kind: 'chill', days: 35 })
    expect(crop('basil').lowestNightC).toBeGreaterThanOrEqual(10)
  })
})
