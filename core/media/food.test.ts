import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { given } from '../working/figure'
import { yours } from '../working/source'
import { daysOfFood, LONGEST_DAYS, type Appetite } from './food'

describe('days of food', () => {
  const days = (releasedMgPerL: number, cellMl: number, appetite: Appetite) =>
    daysOfFood(
      {
        releasedMgPerL: given('r', releasedMgPerL, 'mg/L', yours()),
        starterMgPerL: given('s', 0, 'mg/L', yours()),
      },
      given('v', cellMl, 'mL', yours()),
      appetite,
    ).value

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
