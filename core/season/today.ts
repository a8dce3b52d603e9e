import type { Crop } from '../sowing/crop'
import { addDays, daysBetween, type Day } from './day'
import { feedRunOf, type FedRung, type FeedRun, type MixRun, type SeasonRow } from './demand'
import { hardeningPlan } from './hardening'
import type { RungStage } from './ladder'
import { nightIn, OUTSIDE, type Place } from './places/place'
import { emergenceVerdict, type Count, type PlannedRung } from './sowing'

export const JOB_KINDS = [
  'treat',
  'soak mix',
  'make mix',
  'rung',
  'look',
  'feed',
  'harden',
  'shelter',
  'out',
  // Never due: what a household does with a sowing that failed.
  'give up',
] as const
export type JobKind = (typeof JOB_KINDS)[number]

/** What a job is about: a rung of one or more sowings. */
export interface JobTarget {
  readonly sowingId: string
  readonly rung: number
}

/** What a household did or put off: one mark for one action, on all the rungs it was for. */
export interface Mark {
  readonly what: JobKind
  readonly of: readonly JobTarget[]
  /** The day it was done, or put off. */
  readonly on: Day
  /** null where it was done. */
  readonly snoozedUntil: Day | null
  /** What was counted: cells or seedlings that came up; null where nobody counted. */
  readonly count?: number | null | undefined
}

export interface Job {
  readonly id: string
  readonly kind: JobKind
  readonly stage: RungStage | null
  readonly of: readonly JobTarget[]
  readonly names: readonly string[]
  readonly dueOn: Day
  readonly state: 'due' | 'late' | 'danger' | 'coming' | 'done'
  /** What hurts if it waits, or what is wrong. */
  readonly danger: Danger | null
  readonly mix: MixRun | null
  readonly feed: FeedRun | null
  /** Hours outside, where it is hardening. */
  readonly hours: number | null
}

export type Danger =
  | { readonly kind: 'no-show'; readonly expected: Day; readonly verdict: 'late' | 'sow again' | 'too cold' }
  | { readonly kind: 'nights too cold'; readonly nightC: number; readonly lowestC: number }
  | { readonly kind: 'shelf full'; readonly place: string; readonly on: Day; readonly flats: number }

export interface TodayInput {
  readonly rows: readonly (SeasonRow & { readonly crop: Crop })[]
  readonly mixes: readonly MixRun[]
  readonly feeds: readonly FeedRun[]
  readonly marks: readonly Mark[]
  readonly today: Day
  /** Coldest night that is forecast for the days ahead, °C; null where nobody looked. */
  readonly nightC: number | null
  /** First day on which each place that is too small overflows. */
  readonly full: readonly FullPlace[]
  /** The can feeds are carried in, L. */
  readonly canL: number
  /** Whether the mix of a recipe is made of dry coir, which is soaked the evening before. */
  readonly wantsSoak: (recipeId: string) => boolean
}

/** A place that overflows, from a day on. */
export interface FullPlace {
  readonly placeId: string
  readonly name: string
  readonly on: Day
  readonly flats: number
}

/** Days ahead that are shown. */
export const AHEAD_DAYS = 7
/** A feed that was missed by so many days is gone: the next one stands in for it. */
const FEED_KEEPS_DAYS = 2

const key = ({ sowingId, rung }: JobTarget) => `${sowingId} ${rung}`

/** The day of a sowing that a mark gives; the rest move nothing. */
const DAY_OF: Partial<Record<JobKind, string>> = { treat: 'treat', look: 'up', out: 'out', 'give up': 'lost' }

/** Whether a sowing is planted out since yesterday, or given up: nothing more is done for it. */
export const isOver = (days: Readonly<Record<string, Day>> | undefined, today: Day) =>
  days?.lost !== undefined || (days?.out !== undefined && days.out < today)

/**
 * What was done, as the days that move what follows: for each sowing `treat`, `rung-0`, `up`, `rung-1` …, `out`; `lost`
 * where it was given up.
 */
export function doneBySowing(marks: readonly Mark[]): Map<string, Record<string, Day>> {
  const done = new Map<string, Record<string, Day>>()
  for (const mark of marks) {
    if (mark.snoozedUntil !== null) continue
    for (const { sowingId, rung } of mark.of) {
      const name = mark.what === 'rung' ? `rung-${rung}` : DAY_OF[mark.what]
      if (!name) continue
      const days = done.get(sowingId) ?? {}
      // Up is the first day on which anything was.
      if (name === 'up' && (mark.count === 0 || (days.up && days.up < mark.on))) continue
      days[name] = mark.on
      done.set(sowingId, days)
    }
  }
  return done
}

/** What came up of each sowing by the last count; none where nobody counted. */
export function upBySowing(marks: readonly Mark[]): Map<string, Count> {
  const last = new Map<string, Mark>()
  for (const mark of marks) {
    if (mark.what !== 'look' || mark.count == null || mark.snoozedUntil !== null) continue
    for (const { sowingId } of mark.of) {
      const known = last.get(sowingId)
      if (!known || known.on <= mark.on) last.set(sowingId, mark)
    }
  }
  return new Map([...last].map(([id, { count, on }]) => [id, { up: count!, on }]))
}

/** All jobs up to a week ahead, those in danger first, then late, due, coming and done today. */
export function jobsOf(input: TodayInput): Job[] {
  const horizon = addDays(input.today, AHEAD_DAYS)
  const marked = marksBy(input.marks)
  const jobs = [
    ...input.rows.flatMap((row) => sowingJobs(row, input, marked)),
    ...mixJobs(input, marked),
    ...feedJobs(input, marked),
  ]
    .filter(({ dueOn, state }) => dueOn <= horizon || state === 'danger')
    .map(onlyFirstFull(input.today))
    .filter((job) => job.state === 'done' || !snoozed(job, marked, input.today))
  const order = { danger: 0, late: 1, due: 2, coming: 3, done: 4 }
  // On one day in the order of the work: soak, mix, then fill.
  return jobs.sort(
    (a, b) =>
      order[a.state] - order[b.state] ||
      (a.dueOn < b.dueOn ? -1 : a.dueOn > b.dueOn ? 1 : 0) ||
      JOB_KINDS.indexOf(a.kind) - JOB_KINDS.indexOf(b.kind),
  )
}

/** A full place is said once, at the first of those that would stand in it. */
function onlyFirstFull(today: Day) {
  const said = new Set<string>()
  return (job: Job): Job => {
    if (job.danger?.kind !== 'shelf full') return job
    const again = said.has(job.danger.place)
    said.add(job.danger.place)
    return again ? { ...job, danger: null, state: stateOn(job.dueOn, today, null) } : job
  }
}

type Marked = Map<string, { done: Day[]; snoozedUntil: Day | null }>

function marksBy(marks: readonly Mark[]): Marked {
  const by: Marked = new Map()
  for (const mark of marks) {
    // Nothing was up: it is looked at again.
    if (mark.what === 'look' && mark.count === 0) continue
    for (const target of mark.of) {
      const at = `${mark.what} ${key(target)}`
      const known = by.get(at) ?? { done: [], snoozedUntil: null }
      if (mark.snoozedUntil === null) known.done.push(mark.on)
      else if (!known.snoozedUntil || mark.snoozedUntil > known.snoozedUntil)
        known.snoozedUntil = mark.snoozedUntil
      by.set(at, known)
    }
  }
  return by
}

const snoozed = (job: Job, marked: Marked, today: Day) =>
  job.of.length > 0 &&
  job.of.every((target) => {
    const until = marked.get(`${job.kind} ${key(target)}`)?.snoozedUntil
    return until !== null && until !== undefined && until > today
  })

const isDone = (kind: JobKind, of: readonly JobTarget[], marked: Marked) =>
  of.length > 0 && of.every((target) => (marked.get(`${kind} ${key(target)}`)?.done.length ?? 0) > 0)

const doneOn = (kind: JobKind, target: JobTarget, marked: Marked) =>
  marked.get(`${kind} ${key(target)}`)?.done.at(-1)

function stateOn(dueOn: Day, today: Day, danger: Danger | null): Job['state'] {
  if (danger) return 'danger'
  if (dueOn > today) return 'coming'
  return dueOn < today ? 'late' : 'due'
}

function sowingJobs(row: TodayInput['rows'][number], input: TodayInput, marked: Marked): Job[] {
  const { today } = input
  const { planned, crop } = row
  const jobs: Job[] = []
  const add = (
    kind: JobKind,
    rung: number,
    dueOn: Day,
    danger: Danger | null = null,
    more: { stage?: RungStage; hours?: number; everyDay?: boolean } = {},
  ) => {
    const target = { sowingId: row.id, rung }
    const at = doneOn(kind, target, marked)
    const done = more.everyDay ? at === today : at !== undefined
    // What was done on another day is no longer shown.
    if (done && at !== today) return
    jobs.push({
      id: `${kind} ${key(target)}`,
      kind,
      stage: more.stage ?? null,
      of: [target],
      names: [row.name],
      dueOn,
      state: done ? 'done' : stateOn(dueOn, today, danger),
      danger: done ? null : danger,
      mix: null,
      feed: null,
      hours: more.hours ?? null,
    })
  }
  const was = (kind: JobKind, rung: number) => doneOn(kind, { sowingId: row.id, rung }, marked) !== undefined
  const over = was('out', planned.rungs.length)
  if (over && doneOn('out', { sowingId: row.id, rung: planned.rungs.length }, marked) !== today) return []
  const sown = was('rung', 0)

  if (planned.treatOn && !sown) add('treat', 0, planned.treatOn)
  for (const rung of planned.rungs) {
    const before = rung.index === 0 || was('rung', rung.index - 1)
    // A rung is shown once the one before it is done; the next date stands in the season.
    if (rung.stage === 'set in' || (!before && rung.from > today)) continue
    if (rung.index > 0 && !before) continue
    const cold = rung.stage === 'harden' ? coldNight(input.nightC, crop, rung.where.place) : null
    const full = fullPlace(rung, input.full, today)
    add('rung', rung.index, rung.dueOn, rung.from <= addDays(today, AHEAD_DAYS) ? (cold ?? full) : null, {
      stage: rung.stage,
    })
  }
  if (sown && !was('rung', 1) && planned.emergeOn) {
    const verdict = emergenceVerdict(planned, today)
    const danger: Danger | null =
      verdict === 'late' || verdict === 'sow again'
        ? { kind: 'no-show', expected: planned.emergeOn, verdict }
        : null
    add('look', 0, planned.emergeOn, danger)
  }
  const hardening = planned.rungs.find(({ stage }) => stage === 'harden')
  if (
    hardening &&
    was('rung', hardening.index) &&
    !over &&
    today >= hardening.from &&
    today < hardening.until
  ) {
    const plan = hardeningPlan(hardening.from, daysBetween(hardening.from, hardening.until))
    const now = plan.find(({ on }) => on === today)
    if (now)
      add(
        'harden',
        hardening.index,
        today,
        now.hours >= 24 ? coldNight(input.nightC, crop, hardening.where.place) : null,
        {
          hours: now.hours,
          everyDay: true,
        },
      )
  }
  // What stands in a frame or outside is brought in on such a night; what is hardened has that said with it.
  const stands = planned.rungs.findLast(({ index }) => was('rung', index))
  if (stands && stands.stage !== 'harden' && !over) {
    const cold = coldNight(input.nightC, crop, stands.where.place)
    if (cold) add('shelter', stands.index, today, cold, { everyDay: true })
  }
  const lastIndex = planned.rungs.findLastIndex(({ stage }) => stage !== 'set in')
  if (was('rung', lastIndex)) {
    const near = planned.outOn <= addDays(today, AHEAD_DAYS)
    add('out', planned.rungs.length, planned.outDueOn, near ? coldNight(input.nightC, crop, OUTSIDE) : null)
  }
  return jobs
}

/** A night by the forecast that is too cold for a crop in that place. */
function coldNight(forecastC: number | null, crop: Crop, place: Place): Danger | null {
  const nightC = forecastC === null ? null : nightIn(place, forecastC)
  return nightC !== null && nightC < crop.lowestNightC
    ? { kind: 'nights too cold', nightC, lowestC: crop.lowestNightC }
    : null
}

/** A place that overflows while this rung stands there, and which it would still have to enter. */
function fullPlace(rung: PlannedRung, full: readonly FullPlace[], today: Day): Danger | null {
  const found = full.find(
    ({ placeId, on }) =>
      on <= addDays(today, AHEAD_DAYS) &&
      rung.stays.some((stay) => stay.placeId === placeId && on >= stay.from && on <= stay.until),
  )
  return found && rung.from >= today
    ? { kind: 'shelf full', place: found.name, on: found.on, flats: found.flats }
    : null
}

function mixJobs({ mixes, rows, today, wantsSoak }: TodayInput, marked: Marked): Job[] {
  const names = new Map(rows.map(({ id, name }) => [id, name]))
  return mixes.flatMap((mix) => {
    // What is already sown or potted needs no mix any more.
    const of = mix.of.filter((target) => doneOn('rung', target, marked) === undefined)
    if (of.length === 0) return []
    const common = {
      stage: null,
      of,
      names: of.map(({ sowingId }) => names.get(sowingId) ?? ''),
      mix,
      feed: null,
      hours: null,
    }
    const made = isDone('make mix', of, marked)
    const soaked = made || isDone('soak mix', of, marked)
    const wasToday = (kind: JobKind) => of.some((target) => doneOn(kind, target, marked) === today)
    const jobs: Job[] = []
    if (wantsSoak(mix.recipeId) && !made && (!soaked || wasToday('soak mix'))) {
      jobs.push({
        ...common,
        id: `soak mix ${mix.id}`,
        kind: 'soak mix',
        dueOn: mix.soakOn,
        // Half an hour is enough for it: an evening that was missed is no harm, it is done before the mix.
        state: soaked ? 'done' : mix.soakOn < today ? 'due' : stateOn(mix.soakOn, today, null),
        danger: null,
      })
    }
    // What was made on another day is no longer shown.
    if (made && !wasToday('make mix')) return jobs
    jobs.push({
      ...common,
      id: `make mix ${mix.id}`,
      kind: 'make mix',
      dueOn: mix.on,
      state: made ? 'done' : stateOn(mix.on, today, null),
      danger: null,
    })
    return jobs
  })
}

function feedJobs({ feeds, rows, marks, today, canL }: TodayInput, marked: Marked): Job[] {
  const names = new Map(rows.map(({ id, name }) => [id, name]))
  const done = doneBySowing(marks)
  const given = feedsGiven(feeds, marked)
  return feeds.flatMap((feed): Job[] => {
    // Plants that never came so far, or are out, are not fed.
    const fed = feed.of.filter(
      (target) => doneOn('rung', target, marked) !== undefined && !done.get(target.sowingId)?.out,
    )
    const open = fed.filter((target) => !given.has(target))
    const isGiven = open.length === 0
    const of = isGiven ? fed.filter((target) => given.get(target) === today) : open
    if (of.length === 0) return []
    const run = feedRunOf(feed.nMgPerL, of, { canL })
    if (run.on < addDays(today, -FEED_KEEPS_DAYS)) return []
    return [
      {
        id: `feed ${run.on} ${feed.nMgPerL} ${key(of[0]!)}`,
        kind: 'feed',
        stage: null,
        of,
        names: of.map(({ sowingId }) => names.get(sowingId) ?? ''),
        dueOn: run.on,
        state: isGiven ? 'done' : stateOn(run.on, today, null),
        danger: null,
        mix: null,
        feed: run,
        hours: null,
      },
    ]
  })
}

/** The day on which each feed was given: every giving stands for the nearest feed of its plants, and for no other. */
function feedsGiven(feeds: readonly FeedRun[], marked: Marked): Map<FedRung, Day> {
  const of = new Map<string, FedRung[]>()
  for (const one of feeds.flatMap((feed) => feed.of)) of.set(key(one), [...(of.get(key(one)) ?? []), one])
  const given = new Map<FedRung, Day>()
  for (const [at, planned] of of)
    for (const day of marked.get(`feed ${at}`)?.done ?? []) {
      const away = (one: FedRung) => Math.abs(daysBetween(day, one.on))
      const nearest = planned
        .filter((one) => !given.has(one) && away(one) <= FEED_KEEPS_DAYS)
        .reduce<FedRung | null>((best, one) => (best && away(best) <= away(one) ? best : one), null)
      if (nearest) given.set(nearest, day)
    }
  return given
}
