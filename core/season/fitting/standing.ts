import type { Crop } from '../../sowing/crop'
import { daysBetween, type Day } from '../../calendar/day'
import { loadOf } from '../demand/demand'
import { earliestOut } from '../../calendar/frost'
import type { SeasonFrame } from '../frame'
import type { Standing } from './repair'
import type { PlannedSowing } from '../schedule/sowing'

/** A sowing may be moved by so many days to make the shelf fit [default]. */
const EARLIER_DAYS = 14
const LATER_DAYS = 28

/**
 * A sowing as it stands on the shelf, and how far it may be moved: not at all once it is sown, never before today, and
 * never out before its frost.
 *
 * @param from the day the season is counted from
 * @param placeId the place that is too full
 */
export function standingOf(
  { id, planned, crop }: { id: string; planned: PlannedSowing; crop: Crop },
  frame: SeasonFrame,
  from: Day,
  today: Day,
  isSown: boolean,
  placeId: string,
): Standing {
  const days = Math.max(1, daysBetween(planned.sowOn, planned.outOn))
  const safe = earliestOut(crop, frame)
  const free = safe === null || safe === 'never' ? EARLIER_DAYS : daysBetween(safe, planned.outOn)
  const room = Math.min(daysBetween(today, planned.sowOn), free, EARLIER_DAYS)
  const fixed = isSown || planned.sowOn <= today
  return {
    id,
    start: daysBetween(from, planned.sowOn),
    flats: loadOf([{ planned }], planned.sowOn, days).places.get(placeId) ?? [],
    earliest: fixed ? 0 : -Math.max(0, room),
    latest: fixed ? 0 : LATER_DAYS,
  }
}
