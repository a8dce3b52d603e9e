import { describe, expect, it } from '@jest/globals'
import { given } from '../working/figure'
import { yours } from '../working/source'
import { ecOfFeed } from './ec'
import { FEEDS } from './feeds'

const feed = (id: string) => FEEDS.find((one) => one.id === id)!
const figure = (value: number, unit = '') => given('x', value, unit, yours())

describe('salts of a feed', () => {
  it('come from the cations: 1 g/L of potassium nitrate is 9.77 meq of potassium, 0.98 mS/cm', () => {
    // K 38.2 % of the salt of that label: 46 % K2O · 0.8301 = 381.8 mg/L ÷ 39.098.
    expect(ecOfFeed(feed('potassium-nitrate'), figure(1, 'g/L')).value).toBeCloseTo(381.846 / 39.098 / 10, 4)
  })

  // By hand, 10 g/L of a 2-3-1 with 0.8 % chloride: K 83.01 mg / 39.098 + ammonium 0.15 · 200 mg / 14.007 + Cl 80 mg / 35.45.
  it('of an organic liquid count its potassium, its little ammonium, and its common salt', () => {
    const meq = 83.01 / 39.098 + 30 / 14.007 + 80 / 35.45
    expect(ecOfFeed(feed('fish-seaweed'), figure(10, 'g/L')).value).toBeCloseTo(meq / 10, 6)
    // Next to no nitrogen, yet salty: nothing may be computed from nitrogen alone.
    expect(ecOfFeed(feed('kelp'), figure(5.4, 'g/L')).value).toBeGreaterThan(0.2)
  })

  it('of urea are none, of the label’s slope what it says', () => {
    expect(ecOfFeed(feed('urea'), figure(1, 'g/L')).value).toBe(0)
    // 1 g/L of 20-20-20 is 200 mg/L at 0.4 mS/cm a hundred.
    expect(ecOfFeed(feed('balanced-20'), figure(1, 'g/L')).value).toBeCloseTo(0.8, 9)
  })
})
