import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { CONTAINERS } from '../containers/catalogue'
import type { Container } from '../containers/container'
import { square } from '../containers/shape'
import { given } from '../working/figure'
import { yours } from '../working/source'
import {
  airWanted,
  blendWater,
  levels,
  physicsIn,
  porosityFromDensity,
  withDepth,
  type Ingredient,
} from './container-physics'
import { materialById, MATERIALS } from './materials'
import { mixingLoss } from './mixing-loss'

const share = (value: number) => given('share', value, 'share', yours())
const mix = (parts: Record<string, number>): Ingredient[] => {
  const sum = Object.values(parts).reduce((a, b) => a + b, 0)
  return Object.entries(parts).map(([id, amount]) => ({
    material: materialById(id),
    share: share(amount / sum),
  }))
}
const NO_LOSS = given('no loss', 0, 'share', yours())
const straight = (depthCm: number): Container => ({
  id: 'x',
  name: 'straight pot',
  kind: 'pot',
  cells: 1,
  shape: square(100, 100, depthCm * 10),
  sources: { cells: yours(), shape: yours(), measuredVolumeMl: yours() },
})
const MEDIA = MATERIALS.filter(({ kind }) => kind === 'medium')
const anyMix = fc
  .uniqueArray(fc.tuple(fc.constantFrom(...MEDIA.map(({ id }) => id)), fc.integer({ min: 1, max: 12 })), {
    minLength: 1,
    maxLength: 6,
    selector: ([id]) => id,
  })
  .map((parts) => mix(Object.fromEntries(parts)))

describe('air and water in the container', () => {
  // Fonteno, handbook values from memory for 1 peat : 1 vermiculite, ±5 points.
  it.each([
    [14, 0.2],
    [9.5, 0.13],
    [6, 0.08],
    [2.5, 0.025],
  ])('1 peat : 1 vermiculite %d cm deep holds about %d air', (depthCm, air) => {
    const physics = physicsIn(straight(depthCm), mix({ peat: 1, vermiculite: 1 }), NO_LOSS)
    expect(Math.abs(physics.airSpace.value - air)).toBeLessThan(0.05)
  })

  it('agrees with fine slices, for any mix in any container', () => {
    fc.assert(
      fc.property(anyMix, fc.constantFrom(...CONTAINERS), (ingredients, container) => {
        const { containerCapacity } = physicsIn(container, ingredients)
        const loss = mixingLoss(ingredients).value
        const [materials, shares] = [
          ingredients.map(({ material }) => material),
          ingredients.map((one) => one.share.value),
        ]
        // A thousand slices, weighed by the plan area of a straight taper.
        let [water, volume] = [0, 0]
        const { shape } = container
        const width = (t: number) =>
          shape.form === 'round'
            ? (shape.baseDiameterMm + (shape.topDiameterMm - shape.baseDiameterMm) * t) ** 2
            : (shape.baseLengthMm + (shape.topLengthMm - shape.baseLengthMm) * t) *
              (shape.baseWidthMm + (shape.topWidthMm - shape.baseWidthMm) * t)
        for (let i = 0; i < 1000; i++) {
          const t = (i + 0.5) / 1000
          water += width(t) * blendWater(materials, shares, loss, (t * shape.depthMm) / 10)
          volume += width(t)
        }
        expect(containerCapacity.value).toBeCloseTo(water / volume, 2)
      }),
      { numRuns: 60 },
    )
  })

  it('air, water and solids make up the whole, and more depth never means less air', () => {
    fc.assert(
      fc.property(
        anyMix,
        fc.constantFrom(...CONTAINERS),
        fc.double({ min: 1, max: 4, noNaN: true }),
        (ingredients, container, deeper) => {
          const physics = physicsIn(container, ingredients)
          const { airSpace, containerCapacity, totalPorosity } = physics
          expect(airSpace.value + containerCapacity.value + (1 - totalPorosity.value)).toBeCloseTo(1, 12)
          for (const value of [airSpace.value, containerCapacity.value, totalPorosity.value]) {
            expect(value).toBeGreaterThanOrEqual(-1e-12)
            expect(value).toBeLessThanOrEqual(1)
          }
          const below = physicsIn(withDepth(container, container.shape.depthMm * deeper), ingredients)
          expect(below.airSpace.value).toBeGreaterThanOrEqual(airSpace.value - 1e-6)
        },
      ),
      { numRuns: 60 },
    )
  })

  it('weighs the levels to one', () => {
    for (const { shape } of CONTAINERS)
      expect(levels(shape).reduce((sum, level) => sum + level.share, 0)).toBeCloseTo(1, 12)
  })

  it('reckons pores by EN 13041: 90 % organic is 1617 kg/m³, at 100 kg/m³ 93.8 % pores', () => {
    const { particleDensityKgPerM3, pores } = porosityFromDensity(100, 0.9)
    expect(particleDensityKgPerM3).toBeCloseTo(1617, 0)
    expect(pores).toBeCloseTo(0.938, 3)
  })

  it('asks for less air in small cells', () => {
    expect([7, 45, 545].map((ml) => airWanted(ml).least)).toEqual([0.04, 0.08, 0.12])
  })
})
