import type { Crop } from '../../sowing/crop'
import { addDays, daysBetween, type Day } from '../../calendar/day'
import { visitsOf } from '../schedule/final-care'
import { hardeningPlan } from '../schedule/hardening'
import type { StageKind } from '../schedule/schedules'
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
import { standsNow } from './stands-now'

/** What one sowing asks for: its treatment, its stages, its moments, its hardening, and its last container. */
export function sowingJobs(
  row: TodayRow,
  input: TodayInput,
  marked: Marked,
  days: Readonly<Record<string, Day>>,
  moved: readonly MovedPart[],
): Job[] {
  const { today } = input
  const { planned, crop } = row
  if (days.ended) return []
  const jobs: Job[] = []
  const stands = standsNow(planned, days)
  const add = (
    kind: JobKind,
    stage: number,
    dueOn: Day,
    danger: Danger | null = null,
    more: Partial<Job> & { stageKind?: StageKind; everyDay?: boolean; gentle?: boolean } = {},
  ) => {
    const { everyDay, gentle, ...rest } = more
    const target = { sowingId: row.id, stage }
    const at = doneOn(kind, target, marked)
    const done = everyDay ? at === today : at !== undefined
    // What was done on another day is no longer shown.
    if (done && at !== today) return
    const state = stateOn(dueOn, today, danger)
    jobs.push({
      ...PLAIN,
      id: `${kind} ${targetKey(target)}`,
      kind,
      of: [target],
      names: [row.name],
      dueOn,
      state: done ? 'done' : gentle && state === 'late' ? 'due' : state,
      danger: done ? null : danger,
      placeIds: stands?.placeIds ?? [],
      ...rest,
    })
  }
  const was = (kind: JobKind, stage: number) =>
    doneOn(kind, { sowingId: row.id, stage }, marked) !== undefined
  const outIndex = planned.stages.length
  const outAt = doneOn('out', { sowingId: row.id, stage: outIndex }, marked)
  if (outAt !== undefined) {
    if (outAt === today) add('out', outIndex, planned.outDueOn)
    for (const visit of visitsOf(row, outAt))
      if (visit.on >= addDays(today, -VISIT_KEEPS_DAYS) && visit.on <= horizonOf(today))
        // Each visit is a stage of its own, so that one done stands for itself.
        add('care', CARE_STAGES + visit.index, visit.on, null, { care: visit, gentle: true })
    return jobs
  }
  const sown = was('stage', 0)

  if (planned.treatOn && !sown) add('treat', 0, planned.treatOn)
  for (const stage of planned.stages) {
    const before = stage.index === 0 || was('stage', stage.index - 1)
    // A stage is shown once the one before it is done; the next date stands in the season.
    if (stage.kind === 'set in' || !before) continue
    const cold = stage.kind === 'harden' ? coldNight(input.nightC, crop, stage.where.place) : null
    const full = fullPlace(stage, input.full, today)
    const danger = stage.from <= horizonOf(today) ? (cold ?? full) : null
    add('stage', stage.index, stage.dueOn, danger, {
      stageKind: stage.kind,
      moved: moved.reduce((sum, part) => sum + (part.stage === stage.index ? part.plants : 0), 0),
    })
  }
  if (sown && !was('stage', 1) && planned.emergeOn) {
    const verdict = emergenceVerdict(planned, today)
    const danger: Danger | null =
      verdict === 'late' || verdict === 'sow again'
        ? { kind: 'no-show', expected: planned.emergeOn, verdict }
        : null
    add('look', 0, planned.emergeOn, danger)
  }
  for (const { kind, stage, on, until } of momentsOf(row, days))
    if (today <= until) add(kind, stage, on, null, { gentle: true })
  const hardening = planned.stages.find(({ kind }) => kind === 'harden')
  if (hardening && was('stage', hardening.index) && today >= hardening.from && today < hardening.until) {
    const plan = hardeningPlan(hardening.from, daysBetween(hardening.from, hardening.until))
    const now = plan.find(({ on }) => on === today)
    if (now)
      add(
        'harden',
        hardening.index,
        today,
        now.hours >= 24 ? coldNight(input.nightC, crop, hardening.where.place) : null,
        { hours: now.hours, everyDay: true },
      )
  }
  // What stands in a frame or outside is brought in on such a night; what is hardened has that said with it.
  if (stands && stands.stage.kind !== 'harden') {
    const cold = coldNight(input.nightC, crop, stands.stage.where.place)
    if (cold) add('shelter', stands.stage.index, today, cold, { everyDay: true })
  }
  const lastIndex = planned.stages.findLastIndex(({ kind }) => kind !== 'set in')
  if (was('stage', lastIndex)) {
    const near = planned.outOn <= horizonOf(today)
    add('out', outIndex, planned.outDueOn, near ? coldNight(input.nightC, crop, OUTSIDE) : null)
  }
  return jobs
}

/** A visit that was missed is asked for so many days; then the next stands in for it. */
const VISIT_KEEPS_DAYS = 5
/** Visits to a last container are numbered after all stages a schedule can have. */
const CARE_STAGES = 20

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
    ? { kind: 'shelf full', place: found.name, on: found.on, flats: found.flats }
    : null
}
