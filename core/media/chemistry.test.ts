import { describe, expect, it } from '@jest/globals'
import { given } from '../working/figure'
import { yours } from '../working/source'
import { chemistryOf, SALTS_LIMITS_MS_PER_CM } from './chemistry'
import type { Ingredient } from './container-physics'
import { materialById } from './materials'

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

  it('finds compost above 30–40 % of a seed mix too salty for germination (handbook)', () => {
    const salts = (compost: number) =>
      chemistryOf(mix({ compost, peat: 100 - compost }), NO_LOSS).saltsMsPerCm.value
    expect(salts(45)).toBeGreaterThan(SALTS_LIMITS_MS_PER_CM.germination)
    expect(salts(20)).toBeLessThan(SALTS_LIMITS_MS_PER_CM.germination)
  })
})
