import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { addDays, dayFrom } from '../calendar/day'
import { crop, plan, ask, frame, book } from '../season/test/fixture'
import { planSowing } from '../season/schedule/sowing'
import { daysByWarmth, degreeDays, meanOf } from './warmth'
import { daysToEmergence } from './emergence'

describe('degree days by a single sine [Baskerville & Emin 1969]', () => {
  const degrees = fc.double({ min: -10, max: 40, noNaN: true })
  it('are the area of the sine over the base, summed up in small steps', () =>
    fc.assert(
      fc.property(degrees, degrees, fc.double({ min: 0, max: 20, noNaN: true }), (a, b, base) => {
        const [low, high] = [Math.min(a, b), Math.max(a, b)]
        const STEPS = 4000
        let sum = 0
        for (let i = 0; i < STEPS; i++) {
          const t = ((i + 0.5) / STEPS) * 2 * Math.PI
          sum += Math.max(0, (low + high) / 2 + ((high - low) / 2) * Math.sin(t) - base) / STEPS
        }
        expect(degreeDays(low, high, base)).toBeCloseTo(sum, 2)
      }),
    ))
  it('a day wholly over the base is its mean less the base; one wholly under it is nothing', () => {
    expect(degreeDays(12, 22, 10)).toBeCloseTo(7, 9)
    expect(degreeDays(2, 9, 10)).toBe(0)
    expect(degreeDays(20, 40, 10, 30)).toBeLessThan(degreeDays(20, 40, 10))
    expect(() => degreeDays(20, 10, 5)).toThrow(RangeError)
  })
  it('the mean of a day is that of its readings, else of low and high', () => {
    expect(meanOf({ on: dayFrom('2027-04-01'), lowC: 10, highC: 20, meanC: null })).toBe(15)
    expect(meanOf({ on: dayFrom('2027-04-01'), lowC: 10, highC: 20, meanC: 13 })).toBe(13)
  })
})

describe('days to come up by the warmth it had', () => {
  const sown = dayFrom('2027-04-01')
  const tomato = crop('tomato')
  const days = (temperatures: readonly number[]) =>
    daysByWarmth(
      tomato,
      daysToEmergence(tomato.emergence, 25)!,
      sown,
      new Map(temperatures.map((mixC, i) => [addDays(sown, i), mixC])),
    ).value
  // Tomato: 6 days at 25 °C, 8 at 20, 14 at 15 [Harrington & Minges 1954, from memory].
  it('by hand: four days at 20 °C are half of eight, then 14 days at 15 °C want seven more', () => {
    expect(days([20, 20, 20, 20, ...Array<number>(14).fill(15)])).toBeCloseTo(11, 6)
  })
  it('as measured all along it is the table’s, and as planned where nothing was measured', () => {
    expect(days(Array<number>(12).fill(20))).toBeCloseTo(8, 6)
    expect(days([])).toBeCloseTo(6, 6)
  })
  it('days too cold to come up do nothing', () => {
    expect(days([2, 2, 2, 2])).toBeCloseTo(10, 6)
  })
  it('a cold week makes a sowing late later, and a warm one sooner: it judges lateness', () => {
    const before = plan('tomato', { done: { 'stage-0': sown } })
    const with_ = (mixC: number) =>
      planSowing(
        ask('tomato', {
          done: { 'stage-0': sown },
          warmth: () => new Map(Array.from({ length: 30 }, (_, i) => [addDays(sown, i), mixC])),
        }),
        frame,
        book,
      )
    expect(with_(14).lateOn! > before.lateOn!).toBe(true)
    expect(with_(29).lateOn! <= before.lateOn!).toBe(true)
  })
})
