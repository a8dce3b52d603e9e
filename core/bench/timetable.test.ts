import { describe, expect, it } from '@jest/globals'
import { planBatch } from '../media/batch'
import type { BatchRequest } from '../media/batch-request'
import { fine, layered } from '../media/test/fixture'
import { batchSteps } from './batch-steps'
import { timetable } from './timetable'

describe('the timetable', () => {
  const of = (over: Partial<BatchRequest>) => {
    const batch = layered(null, over)
    return timetable(batchSteps(planBatch(batch), batch)).map(({ step, startsMin }) => ({
      ...step,
      startsMin,
    }))
  }
  const coir = [
    { materialId: 'coir', parts: 2 },
    { materialId: 'perlite', parts: 1 },
  ]

  it('is ready in time: each step is over, waits included, before the next begins', () => {
    for (const preparations of [[], ['hot water'], ['sieve', 'moisten', 'hot water']] as const) {
      const list = of({ parts: coir, preparations: [...preparations] })
      list.slice(1).forEach((next, i) => {
        const step = list[i]!
        expect(step.startsMin + (step.workMinutes ?? 15) + (step.waitMinutes ?? 0)).toBeLessThanOrEqual(
          next.startsMin,
        )
      })
      expect(list.find(({ id }) => id.startsWith('fill'))!.startsMin).toBe(0)
    }
  })

  it('soaks on the evening before, twelve hours ahead and more', () => {
    expect(of({ parts: coir })[0]).toMatchObject({ id: 'soak-coir' })
    expect(of({ parts: coir })[0]!.startsMin).toBeLessThanOrEqual(-12 * 60)
    expect(of({ parts: fine })[0]!.startsMin).toBeGreaterThan(-3 * 60)
  })
})
