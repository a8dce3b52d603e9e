import type { Crop } from '../../sowing/crop'
import { addDays, daysBetween, type Day } from '../../calendar/day'
import { visitsOf } from '../schedule/final-care'
import { hardeningPlan } from '../schedule/hardening'
import { nightIn, OUTSIDE, type Place } from '../../places/place'
import { emergenceVerdict } from '../schedule/sowing'
import type { PlannedStage } from '../schedule/sowing-request'
import {
  AHEAD_DAYS,
  horizonOf,
  PLAIN,
  stateOn,
  targetKey,
  type Danger,
  type FullPlace,
  type Job,
  type JobKind,
  type TodayInput,
  type TodayRow,
} from './job'
import { doneOn, type Marked, type MovedPart } from './marks'
import { momentsOf } from './moments'
import { standsNow, type Stands } from './stands-now'

/** A visit that was missed is asked for so many days; then the next stands in for it. */
const VISIT_KEEPS_DAYS = 5
/** So long after the last that was done or planned of it [default]. */
const PAST_DAYS = 60
/** Visits to a last container are numbered after all stages a schedule can have. */
const CARE_STAGES = 20

interface Told {
  readonly row: TodayRow
  readonly input: TodayInput
  readonly marked: Marked
  readonly days: Readonly<Record<string, Day>>
  readonly moved: readonly MovedPart[]
  /** What stands of it, and where; null before it is sown and after it is out. */
  readonly stands: Stands | null
  readonly was: (kind: JobKind, stage: number) => boolean
}
/** Something a sowing asks for on a day. */
interface Asked {
  readonly kind: JobKind
  readonly stage: number
  readonly dueOn: Day
  readonly danger?: Danger | null
  readonly more?: Partial<Job>
  /** Done anew each day. */
  readonly everyDay?: boolean
  /** Never late: it comes, and is gone again. */
  readonly gentle?: boolean
}

/** What one sowing asks for: its treatment, its stages, its moments, its hardening, and its last container. */
export function sowingJobs(
  row: TodayRow,
  input: TodayInput,
  marked: Marked,
  days: Readonly<Record<string, Day>>,
  moved: readonly MovedPart[],
): Job[] {
  if (days.ended || isPast(row, input.today, days)) return []
  const was = (kind: JobKind, stage: number) =>
    doneOn(kind, { sowingId: row.id, stage }, marked) !== undefined
  const told: Told = { row, input, marked, days, moved, stands: standsNow(row.planned, days), was }
  const outAt = doneOn('out', { sowingId: row.id, stage: row.planned.stages.length }, marked)
  const asked =
    outAt === undefined
      ? [sowing, stagesAhead, emergence, moments, hardening, shelter, plantingOut].flatMap((of) => of(told))
      : onceOut(told, outAt)
  return asked.flatMap((one) => jobFrom(one, told) ?? [])
}

/**
 * Nothing was written of it for two months, and by its plan it went out as long ago: it belongs to the past, though nobody ended
 * it, and is asked for no more.
 */
function isPast({ planned }: TodayRow, today: Day, days: Readonly<Record<string, Day>>): boolean {
  const lastDone = Object.values(days).reduce((last, on) => (on > last ? on : last), planned.outOn)
  return daysBetween(lastDone, today) > PAST_DAYS
}

/** As it stands on Today; null where it was done on another day, and is no longer shown. */
function jobFrom(
  { kind, stage, dueOn, danger = null, more, everyDay, gentle }: Asked,
  { row, input: { today }, marked, stands }: Told,
): Job | null {
  const target = { sowingId: row.id, stage }
  const at = doneOn(kind, target, marked)
  const done = everyDay ? at === today : at !== undefined
  if (done && at !== today) return null
  const state = stateOn(dueOn, today, danger)
  return {
    ...PLAIN,
    id: `${kind} ${targetKey(target)}`,
    kind,
    of: [target],
    names: [row.name],
    dueOn,
    state: done ? 'done' : gentle && state === 'late' ? 'due' : state,
    danger: done ? null : danger,
    placeIds: stands?.placeIds ?? [],
    ...more,
  }
}

/** Once it is out: that day's own job, and the visits to a last container, each a stage of its own so that one done stands for itself. */
function onceOut({ row, input: { today } }: Told, outAt: Day): Asked[] {
  const visits = visitsOf(row, outAt).filter(
    ({ on }) => on >= addDays(today, -VISIT_KEEPS_DAYS) && on <= horizonOf(today),
  )
  return [
    ...(outAt === today
      ? [{ kind: 'out' as const, stage: row.planned.stages.length, dueOn: row.planned.outDueOn }]
      : []),
    ...visits.map((care): Asked => ({
      kind: 'care',
      stage: CARE_STAGES + care.index,
      dueOn: care.on,
      more: { care },
      gentle: true,
    })),
  ]
}

const sowing = ({ row: { planned }, was }: Told): Asked[] =>
  planned.treatOn && !planned.stages.some(({ index }) => was('stage', index))
    ? [{ kind: 'treat', stage: 0, dueOn: planned.treatOn }]
    : []

/** A stage is shown once the one before it is done; the next date stands in the season. */
function stagesAhead({ row: { planned, crop }, input, moved, was }: Told): Asked[] {
  const slack = daysBetween(...planned.sowRange) / 2
  const reached = Math.max(
    0,
    planned.stages.findLastIndex(({ index }) => was('stage', index)),
  )
  return (
    planned.stages
      // One that was passed over is over once a later one is done.
      .filter(
        ({ kind, index }) =>
          kind !== 'set in' &&
          index >= reached &&
          (index === 0 || index === reached || was('stage', index - 1)),
      )
      .map((stage): Asked => {
        const cold = stage.kind === 'harden' ? coldNight(input.nightC, crop, stage.where.place) : null
        const danger = cold ?? fullPlace(stage, input.full, input.today)
        const plants = moved.reduce((sum, part) => sum + (part.stage === stage.index ? part.plants : 0), 0)
        return {
          kind: 'stage',
          stage: stage.index,
          dueOn: stage.dueOn,
          danger: stage.from <= horizonOf(input.today) ? danger : null,
          more: { stageKind: stage.kind, moved: plants },
          // A sowing day is a window: within it nothing is late.
          gentle: stage.index === 0 && daysBetween(stage.dueOn, input.today) <= slack,
        }
      })
  )
}

/** Whether it is up. */
function emergence({ row: { planned }, input: { today }, was }: Told): Asked[] {
  const { emergeOn } = planned
  if (!was('stage', 0) || planned.stages.some(({ index }) => index > 0 && was('stage', index)) || !emergeOn)
    return []
  const verdict = emergenceVerdict(planned, today)
  const danger: Danger | null =
    verdict === 'late' || verdict === 'sow again' ? { kind: 'no-show', expected: emergeOn, verdict } : null
  return [{ kind: 'look', stage: 0, dueOn: emergeOn, danger }]
}

const moments = ({ row, input: { today }, days }: Told): Asked[] =>
  momentsOf(row, days)
    .filter(({ until }) => today <= until)
    .map(({ kind, stage, on }) => ({ kind, stage, dueOn: on, gentle: true }))

/** So many hours outside today. */
function hardening({ row: { planned, crop }, input: { today, nightC }, was }: Told): Asked[] {
  const stage = planned.stages.find(({ kind }) => kind === 'harden')
  if (!stage || !was('stage', stage.index) || today < stage.from || today >= stage.until) return []
  const plan = hardeningPlan(stage.from, daysBetween(stage.from, stage.until))
  const now = plan.find(({ on }) => on === today)
  if (!now) return []
  const danger = now.hours >= 24 ? coldNight(nightC, crop, stage.where.place) : null
  const more = { hours: now.hours }
  return [{ kind: 'harden', stage: stage.index, dueOn: today, danger, more, everyDay: true }]
}

/** What stands in a frame or outside is brought in on a cold night; what is hardened has that said with it. */
function shelter({ row: { crop }, input: { today, nightC }, stands }: Told): Asked[] {
  if (!stands || stands.stage.kind === 'harden') return []
  const danger = coldNight(nightC, crop, stands.stage.where.place)
  return danger ? [{ kind: 'shelter', stage: stands.stage.index, dueOn: today, danger, everyDay: true }] : []
}

function plantingOut({ row: { planned, crop }, input: { today, nightC }, was }: Told): Asked[] {
  const lastIndex = planned.stages.findLastIndex(({ kind }) => kind !== 'set in')
  if (!was('stage', lastIndex)) return []
  const isNear = planned.outOn <= horizonOf(today)
  const danger = isNear ? coldNight(nightC, crop, OUTSIDE) : null
  return [{ kind: 'out', stage: planned.stages.length, dueOn: planned.outDueOn, danger }]
}

/** A night by the forecast that is too cold for a crop in that place. */
function coldNight(forecastC: number | null, crop: Crop, place: Place): Danger | null {
  const nightC = forecastC === null ? null : nightIn(place, forecastC)
  return nightC !== null && nightC < crop.lowestNightC
    ? { kind: 'nights too cold', nightC, lowestC: crop.lowestNightC }
    : null
}

/** A place that overflows while this stage stands there, and which it would still have to enter. */
function fullPlace(stage: PlannedStage, full: readonly FullPlace[], today: Day): Danger | null {
  const found = full.find(
    ({ placeId, on }) =>
      on <= addDays(today, AHEAD_DAYS) &&
      stage.stays.some((stay) => stay.placeId === placeId && on >= stay.from && on <= stay.until),
  )
  return found && stage.from >= today
    ? { kind: 'shelf full', place: found.name, on: found.on, flats: found.flats, room: found.room }
    : null
}
