import { present } from '../../present'
import { first as firstOf } from '../../numeric/at'
import type { Fill } from '../../media/batch-request'
import { STIRRABLE } from '../../media/batch-request'
import { addDays, dayNumber, daysBetween, type Day } from '../../calendar/day'
import type { SowingFeeding } from './feeding'
import type { SeasonFrame } from '../frame'
import { seasonEnds } from '../../calendar/frost'
import { isIndoors, type Place } from '../../places/place'
import type { PlannedSowing } from '../schedule/sowing'

/** A sowing of the season with what follows from it. */
export interface SeasonRow {
  /** How far apart they are set out by their packet, mm; nothing said where it does not. */
  readonly spacingMm?: number | null | undefined
  /** The day the care of a last container ends; none where it goes into the ground. */
  readonly careUntil?: Day | undefined
  readonly id: string
  readonly name: string
  readonly planned: PlannedSowing
  readonly feeding: SowingFeeding
}

/** Stages that fall due within a few days and share a mix. */
export interface MixDemand {
  readonly id: string
  readonly recipeId: string
  /** The day the first of it is filled in, and the evening on which dry coir is set to soak. */
  readonly on: Day
  readonly soakOn: Day
  readonly looseL: number
  /** Goes at the tub. */
  readonly tubs: number
  readonly fills: readonly Fill[]
  readonly of: readonly { readonly sowingId: string; readonly stage: number }[]
}

/** Feeds of one strength that fall on the same few days. */
export interface FeedDemand {
  readonly on: Day
  readonly nMgPerL: number
  readonly solutionL: number
  readonly cans: number
  /** Each with its own day and share: what is mixed together on one day may be due a day apart. */
  readonly of: readonly FedStage[]
}

export interface FedStage {
  readonly sowingId: string
  readonly stage: number
  readonly on: Day
  readonly solutionL: number
}

/** Flats in each place, day by day from `from` on. */
export interface SeasonLoad {
  readonly from: Day
  readonly days: number
  /** By the place's id; none for a place where nothing ever stands. */
  readonly places: ReadonlyMap<string, readonly number[]>
}

/** A mix keeps for a few days under a lid: stages so far apart share a batch [default]. */
export const BATCH_WITHIN_DAYS = 3
const FEED_WITHIN_DAYS = 1

/** Flats in each place on each day of the season. */
export function loadOf(rows: readonly { planned: PlannedSowing }[], from: Day, days: number): SeasonLoad {
  const places = new Map<string, number[]>()
  const start = dayNumber(from)
  for (const { planned } of rows)
    for (const { stays } of planned.stages)
      for (const stay of stays) {
        let flats = places.get(stay.placeId)
        if (!flats) places.set(stay.placeId, (flats = new Array<number>(days).fill(0)))
        const last = Math.min(days, dayNumber(stay.until) - start)
        for (let i = Math.max(0, dayNumber(stay.from) - start); i < last; i++) flats[i]! += stay.flats
      }
  return { from, days, places }
}

/** Room under a roof, in flats; what stands outside needs none. */
export const roomIndoors = (places: readonly Place[]): number =>
  places.filter(isIndoors).reduce((sum, { flats }) => sum + (flats ?? 0), 0)

/** First and last day of everything that is planned; a few days of margin on either side. */
export function extentOf(rows: readonly { planned: PlannedSowing }[], frame: SeasonFrame, today: Day) {
  const firsts = rows.map(({ planned }) => planned.treatOn ?? planned.sowOn)
  const lasts = rows.map(({ planned }) => planned.outOn)
  const from = [...firsts, rows.length ? firstOf(firsts) : today].reduce(
    (a, b) => (a < b ? a : b),
    seasonEnds(frame).last,
  )
  const until = lasts.reduce((a, b) => (a > b ? a : b), addDays(seasonEnds(frame).last, 14))
  return { from: addDays(from, -7), days: daysBetween(from, until) + 21 }
}

/** Stages that share a mix and fall within a few days become one batch, made for the first of them. */
export function mixDemands(rows: readonly SeasonRow[], frame: Pick<SeasonFrame, 'tubL'>): MixDemand[] {
  const due = rows
    .flatMap(({ id, planned }) =>
      planned.stages.flatMap((stage) =>
        stage.recipeId === null ? [] : [{ ...stage, recipeId: stage.recipeId, sowingId: id }],
      ),
    )
    .sort((a, b) => (a.from < b.from ? -1 : a.from > b.from ? 1 : 0))
  return gather(
    due,
    ({ recipeId }) => recipeId,
    ({ from }) => from,
    BATCH_WITHIN_DAYS,
  ).map((stages): MixDemand => {
    const [{ from: on, recipeId, sowingId, index }] = stages as [(typeof stages)[number]]
    const looseL = stages.reduce((sum, stage) => sum + stage.looseL, 0)
    return {
      id: `${recipeId} ${sowingId} ${index}`,
      recipeId,
      on,
      soakOn: addDays(on, -1),
      looseL,
      tubs: Math.max(1, Math.ceil(looseL / (frame.tubL * STIRRABLE) - 1e-9)),
      fills: mergeFills(stages.map(({ fill }) => fill)),
      of: stages.map((stage) => ({ sowingId: stage.sowingId, stage: stage.index })),
    }
  })
}

/** Feeds of one strength on the same days are mixed together. */
export function feedDemands(rows: readonly SeasonRow[], frame: Pick<SeasonFrame, 'canL'>): FeedDemand[] {
  const due = rows
    .flatMap(({ id, feeding }) => feeding.feeds.map((feed) => ({ ...feed, sowingId: id })))
    .sort((a, b) => (a.on < b.on ? -1 : a.on > b.on ? 1 : 0))
  return gather(
    due,
    ({ nMgPerL }) => String(nMgPerL),
    ({ on }) => on,
    FEED_WITHIN_DAYS,
  ).map((feeds) => {
    const [{ nMgPerL }] = feeds as [(typeof feeds)[number]]
    return feedDemandOf(
      nMgPerL,
      feeds.map(({ sowingId, stage, on, solutionL }) => ({ sowingId, stage, on, solutionL })),
      frame,
    )
  })
}

/** One mixing of a feed for these, on the first of their days. */
export function feedDemandOf(
  nMgPerL: number,
  of: readonly FedStage[],
  { canL }: Pick<SeasonFrame, 'canL'>,
): FeedDemand {
  const solutionL = of.reduce((sum, one) => sum + one.solutionL, 0)
  const on = of.reduce((first, one) => (one.on < first ? one.on : first), firstOf(of).on)
  return { on, nMgPerL, solutionL, cans: Math.max(1, Math.ceil(solutionL / canL - 1e-9)), of }
}

/** Things of one kind, the first of each group and what follows it within so many days; sorted by day. */
export function gather<T>(
  sorted: readonly T[],
  kind: (one: T) => string,
  day: (one: T) => Day,
  withinDays: number,
): T[][] {
  const open = new Map<string, T[]>()
  const groups: T[][] = []
  for (const one of sorted) {
    const group = open.get(kind(one))
    if (group && daysBetween(day(firstOf(group)), day(one)) <= withinDays) group.push(one)
    else {
      const begun = [one]
      open.set(kind(one), begun)
      groups.push(begun)
    }
  }
  return groups
}

/** The same containers under the same cover are counted together. */
function mergeFills(fills: readonly Fill[]): Fill[] {
  const merged = new Map<string, Fill>()
  for (const fill of fills) {
    const key = [
      fill.container.id,
      fill.coverMm,
      fill.coverMaterialId,
      fill.plants ?? 1,
      fill.ballMl ?? 0,
    ].join(' ')
    const known = merged.get(key)
    merged.set(key, known ? together(known, fill) : fill)
  }
  return [...merged.values()]
}

/** Parts of shared trays add up to the trays they stand in. */
function together(one: Fill, other: Fill): Fill {
  const size = one.container.cells
  if (one.cells == null && other.cells == null) return { ...one, count: one.count + other.count }
  const cells = (one.cells ?? one.count * size) + (other.cells ?? other.count * size)
  const whole = Math.round(cells)
  const near = Math.abs(cells - whole) < 1e-6 ? whole : cells
  return { ...one, cells: near, count: Math.ceil(near / size - 1e-9) }
}

/** A run of days on which more stands in a place than fits. */
export interface Overflow {
  readonly place: Place
  readonly from: Day
  readonly until: Day
  /** Most flats on one of the days. */
  readonly most: number
}

/** Days on which more stands in a place than fits, the soonest first. */
export function overflows(load: SeasonLoad, places: readonly Place[]): Overflow[] {
  return places
    .flatMap((place) => {
      const room = place.flats
      const found: { place: Place; from: Day; until: Day; most: number }[] = []
      if (room === null) return found
      load.places.get(place.id)?.forEach((flats, i) => {
        if (flats <= room + 1e-9) return
        const day = addDays(load.from, i)
        const last = found.at(-1)
        if (last && last.until === day) {
          last.until = addDays(day, 1)
          last.most = Math.max(last.most, flats)
        } else found.push({ place, from: day, until: addDays(day, 1), most: flats })
      })
      return found
    })
    .sort((a, b) => (a.from < b.from ? -1 : a.from > b.from ? 1 : 0))
}

/**
 * The place under a roof that has most room on the days on which another is too full.
 *
 * @returns null where none has room for a whole flat
 */
export function roomElsewhere(
  load: SeasonLoad,
  full: Overflow,
  places: readonly Place[],
): { readonly place: Place; readonly flats: number } | null {
  const first = daysBetween(load.from, full.from)
  const days = daysBetween(full.from, full.until)
  const rooms = places
    .filter((place) => place.id !== full.place.id && place.flats !== null && isIndoors(place))
    .map((place) => {
      const there = load.places.get(place.id)?.slice(first, first + days) ?? []
      return { place, flats: Math.floor(present(place.flats) - Math.max(0, ...there)) }
    })
    .filter(({ flats }) => flats >= 1)
  return rooms.sort((a, b) => b.flats - a.flats)[0] ?? null
}
