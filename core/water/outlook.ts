import { at as elementAt } from '../numeric/at'
import { derive, given, type Figure } from '../working/figure'
import { byDefault, practice, yours } from '../working/source'
import { lossFigure, plainStore, type Conditions } from './balance'
import { AIR_SOURCE } from './climate'
import type { Followed, Point } from './follow'
import type { Moment, Watering } from './watering-events'
import { LEFT_IN_TRAY, SOAK_DEPTH } from '../feed/drink'
import { MIST, waterAgainAt, wetAbove, type TrayStore } from './tray-store'

/** How water is brought to seedlings of that age. */
export interface Way {
  readonly how: Watering
  readonly why: 'big container' | 'not up' | 'just up' | 'up'
  readonly minutes: number | null
}

/** Days after they are up in which the dents still settle. */
const ROSE_DAYS = 2

/**
 * From above by mist until it is up, then a gentle rose until the dents have settled, then from below [common practice].
 *
 * @example wayOf(-1, false).how // 'mist'
 */
export function wayOf(daysUp: number, large: boolean): Way {
  if (large)
    return {
      how: 'above',
      why: 'big container',
      minutes: null,
    }
  if (daysUp < 0)
    return {
      how: 'mist',
      why: 'not up',
      minutes: null,
    }
  if (daysUp < ROSE_DAYS)
    return {
      how: 'above',
      why: 'just up',
      minutes: null,
    }
  return { how: 'below', why: 'up', minutes: 20 }
}

export type WaterVerdict = 'water' | 'tomorrow' | 'later' | 'look' | 'let dry'

/** What a tray wants of water. */
export interface Outlook {
  readonly verdict: WaterVerdict
  /** When it is time, and how far that may be off either way: four times out of five; null where not within the path. */
  readonly dueAt: Moment | null
  readonly earlyAt: Moment | null
  readonly lateAt: Moment | null
  /** What it drinks when it is time, L; today where that is today. */
  readonly drinksL: Figure
  /** What has to stand in the tray, L, and how high, mm; null where it is not watered from below. */
  readonly pourL: Figure
  readonly standsMm: Figure | null
  /** What comes back after the soak, L. */
  readonly backL: Figure
  readonly way: Way
  /** It loses in a day as it stands, L. */
  readonly lossPerDayL: Figure
  /** Part of its easily available water that is gone, 0 and more. */
  readonly gone: number
  /** Days of the last seven on which it stayed wet. */
  readonly wetDays: number
}

/** Four times out of five it lies between. */
const EIGHTY = 1.2816
/** With a spread of more than so much of the easily available water nobody knows: it is lifted or looked at. */
const UNKNOWN = 0.45
/** Days without any word after which it is looked at. */
const SILENT_DAYS = 3
/** So many wet days of seven are too many. */
export const TOO_MANY_WET_DAYS = 4

/**
 * What a tray wants of water, on a path that goes on for some days without any.
 *
 * @param today the hour the day ends in which it counts as today
 */
export function outlookOf(
  followed: Followed,
  conditions: Conditions,
  { endOfDay, large }: { endOfDay: Moment; large: boolean },
): Outlook {
  const { store, path, now } = followed
  const threshold = waterAgainAt(store).value
  // From now itself on: what it was a moment before it was watered is past.
  const ahead = path.slice(path.indexOf(now))
  const crossing = (k: number) => crosses(ahead, ({ waterL, sdL }) => waterL + k * sdL, threshold)
  const dueAt = crossing(0)
  const earlyAt = crossing(-EIGHTY)
  const gone = (store.capacityL.value - now.waterL) / store.easyL.value
  const wetDays = wetDaysOf(path, now.at, store)
  const silent = now.at - followed.knownAt
  const unsure = now.sdL > UNKNOWN * store.easyL.value && silent > SILENT_DAYS * 24
  const dueToday = dueAt !== null && dueAt <= endOfDay
  const verdict: WaterVerdict =
    unsure && (dueToday || (earlyAt !== null && earlyAt <= endOfDay))
      ? 'look'
      : dueToday
        ? 'water'
        : wetDays >= TOO_MANY_WET_DAYS && conditions.daysUp >= 0
          ? 'let dry'
          : dueAt !== null && dueAt <= endOfDay + 24
            ? 'tomorrow'
            : 'later'
  const way = wayOf(conditions.daysUp, large)
  return {
    verdict,
    dueAt,
    earlyAt,
    lateAt: crossing(EIGHTY),
    // What is not due yet is poured when it is: then it lacks what is gone by then.
    ...pourOf(store, dueToday || dueAt === null ? now.waterL : threshold, way),
    way,
    lossPerDayL: lossFigure(
      plainStore(store),
      now.waterL,
      conditions,
      given(
        'How fast it dries, against the estimate',
        followed.factor.mean,
        '',
        followed.factor.n > 0
          ? yours(`from ${followed.factor.n} measured intervals`)
          : byDefault('two weighings or lifts correct it'),
      ),
      AIR_SOURCE,
    ),
    gone,
    wetDays,
  }
}

/** When a falling line first lies at or under a height; null where it stays above. */
function crosses(points: readonly Point[], of: (point: Point) => number, height: number): Moment | null {
  let before: Point | undefined
  for (const point of points) {
    const level = of(point)
    if (level <= height) {
      if (!before) return point.at
      const above = of(before)
      return before.at + ((above - height) / Math.max(1e-12, above - level)) * (point.at - before.at)
    }
    before = point
  }
  return null
}

function pourOf(store: TrayStore, waterL: number, { how }: Way) {
  const drinksL = derive(
    'It drinks',
    'L',
    'max(0, w - n)',
    {
      w: store.capacityL,
      n: given('Water in it by then', waterL, 'L', byDefault('estimated since it was last known')),
    },
    ({ w, n }) => Math.max(0, w - n),
  )
  if (how !== 'below') {
    const pourL =
      how === 'mist'
        ? derive(
            'A mist',
            'L',
            'm * A',
            {
              m: MIST,
              A: given('Open top of its cells', store.areaM2, 'm²', byDefault('by its dimensions')),
            },
            ({ m, A }) => m * A,
          )
        : derive(
            'Pour over it',
            'L',
            'd * (1 + r)',
            { d: drinksL, r: LEFT_IN_TRAY },
            ({ d, r }) => d * (1 + r),
          )
    return {
      drinksL,
      pourL,
      standsMm: null,
      backL: derive('Comes back', 'L', 'max(0, p - d)', { p: pourL, d: drinksL }, ({ p, d }) =>
        Math.max(0, p - d),
      ),
    }
  }
  const floor = given('Floor of the tray', store.floorM2, 'm²', practice('a solid tray of 28 × 54 cm'))
  const least = derive(
    'To stand at a quarter of the cells',
    'L',
    'A * h * k',
    {
      A: floor,
      h: given('Depth of the cells', store.cellDepthMm, 'mm', byDefault('the container’s own')),
      k: SOAK_DEPTH,
    },
    ({ A, h, k }) => A * h * k,
  )
  const pourL = derive(
    'Into the tray',
    'L',
    'ceil(20 * max(d * (1 + r), d + s / 2)) / 20',
    { d: drinksL, r: LEFT_IN_TRAY, s: least },
    ({ d, r, s }) => Math.ceil(20 * Math.max(d * (1 + r), d + s / 2)) / 20,
    'What it drinks, and enough that the last of it still reaches the holes; in twentieths of a litre, as a jug is read.',
  )
  return {
    drinksL,
    pourL,
    standsMm: derive('Depth of water at first', 'mm', 'p / A', { p: pourL, A: floor }, ({ p, A }) => p / A),
    backL: derive('Comes back', 'L', 'p - d', { p: pourL, d: drinksL }, ({ p, d }) => p - d),
  }
}

const WEEK_H = 7 * 24
/** Days of the last seven in which it was wet: hours above the threshold, in days. */
function wetDaysOf(path: readonly Point[], now: Moment, store: TrayStore): number {
  const wet = wetAbove(store)
  let hours = 0
  for (let i = 1; i < path.length; i++) {
    const [a, b] = [elementAt(path, i - 1), elementAt(path, i)]
    if (b.at > now) break
    const from = Math.max(a.at, now - WEEK_H)
    if (b.at <= from) continue
    if ((a.waterL + b.waterL) / 2 >= wet) hours += b.at - from
  }
  return Math.round((hours / 24) * 10) / 10
}
