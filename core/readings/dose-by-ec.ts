import { ecOfFeed } from '../feed/ec'
import { elements, type Feed } from '../feed/feed'
import { EC_PER_MG_N } from '../water/balance'
import { given } from '../working/figure'
import { standard } from '../working/source'

/** A pen that was not put into its solution for so many days drifts [common practice: weekly to fortnightly]. */
const CALIBRATED_FOR_DAYS = 14
/**
 * Days since a pen was put into its solution; null where it never was.
 *
 * @example daysSinceCalibrated('2027-03-01T00:00:00Z', Date.parse('2027-03-03T12:00:00Z')) // 2
 */
export const daysSinceCalibrated = (calibratedAt: string | null, nowMs: number): number | null =>
  calibratedAt === null ? null : Math.floor((nowMs - Date.parse(calibratedAt)) / 86_400_000)
/**
 * Whether it wants its solution again.
 *
 * @example wantsSolution(15) // true
 */
export const wantsSolution = (sinceDays: number | null): boolean =>
  sinceDays === null || sinceDays > CALIBRATED_FOR_DAYS

/** Within so much of what was wanted a dose is right: a spoon is ± 10–15 % [reference §7]. */
const RIGHT_WITHIN = 0.15

/**
 * What a pen says of a feed in the jug: nitrogen by how much more it conducts than the water it was mixed with.
 *
 * @param jugMsPerCm EC of the feed, mS/cm
 * @param waterMsPerCm EC of the water alone, mS/cm
 * @param ecPerMgN mS/cm a mg/L of nitrogen adds: of the feed’s label or its ions [reference §7]; the usual slope where unknown
 * @returns mg/L of nitrogen, 0 or more
 * @throws RangeError where the slope is not above 0
 * @example nitrogenByEc(1, 0.6, 0.01) // ≈ 40.0
 * @example nitrogenByEc(1, 0.6, 0) // throws RangeError
 */
export const nitrogenByEc = (
  jugMsPerCm: number,
  waterMsPerCm: number,
  ecPerMgN: number = EC_PER_MG_N,
): number => {
  if (!(ecPerMgN > 0)) throw new RangeError(`ecPerMgN: ${ecPerMgN} is not above 0`)
  return Math.max(0, (jugMsPerCm - waterMsPerCm) / ecPerMgN)
}

/** What a pen tells of a dose; EC in mS/cm, strengths in mg/L of nitrogen. */
export type DoseFound =
  /** Nobody measured the water: then nothing is concluded. */
  | { readonly kind: 'no water'; readonly jug: number }
  /** Urea makes no ions: however much of it there is, the water conducts no better. */
  | { readonly kind: 'no ions' }
  | { readonly kind: 'less than water'; readonly jug: number; readonly water: number }
  | {
      readonly kind: 'right' | 'too strong' | 'too weak'
      readonly more: number
      readonly found: number
      readonly wanted: number
      /** How far over what was wanted, as a fraction. */
      readonly off: number
      readonly calibrate: boolean
    }

/**
 * What a pen in the jug tells of a dose.
 *
 * @param water EC of the water alone, mS/cm; null where nobody measured it
 * @param sinceDays since the pen was calibrated; null where it never was
 */
export function doseFound(
  jug: number,
  water: number | null,
  ecPerMgN: number,
  wanted: number,
  sinceDays: number | null,
): DoseFound {
  if (water === null) return { kind: 'no water', jug }
  if (!(ecPerMgN > 0)) return { kind: 'no ions' }
  const more = jug - water
  if (more < 0) return { kind: 'less than water', jug, water }
  const found = nitrogenByEc(jug, water, ecPerMgN)
  const off = wanted > 0 ? found / wanted - 1 : 0
  const kind = Math.abs(off) <= RIGHT_WITHIN ? 'right' : off > 0 ? 'too strong' : 'too weak'
  return { kind, more, found, wanted, off, calibrate: wantsSolution(sinceDays) }
}

/** Salts of what drains off, mS/cm, against what roots of that stage bear; with how much water they are flushed out, L. */
export interface DrainFound {
  readonly kind: 'fine' | 'flush'
  readonly drain: number
  readonly most: number
  readonly flushL: number
}
/**
 * @param drain EC of the water that ran out below, mS/cm
 * @param most what the stage bears [reference §6, §7]
 * @param capacityL what the mix holds, L
 */
export const drainFound = (drain: number, most: number, capacityL: number): DrainFound => ({
  kind: drain <= most ? 'fine' : 'flush',
  drain,
  most,
  flushL: 2 * capacityL,
})

/**
 * Salts roots bear, mS/cm: seed before it is up, seedlings, plants that were potted on [handbook, from memory; reference §6].
 *
 * @example drainLimit(5, true) // 3.5
 */
export const drainLimit = (daysUp: number, potted: boolean): number => (potted ? 3.5 : daysUp < 0 ? 1.0 : 2.0)

/** EC that a mg/L of a feed’s nitrogen adds, mS/cm: by its label or its ions; the usual slope where it has no nitrogen. */
export function ecPerMgN(feed: Feed): number {
  const gram = given('Feed', 1, 'g/L', standard('by definition'))
  const mgPerL = elements(feed).n.value * 10
  return mgPerL > 0 ? ecOfFeed(feed, gram).value / mgPerL : EC_PER_MG_N
}
