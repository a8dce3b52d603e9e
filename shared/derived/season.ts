import { Refused } from '#core/problem'
import { present } from '#core/present'
import { coldestAhead, FORECAST_HOLDS_DAYS, hottestAhead } from '#core/calendar/weather'
import { daysBetween, type Day } from '#core/calendar/day'
import { feedDemands, loadOf, mixDemands, overflows } from '#core/season/demand/demand'
import { feedSowing } from '#core/season/demand/feeding'
import { rootsKey, type Roots, type RootsSeen } from '#core/season/schedule/roots'
import { planSowing, stagesOf } from '#core/season/schedule/sowing'
import type { Count } from '#core/season/schedule/sowing-request'
import { shareTrays } from '#core/season/packing/sharing'
import { careEnds, keepsOn } from '#core/season/schedule/final-care'
import type { Job, Mark } from '#core/season/today/job'
import { isOver, type MovedPart } from '#core/season/today/marks'
import { jobsOf } from '#core/season/today/today'
import type { WarmthSince } from '#core/sowing/warmth'
import type { Context, Kept } from './context'
import { mixByDay } from './measured'
import type { EntryRecord } from '../records/entry'
import type { SeasonFrame } from '../records/season-frame'
import type { TrayRecord } from '../records/tray'
import { fixedTrays } from './trays'
import type { SowingRecord } from '../records/sowing'
import { asSowingRequest, keepsOnAfter, sowingRecordProblems } from './sowing-request'
import type { PlannedRow, UnplannedRow } from './planned-row'

/** A context whose season is set. */
export interface SeasonContext extends Context {
  readonly frame: SeasonFrame
}
export const hasSeason = (context: Context): context is SeasonContext => context.frame !== null
type Outcome = { readonly row: PlannedRow } | { readonly unplanned: UnplannedRow }
type Days = Readonly<Record<string, Day>>
/** Air of places, by place, day by day. */
export type Climates = ReadonlyMap<string, EntryRecord['climate']>

/**
 * Plans sowings as they stand on a day, with a cache of those whose record and days are the same objects as before:
 * after one drag only one is planned anew. Every sowing comes back, planned or with the reason why it cannot be.
 *
 * @param trays that stand as they were laid out
 * @param roots what roots of the last such sowings showed
 * @param climate air of places day by day, as it was measured
 */
export function seasonPlanner(
  context: SeasonContext,
  today: Day,
  trays: readonly Kept<TrayRecord>[] = [],
  roots?: RootsSeen,
  climate: Climates = new Map(),
) {
  const fixed = fixedTrays(trays)
  const filled = mixesInTrays(trays)
  const warmth: WarmthSince | undefined = climate.size
    ? (place, mixC) => mixByDay(place, mixC, climate.get(place.id) ?? [])
    : undefined
  const cache = new Map<string, { body: SowingRecord; was: Was; outcome: Outcome }>()
  const shared = new Map<string, { row: PlannedRow; marks: string; shared: PlannedRow }>()

  return {
    plan,
    share: (rows: readonly PlannedRow[]) => shareTrays(rows, context.frame, context.book, shared, fixed),
    /** Whether a sowing goes on in a container of its own after it is out. */
    keepsOn: (body: SowingRecord) => keepsOnAfter(body, context.crops),
  }

  function plan({ id, body }: Kept<SowingRecord>, was: Was = {}): Outcome {
    const before = cache.get(id)
    if (before && before.body === body && same(before.was, was)) return before.outcome
    const outcome = planned(id, body, was)
    cache.set(id, { body, was, outcome })
    return outcome
  }

  function planned(id: string, body: SowingRecord, was: Was): Outcome {
    const [problem] = sowingRecordProblems(body, context)
    if (problem) return { unplanned: { id, body, problem } }
    const asked = present(asSowingRequest(body, context, { ...was, notBefore: today, roots, warmth }))
    // What is in the supplies today does not change what a tray was filled with.
    const inTray = (usual: string | null, stage: number) => {
      const recipeId = filled.get(`${id} ${stage}`)
      return recipeId !== undefined && context.book.knowsMix(recipeId) ? recipeId : usual
    }
    const request =
      body.stages || !asked.stages
        ? asked
        : {
            ...asked,
            stages: asked.stages.map((one, i) => ({ ...one, recipeId: inTray(one.recipeId, i) })),
          }
    try {
      const plan = planSowing(request, context.frame, context.book)
      const { crop } = request
      const careUntil = keepsOn(plan.stages) ? careEnds(crop, plan.outOn, context.frame) : undefined
      const feeding = feedSowing(
        plan,
        crop,
        context.feed,
        context.frame.feedingMethod,
        context.book,
        careUntil,
      )
      const spacingMm = body.packetId ? context.packets.get(body.packetId)?.spacingMm : null
      return { row: { id, name: body.name, crop, planned: plan, feeding, careUntil, spacingMm } }
    } catch (error) {
      if (!(error instanceof Refused)) throw error
      return {
        unplanned: { id, body, problem: error.problem },
      }
    }
  }
}

/** The recipe of the trays each stage of a sowing stands or stood in, by `sowing stage`. */
const mixesInTrays = (trays: readonly Kept<TrayRecord>[]): ReadonlyMap<string, string> =>
  new Map(
    trays.flatMap(({ body: { recipeId, groups } }) =>
      recipeId === null
        ? []
        : groups.flatMap(({ sowingId, stage }): [string, string][] =>
            sowingId === null ? [] : [[`${sowingId} ${stage}`, recipeId]],
          ),
    ),
  )

/** What was done with a sowing. */
interface Was {
  readonly done?: Days | undefined
  readonly up?: Count | undefined
  readonly moved?: readonly MovedPart[] | undefined
}
const same = (one: Was, other: Was) =>
  one.done === other.done && one.up === other.up && one.moved === other.moved

/** What was done with all sowings, each by its id. */
export interface Happened {
  readonly done: ReadonlyMap<string, Days>
  readonly up?: ReadonlyMap<string, Count> | undefined
  readonly moved?: ReadonlyMap<string, readonly MovedPart[]> | undefined
}
export const wasOf = ({ done, up, moved }: Happened, id: string): Was => ({
  done: done.get(id),
  up: up?.get(id),
  moved: moved?.get(id),
})

/** What roots showed at the last moving on, by crop and container; of two the later. */
export function rootsSeen(
  entries: readonly Kept<EntryRecord>[],
  sowings: readonly Kept<SowingRecord>[],
  crops: Context['crops'],
): RootsSeen {
  const seen = new Map<string, Roots>()
  const of = new Map(sowings.map(({ id, body }) => [id, body]))
  const found = entries
    .filter(({ body }) => body.actual?.roots)
    .sort((a, b) => (a.body.on < b.body.on ? -1 : a.body.on > b.body.on ? 1 : 0))
  for (const { body } of found)
    for (const { what, id, stage } of body.subjects) {
      const sowing = what === 'sowings' && stage !== null ? of.get(id) : undefined
      const crop = sowing && crops.get(sowing.cropId)
      if (!sowing || !crop) continue
      const { scheduleId, stages } = sowing
      const before = stagesOf({ stages, scheduleId, crop })[present(stage) - 1]
      if (before?.containerId)
        seen.set(rootsKey(crop.id, before.containerId), present(present(body.actual).roots))
    }
  return seen
}

/** Everything of the season that is not over, planned, and what cannot be planned with its reason. */
export function openRows(
  planner: ReturnType<typeof seasonPlanner>,
  sowings: readonly Kept<SowingRecord>[],
  happened: Happened,
  today: Day,
): { rows: PlannedRow[]; unplanned: UnplannedRow[] } {
  const rows: PlannedRow[] = []
  const unplanned: UnplannedRow[] = []
  for (const one of sowings) {
    const was = wasOf(happened, one.id)
    // What ends in a container of its own goes on after it is out, until its care ends.
    if (isOver(was.done, today, planner.keepsOn(one.body))) continue
    const outcome = planner.plan(one, was)
    if ('row' in outcome) {
      const { careUntil } = outcome.row
      if (!was.done?.out || !careUntil || careUntil >= today) rows.push(outcome.row)
    } else unplanned.push(outcome.unplanned)
  }
  return { rows: planner.share(rows), unplanned }
}

export const NIGHT_HOLDS_DAYS = FORECAST_HOLDS_DAYS
/** The coldest night ahead, °C: as it was typed, while that holds; else by the forecast that came in. */
export const nightAhead = ({ nightC, nightSaidOn, weather = [] }: SeasonFrame, today: Day): number | null =>
  nightC != null && nightSaidOn != null && Math.abs(daysBetween(nightSaidOn, today)) <= NIGHT_HOLDS_DAYS
    ? nightC
    : (coldestAhead(weather, today)?.lowC ?? null)

/** The hottest day ahead, while its forecast holds, °C. */
export const hotAhead = ({ hotC, hotSaidOn, weather = [] }: SeasonFrame, today: Day): number | null =>
  hotC != null && hotSaidOn != null && Math.abs(daysBetween(hotSaidOn, today)) <= NIGHT_HOLDS_DAYS
    ? hotC
    : (hottestAhead(weather, today)?.highC ?? null)

/** What is due, late or in danger on a day. */
export function jobsOn(
  today: Day,
  rows: readonly PlannedRow[],
  marks: readonly Mark[],
  { frame, book }: SeasonContext,
): Job[] {
  const load = loadOf(rows, today, 60)
  const full = overflows(load, frame.places).map(({ place, from, most }) => ({
    placeId: place.id,
    name: place.name,
    on: from < today ? today : from,
    flats: most,
    room: place.flats ?? most,
  }))
  return jobsOf({
    rows,
    mixes: mixDemands(rows, frame),
    feeds: feedDemands(rows, frame),
    marks,
    today,
    nightC: nightAhead(frame, today),
    away: frame.away ?? [],
    full,
    canL: frame.canL,
    wantsSoak: book.wantsSoak,
  })
}
