import { learnedFrom, type Belief, type Learned, type Measured } from '../learning/learning'
import { dry, ecOf, plainStore, water, type Conditions, type Contents, type Store } from './balance'
import { GONE_BY_FEEL, type WateringEvent, type Moment } from './watering-events'
import { freshMassG } from './plant-stand'
import { MIST, type TrayStore } from './tray-store'

/*
 * A tray followed through time by what is known of it: computed between, corrected by every weighing, lift and look; and
 * what they say of its thirst is learned.
 */

/** The thirst of a tray against what is computed [default: the formula is right within a third]. */
export const FACTOR: Belief = { mean: 1, sd: 0.35 }
/** Days differ from one another by so much of their loss [default]. */
const DAYS_DIFFER = 0.1
/** What a mix holds is known so far before it was weighed [handbook: retention scatters by 15 %]. */
const CAPACITY_SD = 0.08
/** A soak from below fills it so far [default]. */
const SOAK_SD = 0.04
/** A drop smaller than this part of the easily available water says nothing of the thirst. */
const TELLS_FROM = 0.06
/** A measurement farther off than so many standard deviations is doubted, not used. */
const WILD = 4
const MIN_FACTOR = 0.05

export interface Followed {
  readonly store: TrayStore
  /** From the beginning to `until`, in order. */
  readonly path: readonly Point[]
  readonly now: Point
  /** The tray’s thirst against what is computed, and from how many measured intervals. */
  readonly factor: Learned
  /** Soaked and drained it weighs, without plants, g. */
  readonly fullG: Learned
  /** Measurements that do not agree with the rest, by their place in the list. */
  readonly doubted: readonly number[]
  /** When anything was last known of it. */
  readonly knownAt: Moment
}
/** A tray at one hour. */
export interface Point {
  readonly at: Moment
  readonly waterL: number
  /** One standard deviation, L. */
  readonly sdL: number
  readonly ecMsPerCm: number
  readonly nitrogenMg: number
  /** What plants weigh in it, g. */
  readonly plantsG: number
}

/** Where the following begins. */
export interface Beginning {
  readonly at: Moment
  readonly contents: Contents
  /** L. */
  readonly sdL: number
}

/** What a point weighs, g: with its tray, its mix and its plants. */
export const weightAt = ({ store, fullG }: Pick<Followed, 'store' | 'fullG'>, point: Point): number =>
  fullG.mean - 1000 * (store.capacityL.value - point.waterL) + point.plantsG

type ConditionsAt = (at: Moment, factor: number) => Conditions

/**
 * @param conditionsAt what the tray stands in at an hour, with a thirst
 * @param wateringEvents in any order; those after `now` or before the beginning are left out
 * @param until the path goes on to here without water
 */
export function follow(
  store: TrayStore,
  from: Beginning,
  conditionsAt: ConditionsAt,
  wateringEvents: readonly WateringEvent[],
  now: Moment,
  until: Moment = now,
): Followed {
  const inOrder = wateringEvents
    .map((one, index) => ({ one, index }))
    .filter(({ one }) => one.at >= from.at && one.at <= now)
    .sort((a, b) => a.one.at - b.one.at || a.index - b.index)
  const full = fullOf(
    store,
    inOrder.map(({ one }) => one),
    conditionsAt,
  )
  const { factor, doubted } = learn(store, conditionsAt, inOrder, full)
  return {
    store,
    factor,
    fullG: full,
    doubted,
    ...walk(store, from, conditionsAt, inOrder, { now, until, factor, full, doubted }),
  }
}

/** What it weighs soaked and drained, by its dimensions until somebody weighed it. */
function fullOf(
  store: TrayStore,
  wateringEvents: readonly WateringEvent[],
  conditionsAt: ConditionsAt,
): Learned {
  const { capacityL, fullG, dryMixG, tareG } = store
  const prior = {
    mean: fullG.value,
    sd: Math.hypot(1000 * capacityL.value * CAPACITY_SD, 0.12 * dryMixG.value, 0.3 * tareG.value),
  }
  const drains = 1000 * capacityL.value * SOAK_SD
  return learnedFrom(
    prior,
    wateringEvents.flatMap((one): Measured[] => {
      if (one.kind !== 'weighed' || one.moment === 'now') return []
      const { stand, daysUp } = conditionsAt(one.at, 1)
      return one.moment === 'watered'
        ? [{ mean: one.grams - freshMassG(stand, daysUp), sd: Math.hypot(one.sdG, drains / 2) }]
        : [
            {
              mean: one.grams + 1000 * capacityL.value,
              sd: Math.hypot(one.sdG, 1000 * capacityL.value * CAPACITY_SD),
            },
          ]
    }),
  )
}

/** Water by a measurement, L; null where it tells nothing of it. */
function waterBy(store: TrayStore, one: WateringEvent, full: Belief, plantsG: number): Belief | null {
  const capacity = store.capacityL.value
  if (one.kind === 'felt') {
    const { mean, sd } = GONE_BY_FEEL[one.feels]
    return { mean: capacity - mean * store.easyL.value, sd: sd * store.easyL.value }
  }
  if (one.kind === 'weighed' && one.moment === 'now')
    return {
      mean: capacity - (full.mean - (one.grams - plantsG)) / 1000,
      sd: Math.hypot(full.sd, one.sdG) / 1000,
    }
  if (one.kind === 'weighed' && one.moment === 'watered') return { mean: capacity, sd: SOAK_SD * capacity }
  return null
}

interface Numbered {
  readonly one: WateringEvent
  readonly index: number
}

/**
 * Every stretch of drying between two measurements says how thirsty the tray is: what really went against what was
 * computed, each with its spread.
 */
function learn(
  tray: TrayStore,
  conditionsAt: ConditionsAt,
  inOrder: readonly Numbered[],
  full: Learned,
): { factor: Learned; doubted: number[] } {
  const store = plainStore(tray)
  const measured: Measured[] = []
  const doubted: number[] = []
  let factor = learnedFrom(FACTOR, [])
  let anchor: { at: Moment; level: Belief; grams: number | null; sdG: number } | null = null
  for (const { one, index } of inOrder) {
    if (one.kind === 'watered') {
      // Only a soak says how much is in it; anything else breaks the stretch.
      anchor =
        one.how !== 'mist' && one.litres === null
          ? {
              at: one.at,
              level: { mean: store.capacityL, sd: SOAK_SD * store.capacityL },
              grams: null,
              sdG: 0,
            }
          : null
      continue
    }
    const { stand, daysUp } = conditionsAt(one.at, 1)
    const level = waterBy(tray, one, full, freshMassG(stand, daysUp))
    if (!level) continue
    const grams: number | null = one.kind === 'weighed' ? one.grams - freshMassG(stand, daysUp) : null
    const sdG = one.kind === 'weighed' ? one.sdG : 0
    if (anchor && one.at > anchor.at) {
      const computed = dryFor(store, anchor.level.mean, conditionsAt, anchor.at, one.at, 1).lostL
      const bothWeighed = anchor.grams !== null && grams !== null
      const drop = bothWeighed ? (anchor.grams! - grams!) / 1000 : anchor.level.mean - level.mean
      const sd = bothWeighed ? Math.hypot(anchor.sdG, sdG) / 1000 : Math.hypot(anchor.level.sd, level.sd)
      if (computed > TELLS_FROM * store.easyL) {
        const ratio = { mean: drop / computed, sd: Math.hypot(sd / computed, DAYS_DIFFER) }
        const off = Math.abs(ratio.mean - factor.mean) / Math.hypot(ratio.sd, factor.sd)
        if (off > WILD) {
          doubted.push(index)
          continue
        }
        measured.push(ratio)
        factor = learnedFrom(FACTOR, measured)
      }
    }
    anchor = { at: one.at, level, grams, sdG }
  }
  return { factor: { ...factor, mean: Math.max(MIN_FACTOR, factor.mean) }, doubted }
}

/** Drying between two hours, the conditions of each step at its middle. */
function dryFor(
  store: Store,
  waterL: number,
  conditionsAt: ConditionsAt,
  from: Moment,
  until: Moment,
  factor: number,
  contents: Contents = { waterL, salts: 0, nitrogenMg: 0 },
): { contents: Contents; lostL: number } {
  let lostL = 0
  let at = from
  while (at < until - 1e-9) {
    const hours = Math.min(POINT_HOURS, until - at)
    const step = dry(store, contents, conditionsAt(at, factor), hours)
    contents = step.contents
    lostL += step.lostL
    at += hours
  }
  return { contents, lostL }
}

/** Hours between two points of the path. */
export const POINT_HOURS = 6

function walk(
  tray: TrayStore,
  from: Beginning,
  conditionsAt: ConditionsAt,
  inOrder: readonly Numbered[],
  {
    now,
    until,
    factor,
    full,
    doubted,
  }: { now: Moment; until: Moment; factor: Learned; full: Learned; doubted: readonly number[] },
): Pick<Followed, 'path' | 'now' | 'knownAt'> {
  const store = plainStore(tray)
  const path: Point[] = []
  let contents = from.contents
  let at = from.at
  let base = from.sdL
  let lostSince = 0
  let knownAt = from.at
  const relative = Math.hypot(factor.sd / factor.mean, DAYS_DIFFER)
  const sdL = () => Math.min(Math.hypot(base, relative * lostSince), store.capacityL / 2)
  const plantsG = (moment: Moment) => {
    const { stand, daysUp } = conditionsAt(moment, 1)
    return freshMassG(stand, daysUp)
  }
  const mark = () =>
    path.push({
      at,
      waterL: contents.waterL,
      sdL: sdL(),
      ecMsPerCm: ecOf(contents),
      nitrogenMg: contents.nitrogenMg,
      plantsG: plantsG(at),
    })
  const goTo = (target: Moment) => {
    while (at < target - 1e-9) {
      const hours = Math.min(POINT_HOURS, target - at)
      const step = dryFor(store, contents.waterL, conditionsAt, at, at + hours, factor.mean, contents)
      contents = step.contents
      lostSince += step.lostL
      at += hours
      mark()
    }
  }
  mark()
  for (const { one, index } of inOrder) {
    if (doubted.includes(index)) continue
    goTo(one.at)
    if (one.kind === 'watered') {
      const spread = sdL()
      const given = litresOf(store, contents, one, tray.areaM2)
      contents = water(store, contents, {
        litres: given,
        how: one.how === 'below' ? 'below' : 'above',
        ecMsPerCm: one.ecMsPerCm,
        nMgPerL: one.nMgPerL,
      }).contents
      // A soak, or more than it could lack, fills it whatever it was before.
      base =
        contents.waterL >= store.capacityL - 1e-9
          ? SOAK_SD * store.capacityL
          : Math.hypot(spread, 0.1 * given)
      lostSince = 0
      knownAt = at
    } else {
      const said = waterBy(tray, one, full, plantsG(at))
      if (said) {
        const both = learnedFrom({ mean: contents.waterL, sd: Math.max(1e-4, sdL()) }, [said])
        contents = {
          ...contents,
          waterL: Math.max(store.floorL, Math.min(store.capacityL * 1.02, both.mean)),
        }
        base = both.sd
        lostSince = 0
        knownAt = at
      }
    }
    mark()
  }
  goTo(now)
  const here = path.at(-1)!
  goTo(until)
  return { path, now: here, knownAt }
}

function litresOf(
  { capacityL }: Store,
  { waterL }: Contents,
  { how, litres, backL }: Extract<WateringEvent, { kind: 'watered' }>,
  areaM2: number,
): number {
  if (litres !== null) return Math.max(0, litres - (how === 'below' ? (backL ?? 0) : 0))
  return how === 'mist' ? MIST.value * areaM2 : Math.max(0, capacityL - waterL)
}
