import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { CONTAINERS } from '../containers/catalogue'
import type { Container } from '../containers/container'
import { square } from '../containers/shape'
import { yours } from '../working/source'
import { blendOf } from './blend'
import { physicsIn } from './container-physics'
import { homeTestProblems, measuredBy, runOfWeights, runProblems, type HomeTest } from './home-test'
import { BUILT_IN, MATERIALS } from './materials'
import type { Part } from './recipe'

const column = (depthMm: number): Container => ({
  id: 'x',
  name: 'cut bottle',
  kind: 'pot',
  cells: 1,
  shape: square(90, 90, depthMm),
  sources: { cells: yours(), shape: yours(), measuredVolumeMl: yours() },
})
const parts: Part[] = [
  { materialId: 'coir', parts: 2 },
  { materialId: 'compost', parts: 1 },
  { materialId: 'perlite', parts: 1 },
]
const run = { volumeMl: 1000, heldMl: 30, pouredMl: 800, drainedMl: 140 }
const test = (over: Partial<HomeTest> = {}): HomeTest => ({ parts, depthMm: 120, runs: [run], ...over })

describe('a mix measured at home', () => {
  // By hand: (30 + 800) / 1000 pores, 140 / 1000 air, the rest water; a second run of 160 mL air lies 2 % of it apart.
  it('finds pores, air and water from three volumes, and how far its runs lie apart', () => {
    const one = measuredBy(test())
    expect([one.pores.value, one.air.value, one.water.value].map((x) => x.toFixed(3))).toEqual([
      '0.830',
      '0.140',
      '0.690',
    ])
    expect(one.spread).toBeNull()
    const two = measuredBy(test({ runs: [run, { ...run, drainedMl: 160 }] }))
    expect(two.air.value).toBeCloseTo(0.15, 12)
    expect(two.spread).toBeCloseTo(0.02, 12)
  })

  // By hand: 1050 − 50 holds 1000; 980 − 160 = 820 poured; 980 − 830 = 150 ran out.
  it('takes weights for volumes: a gram of water is a millilitre', () => {
    const weights = { emptyG: 50, waterG: 1050, filledG: 160, floodedG: 980, drainedG: 830 }
    expect(runOfWeights(weights, 0)).toEqual({ volumeMl: 1000, heldMl: 0, pouredMl: 820, drainedMl: 150 })
  })

  it('is used from then on: whatever was found in a column is what the mix does in that column', () => {
    const media = MATERIALS.filter(({ kind }) => kind === 'medium').map(({ id }) => id)
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.constantFrom(...media), { minLength: 1, maxLength: 4 }),
        fc.integer({ min: 40, max: 200 }),
        fc.double({ min: 0.85, max: 1.1, noNaN: true }),
        fc.double({ min: 0.5, max: 2, noNaN: true }),
        (ids, depthMm, holds, drains) => {
          const mix = ids.map((materialId) => ({ materialId, parts: 1 }))
          // A household whose mix holds and drains otherwise than the book says.
          const book = blendOf(mix, BUILT_IN)
          const deeper = physicsIn(column(depthMm * drains), book)
          const pores = Math.min(0.97, deeper.totalPorosity.value * holds)
          const water = (deeper.containerCapacity.value * pores) / deeper.totalPorosity.value
          const seen = {
            volumeMl: 1000,
            heldMl: 0,
            pouredMl: 1000 * pores,
            drainedMl: 1000 * (pores - water),
          }
          fc.pre(runProblems(seen).length === 0)
          const mine = blendOf(mix, BUILT_IN, [{ parts: mix, depthMm, runs: [seen] }])
          const found = physicsIn(column(depthMm), mine)
          expect(found.totalPorosity.value).toBeCloseTo(pores, 6)
          expect(found.airSpace.value).toBeCloseTo(pores - water, 4)
        },
      ),
      { numRuns: 60 },
    )
  })

  it('moves the air of every container the same way, and of no other mix', () => {
    const tests = [test({ runs: [{ ...run, drainedMl: 260 }] })]
    const other = parts.map((part, i) => (i === 0 ? { ...part, parts: 3 } : part))
    const doubled = parts.map((part) => ({ ...part, parts: part.parts * 2 }))
    for (const container of CONTAINERS.filter(({ kind }) => kind === 'pot')) {
      const air = (of: Part[], with_: HomeTest[]) =>
        physicsIn(container, blendOf(of, BUILT_IN, with_)).airSpace.value
      expect(air(parts, tests)).toBeGreaterThan(air(parts, []))
      expect(air(doubled, tests)).toBeCloseTo(air(parts, tests), 9)
      expect(air(other, tests)).toBe(air(other, []))
    }
  })

  it.each([
    ['more water than it holds', { pouredMl: 1100 }, 'pouredMl'],
    ['hardly any pores', { pouredMl: 90 }, 'pouredMl'],
    ['all of it ran out', { drainedMl: 830 }, 'drainedMl'],
    ['a pot of nothing', { volumeMl: 0 }, 'volumeMl'],
    ['less than dry', { heldMl: -1 }, 'heldMl'],
  ])('refuses %s at its field', (_, over, field) => {
    expect(runProblems({ ...run, ...over }).map(({ path }) => path[0])).toEqual([field])
    expect(homeTestProblems(test({ runs: [{ ...run, ...over }] }))[0]!.path).toEqual(['runs', 0, field])
  })
})
