import { calibrationById, type CalibrationId } from '#core/learning/calibrations'

import { COVER_IS_THE_MIX } from '#core/media/batch-request'
import type { BatchPlan } from '#core/media/batch'
import { settlingOf } from '#core/media/settling'
import { sharesOf } from '#core/media/ingredient'
import { unlikeness } from '#core/media/mixing-loss'
import { daysBetween, type Day } from '#core/calendar/day'
import { mixWarmth, type Place } from '#core/places/place'
import { withOutside } from '#core/season/schedule/stays'
import { growthStageById } from '#core/feed/growth-stage'
import { daysToEmergence } from '#core/sowing/emergence'
import { meanOf } from '#core/sowing/warmth'
import { germinationOf, type GroupStands } from '#core/trays/standing'
import type { SeenId } from '#core/signs/seen'
import type { Context } from './context'
import type { BatchRecord } from '../records/batch'
import { asBatchRequest } from './batch-request'
import type { EntryRecord } from '../records/entry'
import type { TrayRecord } from '../records/tray'
import { countsEach } from './trays'

/*
 * What an entry measures of the bench, worked out when it is written: it stays what it was, however the book changes, and
 * twenty years of it are one short list.
 */

export type MeasuredRow = EntryRecord['measured'][number]

/** A measurement of which nothing but its value is out of the ordinary; null where it is none at all. */
function row(what: CalibrationId, value: number, more: Partial<MeasuredRow> = {}): MeasuredRow[] {
  const { from, to } = calibrationById(what)
  if (!Number.isFinite(value) || value < from || value > to) return []
  return [{ what, of: '', value, n: null, key: '', ...more }]
}

/**
 * What a batch that was made says of settling, pressing and mixing.
 *
 * @param book the context without what was learned: a factor is one against the book
 * @param planned the plan it was made by, with what was learned until then
 */
export function measuredByBatch(
  batch: BatchRecord,
  batchId: string,
  actual: NonNullable<EntryRecord['actual']>,
  book: Context,
  planned: BatchPlan & { readonly blockCompression: number },
): MeasuredRow[] {
  const { usedL, mixedL } = actual
  const share = actual.share ?? 1
  const request = asBatchRequest(batch, { ...book, calibrations: undefined })
  const blocks = request.fills.filter(({ container }) => container.kind === 'block').length
  const rows: MeasuredRow[] = []
  if (usedL !== null && usedL > 0 && (actual.filled !== null || share === 1)) {
    const computed = computedL(planned, actual, batch.allowances.spare)
    const ratio = computed > 0 ? usedL / computed : NaN
    if (blocks === request.fills.length)
      rows.push(...row('block compression', ratio * planned.blockCompression, { key: batchId }))
    else if (blocks === 0) {
      const used = settlingOf(sharesOf(request.parts, book.materials)).value
      const learned = settlingOf(planned.ingredients).value
      // (1 + s) is what the litres go by: so much more used is so much more sunk.
      if (used > 0)
        rows.push(...row('settling', Math.max(0, ratio * (1 + learned) - 1) / used, { key: batchId }))
    }
  }
  const unlike = unlikeness(planned.ingredients).value
  const loose = planned.ingredientsL.value * share
  if (mixedL != null && mixedL > 0 && unlike > 0.2 && loose > 0)
    rows.push(...row('mixing loss', (1 - mixedL / loose) / unlike, { key: batchId }))
  return rows
}

/** What the plan computed for the containers that were filled, without the spare, L. */
export function computedL(
  plan: BatchPlan,
  { share, filled }: NonNullable<EntryRecord['actual']>,
  spare: number,
): number {
  const demand = plan.fills.reduce(
    (sum, { looseL, coverL, fill }) =>
      sum +
      looseL.value / (1 + spare) +
      (fill.coverMaterialId === COVER_IS_THE_MIX ? (coverL?.value ?? 0) : 0),
    0,
  )
  const cells = plan.fills.reduce((sum, one) => sum + one.cells.value, 0)
  return demand * (filled !== null && cells > 0 ? filled / cells : (share ?? 1))
}

/** A group that was counted: the share of its seed that is up, and when the first of it was. */
export function measuredByCount(
  tray: { readonly id: string; readonly body: TrayRecord },
  before: GroupStands | undefined,
  after: GroupStands,
  context: Context,
  warmth: ReadonlyMap<Day, number>,
): MeasuredRow[] {
  const crop = context.crops.get(after.group.cropId)
  const container = context.containers.get(tray.body.containerId)
  const rows: MeasuredRow[] = []
  const key = `${tray.id} ${after.group.code}`
  const seen = germinationOf(after, countsEach(crop, container))
  if (seen?.perSeed != null && after.group.packetId)
    rows.push(...row('germination', seen.perSeed, { of: after.group.packetId, n: Math.max(1, seen.of), key }))
  if (crop && after.firstUpOn && after.sownOn && !before?.firstUpOn) {
    const expected = expectedDays(tray.body, after.sownOn, after.firstUpOn, crop, context, warmth)
    // The first is up before the middle of them: by a day or two, which the spread of the measurement holds.
    if (expected)
      rows.push(
        ...row('days up', daysBetween(after.sownOn, after.firstUpOn) / expected, { of: crop.id, key }),
      )
  }
  return rows
}

/** Days the book gives it at the warmth it had; null where it would never come up. */
function expectedDays(
  { placeId }: TrayRecord,
  sownOn: Day,
  upOn: Day,
  crop: NonNullable<ReturnType<Context['crops']['get']>>,
  { frame, calibrations }: Context,
  warmth: ReadonlyMap<Day, number>,
): number | null {
  const place = withOutside(frame?.places ?? []).find(({ id }) => id === placeId)
  if (!place) return null
  const measured = [...warmth].flatMap(([on, mixC]) => (on >= sownOn && on <= upOn ? [mixC] : []))
  const mixC = measured.length
    ? measured.reduce((a, b) => a + b, 0) / measured.length
    : mixWarmth(place, crop.warmthC)
  const days = daysToEmergence(crop.emergence, mixC)
  // The crop's pace may be learned already: the factor is one against the book.
  const pace = calibrations.of('days up', crop.id)
  return days && days.value / (crop.emergence.learned ? pace.mean : 1)
}

/** Plants that left a group of moved plants: how many of those set there were lost. */
export function measuredByLeaving(tray: { readonly id: string }, after: GroupStands): MeasuredRow[] {
  if (after.set < 3 || after.standing > 0) return []
  return row('potting loss', Math.min(1, after.lost / after.set), {
    n: after.set,
    key: `${tray.id} ${after.group.code}`,
  })
}

/** Leaves that answer a feed: burnt, it was too strong; pale below, too weak; doing well, right [default]. */
const ANSWERS: Partial<Record<SeenId, number>> = { burnt: 0.75, 'pale old': 1.25, well: 1 }
/** Days within which leaves answer. */
export const ANSWER_DAYS = 14

/**
 * What leaves say of the last feed.
 *
 * @param nMgPerL of the last feed within a fortnight
 */
export function measuredByLeaves(
  signs: readonly SeenId[],
  cropId: string,
  nMgPerL: number,
  growthStageId: string,
  key: string,
): MeasuredRow[] {
  const answer = signs.flatMap((sign) => ANSWERS[sign] ?? [])[0]
  const growthStage = growthStageById(growthStageId)
  const middle = (growthStage.lowNMgPerL + growthStage.highNMgPerL) / 2
  if (answer === undefined || middle <= 0 || nMgPerL <= 0) return []
  return row('feed response', (nMgPerL / middle) * answer, { of: cropId, key })
}

/** Warmth of the mix in a place day by day, from what was measured of its air; heated mixes are as warm as they are kept. */
export function mixByDay(
  place: Place,
  wantedC: number | null,
  climate: readonly EntryRecord['climate'][number][],
): Map<Day, number> {
  return new Map(
    climate.map((one) => {
      // A probe in the mix says it better than the air above it.
      if (one.mixC != null) return [one.on, one.mixC]
      const airC = meanOf(one)
      return [one.on, mixWarmth({ ...place, dayC: airC, nightC: airC }, wantedC)]
    }),
  )
}

/** Air of places day by day, the last word on a day standing. */
export function climateByPlace(
  entries: readonly { readonly body: Pick<EntryRecord, 'placeId' | 'climate'> }[],
): Map<string, EntryRecord['climate'][number][]> {
  const byPlace = new Map<string, Map<Day, EntryRecord['climate'][number]>>()
  for (const { body } of entries)
    if (body.placeId && body.climate.length) {
      const days = byPlace.get(body.placeId) ?? new Map()
      for (const one of body.climate) days.set(one.on, one)
      byPlace.set(body.placeId, days)
    }
  return new Map(
    [...byPlace].map(([id, days]) => [id, [...days.values()].sort((a, b) => (a.on < b.on ? -1 : 1))]),
  )
}
