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

type Days = Readonly<Record<string, Day>>
const during = (kind: JobKind, stage: number, on: Day, days: number): Moment => ({
  kind,
  stage,
  on,
  until: addDays(on, days),
})

/** With the first sprout: cover off and lamp on, later one plant left in each cell, and moving air. */
function onceUp({ planned, crop }: TodayRow, up: Day, moved: boolean): Moment[] {
  const [first] = planned.stages
  if (!first) return []
  const { untilUp, place } = first.where
  const isCovered = untilUp.cover !== 'none' || untilUp !== place || (place.light && isLamp(place.light))
  const isCrowded = planned.perCell * crop.seedlings > 1 && !crop.clump
  return [
    ...(isCovered ? [during('uncover', 0, up, ASKED_DAYS.uncover)] : []),
    ...(first.kind === 'sow' && !moved && isCrowded
      ? [during('thin', 0, addDays(up, THIN_AFTER_UP), ASKED_DAYS.thin)]
      : []),
    ...(isIndoors(place) && !moved ? [during('fan', 0, addDays(up, FAN_AFTER_UP), ASKED_DAYS.fan)] : []),
  ]
}

/** A look at the roots before potting up, and at the plants after any move. */
function aroundMove({ planned: { stages } }: TodayRow, index: number, days: Days): Moment[] {
  const stage = stages[index]
  const before = stages[index - 1]
  if (!stage || (stage.kind !== 'prick out' && stage.kind !== 'pot up')) return []
  const moved = days[`stage-${stage.index}`]
  if (moved) return [during('settle', stage.index, addDays(moved, SETTLE_AFTER_MOVE), ASKED_DAYS.settle)]
  if (stage.kind !== 'pot up' || !before || !days[`stage-${before.index}`]) return []
  const on = addDays(stage.dueOn, -ROOTS_BEFORE_POTTING)
  const isRooted = on > before.from && (before.index > 0 || days.up !== undefined)
  return isRooted ? [{ kind: 'roots', stage: stage.index, on, until: stage.dueOn }] : []
}

/** The moments of a sowing by what was done, day by day. */
export const momentsOf = (row: TodayRow, days: Days): Moment[] => [
  ...(days.up ? onceUp(row, days.up, days['stage-1'] !== undefined) : []),
  ...row.planned.stages.flatMap((_, index) => aroundMove(row, index, days)),
]
