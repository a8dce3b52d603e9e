import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { planDose, strengthFromDose, type DoseRequest } from './dose'
import { canMeasure, fairFrom, measureWith } from './measuring'
import { amount, units, pocket, powder, request, syringe, teaspoon } from './test/fixture'
import { TOOL_KINDS, type Tool } from './tool'

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
    // Half a half teaspoon by eye is 1.25 mL, 25 % either way: for 1.5 mL 17 + 25 = 42 % off, for 1 mL 25 + 25 = 50 %.
    expect(measureWith(teaspoon, dose(1.5 * 0.95))).toMatchObject({ fit: 'rough', amount: { value: 1.25 } })
    expect(measureWith(teaspoon, dose(1.5 * 0.95)).worst.value).toBeCloseTo(0.417, 3)
    expect(measureWith(teaspoon, dose(1.01 * 0.95)).fit).toBe('rough')
    expect(measureWith(teaspoon, dose(0.99 * 0.95)).fit).toBe('too small')
    expect(measureWith(units, dose(0.25)).fit).toBe('too small')
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
        tools: [teaspoon, units, syringe],
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
    expect(plan.cautions).toContain('concentrates')
  })

  it('says which tool is missing when nothing reaches the dose', () => {
    const plan = planDose(request({ targetNMgPerL: 30, vessel: { name: 'jug', volumeL: 1 }, tools: [units] }))
    expect(plan.stock).toBeNull()
    expect(plan.noWay).toBe('powder too little')
    expect(planDose(request({ tools: [pocket] })).noWay).toBeNull()
  })

  it('warns above the label rate and of organic liquids', () => {
    const ids = (over: Partial<DoseRequest>) => planDose(request(over)).cautions
    expect(ids({ feed: powder(20, 20, 20, { labelRatePerL: 0.25 }) })).toContain('aboveLabel')
    expect(ids({ feed: powder(20, 20, 20, { labelRatePerL: 0.5 }) })).not.toContain('aboveLabel')
    expect(ids({ feed: powder(2, 3, 1, { form: 'liquid', organic: true }) })).toContain('homeBrew')
  })
})
