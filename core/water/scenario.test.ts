import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { letGoMg } from '../media/food'
import { plainStore } from './balance'
import { conditions, mixL, physics, store } from './test/fixture'
import {
  kinderOf,
  waterScenario,
  waterScenarios,
  WATERING_HABITS,
  type ScenarioRequest,
  type WaterScenario,
} from './water-scenario'

/* Six weeks tried out beforehand: what went in came out again, and every habit does what its name says. */

const plain = plainStore(store)
const food = { releasedMgPerL: 60, starterMgPerL: 20 }
const poresL = mixL * (physics.airSpace.value + physics.containerCapacity.value)
const request = (over: Partial<ScenarioRequest> = {}): ScenarioRequest => {
  const { climate, stand, appetite } = conditions()
  return {
    store: plain,
    poresL,
    mixL,
    food,
    conditions: { climate, stand, appetite },
    upAfterDays: 6,
    coveredUntilUp: true,
    habit: 'when light',
    how: 'below',
    ecMsPerCm: 0.5,
    feed: null,
    days: 42,
    ...over,
  }
}
const anyRequest = fc.record({
  habit: fc.constantFrom(...WATERING_HABITS),
  how: fc.constantFrom('above' as const, 'below' as const),
  coveredUntilUp: fc.boolean(),
  upAfterDays: fc.integer({ min: 0, max: 15 }),
  ecMsPerCm: fc.double({ min: 0, max: 1.5, noNaN: true }),
  feed: fc.option(
    fc.record({
      nMgPerL: fc.integer({ min: 10, max: 200 }),
      ecMsPerCm: fc.constant(0.6),
      everyDays: fc.integer({ min: 1, max: 10 }),
      fromDaysUp: fc.integer({ min: 0, max: 10 }),
    }),
  ),
})
const sum = (list: readonly number[]) => list.reduce((all, one) => all + one, 0)
/** Part of what is easily had that was gone in the morning of a day. */
const goneBefore = ({ days }: WaterScenario, day: number) => (day === 0 ? 0 : days[day - 1]!.gone)

describe('a scenario', () => {
  it('loses no water, and its sums are those of its days', () =>
    fc.assert(
      fc.property(anyRequest, (over) => {
        const { days, ...sums } = waterScenario(request({ ...over, days: 30 }))
        const given = sum(days.map(({ givenL }) => givenL))
        const back = sum(days.map(({ backL }) => backL))
        const lost = sum(days.map(({ lostL }) => lostL))
        expect(plain.capacityL + given - back - lost).toBeCloseTo(days.at(-1)!.waterL, 9)
        expect([sums.givenL, sums.drunkL, sums.lostL].map((litres) => litres.toFixed(9))).toEqual(
          [given, given - back, lost].map((litres) => litres.toFixed(9)),
        )
        expect(sums.highestEc).toBe(Math.max(...days.map(({ ecMsPerCm }) => ecMsPerCm)))
        const up = days.slice(over.upAfterDays)
        expect(sums.wiltDays).toBe(up.filter(({ gone }) => gone > 1).length)
        expect(sums.wetDays).toBe(up.filter(({ gone }) => gone < 0.15).length)
        // Without food within reach, eight days and more after it came up: a seed feeds it for seven.
        const hungry = days.findIndex(({ nitrogenMg }, i) => i >= over.upAfterDays + 8 && nitrogenMg <= 1e-9)
        expect(sums.hungryFrom).toBe(hungry < 0 ? null : hungry)
      }),
      { numRuns: 40 },
    ))
  it('says of each day what is gone of what is easily had, and the air among the pores', () => {
    for (const { waterL, gone, air } of waterScenario(request()).days) {
      expect(gone).toBeCloseTo((plain.capacityL - waterL) / plain.easyL, 12)
      expect(air).toBeCloseTo(Math.max(0, poresL - waterL) / mixL, 12)
    }
  })
  it('of nobody’s plants holds the nitrogen that the mix has let go, and the salts of its water', () => {
    const { climate, appetite, stand } = conditions()
    const empty = { climate, appetite, stand: { ...stand, plants: 0 } }
    const { days } = waterScenario(request({ conditions: empty, days: 20, habit: 'every third day' }))
    days.forEach(({ nitrogenMg }, day) =>
      expect(nitrogenMg).toBeCloseTo(letGoMg(food, mixL * 1000, day + 1), 6),
    )
    const first = days[0]!
    expect(first.ecMsPerCm * first.waterL).toBeCloseTo(0.5 * plain.capacityL, 9)
  })
  it('runs for 1 to 365 days', () => {
    for (const days of [0, 0.5, 366, NaN]) expect(() => waterScenario(request({ days }))).toThrow(/1 to 365/)
    expect([1, 365].map((days) => waterScenario(request({ days })).days.length)).toEqual([1, 365])
  })
  it('under its cover loses a tenth until the day it is up, and no longer', () => {
    const lost = (coveredUntilUp: boolean, upAfterDays = 3) =>
      waterScenario(request({ coveredUntilUp, upAfterDays, days: 5, habit: 'every day' })).days.map(
        ({ lostL }) => lostL,
      )
    const [covered, open] = [lost(true), lost(false)]
    for (const day of [0, 1, 2]) expect(covered[day]! / open[day]!).toBeCloseTo(0.1, 9)
    expect(covered[3]! / open[3]!).toBeGreaterThan(0.9)
  })
})

describe('a habit of watering', () => {
  const wateredOn = (over: Partial<ScenarioRequest>) =>
    waterScenario(request(over)).days.flatMap(({ givenL }, day) => (givenL > 0 ? [day] : []))
  it.each([
    ['every day', 1],
    ['every second day', 2],
    ['every third day', 3],
  ] as const)('%s counts from the day of sowing; under a cover only once it is up', (habit, every) => {
    const days = Array.from({ length: 20 }, (_, day) => day).filter((day) => day > 0 && day % every === 0)
    expect(wateredOn({ habit, days: 20, coveredUntilUp: false })).toEqual(days)
    expect(wateredOn({ habit, days: 20 })).toEqual(days.filter((day) => day >= 6))
  })
  it('when light waters on the mornings on which 45 % of what is easily had is gone, and on no others', () => {
    const run = waterScenario(request())
    run.days.forEach(({ givenL }, day) => expect(givenL > 0).toBe(goneBefore(run, day) >= 0.45))
    expect(run.timesWatered).toBe(run.days.filter(({ givenL }) => givenL > 0).length)
    expect(run.timesWatered).toBeGreaterThan(2)
  })
  it('a little more is poured than it lacks: 15 %, of which from below as much comes back', () => {
    const run = waterScenario(request())
    run.days.forEach(({ givenL, backL }, day) => {
      const lacks = goneBefore(run, day) * plain.easyL
      if (givenL)
        expect([givenL / lacks, backL / lacks].map((x) => x.toFixed(6))).toEqual(['1.150000', '0.150000'])
    })
  })
  it('a reservoir keeps it just short of soaked, at 97 %, and nothing comes back', () => {
    const run = waterScenario(request({ habit: 'reservoir', days: 10, coveredUntilUp: false }))
    run.days.forEach(({ givenL, backL, lostL, waterL }, day) => {
      const before = plain.capacityL - goneBefore(run, day) * plain.easyL
      expect(givenL).toBeCloseTo(Math.max(0, 0.97 * plain.capacityL - before), 9)
      expect(backL).toBeCloseTo(0, 12)
      expect(waterL).toBeCloseTo(before + givenL - lostL, 9)
    })
  })
  it('feeds with a watering from the day on that was said, and again when so many days have passed', () => {
    const feed = { nMgPerL: 100, ecMsPerCm: 0.7, everyDays: 4, fromDaysUp: 5 }
    const run = waterScenario(request({ habit: 'every second day', feed }))
    const fed = run.days.flatMap((one, day) => (one.fed ? [day] : []))
    expect(fed[0]).toBe(12)
    expect(fed.slice(1).map((day, i) => day - fed[i]!)).toEqual(Array(fed.length - 1).fill(4))
    const plainRun = waterScenario(request({ habit: 'every second day' }))
    const more = run.days[12]!.nitrogenMg - plainRun.days[12]!.nitrogenMg
    const drunkL = run.days[12]!.givenL - run.days[12]!.backL
    expect(more).toBeCloseTo(100 * drunkL, 6)
    const salts = (one: WaterScenario) => one.days[12]!.ecMsPerCm * one.days[12]!.waterL
    expect(salts(run) - salts(plainRun)).toBeCloseTo(0.7 * drunkL, 6)
  })
  it('that is never due never feeds', () => {
    const feed = { nMgPerL: 100, ecMsPerCm: 0.7, everyDays: 4, fromDaysUp: 50 }
    expect(waterScenario(request({ feed })).days.some(({ fed }) => fed)).toBe(false)
  })
})

describe('which of two was kinder', () => {
  const of = (wiltDays: number, wetDays: number) =>
    ({ wiltDays, wetDays, days: Array(30).fill(null) }) as unknown as WaterScenario
  it('a day of hanging leaves weighs three wet ones; a third of wet days is no harm; less than two is no difference', () => {
    expect(kinderOf(of(0, 10), of(0, 0))).toBeNull()
    expect(kinderOf(of(0, 11.9), of(0, 0))).toBeNull()
    expect(kinderOf(of(0, 12), of(0, 0))).toBe(1)
    expect(kinderOf(of(0, 0), of(0, 12))).toBe(0)
    expect(kinderOf(of(1, 0), of(0, 0))).toBe(1)
    expect(kinderOf(of(1, 0), of(0, 12))).toBeNull()
    expect(kinderOf(of(1, 0), of(0, 15))).toBe(0)
  })
  it('many are done in order, and tell how far they are', () => {
    const told: number[] = []
    const many = waterScenarios(
      Array.from({ length: 201 }, () => request({ days: 1 })),
      (done) => told.push(done),
    )
    expect([many.length, ...told]).toEqual([201, 0, 100 / 201, 200 / 201])
  })
})
