import { describe, expect, it } from '@jest/globals'
import { CONTAINERS } from '../containers/catalogue'
import { planBatch } from '../media/batch'
import { DEFAULT_ALLOWANCES, plainBatch, type BatchRequest } from '../media/batch-request'
import { BUILT_IN } from '../media/materials'
import { batchSteps } from './batch-steps'
import { timetable } from './timetable'

const pot = CONTAINERS.find(({ id }) => id === 'pot-10cm')!
const rich = [
  { materialId: 'potting-mix', parts: 2 },
  { materialId: 'perlite', parts: 1 },
]
const fine = [{ materialId: 'seed-mix', parts: 1 }]
const request = (over: Partial<BatchRequest> = {}): BatchRequest => ({
  ...plainBatch(),
  parts: fine,
  lowerParts: rich,
  fills: [{ container: pot, count: 10, coverMm: 0, coverMaterialId: 'mix', topMm: 20 }],
  allowances: DEFAULT_ALLOWANCES,
  scoop: { name: 'pot', volumeL: 0.5 },
  materials: BUILT_IN,
  ...over,
})
const layered = (topMm: number | null, over: Partial<BatchRequest> = {}) =>
  request({ ...over, fills: [{ ...request().fills[0]!, topMm }] })

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
