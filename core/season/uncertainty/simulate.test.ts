import { describe, expect, it } from '@jest/globals'
import { countsSeedlings } from '../../sowing/crop'
import { binomialAtMost } from '../../sowing/odds'
import { simulateSeasons, VARIATION } from './simulate'
import { planSowing } from '../schedule/sowing'
import type { SowingRequest } from '../schedule/sowing-request'
import { LOSSES } from '../../sowing/losses'
import { ask, book, crop, framed, plan } from '../test/fixture'

describe('simulated seasons', () => {
  const asSimulated = (cropId: string, more: Partial<SowingRequest> = {}) => ({
    id: cropId,
    plants: 48,
    clump: countsSeedlings(crop(cropId)),
    seedlings: crop(cropId).seedlings,
    planned: plan(cropId, more),
  })

  it.each([
    ['by the book', LOSSES, null],
    ['as this household loses them', 0.3, { share: 0.3, n: 200 }],
  ])(
    'reach the wanted plants as often as the integral over what is not known says, %s',
    (_, lost, losses) => {
      const one = asSimulated('tomato', { losses })
      const { germination, cells } = one.planned
      // Both shares as Beta, by the midpoint rule: an independent computation of the same chance.
      const beta = (mean: number, seen: number) => {
        const steps = Array.from({ length: 400 }, (_, i) => (i + 0.5) / 400)
        const density = steps.map((x) => x ** (mean * seen - 1) * (1 - x) ** ((1 - mean) * seen - 1))
        const whole = density.reduce((a, b) => a + b, 0)
        return steps.map((x, i) => [x, density[i]! / whole] as const)
      }
      let chance = 0
      for (const [g, wg] of beta(germination.value, VARIATION.germinationSeeds))
        for (const [l, wl] of beta(lost, VARIATION.lossPlants))
          chance += wg * wl * (1 - binomialAtMost(47, cells, (1 - (1 - g) ** one.planned.perCell) * (1 - l)))
      expect(simulateSeasons([one], 6000, 0.3).chance.tomato).toBeCloseTo(chance, 1)
    },
  )

  it('are the same for the same seed, and less hopeful all together', () => {
    const both = [asSimulated('tomato'), asSimulated('onion')]
    const once = simulateSeasons(both, 500, 0.7)
    expect(simulateSeasons(both, 500, 0.7)).toEqual(once)
    expect(once.chanceOfAll).toBeLessThanOrEqual(Math.min(...Object.values(once.chance)))
    expect(once.flats.nineTenths).toBeGreaterThanOrEqual(once.flats.half)
    for (const { half, nineTenths } of Object.values(once.litres))
      expect(nineTenths).toBeGreaterThanOrEqual(half)
  })

  it('are sure of what cannot fail, and hopeless where nothing comes up', () => {
    const sure = asSimulated('tomato', { germination: 1, seedsPerCell: 3, certainty: 0.999 })
    expect(simulateSeasons([sure], 500).chance.tomato).toBeGreaterThan(0.95)
    const cold = {
      id: 'x',
      plants: 48,
      clump: false,
      seedlings: 1,
      planned: planSowing(ask('aubergine'), framed({ heatC: null, dayC: 12, nightC: 12 }), book),
    }
    expect(simulateSeasons([cold], 100).chance.x).toBe(0)
  })
})
