import { describe, expect, it } from '@jest/globals'
import { nitrogenWantedMg } from '../media/food'
import { FEEDS } from './feeds'
import { habitOf, planProgramme, runsOutOn, type FeedStage, type ProgrammeRequest } from './programme'

const feed = (id: string) => FEEDS.find((one) => one.id === id)!
const stage = (over: Partial<FeedStage> = {}): FeedStage => ({
  growthStageId: 'true-leaves',
  days: 21,
  cellMl: 45,
  releasedMgPerL: 0,
  starterMgPerL: 0,
  nMgPerL: 60,
  everyDays: 3,
  ...over,
})
const programme = (over: Partial<ProgrammeRequest> = {}): ProgrammeRequest => ({
  feed: feed('balanced-20'),
  appetite: 'medium',
  method: 'weak and often',
  plants: 72,
  stages: [
    stage({ growthStageId: 'seed-leaves', days: 7, nMgPerL: 25 }),
    stage(),
    stage({ growthStageId: 'potted-up', days: 21, cellMl: 500, nMgPerL: 100 }),
  ],
  ...over,
})

describe('the feeding schedule', () => {
  it('feeds nothing in the week the seed feeds itself, and begins before hunger does', () => {
    const plan = planProgramme(programme())
    const first = plan.events.find(({ notYet }) => !notYet)!
    expect(first.day).toBeGreaterThanOrEqual(4)
    expect(first.day).toBeLessThanOrEqual(7)
    expect(plan.hungryFrom === null || plan.hungryFrom > first.day).toBe(true)
  })

  it('waits while the mix still feeds: a rich mix puts the first feed off', () => {
    const at = (releasedMgPerL: number) => {
      const plan = planProgramme(programme({ stages: [stage({ days: 35, releasedMgPerL })] }))
      return plan.events.find(({ notYet }) => !notYet)?.day ?? Infinity
    }
    expect(at(100)).toBeGreaterThan(at(0))
    expect(at(400)).toBeGreaterThan(at(100))
  })

  it('a plant that gets plain water from a sterile mix is hungry after its seed is used up', () => {
    const plan = planProgramme(programme({ stages: [stage({ days: 28, nMgPerL: 0 })] }))
    expect(plan.events).toEqual([])
    // 7–10 days [common practice]: seed feeds itself.
    expect(plan.hungryFrom).toBeGreaterThanOrEqual(7)
    expect(plan.hungryFrom).toBeLessThanOrEqual(11)
    expect(plan.mixLasts).toBe(plan.hungryFrom)
  })

  it('wants what free growth wants as long as the cell is no limit, and less once it is', () => {
    const roomy = planProgramme(programme({ stages: [stage({ days: 21, cellMl: 50_000 })] })).wantedMg
    roomy.forEach((wanted, day) =>
      expect(wanted / Math.max(nitrogenWantedMg(day, 'medium'), 1e-9)).toBeCloseTo(day ? 1 : 0, 1),
    )
    const tight = planProgramme(programme({ stages: [stage({ days: 60, cellMl: 10 })] })).wantedMg
    expect(tight.at(-1)! / nitrogenWantedMg(60, 'medium')).toBeLessThan(0.2)
  })

  it('adds up: feed for all is strength times volume over the label, plant for plant', () => {
    const plan = planProgramme(programme())
    const mg = plan.events
      .filter(({ notYet }) => !notYet)
      .reduce((sum, { nMgPerL, mlPerPlant }) => sum + (nMgPerL * mlPerPlant) / 1000, 0)
    // 20 % nitrogen: 200 mg in a gram.
    expect(plan.feedAmount.value).toBeCloseTo((72 * mg) / 200, 9)
    expect(plan.feedPerPlant.value * 72).toBeCloseTo(plan.feedAmount.value, 9)
    expect(runsOutOn(plan, programme(), plan.feedAmount.value)).toBeNull()
    const half = runsOutOn(plan, programme(), plan.feedAmount.value / 2)!
    const before = plan.events.filter(({ day, notYet }) => !notYet && day < half)
    const used = before.reduce(
      (sum, { nMgPerL, mlPerPlant }) => sum + (72 * nMgPerL * mlPerPlant) / 1000 / 200,
      0,
    )
    expect(used).toBeLessThanOrEqual(plan.feedAmount.value / 2)
  })

  it('a living mix is fed once, on the day it is potted up', () => {
    const { everyDays, nMgPerL } = habitOf('living mix', 'potted-up')
    const stages = [
      stage({ everyDays: 0 }),
      stage({ growthStageId: 'potted-up', cellMl: 500, everyDays, nMgPerL }),
    ]
    const plan = planProgramme(programme({ method: 'living mix', stages }))
    expect(plan.events.map(({ day }) => day)).toEqual([21])
  })

  it.each<[string, Partial<ProgrammeRequest>, RegExp]>([
    ['no stage', { stages: [] }, /stages/],
    ['no plant', { plants: 0 }, /plants/],
    ['a feed without nitrogen', { feed: feed('magnesium-sulphate') }, /feedId/],
    ['a stage of no days', { stages: [stage({ days: 0 })] }, /days/],
  ])('%s is refused', (_, over, message) => {
    expect(() => planProgramme(programme(over))).toThrow(message)
  })
})
