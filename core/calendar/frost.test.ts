import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { addDays, dayFrom, daysBetween, type Day } from './day'
import { earliestOut, frostAfter, frostAtRisk, frostProblems, latestOut, seasonEnds } from './frost'
import { planSowing } from '../season/schedule/sowing'
import { ask, book, crop, frame, lastFrost } from '../season/test/fixture'

const nights = { coldestC: 8, warmestC: 20, coldestOn: dayFrom('2027-01-20') }
const frostFree = { ...frame, lastFrost: null, firstFrost: null, nights }

/** A night of the year, °C: one wave a year, as soil and air are described by [van Wijk 1963, from memory]. */
function nightOn({ coldestC, warmestC, coldestOn }: typeof nights, day: Day): number {
  const turn = (daysBetween(coldestOn, day) / 365.25) * 2 * Math.PI
  return (coldestC + warmestC) / 2 - ((warmestC - coldestC) / 2) * Math.cos(turn)
}

describe('the frost that is counted on', () => {
  // Tables of the normal distribution: z = 1.2816 leaves 10 % above it, 1.6449 leaves 5 %; beyond one sd lie 15.87 %.
  it.each([
    [0.1, 10, 13],
    [0.05, 10, 17],
    [0.5, 10, 0],
    [0.1, 20, 26],
  ])('at a risk of %d and a spread of %d days lies %d days after the average', (risk, spread, days) => {
    const frosts = { lastFrost, firstFrost: null, frostRisk: risk, frostSpreadDays: spread }
    expect(daysBetween(lastFrost, frostAtRisk(frosts))).toBe(days)
  })

  it('comes after a day one spread later in 15.87 % of springs', () => {
    const frosts = { ...frame, lastFrost, frostSpreadDays: 9 }
    expect(frostAfter(addDays(lastFrost, 9), frosts).value).toBeCloseTo(0.1587, 4)
    expect(frostAfter(lastFrost, frosts).value).toBeCloseTo(0.5, 6)
  })

  it('holds back what it harms, and no hardy crop', () => {
    const wary = { ...frame, frostSpreadDays: 20, frostRisk: 0.05 }
    expect(earliestOut(crop('tomato'), wary)).toBe(addDays(lastFrost, 33))
    expect(earliestOut(crop('cabbage'), wary)).toBe(earliestOut(crop('cabbage'), frame))
    expect(earliestOut(crop('cabbage'), wary)! < lastFrost).toBe(true)
  })
})

describe('where it never freezes', () => {
  it('lets out what the nights allow, on the first night warm enough, and the last', () => {
    fc.assert(
      fc.property(fc.integer({ min: -40, max: 240 }), (tenths) => {
        const one = { lowestNightC: tenths / 10, outAfterFrostWeeks: 2, weeksBeforeFrost: 0 }
        const first = earliestOut(one, frostFree)
        if (one.lowestNightC <= nights.coldestC) return expect(first).toBeNull()
        if (one.lowestNightC > nights.warmestC) return expect(first).toBe('never')
        const day = dayFrom(first!)
        // The warmest moment falls between two nights.
        expect(nightOn(nights, day)).toBeGreaterThanOrEqual(one.lowestNightC - 1e-3)
        expect(nightOn(nights, addDays(day, -1))).toBeLessThan(one.lowestNightC)
        expect(nightOn(nights, latestOut(one, frostFree)!)).toBeGreaterThanOrEqual(one.lowestNightC - 0.15)
      }),
    )
    expect([nightOn(nights, nights.coldestOn), nightOn(nights, dayFrom('2027-07-22'))]).toEqual([
      expect.closeTo(8, 1),
      expect.closeTo(20, 1),
    ])
  })

  it('plans every sowing, and says what nights still forbid', () => {
    const tomato = planSowing(ask('tomato'), frostFree, book)
    expect(nightOn(nights, tomato.outOn)).toBeGreaterThanOrEqual(crop('tomato').lowestNightC)
    expect(tomato.notices).toEqual([])
    const winter = planSowing(ask('tomato', { outOn: dayFrom('2027-02-01') }), frostFree, book)
    expect(winter.notices.map(({ kind }) => kind)).toEqual(['out while nights are too cold'])
    const { last, first } = seasonEnds(frostFree)
    expect(nightOn(nights, last)).toBeCloseTo(nightOn(nights, first), 1)
  })
})

it('both frosts are given or none, in their order', () => {
  expect(frostProblems(frame)).toEqual([])
  expect(frostProblems(frostFree)).toEqual([])
  const fields = (more: object) => frostProblems({ ...frame, ...more }).map(({ path }) => path.join('.'))
  expect(fields({ lastFrost: null })).toEqual(['lastFrost'])
  expect(fields({ lastFrost: null, firstFrost: null })).toEqual(['lastFrost'])
  expect(fields({ firstFrost: dayFrom('2027-04-01') })).toEqual(['firstFrost'])
  expect(fields({ frostRisk: 0.9, frostSpreadDays: 0 })).toEqual(['frostSpreadDays', 'frostRisk'])
})
