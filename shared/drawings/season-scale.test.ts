import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { DateTime } from 'luxon'
import { addDays, dayAt, dayFrom } from '#core/calendar/day'
import { seasonScale } from './season-scale'

const start = fc.date({ min: new Date('2024-01-01'), max: new Date('2035-12-31'), noInvalidDate: true })
const day = dayAt

describe('the axis of a season', () => {
  it('marks the first of every month and every Monday, as a date library has them', () => {
    fc.assert(
      fc.property(start, fc.integer({ min: 10, max: 400 }), (at, days) => {
        const from = day(at)
        const { x, months, weeks, left, right } = seasonScale(from, days, 100, 1100)
        expect(months[0]!.day).toBe(from)
        for (const month of months.slice(1)) expect(DateTime.fromISO(month.day).day).toBe(1)
        const wholeMonths = Math.floor(
          DateTime.fromISO(addDays(from, days - 1))
            .startOf('month')
            .diff(DateTime.fromISO(from).startOf('month'), 'months').months,
        )
        expect(months).toHaveLength(wholeMonths + 1)
        const mondays = Array.from({ length: days }, (_, i) => addDays(from, i)).filter(
          (one) => DateTime.fromISO(one).weekday === 1,
        )
        expect(weeks).toEqual(mondays.map((one) => x(one)))
        expect(months.reduce((sum, { width }) => sum + width, 0)).toBeCloseTo(right - left, 6)
      }),
      { numRuns: 60 },
    )
  })

  it('reads a drag back in whole days', () => {
    fc.assert(
      fc.property(fc.integer({ min: -60, max: 60 }), fc.integer({ min: 60, max: 300 }), (moved, days) => {
        const scale = seasonScale(dayFrom('2027-02-01'), days, 0, 900)
        const px = scale.x(addDays(dayFrom('2027-02-01'), moved)) - scale.x(dayFrom('2027-02-01'))
        return Math.abs(scale.days(px) - moved) === 0
      }),
    )
  })
})
