import { addDays, type Day } from '../../calendar/day'
import { isIndoors } from '../../places/place'
import { isLamp } from '../../places/place-light'
import type { JobKind, TodayRow } from './job'

/** A short while in which something small decides much. It comes, and it is gone again: nothing here is ever late. */
export interface Moment {
  readonly kind: JobKind
  readonly stage: number
  readonly on: Day
  /** After this day nobody is asked any more. */
  readonly until: Day
}

/** Days after something at which the next thing is looked for [common practice]. */
const THIN_AFTER_UP = 7
const FAN_AFTER_UP = 5
const ROOTS_BEFORE_POTTING = 4
const SETTLE_AFTER_MOVE = 2
/** How long each is asked for. */
const ASKED_DAYS = { uncover: 4, thin: 14, fan: 7, settle: 2 }

/**
 * The moments of a sowing by what was done: cover off and lamp on with the first sprout, one plant left in each cell,
 * moving air, a look at the roots before potting up, and another after.
 */
export function momentsOf({ planned, crop }: TodayRow, days: Readonly<Record<string, Day>>): Moment[] {
  const [first] = planned.stages
  const moments: Moment[] = []
  const ask = (kind: JobKind, stage: number, on: Day, until: Day) => moments.push({ kind, stage, on, until })
  const { up } = days
  if (up && first) {
    const { untilUp, place } = first.where
    const sown = first.kind === 'sow' && !days['stage-1']
    if (untilUp.cover !== 'none' || untilUp !== place || (place.light && isLamp(place.light)))
      ask('uncover', 0, up, addDays(up, ASKED_DAYS.uncover))
    if (sown && planned.perCell * crop.seedlings > 1 && !crop.clump)
      ask('thin', 0, addDays(up, THIN_AFTER_UP), addDays(up, THIN_AFTER_UP + ASKED_DAYS.thin))
    if (isIndoors(place) && !days['stage-1'])
      ask('fan', 0, addDays(up, FAN_AFTER_UP), addDays(up, FAN_AFTER_UP + ASKED_DAYS.fan))
  }
  for (const stage of planned.stages) {
    const moved = days[`stage-${stage.index}`]
    const before = planned.stages[stage.index - 1]
    if (moved && (stage.kind === 'prick out' || stage.kind === 'pot up')) {
      const on = addDays(moved, SETTLE_AFTER_MOVE)
      ask('settle', stage.index, on, addDays(on, ASKED_DAYS.settle))
    }
    if (stage.kind !== 'pot up' || moved || !before || !days[`stage-${before.index}`]) continue
    const on = addDays(stage.dueOn, -ROOTS_BEFORE_POTTING)
    if (on > before.from && (before.index > 0 || up)) ask('roots', stage.index, on, stage.dueOn)
  }
  return moments
}
