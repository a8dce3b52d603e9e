import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { smallestShifts, type Standing } from './repair'

describe('the smallest set of shifts', () => {
  const standing = fc.record({
    start: fc.integer({ min: 0, max: 6 }),
    flats: fc.array(fc.integer({ min: 1, max: 3 }), { minLength: 2, maxLength: 4 }),
    earliest: fc.integer({ min: -3, max: 0 }),
    latest: fc.integer({ min: 0, max: 3 }),
  })
  const fits = (list: readonly Standing[], shifts: readonly number[], shelf: number) => {
    const load = new Map<number, number>()
    list.forEach(({ start, flats }, i) =>
      flats.forEach((n, j) => load.set(start + shifts[i]! + j, (load.get(start + shifts[i]! + j) ?? 0) + n)),
    )
    return [...load.values()].every((n) => n <= shelf)
  }
  /** Every combination of shifts. */
  function* everyShift(list: readonly Standing[], at = 0): Generator<number[]> {
    if (at === list.length) return void (yield [])
    for (let d = list[at]!.earliest; d <= list[at]!.latest; d++)
      for (const rest of everyShift(list, at + 1)) yield [d, ...rest]
  }

  it('is what trying everything finds: fewest sowings, then fewest days', () => {
    fc.assert(
      fc.property(
        fc.array(standing, { minLength: 1, maxLength: 4 }),
        fc.integer({ min: 2, max: 6 }),
        (list, shelf) => {
          const standings = list.map((one, i) => ({ ...one, id: String(i) }))
          let best: [number, number] | null = null
          for (const shifts of everyShift(standings)) {
            if (!fits(standings, shifts, shelf)) continue
            const cost: [number, number] = [
              shifts.filter(Boolean).length,
              shifts.reduce((sum, d) => sum + Math.abs(d), 0),
            ]
            if (!best || cost[0] < best[0] || (cost[0] === best[0] && cost[1] < best[1])) best = cost
          }
          const found = smallestShifts(standings, shelf)
          expect(found.whole).toBe(true)
          if (!best) return expect(found.shifts).toBeNull()
          const days = found.shifts!.reduce((sum, one) => sum + Math.abs(one.days), 0)
          expect([found.shifts!.length, days]).toEqual(best)
          const shifted = standings.map(({ id }) => found.shifts!.find((one) => one.id === id)?.days ?? 0)
          expect(fits(standings, shifted, shelf)).toBe(true)
        },
      ),
      { numRuns: 300 },
    )
  })
})
