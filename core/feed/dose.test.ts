import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { convert } from '../units/unit-table'
import { doseProblems, planDose, strengthAtLabelRate, strengthFromDose, type DoseRequest } from './dose'
import type { Feed } from './feed'
import { concentrationFor, massIn, ratioMlPerL, strengthOf } from './strength'
import { amount, powder, request, teaspoon } from './test/fixture'

describe('strength and dose', () => {
  it('keeps the growers’ 75 rule: 1 oz in 100 US gal is 74.9 mg/L per 100 % (extension literature, from memory)', () => {
    expect(strengthOf('x', amount(28.349523125 / 378.5411784, 'g/L'), amount(100, '%')).value).toBeCloseTo(
      74.9,
      1,
    )
  })

  it.each([
    // worked by hand: mg/L ÷ (% · 10) · 7.5708 L
    [100, 20, 3.785],
    [75, 12, 4.732],
  ])('%d mg/L of N from a feed of %d %% in 2 US gal takes %d g', (target, nPercent, grams) => {
    const volume = amount(convert(2, 'us-gal', 'L'), 'L')
    expect(massIn(concentrationFor(amount(target, 'mg/L'), amount(nPercent, '%')), volume).value).toBeCloseTo(
      grams,
      3,
    )
  })

  it('reads 2 fl oz of a 2-3-1 liquid of 1.15 g/mL in a US gallon as 359 mg/L', () => {
    const liquid = powder(2, 3, 1, { form: 'liquid', densityGPerMl: 1.15 })
    const vessel = { name: 'gallon can', volumeL: convert(1, 'us-gal', 'L') }
    expect(strengthFromDose(liquid, convert(2, 'us-floz', 'mL'), vessel).value).toBeCloseTo(359, 0)
  })

  it('keeps both meanings of 1 : n apart', () => {
    const mL = (n: number, meaning: 'in' | 'to', volumeL: number) =>
      ratioMlPerL(amount(n, ''), meaning).value * volumeL
    // 1 part in 500 of 4 US gal is 30.28 mL, 2.05 tablespoons; two tablespoons are 1 : 512
    expect(mL(500, 'in', convert(4, 'us-gal', 'L'))).toBeCloseTo(30.28, 2)
    expect(convert(mL(500, 'in', convert(4, 'us-gal', 'L')), 'mL', 'us-tbsp')).toBeCloseTo(2.05, 2)
    expect(convert(4, 'us-gal', 'us-tbsp') / 2).toBeCloseTo(512, 9)
    expect(mL(16, 'in', 1) / mL(16, 'to', 1)).toBeCloseTo(17 / 16, 12)
    expect(() => ratioMlPerL(amount(0.5, ''), 'in')).toThrow(RangeError)
  })

  it('comes back to the strength it started from, for any feed, vessel and form', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.5, max: 40, noNaN: true }),
        fc.double({ min: 1, max: 500, noNaN: true }),
        fc.double({ min: 0.1, max: 200, noNaN: true }),
        fc.constantFrom<Feed['form']>('powder', 'liquid'),
        fc.option(fc.double({ min: 0.3, max: 2, noNaN: true })),
        (n, target, volumeL, form, densityGPerMl) => {
          const feed = powder(n, 5, 5, { form, densityGPerMl })
          const vessel = { name: 'jug', volumeL }
          const plan = planDose(request({ feed, targetNMgPerL: target, vessel }))
          const measured = form === 'powder' ? plan.massG.value : plan.volumeMl.value
          expect(strengthFromDose(feed, measured, vessel).value / target).toBeCloseTo(1, 9)
          expect(plan.nMgPerL.value / target).toBeCloseTo(1, 9)
        },
      ),
    )
  })

  it('knows the strength at the label rate, for powders and liquids', () => {
    expect(strengthAtLabelRate(powder(20, 20, 20, { labelRatePerL: 1 }))!.value).toBeCloseTo(200, 9)
    expect(
      strengthAtLabelRate(powder(2, 3, 1, { form: 'liquid', densityGPerMl: 1.15, labelRatePerL: 10 }))!.value,
    ).toBeCloseTo(230, 9)
    expect(strengthAtLabelRate(powder(20, 20, 20))).toBeNull()
  })
})

describe('what cannot be dosed is named at its field', () => {
  it.each<[string, Partial<DoseRequest>, string]>([
    ['numbers above 100 together', { feed: powder(50, 40, 20) }, 'feed.nPercent'],
    ['a negative number', { feed: powder(5, -1, 5) }, 'feed.p2o5Percent'],
    ['a feed without nitrogen', { feed: powder(0, 10, 10) }, 'feed.nPercent'],
    ['a density of 0', { feed: powder(5, 5, 5, { densityGPerMl: 0 }) }, 'feed.densityGPerMl'],
    ['a jug of 0', { vessel: { name: 'jug', volumeL: 0 } }, 'vessel.volumeL'],
    ['no strength', { targetNMgPerL: 0 }, 'targetNMgPerL'],
    ['an unknown stage', { growthStageId: 'adult' }, 'growthStageId'],
    ['a spoon without size', { tools: [{ ...teaspoon, capacityMl: null }] }, 'tools.0.capacityMl'],
  ])('%s', (_, over, field) => {
    expect(doseProblems(request(over)).map(({ path }) => path.join('.'))).toContain(field)
    expect(() => planDose(request(over))).toThrow(RangeError)
  })
})
