import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { sourcesOf } from '../catalogue'
import { convert } from '../units/unit-table'
import { given } from '../working/figure'
import { yours } from '../working/source'
import { doseProblems, planDose, strengthAtLabelRate, strengthFromDose, type DoseRequest } from './dose'
import {
  CA_IN_CAO,
  elements,
  FEED_FIGURES,
  K_IN_K2O,
  MG_IN_MGO,
  P_IN_P2O5,
  type Feed,
  type FeedFigure,
} from './feed'
import { canMeasure, fairFrom, measureWith } from './measuring'
import { judge, STAGES, stageById } from './stage'
import { concentrationFor, massIn, ouncesPer100Gallons, ratioMlPerL, strengthOf } from './strength'
import { TOOL_KINDS, type Tool } from './tool'

const sources = sourcesOf(FEED_FIGURES, {} as Record<FeedFigure, unknown>, undefined, yours())
const powder = (n: number, p: number, k: number, over: Partial<Feed> = {}): Feed => ({
  id: 'feed',
  name: 'feed',
  form: 'powder',
  nPercent: n,
  p2o5Percent: p,
  k2oPercent: k,
  densityGPerMl: 0.95,
  labelRatePerL: null,
  organic: false,
  sources,
  ...over,
})
const amount = (value: number, unit: string) => given('given', value, unit, yours())
const teaspoon: Tool = { id: 't', name: 'teaspoon', kind: 'spoon', capacityMl: 5 }
const syringe: Tool = { id: 's', name: '10 mL syringe', kind: 'syringe', capacityMl: 10 }
const kitchen: Tool = { id: 'k', name: 'kitchen scale', kind: 'kitchen scale', capacityMl: null }
const pocket: Tool = { id: 'p', name: 'pocket scale', kind: 'pocket scale', capacityMl: null }
const request = (over: Partial<DoseRequest> = {}): DoseRequest => ({
  feed: powder(20, 20, 20),
  stageId: 'true-leaves',
  targetNMgPerL: 60,
  vessel: { name: 'blue jug', volumeL: 2 },
  tools: [teaspoon, kitchen],
  ...over,
})

describe('the label', () => {
  it('turns oxides into elements by IUPAC atomic masses (P 30.974, K 39.098, O 15.999, Ca 40.078, Mg 24.305)', () => {
    const O = 15.999
    expect(P_IN_P2O5).toBeCloseTo((2 * 30.974) / (2 * 30.974 + 5 * O), 4)
    expect(K_IN_K2O).toBeCloseTo((2 * 39.098) / (2 * 39.098 + O), 3)
    expect(CA_IN_CAO).toBeCloseTo(40.078 / (40.078 + O), 4)
    expect(MG_IN_MGO).toBeCloseTo(24.305 / (24.305 + O), 4)
  })

  it('gives 200 N, 87.3 P and 166.0 K mg/L for 1 g/L of 20-20-20', () => {
    const label = elements(powder(20, 20, 20))
    const strength = (percent: typeof label.n) => strengthOf('x', amount(1, 'g/L'), percent).value
    expect(strength(label.n)).toBeCloseTo(200, 9)
    expect(strength(label.p)).toBeCloseTo(87.3, 1)
    expect(strength(label.k)).toBeCloseTo(166.0, 1)
  })
})

describe('strength and dose', () => {
  it('keeps the growers’ 75 rule: 1 oz in 100 US gal is 74.9 mg/L per 100 % (extension literature, from memory)', () => {
    expect(strengthOf('x', ouncesPer100Gallons(amount(1, 'oz')), amount(100, '%')).value).toBeCloseTo(74.9, 1)
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

describe('the stages', () => {
  // Constant feed in plug culture, handbook values from memory.
  it.each([
    ['before-emergence', 25, 'none wanted'],
    ['before-emergence', 0, 'right'],
    ['seed-leaves', 24, 'weak'],
    ['seed-leaves', 50, 'right'],
    ['true-leaves', 76, 'strong'],
    ['growing-on', 125, 'right'],
    ['hardening', 100, 'strong'],
  ])('%s at %d mg/L: %s', (id, strength, verdict) => {
    expect(judge(strength, stageById(id))).toBe(verdict)
  })

  it('rise to potting up and fall back before planting out', () => {
    const highs = STAGES.map(({ highNMgPerL }) => highNMgPerL)
    expect(highs.slice(0, -1)).toEqual([...highs.slice(0, -1)].sort((a, b) => a - b))
    expect(highs.at(-1)).toBeLessThan(highs.at(-2)!)
  })
})

describe('measuring', () => {
  const dose = (grams: number) => ({ massG: amount(grams, 'g'), volumeMl: amount(grams / 0.95, 'mL') })

  it('rounds to the half spoon and states both errors', () => {
    // 10 g at 0.95 g/mL is 10.53 mL: two teaspoons of 5 mL are 10 mL, 5 % short, and a spoon strays 12.5 %
    const way = measureWith(teaspoon, dose(10))
    expect(way).toMatchObject({ fit: 'fair', fills: { value: 2 }, amount: { value: 10 } })
    expect(way.rounding.value).toBeCloseTo(-0.05, 9)
    expect(way.worst.value).toBeCloseTo(0.175, 9)
  })

  it('a quarter of a gram is beyond a spoon and a kitchen scale, not beyond a pocket scale from half a gram', () => {
    expect(measureWith(teaspoon, dose(0.25)).fit).toBe('too small')
    expect(measureWith(kitchen, dose(0.25)).fit).toBe('too small')
    expect(measureWith(pocket, dose(0.6)).fit).toBe('fair')
    expect(measureWith(teaspoon, dose(200)).fit).toBe('too many')
  })

  it('a syringe measures no powder, a jug measures no feed', () => {
    expect(canMeasure(syringe, { form: 'powder' })).toBe(false)
    expect(canMeasure(syringe, { form: 'liquid' })).toBe(true)
    expect(canMeasure({ ...syringe, kind: 'jug' }, { form: 'liquid' })).toBe(false)
  })

  it('never strays further than it says: the true strength of the rounded dose lies in the range', () => {
    const tool = fc
      .tuple(fc.constantFrom(...TOOL_KINDS), fc.double({ min: 0.5, max: 60, noNaN: true }))
      .map(([kind, capacityMl]): Tool => ({
        id: kind,
        name: kind,
        kind,
        capacityMl: /scale/.test(kind) ? null : capacityMl,
      }))
    fc.assert(
      fc.property(
        fc.array(tool, { minLength: 1, maxLength: 6 }),
        fc.double({ min: 5, max: 300, noNaN: true }),
        fc.double({ min: 0.2, max: 40, noNaN: true }),
        (tools, target, volumeL) => {
          const feed = powder(10, 5, 5)
          const vessel = { name: 'jug', volumeL }
          const plan = planDose(request({ feed, tools, targetNMgPerL: target, vessel }))
          for (const way of plan.ways.filter(({ fit }) => fit !== 'too small')) {
            const grams = way.tool.capacityMl === null ? way.amount.value : way.amount.value * 0.95
            const real = strengthFromDose(feed, grams, vessel).value
            expect(real).toBeGreaterThanOrEqual(way.strength.lowNMgPerL.value)
            expect(real).toBeLessThanOrEqual(way.strength.highNMgPerL.value)
            expect(grams).toBeGreaterThan(0)
            expect(fairFrom(way.tool)).toBeGreaterThan(0)
          }
          const fair = plan.ways.map(({ fit }) => fit === 'fair')
          expect(fair).toEqual([...fair].sort((a, b) => Number(b) - Number(a)))
        },
      ),
    )
  })

  it('advises a stock when the dose is below every tool, and the stock gives the wanted strength', () => {
    // 30 mg/L from 20 % N in 1 L is 0.15 g
    const plan = planDose(
      request({
        targetNMgPerL: 30,
        vessel: { name: 'jug', volumeL: 1 },
        tools: [teaspoon, kitchen, syringe],
      }),
    )
    expect(plan.massG.value).toBeCloseTo(0.15, 9)
    expect(plan.ways.every(({ fit }) => fit === 'too small')).toBe(true)
    const stock = plan.stock!
    const gramsDosed = (stock.dosing.amount.value / 1000) * stock.concentrationGPerL.value
    expect((gramsDosed * 20 * 10) / 1).toBeCloseTo(stock.strength.nMgPerL.value, 6)
    expect(stock.strength.nMgPerL.value / 30).toBeCloseTo(1, 1)
    expect(stock.concentrationGPerL.value).toBeLessThanOrEqual(100)
    expect(stock.making.fit).toBe('fair')
    expect(plan.cautions.map(({ id }) => id)).toContain('concentrates')
  })

  it('says which tool is missing when nothing reaches the dose', () => {
    const plan = planDose(
      request({ targetNMgPerL: 30, vessel: { name: 'jug', volumeL: 1 }, tools: [kitchen] }),
    )
    expect(plan.stock).toBeNull()
    expect(plan.noWay).toMatch(/pocket scale/)
    expect(planDose(request({ tools: [pocket] })).noWay).toBeNull()
  })

  it('warns above the label rate and of organic liquids', () => {
    const ids = (over: Partial<DoseRequest>) => planDose(request(over)).cautions.map(({ id }) => id)
    expect(ids({ feed: powder(20, 20, 20, { labelRatePerL: 0.25 }) })).toContain('aboveLabel')
    expect(ids({ feed: powder(20, 20, 20, { labelRatePerL: 0.5 }) })).not.toContain('aboveLabel')
    expect(ids({ feed: powder(2, 3, 1, { form: 'liquid', organic: true }) })).toContain('homeBrew')
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
    ['an unknown stage', { stageId: 'adult' }, 'stageId'],
    ['a spoon without size', { tools: [{ ...teaspoon, capacityMl: null }] }, 'tools.0.capacityMl'],
  ])('%s', (_, over, field) => {
    expect(doseProblems(request(over)).map(({ path }) => path.join('.'))).toContain(field)
    expect(() => planDose(request(over))).toThrow(RangeError)
  })
})
