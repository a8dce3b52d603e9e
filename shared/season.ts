import { FEEDS } from '#core/feed/feeds'
import { seasonBook } from '#core/season/book'
import type { Day } from '#core/season/day'
import { feedRuns, loadOf, mixRuns, overflows, type SeasonRow } from '#core/season/demand'
import { feedSowing } from '#core/season/feeding'
import { planSowing } from '#core/season/sowing'
import { isOver, jobsOf, type Job } from '#core/season/today'
import type { Crop } from '#core/sowing/crop'
import type { Part } from '#core/media/recipe'
import type { Feed } from '#core/feed/feed'
import type { Shed } from './records/batch'
import { findContainer } from './records/batch'
import { asCrop, cropsWith, type CropRecord } from './records/crop'
import { findFeed } from './records/feeding'
import type { MarkRecord } from './records/mark'
import type { PacketRecord } from './records/packet'
import { partsOf } from './records/programme'
import type { SeasonFrameRecord } from './records/season-frame'
import { asSowingRequest, sowingRecordProblems, type SeasonKnown, type SowingRecord } from './records/sowing'

interface Kept<Body> {
  readonly id: string
  readonly body: Body
}

/** A sowing of the season, planned; or what keeps it from being planned. */
export interface PlannedRow extends SeasonRow {
  readonly crop: Crop
}

/** What a season is reckoned with, from what a household keeps. */
export function seasonKnown(
  frame: SeasonFrameRecord,
  kept: {
    shed: Shed
    recipes: ReadonlyMap<string, readonly Part[]>
    feeds: readonly Feed[]
    crops: readonly Kept<CropRecord>[]
    packets: readonly Kept<PacketRecord>[]
  },
): SeasonKnown {
  return {
    frame,
    crops: cropsWith(kept.crops.map(({ id, body }) => asCrop(id, body))),
    packets: kept.packets,
    feeds: kept.feeds,
    book: seasonBook(
      (id) => findContainer(id, kept.shed.containers),
      (id) => partsOf(id, kept.recipes),
      kept.shed.materials,
    ),
  }
}

/**
 * Plans sowings as they stand on a day, and remembers those whose record and marks are the same objects as before: after
 * one drag only one is planned anew.
 */
export function seasonPlanner(known: SeasonKnown, today: Day) {
  const remembered = new Map<string, { body: SowingRecord; done: object; row: PlannedRow | null }>()
  const feed = findFeed(known.frame.feedId, known.feeds) ?? FEEDS[0]!

  return function plan({ id, body }: Kept<SowingRecord>, done: Readonly<Record<string, Day>> = NOTHING) {
    const before = remembered.get(id)
    if (before && before.body === body && before.done === done) return before.row
    const row = planned(id, body, done)
    remembered.set(id, { body, done, row })
    return row
  }

  function planned(id: string, body: SowingRecord, done: Readonly<Record<string, Day>>): PlannedRow | null {
    if (sowingRecordProblems(body, known).length) return null
    const request = asSowingRequest(body, known, done, today)!
    try {
      const plan = planSowing(request, known.frame, known.book)
      const feeding = feedSowing(plan, request.crop, feed, known.frame.feedingSchool, known.book)
      return { id, name: body.name, crop: request.crop, planned: plan, feeding }
    } catch (error) {
      if (error instanceof RangeError) return null
      throw error
    }
  }
}

const NOTHING: Readonly<Record<string, Day>> = {}

/** Everything of the season that is not over. */
export function openRows(
  plan: ReturnType<typeof seasonPlanner>,
  sowings: readonly Kept<SowingRecord>[],
  done: ReadonlyMap<string, Readonly<Record<string, Day>>>,
  today: Day,
): PlannedRow[] {
  return sowings.flatMap((one) =>
    isOver(done.get(one.id), today) ? [] : (plan(one, done.get(one.id)) ?? []),
  )
}

/** What is due, late or in danger on a day. */
export function jobsOn(
  today: Day,
  rows: readonly PlannedRow[],
  marks: readonly MarkRecord[],
  known: SeasonKnown,
  nightC: number | null,
): Job[] {
  const load = loadOf(rows, today, 60)
  const [full] = overflows(load, known.frame.shelfFlats)
  return jobsOf({
    rows,
    mixes: mixRuns(rows, known.frame),
    feeds: feedRuns(rows, known.frame),
    marks,
    today,
    nightC,
    shelfFull: full ? { on: full.from < today ? today : full.from, flats: full.most } : null,
    wantsSoak: known.book.wantsSoak,
  })
}
