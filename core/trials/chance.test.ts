import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import jstat from 'jstat'
import { cellsToTell, fisherExact, rankTest } from './chance'
import { dealt, judged, judgedDays, type Side } from './trial'

const counts = fc.tuple(fc.integer({ min: 1, max: 40 }), fc.integer({ min: 1, max: 40 })).chain(([n, m]) =>
  fc.record({
    one: fc.integer({ min: 0, max: n }).map((hits) => ({ hits, of: n })),
    other: fc.integer({ min: 0, max: m }).map((hits) => ({ hits, of: m })),
  }),
)

describe('Fisher’s exact test', () => {
  it('the lady who tasted tea: three of four right, p = 0.486 [Fisher 1935, The Design of Experiments]', () => {
    expect(fisherExact({ hits: 3, of: 4 }, { hits: 1, of: 4 })).toBeCloseTo(34 / 70, 6)
  })
  it('twins of convicted criminals: 10 of 13 against 2 of 17, p = 0.00054 [Fisher 1962; Agresti 1990, p. 61 f.]', () => {
    expect(fisherExact({ hits: 10, of: 13 }, { hits: 2, of: 17 })).toBeCloseTo(0.0005367, 6)
  })
  it('agrees with the hypergeometric distribution of another library, and does not care which side comes first', () =>
    fc.assert(
      fc.property(counts, ({ one, other }) => {
        const all = one.of + other.of
        const column = one.hits + other.hits
        const pdf = (k: number) => jstat.hypgeom.pdf(k, all, column, one.of)
        const here = pdf(one.hits)
        let sum = 0
        for (let k = Math.max(0, column - other.of); k <= Math.min(one.of, column); k++)
          if (pdf(k) <= here * (1 + 1e-6)) sum += pdf(k)
        const p = fisherExact(one, other)
        expect(p).toBeCloseTo(Math.min(1, sum), 6)
        expect(fisherExact(other, one)).toBeCloseTo(p, 9)
      }),
    ))
  it('refuses what cannot be counted', () => {
    expect(() => fisherExact({ hits: 5, of: 4 }, { hits: 1, of: 4 })).toThrow(RangeError)
    expect(() => fisherExact({ hits: 1.5, of: 4 }, { hits: 1, of: 4 })).toThrow(RangeError)
  })
})

describe('the rank test', () => {
  it('permeability of placentas: U = 35 of 10 and 5, p = 0.2544 [Hollander & Wolfe 1973, p. 69 f.]', () => {
    const term = [0.8, 0.83, 1.89, 1.04, 1.45, 1.38, 1.91, 1.64, 0.73, 1.46]
    const early = [1.15, 0.88, 0.9, 0.74, 1.21]
    const { u, p } = rankTest(term, early)
    expect(u).toBe(35)
    expect(p).toBeCloseTo(0.2544, 4)
  })
  // Critical values at one in twenty, two-sided [Mann & Whitney 1947; tables of U in handbooks of statistics].
  it.each([
    [5, 5, 2],
    [6, 8, 8],
    [8, 8, 13],
    [10, 10, 23],
  ])('of %i and %i the critical U is %i', (n, m, critical) => {
    // Lists with just that U: the first list's values lie below all but so many of the second's pairs.
    const withU = (u: number) => {
      const first = Array.from({ length: n }, (_, i) => i + 1)
      const second = Array.from({ length: m }, (_, i) => n + i + 1)
      // Raise the last of the first over the second, one pair at a time.
      let left = u
      for (let i = n - 1; i >= 0 && left > 0; i--) {
        const over = Math.min(left, m)
        first[i] = n + over + 0.5 + (n - 1 - i) * 0.001 * -1
        left -= over
      }
      return rankTest(first, second)
    }
    expect(withU(critical).u).toBe(critical)
    expect(withU(critical).p).toBeLessThanOrEqual(0.05)
    expect(withU(critical + 1).p).toBeGreaterThan(0.05)
  })
  it('of few, alike or not, is the share of all ways to deal them whose ranks lie as far apart', () =>
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 0, max: 4 }), { minLength: 1, maxLength: 5 }),
        fc.array(fc.integer({ min: 0, max: 4 }), { minLength: 1, maxLength: 5 }),
        (one, other) => {
          const all = [...one, ...other]
          /** By pairs, as Mann and Whitney count: half a win where they are alike. */
          const wins = (first: readonly number[], second: readonly number[]) =>
            first.reduce((n, x) => n + second.reduce((k, y) => k + (x > y ? 1 : x === y ? 0.5 : 0), 0), 0)
          const middle = (one.length * other.length) / 2
          const seen = Math.abs(wins(one, other) - middle)
          let [ways, far] = [0, 0]
          for (let mask = 0; mask < 2 ** all.length; mask++) {
            const first = all.filter((_, i) => mask & (1 << i))
            if (first.length !== one.length) continue
            ways++
            if (
              Math.abs(
                wins(
                  first,
                  all.filter((_, i) => !(mask & (1 << i))),
                ) - middle,
              ) >= seen
            )
              far++
          }
          const { u, p } = rankTest(one, other)
          expect(u).toBe(wins(one, other))
          expect(p).toBeCloseTo(far / ways, 12)
        },
      ),
    ))
  it('for many, with ties, comes close to the exact count of orders', () => {
    const one = Array.from({ length: 14 }, (_, i) => 6 + (i % 5))
    const other = Array.from({ length: 14 }, (_, i) => 7 + (i % 5))
    const { p } = rankTest(one, other)
    expect(p).toBeGreaterThan(0.04)
    expect(p).toBeLessThan(0.16)
    expect(rankTest(one, one).p).toBeCloseTo(1, 1)
    expect(rankTest([], one).p).toBe(1)
  })
})

describe('cells that would tell', () => {
  it('0.50 against 0.75 at a power of 0.90 takes 77 [Fleiss, Levin & Paik 2003; the uncorrected formula]', () => {
    expect(cellsToTell(0.5, 0.75, 0.9)).toBe(77)
  })
  it('by hand: 80 % from 60 %, four times in five, takes 82 a side', () => {
    // (1.95996·√(2·0.7·0.3) + 0.84162·√(0.16 + 0.24))² / 0.04 = 1.8025² / 0.04
    expect(cellsToTell(0.8, 0.6)).toBe(82)
    expect(cellsToTell(0.7, 0.7)).toBeNull()
  })
  it('so many cells do find it four times in five, in trials drawn by lot', () => {
    const n = cellsToTell(0.9, 0.6)!
    let state = 11
    const random = () => (state = (state * 16807) % 2147483647) / 2147483647
    const draw = (p: number) => ({
      hits: Array.from({ length: n }, random).filter((x) => x < p).length,
      of: n,
    })
    const found =
      Array.from({ length: 400 }, () => fisherExact(draw(0.9), draw(0.6)) < 0.05).filter(Boolean).length / 400
    // The exact test is a little shyer than the formula.
    expect(found).toBeGreaterThan(0.66)
    expect(found).toBeLessThan(0.92)
  })
})

describe('a trial', () => {
  const cells = fc.uniqueArray(fc.integer({ min: 0, max: 300 }), { minLength: 8, maxLength: 120 })
  it('deals every cell to one side, as evenly as they go, and the same lot deals the same', () =>
    fc.assert(
      fc.property(cells, fc.integer({ min: 2, max: 4 }), fc.nat(9_999_999), (all, sides, seed) => {
        const shares = dealt(all, sides, seed)
        expect([...shares.flat()].sort((a, b) => a - b)).toEqual([...all].sort((a, b) => a - b))
        const sizes = shares.map((share) => share.length)
        expect(Math.max(...sizes) - Math.min(...sizes)).toBeLessThanOrEqual(1)
        expect(dealt(all, sides, seed)).toEqual(shares)
      }),
    ))
  it('deals a corner to either side as often as to the other', () => {
    const tray = Array.from({ length: 72 }, (_, i) => i)
    const first = Array.from({ length: 1000 }, (_, seed) => dealt(tray, 2, seed)[0]!.includes(0)).filter(
      Boolean,
    ).length
    expect(first).toBeGreaterThan(430)
    expect(first).toBeLessThan(570)
  })
  /** A side whose cells lie in a tray both sides share. */
  const side = (name: string, hits: number, of: number, days: number[] = []): Side => ({
    ...ofTrays(name, [{ hits, of, days, trayId: 'shared' }]),
  })
  const ofTrays = (name: string, trays: Side['trays']): Side => ({
    code: name,
    name,
    hits: trays.reduce((sum, { hits }) => sum + hits, 0),
    of: trays.reduce((sum, { of }) => sum + of, 0),
    days: trays.flatMap(({ days }) => days),
    trays,
  })
  const dealtTrays = (name: string, hits: readonly number[], of: number) =>
    ofTrays(
      name,
      hits.map((each, i) => ({ hits: each, of, days: [], trayId: `${name} ${i}` })),
    )
  it('says what chance would do, and how many cells would settle it', () => {
    const close = judged(side('A', 20, 36), side('B', 26, 36))
    expect(close).toMatchObject({ differs: false, says: { kind: 'cells', more: { name: 'B' } } })
    expect(close.cells).toBeGreaterThan(36)
    const clear = judged(side('A', 10, 36), side('B', 33, 36))
    expect(clear.differs).toBe(true)
    expect(judged(side('A', 9, 12), side('B', 9, 12)).says.kind).toBe('alike')
    expect(judged(side('A', 0, 0), side('B', 9, 12)).p).toBeNull()
  })
  it('takes a whole tray that was dealt for one witness, however many cells it has', () => {
    // Cells by themselves would call 22 of 24 against 8 of 24 real; of two trays it is two trays' luck.
    const [one, other] = [dealtTrays('A', [22], 24), dealtTrays('B', [8], 24)]
    expect(judged(one, other)).toMatchObject({ p: 1, differs: false })
    expect(judged(one, other).says).toMatchObject({
      kind: 'trays',
      few: true,
      sides: [{ share: 22 / 24 }, {}],
    })
    // Every tray of one side above every tray of the other: 2 of the C(6, 3) = 20 and of the C(8, 4) = 70 ways to deal.
    const apart = (n: number) =>
      judged(dealtTrays('A', Array(n).fill(20), 24), dealtTrays('B', Array(n).fill(11), 24))
    expect([apart(3).p, apart(3).differs]).toEqual([2 / 20, false])
    expect([apart(4).p, apart(4).differs]).toEqual([2 / 70, true])
    expect(apart(4).says).toMatchObject({ few: false })
    expect(judged(dealtTrays('A', [0], 0), one).p).toBeNull()
  })
  it('says who was up sooner, and how sure that is', () => {
    const soon = judgedDays(
      side('A', 8, 8, [5, 5, 6, 6, 6, 7, 5, 6]),
      side('B', 8, 8, [9, 9, 10, 10, 11, 9, 10, 9]),
    )
    expect(soon?.says).toMatchObject({ sooner: 'A', later: 'B', apart: 3.5 })
    expect(soon?.differs).toBe(true)
    expect(judgedDays(side('A', 2, 8, [5, 5]), side('B', 8, 8, [9, 9, 9]))).toBeNull()
  })
})
