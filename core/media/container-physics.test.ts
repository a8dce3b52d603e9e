import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { CONTAINERS } from '../containers/catalogue'
import type { Container } from '../containers/container'
import { square } from '../containers/shape'
import { given } from '../working/figure'
import { yours } from '../working/source'
import { columnDepthMm, levels, physicsIn, withDepth } from './container-physics'
import { waterAtHeight } from './blend'
import type { Ingredient } from './ingredient'
import { blend } from './test/fixture'
import { airWanted } from './air-wanted'
import { MATERIALS } from './materials'
import { materialById } from './test/material-by-id'
import { mixingLoss } from './mixing-loss'

const share = (value: number) => given('share', value, 'share', yours())
const mix = (parts: Record<string, number>): Ingredient[] => {
  const sum = Object.values(parts).reduce((a, b) => a + b, 0)
  return Object.entries(parts).map(([id, amount]) => ({
    material: materialById(id),
    share: share(amount / sum),
  }))
}
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

const airOf = (parts: Record<string, number>, depthCm: number) =>
  physicsIn(straight(depthCm), blend(mix(parts))).airSpace.value

describe('air and water in the container', () => {
  // Fonteno, container tables, from memory: 1 peat : 1 vermiculite.
  it.each([
    [14, 0.2],
    [9.5, 0.13],
    [6, 0.08],
    [2.5, 0.025],
  ])('1 peat : 1 vermiculite %d cm deep holds about %d air', (depthCm, air) => {
    expect(Math.abs(airOf({ peat: 1, vermiculite: 1 }, depthCm) - air)).toBeLessThan(0.04)
  })

  // Cores of 7.6 cm and pots, all recalled from memory: bark with sand and bark with peat and sand (Bilderback & Fonteno, North
  // Carolina State substrate tables), peat with perlite or parboiled hulls (Evans & Gachukia 2004, 2007), coir (Evans,
  // Konduru & Stamps 1996), loam with peat and sand (Fonteno 1989).
  it.each<[string, Record<string, number>, number, number, number]>([
    ['4 bark : 1 sand', { bark: 4, sand: 1 }, 7.6, 0.12, 0.2],
    ['3 bark : 1 peat : 1 sand', { bark: 3, peat: 1, sand: 1 }, 14, 0.18, 0.26],
    ['4 peat : 1 perlite', { peat: 4, perlite: 1 }, 7.6, 0.1, 0.17],
    ['3 peat : 2 perlite', { peat: 3, perlite: 2 }, 7.6, 0.15, 0.24],
    ['4 peat : 1 hulls', { peat: 4, 'rice-hulls': 1 }, 7.6, 0.12, 0.2],
    ['coir', { coir: 1 }, 7.6, 0.09, 0.14],
    ['1 loam : 1 peat : 1 sand', { loam: 1, peat: 1, sand: 1 }, 14, 0.06, 0.12],
    ['1 loam : 1 peat : 1 sand', { loam: 1, peat: 1, sand: 1 }, 6, 0.01, 0.05],
  ])('%s, %o, %d cm deep, holds what was published', (_, parts, depthCm, low, high) => {
    expect(airOf(parts, depthCm)).toBeGreaterThanOrEqual(low)
    expect(airOf(parts, depthCm)).toBeLessThanOrEqual(high)
  })

  it('a fifth of what opens a mix never takes air from peat or coir, two fifths bring some', () => {
    for (const base of ['peat', 'coir'])
      for (const opener of ['perlite', 'rice-hulls', 'pumice', 'bark'])
        for (const depthCm of [2.5, 4.5, 6, 9.5, 14, 20, 30]) {
          const alone = airOf({ [base]: 1 }, depthCm)
          expect(airOf({ [base]: 4, [opener]: 1 }, depthCm)).toBeGreaterThan(alone - 0.01)
          expect(airOf({ [base]: 3, [opener]: 2 }, depthCm)).toBeGreaterThan(alone)
        }
  })

  it('nothing is lost where one material stands alone; 1 : 1 loses 10 %, 3 : 1 loses 7.5 %', () => {
    for (const { id } of MEDIA) expect(mixingLoss(mix({ [id]: 1 })).value).toBe(0)
    expect(mixingLoss(mix({ peat: 1, perlite: 1 })).value).toBeCloseTo(0.1, 12)
    expect(mixingLoss(mix({ peat: 3, perlite: 1 })).value).toBeCloseTo(0.075, 12)
    // By hand: 4 · 0.1 · (⅓·⅓·½ + ⅓·⅓·1 + ⅓·⅓·½) for coarseness 0, ½ and 1.
    expect(mixingLoss(mix({ peat: 1, vermiculite: 1, perlite: 1 })).value).toBeCloseTo((0.4 * 2) / 9, 12)
  })

  it('a pressed block holds the mass that went in, more water and less air, and never more than its pores', () => {
    fc.assert(
      fc.property(anyMix, fc.double({ min: 1.2, max: 3, noNaN: true }), (ingredients, press) => {
        const block = CONTAINERS.find(({ id }) => id === 'block-2in')!
        const loose = physicsIn({ ...block, kind: 'pot' }, blend(ingredients))
        const pressed = physicsIn(block, blend(ingredients), { press })
        expect(pressed.dryBulkDensityGPerL.value).toBeCloseTo(
          loose.dryBulkDensityGPerL.value * pressed.pressing.value,
          6,
        )
        expect(pressed.totalPorosity.value).toBeLessThanOrEqual(loose.totalPorosity.value + 1e-12)
        expect(pressed.containerCapacity.value).toBeLessThan(pressed.totalPorosity.value)
        expect(pressed.airSpace.value).toBeGreaterThan(0)
      }),
      { numRuns: 60 },
    )
  })

  it('agrees with fine slices, for any mix in any container', () => {
    fc.assert(
      fc.property(
        anyMix,
        fc.constantFrom(...CONTAINERS.filter(({ kind }) => kind !== 'block')),
        (ingredients, container) => {
          const { containerCapacity } = physicsIn(container, blend(ingredients))
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
            water += width(t) * waterAtHeight(blend(ingredients), (t * shape.depthMm) / 10)
            volume += width(t)
          }
          expect(containerCapacity.value).toBeCloseTo(water / volume, 2)
        },
      ),
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
          const physics = physicsIn(container, blend(ingredients))
          const { airSpace, containerCapacity, totalPorosity } = physics
          expect(airSpace.value + containerCapacity.value + (1 - totalPorosity.value)).toBeCloseTo(1, 12)
          for (const value of [airSpace.value, containerCapacity.value, totalPorosity.value]) {
            expect(value).toBeGreaterThanOrEqual(0)
            expect(value).toBeLessThanOrEqual(1)
          }
          const below = physicsIn(withDepth(container, container.shape.depthMm * deeper), blend(ingredients))
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

  // Fonteno and others, from memory: the range good mixes show by depth.
  it('wants air by the depth of the column, smoothly, a taper by where its mix stands', () => {
    const range = (depthMm: number) => Object.values(airWanted(depthMm))
    expect(range(25)).toEqual([0.02, 0.05])
    expect(range(60)).toEqual([0.05, 0.1])
    expect(range(100)).toEqual([0.1, 0.15])
    expect(range(150)).toEqual([0.15, 0.25])
    expect(range(400)).toEqual([0.15, 0.25])
    for (let mm = 1; mm < 300; mm++) {
      expect(airWanted(mm + 1).least).toBeGreaterThanOrEqual(airWanted(mm).least)
      expect(airWanted(mm + 1).least - airWanted(mm).least).toBeLessThan(0.003)
    }
    expect(columnDepthMm(square(50, 50, 80))).toBeCloseTo(80, 6)
    expect(columnDepthMm(square(60, 20, 80))).toBeGreaterThan(80)
  })

  it('ranks a shallow cell never above a deeper one, for any mix that is wanted in both', () => {
    const [shallow, deep] = ['tray-72', 'tray-24'].map((id) => CONTAINERS.find((one) => one.id === id)!)
    fc.assert(
      fc.property(anyMix, (ingredients) => {
        const enough = (container: Container) => {
          const { airSpace, airWanted: wanted } = physicsIn(container, blend(ingredients))
          return airSpace.value / wanted.least
        }
        expect(enough(shallow!)).toBeLessThan(enough(deep!) * 1.05)
      }),
      { numRuns: 60 },
    )
  })
})
