import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { given } from '../working/figure'
import { yours } from '../working/source'
import type { Feed } from './feed'
import { FEEDS } from './feeds'
import { readRate } from '../language/rule'
import { concentrationOf, spellings, strengthOfRate, waterToRescue } from './rate'

const feed = (id: string) => FEEDS.find((one) => one.id === id)!
const figure = (value: number, unit = '') => given('x', value, unit, yours())
const rate = (text: string, form: Feed['form'] = 'liquid', units: 'us' | 'metric' | 'imperial' = 'us') => {
  const read = readRate(text, form, units)
  if (!read.ok) throw new Error(read.message)
  return read.rate
}

describe('a rule in any spelling', () => {
  // mL of a liquid in a litre, by NIST Handbook 44 volumes.
  it.each([
    ['5 ml/l', 5],
    ['15 ml to 4.5 litres', 15 / 4.5],
    ['1 tbsp per gal', 14.78676478125 / 3.785411784],
    ['2 fl oz per gallon', 59.147059125 / 3.785411784],
    ['2 oz per gallon', 59.147059125 / 3.785411784],
    ['1 tsp in 2 gal', 4.92892159375 / 7.570823568],
    ['1/2 tsp/qt', 2.464460796875 / 0.946352946],
    ['1:200', 5],
    ['1 to 199', 5],
    ['1 in 500', 2],
    ['1 part to 15 parts of water', 1000 / 16],
    ['500:1', 2],
    ['500 to 1', 1000 / 501],
    ['1 T/gal', 14.78676478125 / 3.785411784],
    ['1 t/gal', 4.92892159375 / 3.785411784],
    ['2 T per gallon', (2 * 14.78676478125) / 3.785411784],
    ['1 tbsp in a gallon of water', 14.78676478125 / 3.785411784],
    ['half a cup per 10 L', 11.829411825],
    ['1 tbsp to half gallon', 14.78676478125 / 1.892705892],
    ['15 ml to a 9 litre can', 15 / 9],
  ])('%s', (text, mlPerL) => {
    const liquid = { ...feed('liquid-5'), densityGPerMl: 1.2 }
    expect(concentrationOf(rate(text), liquid)!.value).toBeCloseTo(mlPerL * 1.2, 9)
  })

  it('knows the tools and vessels of the household by name, and asks where two could be meant', () => {
    const named = [
      { name: 'Cap of the blue bottle', volumeL: 0.012 },
      { name: 'Watering can', volumeL: 8 },
      { name: 'Small jug', volumeL: 1 },
      { name: 'Large jug', volumeL: 2 },
    ]
    const read = (text: string) => readRate(text, 'liquid', 'us', named)
    expect(read('half a cap per watering can')).toMatchObject({ ok: true, rate: { base: 0.006, perL: 8 } })
    expect(read('5 ml per large jug')).toMatchObject({ ok: true, rate: { base: 0.005, perL: 2 } })
    expect(read('5 ml per jug')).toMatchObject({ ok: false, message: expect.stringContaining('Which jug') })
    expect(read('1 glug per watering can')).toMatchObject({
      ok: false,
      message: expect.stringContaining('glug'),
    })
  })

  it('keeps the 75 rule: 1 oz of anything to 100 US gallons is 74.9 mg/L a hundred per cent (extension, from memory)', () => {
    const pure = { ...feed('balanced-20'), nPercent: 100, p2o5Percent: 0, k2oPercent: 0 }
    expect(strengthOfRate(rate('1 oz in 100 gal', 'powder'), pure)!.value).toBeCloseTo(74.9, 1)
  })

  it('reads shares of the label, strengths, and label numbers as what they are', () => {
    const balanced = feed('balanced-20')
    for (const [text, nMgPerL] of [
      ['full', 200],
      ['half', 100],
      ['a quarter', 50],
      ['1/4 strength', 50],
      ['a tenth of the label rate', 20],
      ['30 % of the label', 60],
      ['45%', 90],
      ['1/10', 20],
      ['a tenth to a fifth', 30],
      ['120 ppm N', 120],
      ['120 mg/L', 120],
    ] as const)
      expect(strengthOfRate(rate(text, 'powder'), balanced)!.value).toBeCloseTo(nMgPerL, 9)
    // "No stronger than 5-5-5" says nothing until it is diluted.
    const numbers = rate('no stronger than 5-5-5')
    expect(numbers).toEqual({ kind: 'label numbers', n: 5, p2o5: 5, k2o: 5 })
    expect(strengthOfRate(numbers, balanced)).toBeNull()
    expect(strengthOfRate(rate('half'), { ...balanced, labelRatePerL: null })).toBeNull()
  })

  it('keeps the two meanings of 1 : n apart: 6 % at 1 : 16', () => {
    const liquid = feed('liquid-5')
    const [within, to] = [
      strengthOfRate(rate('1:16'), liquid, 'in')!,
      strengthOfRate(rate('1:16'), liquid, 'to')!,
    ]
    expect(within.value / to.value).toBeCloseTo(17 / 16, 9)
  })

  it.each(['', 'some', '3 handfuls per gal', '5 ml per bucketful', '0 ml/l', '5 ml/0 l', '1:0', 'per gal'])(
    '%p is told, not guessed',
    (text) => {
      const read = readRate(text, 'liquid', 'metric')
      expect(read).toEqual({ ok: false, message: expect.stringMatching(/Write it like|^How/) })
    },
  )

  it('comes back: every spelling printed for a strength reads as that strength, within what a spoon can say', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...FEEDS.filter((one) => one.nPercent >= 2 && one.use !== 'mixed in')),
        fc.double({ min: 20, max: 300, noNaN: true }),
        (one, nMgPerL) => {
          for (const { id, text } of spellings(one, nMgPerL)) {
            const read = rate(text.replace(/US /g, '').replace('gallons', 'gal'), one.form)
            const back = strengthOfRate(read, one)!.value
            // Quarter spoons and fluid ounces round; grams, millilitres and ratios keep two figures and more.
            const tolerance = ['tsp', 'floz'].includes(id) ? 0.126 : 0.06
            expect(Math.abs(back / nMgPerL - 1)).toBeLessThan(tolerance)
          }
        },
      ),
    )
  })

  it('rescues what was mixed too strong: twice too strong wants as much water again', () => {
    expect(waterToRescue(figure(200), figure(2, 'L'), figure(100)).value).toBe(2)
    expect(waterToRescue(figure(80), figure(2, 'L'), figure(100)).value).toBe(0)
  })
})
