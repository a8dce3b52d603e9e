import { present } from '../present'
import { errorFunction, probit } from 'simple-statistics'
import { within, type Problem, wrongAt } from '../problem'
import { derive, given, type Figure } from '../working/figure'
import { byDefault, standard, yours } from '../working/source'
import { addDays, daysBetween, type Day } from './day'

/** Nights through the year where there is no frost, °C: the coldest, half a year later the warmest. */
export interface NightsOfYear {
  readonly coldestC: number
  readonly warmestC: number
  /** The day the coldest nights fall on, in the year of the season. */
  readonly coldestOn: Day
}

/** When it freezes; both frosts null where it never does. */
export interface Frosts {
  /** Last frost of spring and first of autumn, as they fall there on average. */
  readonly lastFrost: Day | null
  readonly firstFrost: Day | null
  /** How far the last frost scatters from year to year, one standard deviation in days; ten where nothing is said. */
  readonly frostSpreadDays?: number | null | undefined
  /** Chance of a later frost that is lived with, a fraction; one in ten where nothing is said. */
  readonly frostRisk?: number | null | undefined
  /** Nights where it never freezes. */
  readonly nights?: NightsOfYear | null | undefined
}

/** Dates of last frosts at a place scatter by about ten days [default; long records show seven to fourteen]. */
const SPREAD_DAYS = 10
/** One spring in ten with a later frost [default]. */
const RISK = 0.1
/** Half a year. */
const HALF_YEAR_DAYS = 365.25 / 2
/** Plants that take no harm from a light frost stand nights below this, °C [common practice]. */
const FROST_HARDY_C = 0

export const frostSpreadOf = ({ frostSpreadDays }: Frosts): number => frostSpreadDays ?? SPREAD_DAYS
/**
 * @example frostRiskOf({ frostRisk: 0.3 }) // 0.3
 */
export const frostRiskOf = ({ frostRisk }: Frosts): number => frostRisk ?? RISK
/**
 * @example isFrostFree({ lastFrost: null }) // true
 */
export const isFrostFree = ({ lastFrost }: Frosts): boolean => lastFrost === null

/** What a crop bears, and what gardeners count its days of planting out from. */
export interface Hardiness {
  /** Nights below this harm it, °C. */
  readonly lowestNightC: number
  /** It goes out so many weeks after the average last frost; before it where negative. */
  readonly outAfterFrostWeeks: number
  /** An autumn crop goes out so many weeks before the first frost; null where it is not grown so. */
  readonly weeksBeforeFrost: number | null
}

/**
 * Whether frost harms a crop.
 *
 * @example isTender({ lowestNightC: 12 }) // true
 */
export const isTender = ({ lowestNightC }: Pick<Hardiness, 'lowestNightC'>): boolean =>
  lowestNightC > FROST_HARDY_C

/**
 * The days the season is counted from: its frosts; where there are none, the days on which nights pass their mean on the
 * way up and on the way down.
 *
 * @example seasonEnds({ lastFrost: '2027-05-08', firstFrost: '2027-10-12' }) // ({ last: '2027-05-08', first: '2027-10-12' })
 */
export function seasonEnds({ lastFrost, firstFrost, nights }: Frosts): { last: Day; first: Day } {
  if (lastFrost !== null && firstFrost !== null) return { last: lastFrost, first: firstFrost }
  const from = present(nights).coldestOn
  return { last: addDays(from, HALF_YEAR_DAYS / 2), first: addDays(from, (HALF_YEAR_DAYS * 3) / 2) }
}

/** Days after the coldest on which nights have become so warm; null where they always are, Infinity where never. */
function daysUntilWarm({ coldestC, warmestC }: NightsOfYear, nightC: number): number | null {
  if (coldestC >= nightC) return null
  if (warmestC < nightC) return Infinity
  const half = (warmestC - coldestC) / 2
  return Math.ceil((Math.acos(((coldestC + warmestC) / 2 - nightC) / half) / Math.PI) * HALF_YEAR_DAYS)
}

/** The last frost that is counted on: later than the average, so that only so many springs bring a later one. */
export function frostAtRisk(frosts: Frosts & { lastFrost: Day }): Day {
  return addDays(
    frosts.lastFrost,
    Math.max(0, Math.ceil(probit(1 - frostRiskOf(frosts)) * frostSpreadOf(frosts))),
  )
}

/**
 * First day a crop may go out in spring: so many weeks from the average frost, and for what frost harms not before the
 * frost that is counted on. Where it never freezes, the day the nights are warm enough.
 *
 * @returns null where nights are warm enough all year; 'never' where they never are
 */
export function earliestOut(
  crop: Pick<Hardiness, 'lowestNightC' | 'outAfterFrostWeeks'>,
  frosts: Frosts,
): Day | null | 'never' {
  const { lastFrost, nights } = frosts
  if (lastFrost === null) {
    const days = daysUntilWarm(present(nights), crop.lowestNightC)
    if (days === null) return null
    return days === Infinity ? 'never' : addDays(present(nights).coldestOn, days)
  }
  const usual = addDays(lastFrost, crop.outAfterFrostWeeks * 7)
  const safe = isTender(crop) ? frostAtRisk({ ...frosts, lastFrost }) : usual
  return safe > usual ? safe : usual
}

/** Last day on which an autumn crop may go out, so that it is ready before its cold; null where no cold ends it. */
export function latestOut(
  crop: Pick<Hardiness, 'lowestNightC' | 'weeksBeforeFrost'>,
  { firstFrost, nights }: Frosts,
): Day | null {
  if (crop.weeksBeforeFrost === null) return null
  if (firstFrost !== null) return addDays(firstFrost, -crop.weeksBeforeFrost * 7)
  const days = daysUntilWarm(present(nights), crop.lowestNightC)
  return days === null || days === Infinity
    ? null
    : addDays(present(nights).coldestOn, 2 * HALF_YEAR_DAYS - days - crop.weeksBeforeFrost * 7)
}

/** Chance that the last frost of a spring comes after a day; a fraction. */
export function frostAfter(day: Day, frosts: Frosts & { lastFrost: Day }): Figure {
  const source = frosts.frostSpreadDays == null ? byDefault('ten days') : yours()
  return derive(
    'Chance of a frost after that day',
    'share',
    '(1 - erf(d / (s * sqrt(2)))) / 2',
    {
      d: given('Days after the average last frost', daysBetween(frosts.lastFrost, day), 'days', yours()),
      s: given('Spread of the last frost', frostSpreadOf(frosts), 'days', source),
    },
    ({ d, s }) => (1 - errorFunction(d / (s * Math.SQRT2))) / 2,
    standard('normal distribution').cite,
  )
}

/** What is wrong with the frosts, each at its field. */
export function frostProblems(frosts: Frosts): Problem[] {
  const { lastFrost, firstFrost, nights, frostSpreadDays, frostRisk } = frosts
  const days = [
    ...(lastFrost && firstFrost && firstFrost <= lastFrost ? [wrongAt(['firstFrost'], 'frostsInOrder')] : []),
    ...((lastFrost === null) === (firstFrost === null)
      ? []
      : [wrongAt([lastFrost === null ? 'lastFrost' : 'firstFrost'], 'bothFrosts')]),
    ...(lastFrost === null && firstFrost === null && !nights ? [wrongAt(['lastFrost'], 'bothFrosts')] : []),
  ]
  return [
    ...days,
    ...(frostSpreadDays == null ? [] : within(['frostSpreadDays'], frostSpreadDays, 1, 40, 'days')),
    ...(frostRisk == null ? [] : within(['frostRisk'], frostRisk, 0.01, 0.5, 'share')),
    ...(nights
      ? [
          ...within(['nights', 'coldestC'], nights.coldestC, -5, 30, '°C'),
          ...within(['nights', 'warmestC'], nights.warmestC, -5, 35, '°C'),
          ...(nights.warmestC < nights.coldestC ? [wrongAt(['nights', 'warmestC'], 'nightsInOrder')] : []),
        ]
      : []),
  ]
}
