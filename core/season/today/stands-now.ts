import type { Day } from '../../calendar/day'
import type { PlannedSowing } from '../schedule/sowing'
import type { PlannedRung } from '../schedule/sowing-request'

/** Where a sowing really stands, by what was done. */
export interface Stands {
  readonly rung: PlannedRung
  readonly placeIds: readonly string[]
}

/**
 * Where a sowing stands by what was done, not by what was planned: on its mat until somebody saw that it is up.
 *
 * @param days what was done: `rung-0`, `up`, `rung-1` …, `out`
 * @returns null before it is sown, and after it is planted out where no container of its own goes on
 */
export function standsNow(
  planned: Pick<PlannedSowing, 'rungs'>,
  days: Readonly<Record<string, Day>> | undefined,
): Stands | null {
  if (!days || days.lost) return null
  const last = planned.rungs.at(-1)!
  if (days.out) return last.stage === 'set in' ? { rung: last, placeIds: [last.where.place.id] } : null
  const rung = planned.rungs.findLast(({ index }) => days[`rung-${index}`] !== undefined)
  if (!rung) return null
  const { place, untilUp, elsewhere } = rung.where
  if (rung.index === 0 && !days.up) return { rung, placeIds: [untilUp.id] }
  return { rung, placeIds: [place.id, ...(elsewhere ? [elsewhere.place.id] : [])] }
}
