import { describe, expect, it } from '@jest/globals'
import { given } from '../working/figure'
import { yours } from '../working/source'
import { chemistryOf, dosed, SALTS_LIMITS_MS_PER_CM } from './chemistry'
import type { Ingredient } from './ingredient'
import { BUILT_IN } from './materials'
import { materialById } from './test/material-by-id'
import { mixingLoss } from './mixing-loss'
import { sharesOf } from './ingredient'
import { STARTING_RECIPES } from './recipes'

const share = (value: number) => given('share', value, 'share', yours())
const mix = (parts: Record<string, number>): Ingredient[] => {
  const sum = Object.values(parts).reduce((a, b) => a + b, 0)
  return Object.entries(parts).map(([id, amount]) => ({
    material: materialById(id),
    share: share(amount / sum),
  }))
}
const NO_LOSS = given('no loss', 0, 'share', yours())

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

  const limed = (parts: Record<string, number>, id: string, gPerL: number) =>
    chemistryOf(mix(parts), NO_LOSS, [{ material: materialById(id), gPerL }])

  // Handbook (from memory): 3–5 g/L of dolomitic lime bring peat to 5.8; by hand, 4 g move 1.9 pH.
  it('lime moves peat as the handbook says, chalk is where it ends, and coir moves further for as much', () => {
    expect(limed({ peat: 1 }, 'dolomitic-lime', 4).ph.value).toBeCloseTo(5.8, 9)
    expect(limed({ peat: 1 }, 'dolomitic-lime', 2).ph.value).toBeCloseTo(3.9 + 0.95, 9)
    expect(limed({ peat: 1 }, 'dolomitic-lime', 40).ph.value).toBeCloseTo(8.3, 9)
    const moved = ({ ph, phWithoutLime }: ReturnType<typeof limed>) => ph.value - phWithoutLime.value
    expect(moved(limed({ coir: 1 }, 'dolomitic-lime', 0.4))).toBeGreaterThan(
      moved(limed({ peat: 1 }, 'dolomitic-lime', 0.4)),
    )
    expect(moved(limed({ peat: 1 }, 'gypsum', 4))).toBe(0)
    expect(moved(limed({ peat: 1 }, 'eggshell', 4))).toBeLessThan(0.5)
  })

  it('recipes that are shipped with lime come out where they should', () => {
    for (const { parts, extras, id } of STARTING_RECIPES.filter(({ extras: all }) => all.length)) {
      const ingredients = sharesOf(parts, BUILT_IN)
      const { ph, phWanted, limedGPerL } = chemistryOf(
        ingredients,
        mixingLoss(ingredients),
        dosed(extras, BUILT_IN),
      )
      if (limedGPerL.value < 0.5) continue
      expect({ id, low: ph.value >= phWanted[0], high: ph.value <= phWanted[1] }).toEqual({
        id,
        low: true,
        high: true,
      })
    }
  })

  // By hand: 4 g of a 5 % feed are 200 mg of nitrogen, half of it released; once, whatever mixing loses.
  it('granular feed gives what it holds, by the finished litre', () => {
    const with4 = chemistryOf(mix({ coir: 1, perlite: 1 }), given('loss', 0.1, 'share', yours()), [
      { material: materialById('granular-feed'), gPerL: 4 },
    ])
    const without = chemistryOf(mix({ coir: 1, perlite: 1 }), given('loss', 0.1, 'share', yours()))
    expect(with4.releasedMgPerL.value - without.releasedMgPerL.value).toBeCloseTo(100, 9)
    expect(with4.saltsMsPerCm.value).toBeGreaterThan(without.saltsMsPerCm.value)
  })

  it('wood fibre takes nitrogen up, a bagged mix brings 70–250 mg/L of its own (handbook)', () => {
    const of = (parts: Record<string, number>) => chemistryOf(mix(parts), NO_LOSS)
    expect(of({ castings: 1, 'wood-fibre': 1 }).releasedMgPerL.value).toBeLessThan(
      of({ castings: 1, perlite: 1 }).releasedMgPerL.value,
    )
    for (const id of ['potting-mix', 'seed-mix']) {
      const { starterMgPerL } = of({ [id]: 1 })
      expect(starterMgPerL.value).toBeGreaterThanOrEqual(70)
      expect(starterMgPerL.value).toBeLessThanOrEqual(250)
    }
  })

  it('wants more on loam, in proportion: 5.5–6.3 without, towards 6.0–6.8 (handbook)', () => {
    expect(chemistryOf(mix({ peat: 1 }), NO_LOSS).phWanted).toEqual([5.5, 6.3])
    expect(chemistryOf(mix({ loam: 1 }), NO_LOSS).phWanted).toEqual([6, 6.8])
    expect(chemistryOf(mix({ loam: 1, coir: 1 }), NO_LOSS).phWanted[0]).toBeCloseTo(5.75, 9)
  })

  it('finds compost above 30–40 % of a seed mix too salty for germination (handbook)', () => {
    const salts = (compost: number) =>
      chemistryOf(mix({ compost, peat: 100 - compost }), NO_LOSS).saltsMsPerCm.value
    expect(salts(45)).toBeGreaterThan(SALTS_LIMITS_MS_PER_CM.germination)
    expect(salts(20)).toBeLessThan(SALTS_LIMITS_MS_PER_CM.germination)
  })
})
