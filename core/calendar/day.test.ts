import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { DateTime } from 'luxon'
import { addDays, dayFrom, dayNumber, isDay } from './day'

describe('days', () => {
  const zones = ['UTC', 'Pacific/Auckland', 'America/New_York', 'Europe/Berlin', 'America/St_Johns']

  it('add up as a date library adds them, in any zone and over daylight saving', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 2024, max: 2040 }),
        fc.integer({ min: 1, max: 366 }),
        fc.integer({ min: -800, max: 800 }),
        fc.constantFrom(...zones),
        (year, ordinal, days, zone) => {
          const start = DateTime.fromObject({ year, ordinal: Math.min(ordinal, 365) }, { zone })
          expect(addDays(dayFrom(start.toISODate()!), days)).toBe(start.plus({ days }).toISODate())
        },
      ),
    )
  })

  it('know leap days', () => {
    expect(addDays(dayFrom('2028-02-28'), 1)).toBe(dayFrom('2028-02-29'))
    expect(addDays(dayFrom('2027-02-28'), 1)).toBe(dayFrom('2027-03-01'))
    expect([isDay('2028-02-29'), isDay('2027-02-29'), isDay('2027-13-01'), isDay('May')]).toEqual([
      true,
      false,
      false,
      false,
    ])
    expect(() => dayNumber(dayFrom('2027-02-29'))).toThrow(/calendar day/)
  })
})
