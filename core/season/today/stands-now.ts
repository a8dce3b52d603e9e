import { last as lastOf } from '../../numeric/at'
import type { Day } from '../../calendar/day'
import type { PlannedSowing } from '../schedule/sowing'
import type { PlannedStage } from '../schedule/sowing-request'

/** Where a sowing really stands, by what was done. */
export interface Stands {
  readonly stage: PlannedStage
  readonly placeIds: readonly string[]
}

/**
 * Where a sowing stands by what was done, not by what was planned: on its mat until somebody saw that it is up.
 *
 * @param days what was done: `stage-0`, `up`, `stage-1` …, `out`
 * @returns null before it is sown, and after it is planted out where no container of its own goes on
 */
export function standsNow(
  planned: Pick<PlannedSowing, 'stages'>,
  days: Readonly<Record<string, Day>> | undefined,
): Stands | null {
  if (!days || days.lost) return null
  const last = lastOf(planned.stages)
  if (days.out) return last.kind === 'set in' ? { stage: last, placeIds: [last.where.place.id] } : null
  const stage = planned.stages.findLast(({ index }) => days[`stage-${index}`] !== undefined)
  if (!stage) return null
  const { place, untilUp, elsewhere } = stage.where
  if (stage.index === 0 && !days.up) return { stage, placeIds: [untilUp.id] }
  return { stage, placeIds: [place.id, ...(elsewhere ? [elsewhere.place.id] : [])] }
}
