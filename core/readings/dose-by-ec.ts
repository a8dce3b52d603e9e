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

/**
 * The same in words, with what to do about it.
 *
 * @param waterMsPerCm null where nobody measured the water: then nothing is concluded
 * @param sinceDays since the pen was calibrated; null where it never was
 */
export function saidOfDose(
  jugMsPerCm: number,
  waterMsPerCm: number | null,
  ecPerMgN: number,
  wantedMgPerL: number,
  sinceDays: number | null,
): string {
  if (waterMsPerCm === null)
    return `${jugMsPerCm.toFixed(2)} mS/cm. Measure your water too, and write it down under Feed: the dose is what lies above it.`
  // Urea makes no ions: however much of it there is, the water conducts no better.
  if (!(ecPerMgN > 0))
    return 'This feed does not conduct, so a pen cannot tell how strong it is. Measure it out again.'
  const more = jugMsPerCm - waterMsPerCm
  if (more < 0)
    return `${jugMsPerCm.toFixed(2)} mS/cm, less than your water at ${waterMsPerCm.toFixed(2)}. One of the two is wrong: put the pen into plain water.`
  const found = nitrogenByEc(jugMsPerCm, waterMsPerCm, ecPerMgN)
  const old = wantsSolution(sinceDays) ? ' Calibrate the pen: it may read a few per cent low.' : ''
  const off = wantedMgPerL > 0 ? found / wantedMgPerL - 1 : 0
  const verdict =
    Math.abs(off) <= RIGHT_WITHIN
      ? 'as it should be'
      : off > 0
        ? `too strong; with ${Math.round(off * 100)} % more water it is right`
        : 'too weak; stir, wait until all is dissolved, and look again before you add any'
  return `${more.toFixed(2)} mS/cm more than your water: ${Math.round(found)} mg/L, wanted ${Math.round(wantedMgPerL)}: ${verdict}.${old}`
}

/**
 * Salts of what drains off, against what roots of that stage bear.
 *
 * @param drainMsPerCm EC of the water that ran out below, mS/cm
 * @param mostMsPerCm what the stage bears [reference §6, §7]
 * @param capacityL what the mix holds, L
 */
export function saidOfDrain(drainMsPerCm: number, mostMsPerCm: number, capacityL: number): string {
  const said = `${drainMsPerCm.toFixed(2)} mS/cm drains off; this stage bears ${mostMsPerCm.toFixed(1)}.`
  if (drainMsPerCm <= mostMsPerCm) return `${said} No need to flush.`
  return `${said} Flush it: pour ${(2 * capacityL).toFixed(1)} L of plain water through from above, twice what it holds, let it drain, and measure again.`
}

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
