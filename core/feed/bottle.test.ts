import { describe, expect, it } from '@jest/globals'
import { dayFrom } from '../calendar/day'
import { bottleLabels } from './bottle'
import { planDose } from './dose'
import { FEEDS } from './feeds'

const feed = (id: string) => FEEDS.find((one) => one.id === id)!
const on = dayFrom('2026-04-20')
const print = (value: number) => value.toFixed(0)

describe('labels for bottles', () => {
  // Common practice: diluted mineral feeds grow algae within two weeks, organic ones turn in three days, brews in one.
  it.each([
    ['balanced-20', '2026-05-04'],
    ['fish', '2026-04-23'],
    ['nettle-brew', '2026-04-21'],
  ])('of %s keep until %s, and say which stages like the strength', (id, until) => {
    const [label] = bottleLabels(
      { feed: feed(id), nMgPerL: 60, stock: null },
      on,
      print,
      (n) => `${n} mg/L N`,
    )
    expect(label!.keepUntil).toBe(until)
    expect(label!.strength).toContain('60 mg/L')
    expect(label!.growthStages.map((growthStage) => growthStage.id)).toEqual(['true-leaves', 'hardening'])
  })

  it('of a stock warn that it is never given undiluted, and keep longer', () => {
    const plan = planDose({
      feed: feed('balanced-20'),
      growthStageId: 'true-leaves',
      targetNMgPerL: 60,
      vessel: { name: 'jug', volumeL: 1 },
      tools: [
        { id: 's', name: 'scale', kind: 'kitchen scale', capacityMl: null },
        { id: 'y', name: 'syringe', kind: 'syringe', capacityMl: 10 },
      ],
    })
    const [stock, ready] = bottleLabels(
      { feed: feed('balanced-20'), nMgPerL: 60, stock: plan.stock! },
      on,
      print,
      (n) => `${n} mg/L N`,
    )
    expect(stock!.title).toMatch(/never undiluted/)
    expect(stock!.keepUntil > ready!.keepUntil).toBe(true)
    expect(stock!.growthStages).toEqual([])
  })

  // 0.01 % of a kilogram in a litre: 100 mg/L as it is poured.
  it('a ready-mixed feed gives at its label rate what it holds', () => {
    const ready = feed('ready-mixed')
    expect((ready.nPercent / 100) * ready.densityGPerMl! * ready.labelRatePerL! * 1000).toBeCloseTo(100, 9)
  })
})
