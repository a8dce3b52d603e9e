import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { mulberry32 } from '../numeric/random'
import { learnedFrom } from '../learning/learning'
import { dry, ecOf, lossPerDayL, plainStore, water, type Contents } from './balance'
import { penmanMonteith, wetSurfaceLoss } from './evaporation'
import { follow, weightAt } from './follow'
import type { WateringEvent } from './watering-events'
import { outlookOf, wayOf } from './outlook'
import { freshMassG, leafCover } from './plant-stand'
import { waterAgainAt, wetAbove } from './tray-store'
import { conditions, physics, room, store } from './test/fixture'
import { deficitKPa, psychrometricKPaPerC, saturationKPa, slopeKPaPerC } from './vapour'
import { disagreementG, doubtOf } from './weighing'
import { wetRisk } from './wet'

const plain = plainStore(store)

describe('water in the air', () => {
  it('is what FAO-56 prints', () => {
    // FAO-56, annex 2, tables 2.3 and 2.4; tables 2.1 and 2.2 for the pressure and the constant [from memory].
    expect(saturationKPa(20)).toBeCloseTo(2.338, 3)
    expect(saturationKPa(15)).toBeCloseTo(1.705, 3)
    expect(saturationKPa(24.5)).toBeCloseTo(3.075, 3)
    expect(slopeKPaPerC(20)).toBeCloseTo(0.145, 3)
    expect(psychrometricKPaPerC(81.8)).toBeCloseTo(0.054, 3)
    // Example 5: 18 and 25 °C, 82 and 54 % at those: 0.91 kPa of deficit.
    const vapour = (saturationKPa(18) * 0.82 + saturationKPa(25) * 0.54) / 2
    expect((saturationKPa(18) + saturationKPa(25)) / 2 - vapour).toBeCloseTo(0.91, 2)
    expect(deficitKPa(20, 0.5)).toBeCloseTo(1.169, 3)
  })
  it('evaporates by Penman–Monteith as FAO-56 works it out', () => {
    // Example 18: Brussels, 6 July, wind 2.078 m/s, 13.28 MJ/m² net, 100 m: 3.9 mm a day from a lawn.
    const wind = 2.078
    const mm = penmanMonteith({
      airC: 16.9,
      deficitKPa: 0.589,
      netMJ: 13.28,
      airResistance: 208 / wind,
      surfaceResistance: 70,
      pressureKPa: 101.3 * ((293 - 0.0065 * 100) / 293) ** 5.26,
    })
    expect(mm).toBeCloseTo(3.9, 1)
  })
  it('takes 1 to 4 L/m² a day from a wet tray indoors, more in dry, warm and bright air [handbook, reference]', () => {
    const usual = wetSurfaceLoss(room)
    expect(usual).toBeGreaterThan(1)
    expect(usual).toBeLessThan(4)
    for (const more of [
      { humidity: 0.3 },
      { dayC: 26, nightC: 24 },
      { lightMol: 16 },
      { airResistance: 120 },
      { mixAboveC: 5 },
    ])
      expect(wetSurfaceLoss({ ...room, ...more })).toBeGreaterThan(usual)
  })
})

describe('the balance of a tray', () => {
  const act = fc.oneof(
    fc.record({ hours: fc.double({ min: 0.1, max: 100, noNaN: true }) }),
    fc.record({
      litres: fc.double({ min: 0, max: 8, noNaN: true }),
      how: fc.constantFrom('above' as const, 'below' as const),
      ec: fc.double({ min: 0, max: 3, noNaN: true }),
      n: fc.double({ min: 0, max: 300, noNaN: true }),
    }),
  )
  it('closes to the millilitre, salts and nitrogen with it, whatever happens', () => {
    fc.assert(
      fc.property(
        fc.array(act, { maxLength: 25 }),
        fc.double({ min: -5, max: 40, noNaN: true }),
        (acts, daysUp) => {
          let contents: Contents = { waterL: plain.capacityL, salts: 1, nitrogenMg: 30 }
          const came = { ...contents }
          const went = { waterL: 0, salts: 0, nitrogenMg: 0 }
          for (const one of acts) {
            if ('hours' in one) {
              const step = dry(plain, contents, conditions({ daysUp }), one.hours)
              went.waterL += step.lostL
              went.nitrogenMg += step.takenMg
              went.salts += step.takenSalts
              contents = step.contents
            } else {
              const step = water(plain, contents, {
                litres: one.litres,
                how: one.how,
                ecMsPerCm: one.ec,
                nMgPerL: one.n,
              })
              came.waterL += one.litres
              went.waterL += step.backL
              const drunk = one.how === 'below' ? one.litres - step.backL : one.litres
              came.salts += drunk * one.ec
              came.nitrogenMg += drunk * one.n
              went.salts += step.washedSalts
              went.nitrogenMg += step.washedMg
              contents = step.contents
            }
            expect(contents.waterL).toBeGreaterThanOrEqual(plain.floorL - 1e-9)
            expect(contents.waterL).toBeLessThanOrEqual(plain.capacityL + 1e-9)
          }
          expect(Math.abs(came.waterL - went.waterL - contents.waterL)).toBeLessThan(0.001)
          expect(Math.abs(came.salts - went.salts - contents.salts)).toBeLessThan(1e-6)
          expect(Math.abs(came.nitrogenMg - went.nitrogenMg - contents.nitrogenMg)).toBeLessThan(1e-6)
        },
      ),
    )
  })
  it('leaves the salts where the water was: EC rises as it dries, and falls when it is leached', () => {
    const full: Contents = { waterL: plain.capacityL, salts: 0.5 * plain.capacityL, nitrogenMg: 0 }
    const dried = dry(plain, full, conditions({ daysUp: -1 }), 72).contents
    expect(ecOf(dried)).toBeGreaterThan(0.5)
    expect(dried.salts).toBeCloseTo(full.salts, 9)
    const leached = water(plain, dried, {
      litres: 2 * plain.capacityL,
      how: 'above',
      ecMsPerCm: 0.2,
      nMgPerL: 0,
    })
    expect(ecOf(leached.contents)).toBeLessThan(0.5)
  })
  it('loses a tenth under a dome, more as leaves close, less as the surface dries', () => {
    const bare = conditions({ daysUp: -1 })
    const loss = lossPerDayL(plain, plain.capacityL, bare)
    expect(lossPerDayL(plain, plain.capacityL, { ...bare, covered: true })).toBeCloseTo(loss / 10, 9)
    expect(lossPerDayL(plain, plain.capacityL, conditions({ daysUp: 35 }))).toBeGreaterThan(loss)
    expect(lossPerDayL(plain, plain.floorL, bare)).toBeLessThan(loss / 4)
    expect(leafCover(bare.stand, 40)).toBeGreaterThan(leafCover(bare.stand, 10))
    expect(freshMassG(bare.stand, -1)).toBe(0)
  })
})

/** Normal numbers from a seed (Box–Muller). */
function normal(seed: number) {
  const next = mulberry32(seed)
  return () => Math.sqrt(-2 * Math.log(1 - next())) * Math.cos(2 * Math.PI * next())
}

describe('a tray that is weighed', () => {
  const from = { at: 0, contents: { waterL: plain.capacityL, salts: 1, nitrogenMg: 20 }, sdL: 0.1 }
  const at = (hour: number, factor: number) => conditions({ daysUp: 5 + hour / 24, factor })

  /** A made-up tray with a thirst of its own, weighed twice a day; watered when it is light. */
  function madeUp(seed: number, days: number) {
    const noise = normal(seed)
    const truth = Math.max(0.3, 1 + 0.35 * noise())
    const fullG = store.fullG.value + 120 * noise()
    let contents: Contents = from.contents
    const wateringEvents: WateringEvent[] = []
    const weigh = (hour: number, moment: 'watered' | 'now') => {
      const grams =
        fullG -
        1000 * (plain.capacityL - contents.waterL) +
        freshMassG(at(hour, 1).stand, 5 + hour / 24) +
        3 * noise()
      wateringEvents.push({ kind: 'weighed', at: hour, grams, moment, sdG: 3 })
    }
    weigh(0, 'watered')
    for (let hour = 0; hour < days * 24; hour += 12) {
      contents = dry(plain, contents, at(hour, truth * (1 + 0.1 * noise())), 12).contents
      const now = hour + 12
      weigh(now, 'now')
      if (contents.waterL < waterAgainAt(store).value) {
        const given = water(plain, contents, { litres: 3, how: 'below', ecMsPerCm: 0.5, nMgPerL: 0 })
        contents = given.contents
        wateringEvents.push({
          kind: 'watered',
          at: now + 0.1,
          how: 'below',
          litres: null,
          backL: null,
          ecMsPerCm: 0.5,
          nMgPerL: 0,
        })
        weigh(now + 0.5, 'watered')
      }
    }
    return { truth, wateringEvents, waterL: contents.waterL, now: days * 24 + 0.6 }
  }

  it('teaches its thirst: the interval holds the truth in at least 90 of 100', () => {
    let covered = 0
    let level = 0
    const runs = 500
    for (let seed = 1; seed <= runs; seed++) {
      const { truth, wateringEvents, now, waterL } = madeUp(seed, 5)
      const found = follow(store, from, at, wateringEvents, now)
      if (Math.abs(found.factor.mean - truth) <= 1.96 * found.factor.sd) covered++
      if (Math.abs(found.now.waterL - waterL) <= 1.96 * found.now.sdL) level++
    }
    expect(covered / runs).toBeGreaterThanOrEqual(0.9)
    expect(level / runs).toBeGreaterThanOrEqual(0.9)
  })
  it('comes nearer to the truth with every weighing', () => {
    const sdAfter = (days: number) => {
      const { wateringEvents, now } = madeUp(7, days)
      return follow(store, from, at, wateringEvents, now).factor.sd
    }
    expect(sdAfter(4)).toBeLessThan(sdAfter(1))
    expect(sdAfter(12)).toBeLessThan(0.08)
  })
  it('doubts one wild weighing and goes on with the rest', () => {
    const { wateringEvents, truth, now } = madeUp(11, 6)
    const wild = wateringEvents.findIndex((one, i) => i > 5 && one.kind === 'weighed' && one.moment === 'now')
    const spoiled = wateringEvents.map((one, i) =>
      i === wild && one.kind === 'weighed' ? { ...one, grams: one.grams - 900 } : one,
    )
    const found = follow(store, from, at, spoiled, now)
    expect(found.doubted).toContain(wild)
    expect(Math.abs(found.factor.mean - truth)).toBeLessThan(4 * found.factor.sd)
  })
  it('says when it is time, and how sure', () => {
    const { wateringEvents } = madeUp(3, 4)
    const found = follow(store, from, at, wateringEvents, 97, 97 + 240)
    const outlook = outlookOf(found, at(97, found.factor.mean), { endOfDay: 120, large: false })
    expect(outlook.dueAt).not.toBeNull()
    expect(outlook.earlyAt!).toBeLessThan(outlook.dueAt!)
    expect(outlook.dueAt!).toBeLessThan(outlook.lateAt!)
    expect(outlook.lossPerDayL.value).toBeCloseTo(
      lossPerDayL(plain, found.now.waterL, at(97, found.factor.mean)),
      12,
    )
    // What is poured is drunk or comes back.
    expect(outlook.drinksL.value + outlook.backL.value).toBeCloseTo(outlook.pourL.value, 9)
    expect(weightAt(found, found.now)).toBeLessThan(found.fullG.mean + found.now.plantsG + 1)
  })
  it('that was watered this very hour wants none', () => {
    const watered: WateringEvent = {
      kind: 'watered',
      at: 120,
      how: 'below',
      litres: null,
      backL: null,
      ecMsPerCm: 0.4,
      nMgPerL: 0,
    }
    const found = follow(store, from, at, [watered], 120, 120 + 240)
    const outlook = outlookOf(found, at(120, 1), { endOfDay: 130, large: false })
    expect(outlook.dueAt!).toBeGreaterThan(130)
    expect(['later', 'tomorrow']).toContain(outlook.verdict)
  })
  it('without a scale a lift is a measurement too, of its own width', () => {
    const light: WateringEvent[] = [{ kind: 'felt', at: 40, feels: 'light' }]
    const found = follow(store, from, at, light, 41)
    const blind = follow(store, from, at, [], 41)
    expect(found.now.sdL).toBeLessThan(blind.now.sdL)
    const pale = follow(store, from, at, [{ kind: 'felt', at: 40, feels: 'pale' }], 41)
    expect(pale.now.sdL).toBeGreaterThan(found.now.sdL)
  })
  it('does not claim to know where nobody said a word', () => {
    const found = follow(store, from, at, [], 12 * 24, 20 * 24)
    const outlook = outlookOf(found, at(12 * 24, 1), { endOfDay: 13 * 24, large: false })
    expect(outlook.verdict).toBe('look')
  })
  it('counts wet days and says what to do, in numbers', () => {
    const daily: WateringEvent[] = Array.from({ length: 14 }, (_, day) => ({
      kind: 'watered',
      at: day * 24 + 9,
      how: 'below',
      litres: null,
      backL: null,
      ecMsPerCm: 0.4,
      nMgPerL: 0,
    }))
    const cool = (hour: number, factor: number) =>
      conditions({
        daysUp: 2 + hour / 24,
        factor,
        climate: { ...room, dayC: 14, nightC: 10, humidity: 0.75, lightMol: 3 },
      })
    const found = follow(store, from, cool, daily, 14 * 24 - 12, 18 * 24)
    const { wetDays, verdict } = outlookOf(found, cool(14 * 24, 1), { endOfDay: 14 * 24, large: false })
    expect(wetDays).toBeGreaterThan(5)
    expect(wetDays).toBeLessThanOrEqual(7)
    expect(verdict).toBe('let dry')
    expect(wetRisk(wetDays, 14, 12, physics.airSpace.value)).toMatchObject({ wetDays, coldC: 12 })
    expect(wetRisk(2, 14, 12, physics.airSpace.value)).toBeNull()
    expect(wetAbove(store)).toBeLessThan(plain.capacityL)
  })
  it('mists until it is up, roses while the dents settle, then waters from below', () => {
    expect([wayOf(-3, false).how, wayOf(1, false).how, wayOf(9, false).how, wayOf(9, true).how]).toEqual([
      'mist',
      'above',
      'below',
      'above',
    ])
  })
})

describe('a weight that is typed', () => {
  const dryG = store.tareG.value + store.dryMixG.value
  it.each([
    [40_000, 'now', 'refused'],
    [-3, 'now', 'refused'],
    [20, 'now', 'refused'],
    [dryG - 100, 'now', 'asked'],
    [store.fullG.value * 1.3, 'watered', 'asked'],
    [store.fullG.value, 'dry', 'asked'],
    [store.fullG.value - 200, 'now', undefined],
  ] as const)('of %d g, %s, is %s', (grams, moment, kind) => {
    expect(doubtOf(store, grams, moment)?.kind).toBe(kind)
  })
  it('says so where two scales do not agree, and only then', () => {
    const two = (apart: number) => [
      { at: 10, grams: 2000, sdG: 1 },
      { at: 10.5, grams: 2000 + apart, sdG: 1 },
    ]
    expect(disagreementG(two(50))).toBe(50)
    expect(disagreementG(two(2))).toBeNull()
    expect(
      disagreementG([
        { at: 10, grams: 2000, sdG: 1 },
        { at: 20, grams: 1900, sdG: 1 },
      ]),
    ).toBeNull()
  })
})

describe('precision weighting', () => {
  it('is the posterior of a normal mean', () => {
    // Worked by hand: prior 10 ± 2, measured 12 ± 1: (10/4 + 12) / (1/4 + 1) = 11.6, sd √(1/1.25).
    expect(learnedFrom({ mean: 10, sd: 2 }, [{ mean: 12, sd: 1 }])).toEqual({
      mean: 11.6,
      sd: Math.sqrt(0.8),
      n: 1,
    })
    expect(() => learnedFrom({ mean: 1, sd: 0 }, [])).toThrow(RangeError)
  })
})
