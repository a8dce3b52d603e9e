import { describe, expect, it } from '@jest/globals'
import { addDays, dayFrom } from '../calendar/day'
import { CONTAINERS } from '../containers/catalogue'
import { PLACE_KINDS } from '../places/place-kinds'
import { placeOf } from '../places/place'
import { pathIfWatered } from './ahead'
import { plainStore } from './balance'
import { climateOf, humidityOf, mixAboveAir } from './climate'
import { follow, weightAt, type Followed, type Point } from './follow'
import { outlookOf } from './outlook'
import { dryMassG, freshMassG, leafCover } from './plant-stand'
import { blend, conditions, container, physics, store } from './test/fixture'
import { firstSoakL, storeOf, waterAgainAt, wetAbove } from './tray-store'
import { dayOf, FEELS_LIKE, GONE_BY_FEEL, hourOf, momentOf, type WateringEvent } from './watering-events'

const plain = plainStore(store)
const full = { at: 0, contents: { waterL: plain.capacityL, salts: 1, nitrogenMg: 9 }, sdL: 0.1 }
const still = (at: number, factor: number) => conditions({ daysUp: 5 + at / 24, factor })
const soak = (at: number, over: object = {}): WateringEvent =>
  ({
    kind: 'watered',
    at,
    how: 'below',
    litres: null,
    backL: null,
    ecMsPerCm: 0.5,
    nMgPerL: 0,
    ...over,
  }) as WateringEvent
const weighed = (
  at: number,
  grams: number,
  moment: 'dry' | 'watered' | 'now' = 'now',
  sdG = 1,
): WateringEvent => ({
  kind: 'weighed',
  ...{ at, grams, moment, sdG },
})
const plantsG = (at: number) => freshMassG(still(at, 1).stand, still(at, 1).daysUp)

describe('hours', () => {
  it('are counted from 1970; where nobody looked at the clock it was nine in the morning', () => {
    const day = dayFrom('1970-01-03')
    expect([momentOf(day), momentOf(day, '07:30'), momentOf(day, '00:00')]).toEqual([57, 55.5, 48])
    expect([dayOf(57), hourOf(57), dayOf(71.9), dayOf(72)]).toEqual([day, 9, day, addDays(day, 1)])
  })
})

describe('what a hand tells', () => {
  it('is ordered from heavy to dry beneath, wider than a scale, and sets the water by so much', () => {
    const gone = FEELS_LIKE.toSorted((a, b) => GONE_BY_FEEL[a].mean - GONE_BY_FEEL[b].mean)
    expect(gone).toEqual(['heavy', 'dark', 'middling', 'pale', 'light', 'dry beneath'])
    for (const feels of FEELS_LIKE) {
      // Nobody knew before: it is what the hand says.
      const found = follow(store, { ...full, sdL: 50 }, still, [{ kind: 'felt', at: 0, feels }], 0)
      const said = plain.capacityL - GONE_BY_FEEL[feels].mean * plain.easyL
      expect([feels, Math.abs(found.now.waterL - said) < 0.02]).toEqual([feels, true])
      expect(found.now.sdL).toBeLessThanOrEqual(GONE_BY_FEEL[feels].sd * plain.easyL)
      expect(found.now.sdL).toBeGreaterThan(0.05 * plain.easyL)
    }
  })
})

describe('what a scale tells', () => {
  const known = [weighed(0, store.fullG.value + plantsG(0), 'watered', 0.001)]
  it('a gram less is a millilitre less, beside what the plants weigh', () => {
    const found = follow(
      store,
      full,
      still,
      [...known, weighed(30, store.fullG.value - 230 + plantsG(30))],
      30,
    )
    expect(found.fullG.mean - store.fullG.value).toBeCloseTo(0, 0)
    expect(plain.capacityL - found.now.waterL).toBeCloseTo(0.23, 1)
    expect(weightAt(found, found.now)).toBeCloseTo(
      found.fullG.mean + plantsG(30) - 1000 * (plain.capacityL - found.now.waterL),
      9,
    )
    const [first] = found.path
    expect(weightAt(found, first!) - weightAt(found, found.now)).toBeGreaterThan(150)
  })
  it('weighed dry it says what it weighs full, and nothing of the water now', () => {
    const dryG = store.dryMixG.value + store.tareG.value
    const found = follow(store, full, still, [weighed(0, dryG + 300, 'dry')], 0)
    expect(found.fullG.mean).toBeGreaterThan(store.fullG.value + 50)
    expect(found.fullG.mean).toBeLessThan(store.fullG.value + 300)
    expect([found.now.waterL, found.now.sdL]).toEqual([plain.capacityL, 0.1])
  })
  it('that it was weighed after watering says that it is full, within 4 %', () => {
    const half = { ...full, contents: { ...full.contents, waterL: plain.capacityL / 2 }, sdL: 50 }
    const found = follow(store, half, still, [weighed(0, store.fullG.value + plantsG(0), 'watered')], 0)
    expect(found.now.waterL / plain.capacityL).toBeCloseTo(1, 2)
    expect(found.now.sdL / plain.capacityL).toBeCloseTo(0.04, 2)
  })
})

describe('water that is given', () => {
  const half = { ...full, contents: { ...full.contents, waterL: plain.capacityL / 2 } }
  const after = (event: WateringEvent) => follow(store, half, still, [event], event.at).now
  it('fills it by a soak, adds what was poured less what was poured off, and by a mist half a litre a square metre', () => {
    const from = plain.capacityL / 2
    expect(after(soak(0)).waterL).toBeCloseTo(plain.capacityL, 9)
    expect(after(soak(0, { litres: 0.5, backL: 0.2 })).waterL - from).toBeCloseTo(0.3, 9)
    expect(after(soak(0, { litres: 0.5 })).waterL - from).toBeCloseTo(0.5, 9)
    expect(after(soak(0, { litres: 0.5, backL: 0.7 })).waterL).toBeCloseTo(from, 9)
    expect(after(soak(0, { litres: 0.5, backL: 0.2, how: 'above' })).waterL - from).toBeCloseTo(0.5, 9)
    expect(after(soak(0, { how: 'mist' })).waterL - from).toBeCloseTo(0.5 * store.areaM2, 9)
  })
  it('makes it sure to 4 % where it is full, and a tenth of what was poured less sure where it is not', () => {
    expect(after(soak(0)).sdL).toBeCloseTo(0.04 * plain.capacityL, 9)
    expect(after(soak(0, { litres: 0.5 })).sdL).toBeCloseTo(Math.hypot(0.1, 0.05), 9)
  })
  it('before the beginning or after now is left out', () => {
    const { now, path } = follow(store, half, still, [soak(-1), soak(31)], 30, 48)
    expect(now.waterL).toBeLessThan(plain.capacityL / 2)
    expect(path.every(({ waterL }) => waterL < plain.capacityL)).toBe(true)
    expect(follow(store, half, still, [soak(30)], 30).now.waterL).toBeCloseTo(plain.capacityL, 9)
  })
})

describe('a watering that is thought of', () => {
  const found = follow(store, full, still, [], 48, 120)
  it('leaves the path until then as it is, fills it, and goes on from there', () => {
    const path = pathIfWatered(found, still, 72, 120)
    expect(path.map(({ at }) => at)).toEqual([...path.map(({ at }) => at)].sort((a, b) => a - b))
    expect([path[0]!.at, path.at(-1)!.at]).toEqual([48, 120])
    const before = path.filter(({ at }) => at < 72)
    expect(before).toEqual(found.path.filter(({ at }) => at >= 48 && at < 72))
    expect(Math.max(...path.filter(({ at }) => at === 72).map(({ waterL }) => waterL))).toBeCloseTo(
      plain.capacityL,
      9,
    )
    const lost = path.findLast(({ at }) => at === 72)!.waterL - path.at(-1)!.waterL
    expect(lost).toBeGreaterThan(found.path[0]!.waterL - found.now.waterL - 0.2)
  })
  it('that should have been is done now', () => {
    const path = pathIfWatered(found, still, 12, 60)
    expect(path[0]!.at).toBe(48)
    expect(path.find(({ waterL }) => waterL > plain.capacityL - 1e-9)!.at).toBe(48)
  })
})

describe('when it is time', () => {
  /** A path that falls from full by a straight line, known to so many litres. */
  function falling(perHourL: number, sdL = 0.02): Followed {
    const point = (at: number): Point => ({
      at,
      waterL: plain.capacityL - perHourL * at,
      sdL,
      ecMsPerCm: 1,
      nitrogenMg: 0,
      plantsG: 0,
    })
    const path = Array.from({ length: 60 }, (_, i) => point(i * 6))
    return {
      store,
      path,
      now: path[2]!,
      factor: { mean: 1, sd: 0.2, n: 0 },
      fullG: { mean: 1, sd: 1, n: 0 },
      doubted: [],
      knownAt: 12,
    }
  }
  const threshold = waterAgainAt(store).value
  const ahead = (perHourL: number, endOfDay: number, sdL = 0.02) =>
    outlookOf(falling(perHourL, sdL), conditions(), { endOfDay, large: false })
  const inHours = (hours: number) => (plain.capacityL - threshold) / hours
  it('is where the line meets 45 % of what is easily had, four times out of five within 1.28 spreads', () => {
    const slope = inHours(50)
    const { dueAt, earlyAt, lateAt } = ahead(slope, 24)
    expect(dueAt).toBeCloseTo(50, 6)
    expect(dueAt! - earlyAt!).toBeCloseTo((1.2816 * 0.02) / slope, 6)
    expect(lateAt! - dueAt!).toBeCloseTo((1.2816 * 0.02) / slope, 6)
    expect(ahead(0, 24).dueAt).toBeNull()
  })
  it('says water until the end of its day, tomorrow for one day more, later after that', () => {
    const verdict = (hours: number) => ahead(inHours(hours), 36).verdict
    expect([verdict(35.9), verdict(36.1), verdict(59.9), verdict(60.1)]).toEqual([
      'water',
      'tomorrow',
      'tomorrow',
      'later',
    ])
  })
  it('what is due today drinks what it lacks now, what is not drinks what it will lack then', () => {
    expect(ahead(inHours(30), 36).drinksL.value).toBeCloseTo(inHours(30) * 12, 9)
    expect(ahead(inHours(50), 36).drinksL.value).toBeCloseTo(plain.capacityL - threshold, 9)
    expect(ahead(inHours(30), 36).gone).toBeCloseTo((inHours(30) * 12) / plain.easyL, 9)
  })
  it('is looked at where nobody said a word for three days and the spread is nearly half of it', () => {
    const verdict = (silentH: number, sd: number) => {
      const found = falling(inHours(100), sd * plain.easyL)
      return outlookOf({ ...found, knownAt: 12 - silentH }, conditions(), { endOfDay: 36, large: false })
        .verdict
    }
    expect([verdict(72.1, 0.46), verdict(72, 0.46), verdict(72.1, 0.44)]).toEqual(['look', 'later', 'later'])
  })
  it('says whose its thirst is', () => {
    const source = (n: number) => {
      const found = { ...falling(0.01), factor: { mean: 1, sd: 0.2, n } }
      const { working } = outlookOf(found, conditions(), { endOfDay: 36, large: false }).lossPerDayL
      const thirst = working.kind === 'derived' && working.inputs['f']!.working
      return thirst && thirst.kind === 'given' ? thirst.source : undefined
    }
    expect(source(1)).not.toEqual(source(0))
    expect(JSON.stringify(source(1))).toContain('1 measured')
  })
})

describe('a place', () => {
  it('of every kind is known to have air, light and moisture that can be', () => {
    for (const { id } of PLACE_KINDS) {
      const { humidity, lightMol, airResistance } = climateOf({ ...placeOf(id, 'p'), light: null }, 14)
      expect([id, humidity > 0.3 && humidity < 0.95]).toEqual([id, true])
      expect([id, lightMol > 1 && lightMol < 65]).toEqual([id, true])
      expect([id, airResistance >= 50 && airResistance <= 400]).toEqual([id, true])
    }
    expect(climateOf(placeOf('outside', 'p'), 14).airResistance).toBe(208 / 2)
  })
  it('is as moist as somebody said, else by its kind, and says which', () => {
    const place = placeOf('shelf', 'p')
    const said = humidityOf({ ...place, humidity: 0.31 })
    const usual = humidityOf({ ...place, humidity: null })
    expect([said.value, usual.value]).toEqual([0.31, 0.5])
    expect(said.source.cite).not.toBe(usual.source.cite)
  })
  it('grows hot and dry with a hot day ahead, where no lived-in roof keeps it out', () => {
    const outside = { ...placeOf('outside', 'p'), dayC: 22 }
    const of = (hotC: number | null, place = outside) => {
      const { dayC, humidity } = climateOf(place, 14, hotC)
      return [dayC, humidity]
    }
    expect(of(31)).toEqual([31, 0.45])
    expect(of(31, { ...outside, humidity: 0.3 })).toEqual([31, 0.3])
    expect([of(22), of(12), of(null)]).toEqual([of(null), of(null), [22, 0.65]])
    const shelf = { ...placeOf('shelf', 'p'), dayC: 22 }
    expect(of(31, shelf)).toEqual([22, 0.5])
  })
  it('keeps the mix warmer than its air only where something heats it', () => {
    expect(mixAboveAir(placeOf('shelf', 'p'), 24)).toBe(0)
    const mat = { ...placeOf('mat', 'p'), dayC: 20, nightC: 16 }
    expect(mixAboveAir(mat, 24)).toBe(6)
  })
})

describe('plants', () => {
  const { stand } = conditions()
  it('weigh nothing before they are up and 2.5 mg dry each on the day, ten times that fresh', () => {
    expect([dryMassG(stand, -0.01), dryMassG({ ...stand, plants: 0 }, 5)]).toEqual([0, 0])
    expect(dryMassG(stand, 0)).toBeCloseTo((50 * 2.5) / 1000, 12)
    expect(freshMassG(stand, 0)).toBeCloseTo(1.25, 12)
    expect(dryMassG(stand, 10) / dryMassG(stand, 0)).toBeCloseTo(Math.exp(1.4), 9)
  })
  it('stop at 8 g to the litre of mix; their leaves cover no more than all of it', () => {
    expect(dryMassG(stand, 100)).toBeCloseTo(8 * stand.mixL, 12)
    expect(leafCover(stand, -1)).toBe(0)
    expect(leafCover(stand, 100)).toBeLessThanOrEqual(1 - Math.exp(-2.4))
    expect(leafCover({ ...stand, areaM2: 1e-6 }, 100)).toBeCloseTo(1 - Math.exp(-2.4), 12)
  })
})

describe('a tray as a store', () => {
  it('is wet above 15 % gone, wants water at 45 %, and lacks a third when it is filled', () => {
    expect((plain.capacityL - wetAbove(store)) / plain.easyL).toBeCloseTo(0.15, 12)
    expect((plain.capacityL - waterAgainAt(store).value) / plain.easyL).toBeCloseTo(0.45, 12)
    expect(firstSoakL(store) / plain.capacityL).toBeCloseTo(1 / 3, 12)
  })
  it('holds in proportion to its cells, of which there is one at least', () => {
    for (const cells of [0, -1, NaN])
      expect(() => storeOf(container, cells, blend, physics)).toThrow(/1 or more/)
    const one = storeOf(container, 1, blend, physics)
    expect(store.capacityL.value / one.capacityL.value).toBeCloseTo(50, 9)
    expect([store.dryMixG.value / one.dryMixG.value, store.areaM2 / one.areaM2].map(Math.round)).toEqual([
      50, 50,
    ])
    expect(storeOf(container, 50, blend, physics, 333).tareG.value).toBe(333)
  })
  it('of every container keeps a floor below what it holds, and weighs something empty', () => {
    for (const one of CONTAINERS) {
      const { floorL, capacityL, easyL, tareG, floorM2 } = storeOf(one, 6, blend, physics)
      expect([one.id, floorL > 0 && floorL <= 0.7 * capacityL.value + 1e-12]).toEqual([one.id, true])
      expect([one.id, easyL.value < capacityL.value - floorL + 1e-9]).toEqual([one.id, true])
      expect([one.id, tareG.value >= 120, floorM2 >= 0.01]).toEqual([one.id, true, true])
    }
  })
})
