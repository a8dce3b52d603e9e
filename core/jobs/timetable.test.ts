import { describe, expect, it } from '@jest/globals'
import { planBatch } from '../media/batch'
import type { BatchRequest } from '../media/batch-request'
import { fine, layered } from '../media/test/fixture'
import { batchSteps } from './batch-steps'
import { timetable, workLeft } from './timetable'

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

  it('soaks for as long as a brick takes, and only where something is soaked', () => {
    expect(of({ parts: coir })[0]).toMatchObject({ id: 'soak-coir', waitMinutes: 30 })
    expect(of({ parts: coir })[0]!.startsMin).toBeGreaterThan(-3 * 60)
    expect(of({ parts: fine }).some(({ id }) => id.startsWith('soak'))).toBe(false)
  })

  it('asks nobody out of bed: what would begin in the night is done on the evening before', () => {
    const batch = layered(null, { parts: coir, preparations: ['hot water', 'sieve'] })
    const steps = batchSteps(planBatch(batch), batch)
    for (let fillsAt = 6 * 60; fillsAt <= 20 * 60; fillsAt += 15)
      for (const { step, startsMin } of timetable(steps, fillsAt)) {
        if (startsMin >= 0) continue
        const clock = (fillsAt + startsMin + 3 * 1440) % 1440
        expect([step.id, fillsAt, clock >= 7 * 60 && clock < 21 * 60]).toEqual([step.id, fillsAt, true])
      }
  })

  it('what is left for the hands goes by the pace of earlier runs: 3 and 15 minutes allowed, twice as slow, are 36', () => {
    const [short, usual] = [{ workMinutes: 3, waitMinutes: 60 }, {}] as const
    const steps = [short, usual].map((one, i) => ({ id: `step-${i}`, kind: 'fill' as const, ...one }))
    expect(workLeft(steps, { mean: 2, n: 4 }).value * 60).toBeCloseTo(36, 9)
    const { working } = workLeft(steps, { mean: 1, n: 0 })
    expect(working).toMatchObject({ inputs: { p: { working: { source: { tag: 'default' } } } } })
  })
})
