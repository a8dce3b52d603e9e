import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { scheduleById, SCHEDULES } from './schedules'
import { daysByRoots, ROOTS } from './roots'

describe('what roots showed', () => {
  const { stages } = scheduleById('cell-pot')
  it('moves the next potting up: earlier where they circled, later where they were few, and the day out stays', () => {
    const after = (roots: (typeof ROOTS)[number]) => daysByRoots([20, 20, 10], stages, () => roots)
    expect(after('circling').days[0]).toBeLessThan(20)
    expect(after('few').days[0]).toBeGreaterThan(20)
    expect(after('holding')).toEqual({ days: [20, 20, 10], shifted: null })
  })
  it('never changes the whole, nor what was set by hand, whatever the schedule', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...SCHEDULES),
        fc.constantFrom(...ROOTS),
        fc.array(fc.integer({ min: 1, max: 60 }), { minLength: 5, maxLength: 5 }),
        fc.nat(3),
        (schedule, roots, some, fixed) => {
          const own = schedule.stages.map((stage, i) => (i === fixed ? { ...stage, days: some[i]! } : stage))
          const before = some.slice(0, own.length)
          const { days } = daysByRoots(before, own, () => roots)
          const sum = (list: readonly number[]) => list.reduce((a, b) => a + b, 0)
          expect(sum(days)).toBe(sum(before))
          expect(Math.min(...days)).toBeGreaterThanOrEqual(Math.min(...before, 5))
          if (fixed < own.length) expect(days[fixed]).toBe(before[fixed])
        },
      ),
    )
  })
})
