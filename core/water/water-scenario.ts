import { present } from '../present'
import { GONE_WHEN_WATERED } from '../feed/drink'
import { letGoMg, SEED_FEEDS_ITSELF_DAYS, type MixFood } from '../media/food'
import { WET_GONE } from './tray-store'
import { dry, ecOf, water, type Conditions, type Contents, type Store } from './balance'

/*
 * Six weeks of a tray in a moment: a habit of watering tried out before a seedling pays for it.
 */

export const WATERING_HABITS = [
  'every day',
  'every second day',
  'every third day',
  'when light',
  'reservoir',
] as const
export type WateringHabit = (typeof WATERING_HABITS)[number]

export interface ScenarioRequest {
  readonly store: Store
  /** Total pores of its mix, L: what is not water is air. */
  readonly poresL: number
  readonly mixL: number
  readonly food: MixFood
  readonly conditions: Omit<Conditions, 'covered' | 'daysUp' | 'factor'>
  /** Days from sowing until it is up; a cover comes off then. */
  readonly upAfterDays: number
  readonly coveredUntilUp: boolean
  readonly habit: WateringHabit
  readonly how: 'above' | 'below'
  /** Water it is given. */
  readonly ecMsPerCm: number
  /** Feed from the true leaves on, with every watering that is due so many days after the last feed. */
  readonly feed: {
    readonly nMgPerL: number
    readonly ecMsPerCm: number
    readonly everyDays: number
    readonly fromDaysUp: number
  } | null
  readonly days: number
}

/** A day of it, as it ended. */
export interface ScenarioDay {
  readonly waterL: number
  /** Of the easily available water so much is gone: above 1 it wilts. */
  readonly gone: number
  /** Air of the mix, a fraction of its volume. */
  readonly air: number
  readonly ecMsPerCm: number
  /** Nitrogen within reach, mg. */
  readonly nitrogenMg: number
  readonly givenL: number
  readonly backL: number
  readonly lostL: number
  readonly fed: boolean
}
export interface WaterScenario {
  readonly days: readonly ScenarioDay[]
  readonly givenL: number
  readonly drunkL: number
  readonly lostL: number
  readonly timesWatered: number
  /** Days on which leaves hang at the end of the day. */
  readonly wiltDays: number
  /** Days that stayed wet, once it was up. */
  readonly wetDays: number
  /** First day without food within reach, once it was up; null where there always was. */
  readonly hungryFrom: number | null
  readonly highestEc: number
}

const EVERY: Partial<Record<WateringHabit, number>> = {
  'every day': 1,
  'every second day': 2,
  'every third day': 3,
}
/** A reservoir keeps a mix just short of soaked [default]. */
const WICKED = 0.97
/** A little more than it drinks is poured. */
const POURS = 1.15

/** @throws RangeError for days outside 1 to 365 */
export function waterScenario(request: ScenarioRequest): WaterScenario {
  const { store, food, conditions, habit, feed } = request
  if (!(request.days >= 1 && request.days <= 365))
    throw new RangeError(`days: ${request.days} is not 1 to 365`)
  const starterMg = letGoMg(food, request.mixL * 1000, 0)
  let contents: Contents = {
    waterL: store.capacityL,
    salts: store.capacityL * request.ecMsPerCm,
    nitrogenMg: starterMg,
  }
  let released = starterMg
  let lastFed = -Infinity
  const days: ScenarioDay[] = []
  const sums = { givenL: 0, drunkL: 0, lostL: 0, timesWatered: 0, wiltDays: 0, wetDays: 0, highestEc: 0 }
  let hungryFrom: number | null = null
  for (let day = 0; day < request.days; day++) {
    const daysUp = day - request.upAfterDays
    const gone = (store.capacityL - contents.waterL) / store.easyL
    const isDue =
      habit === 'reservoir'
        ? contents.waterL < WICKED * store.capacityL
        : habit === 'when light'
          ? gone >= GONE_WHEN_WATERED
          : day > 0 && day % present(EVERY[habit]) === 0 && (daysUp >= 0 || !request.coveredUntilUp)
    let givenL = 0
    let backL = 0
    let fed = false
    if (isDue) {
      const lacks = Math.max(0, (habit === 'reservoir' ? WICKED : 1) * store.capacityL - contents.waterL)
      fed = feed !== null && daysUp >= feed.fromDaysUp && day - lastFed >= feed.everyDays
      if (fed) lastFed = day
      givenL = habit === 'reservoir' ? lacks : lacks * POURS
      const done = water(store, contents, {
        litres: givenL,
        how: habit === 'reservoir' ? 'below' : request.how,
        ecMsPerCm: request.ecMsPerCm + (fed ? present(feed).ecMsPerCm : 0),
        nMgPerL: fed ? present(feed).nMgPerL : 0,
      })
      contents = done.contents
      backL = done.backL
      sums.timesWatered++
    }
    const letGo = letGoMg(food, request.mixL * 1000, day + 1)
    contents = { ...contents, nitrogenMg: contents.nitrogenMg + letGo - released }
    released = letGo
    const covered = request.coveredUntilUp && daysUp < 0
    const step = dry(store, contents, { ...conditions, covered, daysUp, factor: 1 }, 24)
    contents = step.contents
    const after = (store.capacityL - contents.waterL) / store.easyL
    const ec = ecOf(contents)
    days.push({
      waterL: contents.waterL,
      gone: after,
      air: Math.max(0, request.poresL - contents.waterL) / request.mixL,
      ecMsPerCm: ec,
      nitrogenMg: contents.nitrogenMg,
      givenL,
      backL,
      lostL: step.lostL,
      fed,
    })
    sums.givenL += givenL
    sums.drunkL += givenL - backL
    sums.lostL += step.lostL
    sums.highestEc = Math.max(sums.highestEc, ec)
    if (daysUp >= 0 && after > 1) sums.wiltDays++
    if (daysUp >= 0 && after < WET_GONE) sums.wetDays++
    if (hungryFrom === null && daysUp > SEED_FEEDS_ITSELF_DAYS && contents.nitrogenMg <= 1e-9)
      hungryFrom = day
  }
  return { days, ...sums, hungryFrom }
}

/** Many at once, as a worker does them; tells how far it is, 0–1. */
export function waterScenarios(
  requests: readonly ScenarioRequest[],
  tell: (done: number) => void = () => {},
): WaterScenario[] {
  return requests.map((request, i) => {
    if (i % 100 === 0) tell(i / requests.length)
    return waterScenario(request)
  })
}

/** A day of hanging leaves weighs as much as so many wet ones [default]. */
const WILT_WEIGHS = 3
/** Less of a difference than this is none. */
const NO_MATTER = 2

/** Which of two was kinder to the plants: 0 or 1; null where it makes no difference. A third of wet days is no harm. */
export function kinderOf(one: WaterScenario, other: WaterScenario): 0 | 1 | null {
  const harm = ({ wiltDays, wetDays, days }: WaterScenario) =>
    wiltDays * WILT_WEIGHS + Math.max(0, wetDays - days.length / 3)
  const apart = harm(one) - harm(other)
  return Math.abs(apart) < NO_MATTER ? null : apart < 0 ? 0 : 1
}
