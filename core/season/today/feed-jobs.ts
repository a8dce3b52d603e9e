import { present } from '../../present'
import { addDays, daysBetween, type Day } from '../../calendar/day'
import { feedDemandOf, gather, type FedStage, type FeedDemand } from '../demand/demand'
import { PLAIN, stateOn, targetKey, type Job, type TodayInput } from './job'
import { doneOn, type Marked } from './marks'
import { standsNow } from './stands-now'

/** A giving stands for a feed that is so many days away. */
const STANDS_FOR_DAYS = 2
/** A feed that was missed is left out where the next is so near, days. */
const NEXT_IS_NEAR_DAYS = 2
const TOGETHER_DAYS = 1

type Due = FedStage & { readonly nMgPerL: number; readonly givenOn: Day | undefined }

/**
 * Feeds to carry. One that was missed moves to today, and of several only the last: nothing piles up. Where the next is
 * near, that one stands in for it.
 */
export function feedJobs(
  { feeds, rows, today, canL }: TodayInput,
  marked: Marked,
  days: ReadonlyMap<string, Readonly<Record<string, Day>>>,
): Job[] {
  const byId = new Map(rows.map((row) => [row.id, row]))
  const given = feedsGiven(feeds, marked)
  const bySowing = new Map<string, Due[]>()
  for (const feed of feeds)
    for (const one of feed.of) {
      if (!reached(one)) continue
      const due = { ...one, nMgPerL: feed.nMgPerL, givenOn: given.get(one) }
      bySowing.set(one.sowingId, [...(bySowing.get(one.sowingId) ?? []), due])
    }
  const shown = [...bySowing.values()].flatMap((list) => toCarry(list, today))
  const firstShown = new Map<string, Day>()
  for (const { sowingId, on } of shown)
    if (on < (firstShown.get(sowingId) ?? '9999')) firstShown.set(sowingId, on)
  const groups = gather(
    shown.sort((a, b) => (a.on < b.on ? -1 : a.on > b.on ? 1 : 0)),
    ({ nMgPerL, givenOn }) => `${nMgPerL} ${givenOn ?? ''}`,
    ({ on }) => on,
    TOGETHER_DAYS,
  )
  return groups.map((group): Job => {
    const [first] = group as [Due]
    const demand = feedDemandOf(first.nMgPerL, group, { canL })
    const isGiven = first.givenOn !== undefined
    return {
      ...PLAIN,
      id: `feed ${demand.on} ${first.nMgPerL} ${targetKey(first)}`,
      kind: 'feed',
      of: group.map(({ sowingId, stage }) => ({ sowingId, stage })),
      names: group.map(({ sowingId }) => byId.get(sowingId)?.name ?? ''),
      dueOn: demand.on,
      state: isGiven ? 'done' : stateOn(demand.on, today, null),
      placeIds: [...new Set(group.flatMap(({ sowingId }) => placesOf(sowingId)))],
      feed: demand,
      first: isFirst(group),
    }
  })

  /** Plants that never came so far, or are out, are not fed; in a last container they are fed once they are. */
  function reached(target: FedStage): boolean {
    const done = days.get(target.sowingId)
    const stages = byId.get(target.sowingId)?.planned.stages
    if (stages?.[target.stage]?.kind === 'set in') return done?.out !== undefined
    // What nobody has seen come up is not fed.
    if (target.stage === 0 && !done?.up) return false
    return doneOn('stage', target, marked) !== undefined && !done?.out
  }
  function placesOf(sowingId: string): readonly string[] {
    const row = byId.get(sowingId)
    return (row && standsNow(row.planned, days.get(sowingId))?.placeIds) ?? []
  }
  /** The first that any of these plants is given, of all that are shown. */
  function isFirst(group: readonly Due[]): boolean {
    return group.every(({ sowingId, on }) => !wasFed(sowingId) && firstShown.get(sowingId) === on)
  }
  function wasFed(sowingId: string): boolean {
    return present(byId.get(sowingId)).planned.stages.some(({ index }) =>
      marked.has(`feed ${sowingId} ${index}`),
    )
  }
}

/** Of one sowing: what was given today, the last that was missed, moved to today, and those to come. */
function toCarry(list: readonly Due[], today: Day): Due[] {
  const open = list.filter(({ givenOn }) => givenOn === undefined)
  const coming = open.filter(({ on }) => on >= today)
  const missed = open.findLast(({ on }) => on < today)
  const fedSince =
    missed &&
    list.some(({ on, givenOn }) => givenOn !== undefined && (on > missed.on || givenOn >= missed.on))
  const soon = coming.some(({ on }) => daysBetween(today, on) <= NEXT_IS_NEAR_DAYS)
  return [
    ...list.filter(({ givenOn }) => givenOn === today),
    ...(missed && !fedSince && !soon ? [{ ...missed, on: today }] : []),
    ...coming,
  ]
}

/** The day on which each feed was given: every giving stands for the nearest feed of its plants, and for no other. */
function feedsGiven(feeds: readonly FeedDemand[], marked: Marked): Map<FedStage, Day> {
  const of = new Map<string, FedStage[]>()
  for (const one of feeds.flatMap((feed) => feed.of))
    of.set(targetKey(one), [...(of.get(targetKey(one)) ?? []), one])
  const given = new Map<FedStage, Day>()
  for (const [at, planned] of of)
    for (const day of marked.get(`feed ${at}`)?.done ?? []) {
      const open = planned.filter((one) => !given.has(one))
      const away = (one: FedStage) => Math.abs(daysBetween(day, one.on))
      const nearest = open
        .filter((one) => away(one) <= STANDS_FOR_DAYS)
        .reduce<FedStage | null>((best, one) => (best && away(best) <= away(one) ? best : one), null)
      // Given later than that, it was the last one missed.
      const found = nearest ?? open.findLast(({ on }) => on < addDays(day, -STANDS_FOR_DAYS))
      if (found) given.set(found, day)
    }
  return given
}
