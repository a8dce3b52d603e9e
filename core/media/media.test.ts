import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { CONTAINERS } from '../containers/catalogue'
import type { Container } from '../containers/container'
import { square } from '../containers/shape'
import { gaussLegendre } from '../numeric/gauss-legendre'
import { given } from '../working/figure'
import { yours } from '../working/source'
import { chemistryOf, SALTS_LIMITS_MS_PER_CM } from './chemistry'
import {
  airWanted,
  blendWater,
  levels,
  physicsIn,
  porosityFromDensity,
  withDepth,
  type Ingredient,
} from './container-physics'
import { daysOfFood, LONGEST_DAYS, type Appetite } from './food'
import { materialProblems } from './material'
import { MATERIALS, materialById } from './materials'
import { mixingLoss } from './mixing-loss'
import { fitRetention, retentionOf, SUCTIONS_CM, waterAt } from './retention'

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

describe('materials', () => {
  it('are at least 24, named once, possible, sourced, packed', () => {
    expect(MATERIALS.length).toBeGreaterThanOrEqual(24)
    expect(new Set(MATERIALS.map(({ name }) => name)).size).toBe(MATERIALS.length)
    for (const material of MATERIALS) {
      expect([material.id, materialProblems(material)]).toEqual([material.id, []])
      expect(
        material.packs.length * material.sustainability.length * Object.keys(material.sources).length,
      ).toBeGreaterThan(0)
    }
  })

  it('a material that holds more water when drier is refused at the field', () => {
    const fields = (over: object) =>
      materialProblems({ ...materialById('coir'), ...over }).map(({ path }) => path[0])
    expect(fields({ theta10: 0.96 })).toContain('theta10')
    expect(fields({ theta100: 0.5 })).toEqual(['theta100'])
    expect(fields({ dryBulkDensityGPerL: 0 })).toEqual(['dryBulkDensityGPerL'])
  })
})

describe('the retention curve', () => {
  it.each(MATERIALS.map((material) => [material.name, material] as const))(
    'goes through the four points of %s within 0.004',
    (_, material) => {
      const measured = [material.theta0, material.theta10, material.theta50, material.theta100]
      const squares = SUCTIONS_CM.map(
        (suction, i) => (waterAt(retentionOf(material), suction) - measured[i]!) ** 2,
      )
      expect(Math.sqrt(squares.reduce((a, b) => a + b) / 4)).toBeLessThan(0.004)
    },
  )

  it('finds back the curve that made the points', () => {
    const curve = { thetaR: 0.2, thetaS: 0.9, alphaPerCm: 0.12, n: 1.8 }
    const points = SUCTIONS_CM.map((suction) => waterAt(curve, suction)) as [number, number, number, number]
    const fitted = fitRetention(points)
    for (const suction of [2, 5, 20, 70])
      expect(waterAt(fitted, suction)).toBeCloseTo(waterAt(curve, suction), 3)
  })

  it('falls with suction, for every material', () => {
    for (const material of MATERIALS)
      for (let suction = 1; suction < 100; suction += 3)
        expect(waterAt(retentionOf(material), suction)).toBeLessThanOrEqual(
          waterAt(retentionOf(material), suction - 1) + 1e-12,
        )
  })
})

describe('numerical integration', () => {
  it('is exact for polynomials up to 2·order − 1', () => {
    for (const order of [1, 2, 5, 12, 40]) {
      const { points, weights } = gaussLegendre(order)
      for (const degree of [0, 1, 2 * order - 1])
        expect(points.reduce((sum, x, i) => sum + weights[i]! * x ** degree, 0)).toBeCloseTo(
          1 / (degree + 1),
          12,
        )
    }
    expect(() => gaussLegendre(0)).toThrow(RangeError)
  })

  it('agrees with the closed form of a van Genuchten column with n = 2: ∫(1 + (αz)²)^−½ dz = asinh(αH)/α', () => {
    const [alpha, height] = [0.15, 14]
    const { points, weights } = gaussLegendre(12)
    const curve = { thetaR: 0.1, thetaS: 0.9, alphaPerCm: alpha, n: 2 }
    const mean = points.reduce((sum, t, i) => sum + weights[i]! * waterAt(curve, t * height), 0)
    expect(mean).toBeCloseTo(0.1 + (0.8 * Math.asinh(alpha * height)) / (alpha * height), 7)
  })
})

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

describe('chemistry', () => {
  it('lets peat rule the pH of peat and vermiculite, not their average', () => {
    const { ph } = chemistryOf(mix({ peat: 1, vermiculite: 1 }), NO_LOSS)
    expect(ph.value).toBeLessThan((3.9 + 7.2) / 2 - 1)
    expect(chemistryOf(mix({ coir: 1 }), NO_LOSS).ph.value).toBeCloseTo(6, 9)
  })

  it('limes peat with 3–5 g/L (handbook), coir with none', () => {
    expect(chemistryOf(mix({ peat: 1 }), NO_LOSS).limeGPerL.value).toBeGreaterThanOrEqual(3)
    expect(chemistryOf(mix({ peat: 1 }), NO_LOSS).limeGPerL.value).toBeLessThanOrEqual(5)
    expect(chemistryOf(mix({ coir: 3, perlite: 1 }), NO_LOSS).limeGPerL.value).toBe(0)
  })

  it('finds compost above 30–40 % of a seed mix too salty for germination (handbook)', () => {
    const salts = (compost: number) =>
      chemistryOf(mix({ compost, peat: 100 - compost }), NO_LOSS).saltsMsPerCm.value
    expect(salts(45)).toBeGreaterThan(SALTS_LIMITS_MS_PER_CM.germination)
    expect(salts(20)).toBeLessThan(SALTS_LIMITS_MS_PER_CM.germination)
  })
})

describe('days of food', () => {
  const days = (releasedMgPerL: number, cellMl: number, appetite: Appetite) =>
    daysOfFood(given('r', releasedMgPerL, 'mg/L', yours()), given('v', cellMl, 'mL', yours()), appetite).value

  it('a sterile mix is empty 5–10 days after emergence (common practice)', () => {
    expect(days(0, 45, 'medium')).toBeGreaterThanOrEqual(5)
    expect(days(0, 45, 'medium')).toBeLessThanOrEqual(10)
  })

  it('lasts longer in bigger cells and richer mixes, shorter for a bigger appetite', () => {
    const amount = fc.double({ min: 1, max: 800, noNaN: true })
    fc.assert(
      fc.property(amount, amount, fc.double({ min: 1, max: 3, noNaN: true }), (released, cell, more) => {
        const base = days(released, cell, 'medium')
        expect(days(released * more, cell, 'medium')).toBeGreaterThanOrEqual(base - 1e-6)
        expect(days(released, cell * more, 'medium')).toBeGreaterThanOrEqual(base - 1e-6)
        expect(base).toBeLessThanOrEqual(LONGEST_DAYS)
      }),
    )
  })
})
