import { last as lastOf } from '../numeric/at'
import { daysBetween, type Day } from '../calendar/day'
import type { Place } from '../places/place'
import { derive, given, type Figure } from '../working/figure'
import { yours } from '../working/source'
import { daysToEmergence, type Emergence } from './emergence'

/** Warmth of one day in one place, °C, as it was measured. */
export interface DayWarmth {
  readonly on: Day
  readonly lowC: number
  readonly highC: number
  /** The mean of many readings; of low and high where there are no more. */
  readonly meanC: number | null
}

/** What the mix of a place was like from day to day, °C; none for days nobody measured. */
export type WarmthSince = (place: Place, plannedC: number) => ReadonlyMap<Day, number>

/** Half of a day is day: the mean of low and high [standard: the simple average of FAO-56 and of weather services]. */
export const meanOf = ({ lowC, highC, meanC }: DayWarmth): number => meanC ?? (lowC + highC) / 2

/**
 * Degree days of one day over a base, by a single sine through low and high, °C·day [Baskerville & Emin 1969]: a cold night
 * takes nothing away from a warm noon.
 *
 * @param topC above which no more is gained: a horizontal cut-off; Infinity for none
 * @throws RangeError where the low is above the high
 * @example degreeDays(12, 20, 10) // 6
 * @example degreeDays(20, 12, 10) // throws RangeError
 */
export function degreeDays(lowC: number, highC: number, baseC: number, topC = Infinity): number {
  if (!(lowC <= highC)) throw new RangeError(`lowC: ${lowC} is above ${highC}`)
  return over(lowC, highC, baseC) - (topC === Infinity ? 0 : over(lowC, highC, topC))
}
function over(lowC: number, highC: number, baseC: number): number {
  if (highC <= baseC) return 0
  const mean = (lowC + highC) / 2
  if (lowC >= baseC) return mean - baseC
  const half = (highC - lowC) / 2
  const theta = Math.asin((baseC - mean) / half)
  return ((mean - baseC) * (Math.PI / 2 - theta) + half * Math.cos(theta)) / Math.PI
}

/** Most days that are looked through. */
const MAX_DAYS = 200

/**
 * Days to emergence by the warmth a tray really had: each day it gets on by one over the days it would take at that day's
 * temperature; a day that was too cold or too hot does nothing. Days nobody measured, and those to come, run as planned.
 *
 * @param planned days at the planned warmth
 * @param warmth of the mix on each day, °C
 * @returns the planned figure where nothing was measured
 */
export function daysByWarmth(
  { emergence }: { readonly emergence: Emergence },
  planned: Figure,
  sownOn: Day,
  warmth: ReadonlyMap<Day, number>,
): Figure {
  let done = 0
  let days = 0
  let measured = 0
  const since = [...warmth].filter(([on]) => on >= sownOn).sort(([a], [b]) => (a < b ? -1 : 1))
  if (since.length === 0) return planned
  const last = daysBetween(sownOn, lastOf(since)[0])
  const byDay = new Map(since.map(([on, mixC]) => [daysBetween(sownOn, on), mixC]))
  // What a packet or the household says of this seed beside the table holds at every warmth.
  const pace = (mixC: number | undefined): number => {
    if (mixC === undefined) return 1 / planned.value
    const at = daysToEmergence(emergence, mixC)
    return at ? 1 / at.value : 0
  }
  for (; days <= last && done < 1 && days < MAX_DAYS; days++) {
    const mixC = byDay.get(days)
    if (mixC !== undefined) measured++
    const gain = pace(mixC)
    if (done + gain >= 1) {
      days += (1 - done) / gain
      done = 1
      break
    }
    done += gain
  }
  return derive(
    'Days to emergence, by the warmth it had',
    'days',
    'd + (1 - p) * n',
    {
      d: given(
        `Days since it was sown, ${measured} of them measured`,
        days,
        'days',
        yours('temperatures of its place'),
      ),
      p: given(
        'So far on by then, by the table at each day’s warmth',
        Math.min(1, done),
        'share',
        yours('temperatures of its place'),
      ),
      n: planned,
    },
    ({ d, p, n }) => d + (1 - p) * n,
    'The rate, one over days, is added up day by day; what is left runs at the planned warmth.',
  )
}
