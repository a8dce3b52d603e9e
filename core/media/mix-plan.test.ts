import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { planBatch } from './batch'
import { batchProblems } from './batch-request'
import { STARTING_RECIPES } from './recipes'
import { fill, request } from './test/fixture'

describe('extras, tubs and feel', () => {
  it('doses extras by the litre of mix, by weight and by the spoon', () => {
    const plan = planBatch(request({ extras: [{ materialId: 'dolomitic-lime', gPerL: 2 }] }))
    expect(plan.extras[0]!.massG.value).toBeCloseTo(plan.mixL.value * 2, 9)
    // 1400 g/L of lime
    expect(plan.extras[0]!.volumeMl.value).toBeCloseTo((plan.mixL.value * 2) / 1.4, 9)
  })

  it('splits what is larger than the tub into equal goes that fit', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 40 }),
        fc.double({ min: 5, max: 100, noNaN: true }),
        (trays, tubL) => {
          const plan = planBatch(request({ fills: [fill('tray-72', trays)], tubL }))
          const goes = plan.tubPlan?.tubs.value ?? 1
          expect(plan.ingredientsL.value / goes).toBeLessThanOrEqual(tubL * 0.6 + 1e-6)
          if (goes > 1) expect(plan.ingredientsL.value / (goes - 1)).toBeGreaterThan(tubL * 0.6 - 1e-6)
        },
      ),
    )
  })

  it('every starting recipe can be mixed, one for each family and more', () => {
    expect(STARTING_RECIPES.length).toBeGreaterThanOrEqual(9)
    for (const recipe of STARTING_RECIPES)
      expect([recipe.id, batchProblems(request(recipe))]).toEqual([recipe.id, []])
  })
})
