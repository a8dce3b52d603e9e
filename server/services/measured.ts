import { and, eq, inArray, isNull } from 'drizzle-orm'
import { planBatch } from '#core/media/batch'
import { addDays, type Day } from '#core/calendar/day'
import { withOutside } from '#core/season/schedule/stays'
import { asBatchRequest } from '#shared/derived/batch-request'
import type { EntryRecord } from '#shared/records/entry'
import {
  ANSWER_DAYS,
  climateByPlace,
  measuredByBatch,
  measuredByCount,
  measuredByLeaves,
  measuredByLeaving,
  mixByDay,
  computedL,
  type MeasuredRow,
} from '#shared/derived/measured'
import { changesByTray, trayStands } from '#shared/derived/trays'
import type { Transaction } from '../db/door'
import { trays } from '../db/schema'
import { climateEntries, contextFor, entriesAbout, find, SEASON_LISTS } from './read-records'
import { asStored, type Row } from './rows'

/*
 * What an entry measures of the bench, worked out once, in the transaction that writes it. Taking the entry back takes back
 * what it measured.
 */

/** @param entryId of the entry itself, where it stands already and is put right */
export async function measuredBy(
  tx: Transaction,
  householdId: string,
  entry: EntryRecord,
  entryId: string | null = null,
): Promise<MeasuredRow[]> {
  const own = entryId === null ? entry.measured : entry.measured.filter(({ key }) => !key.startsWith(DERIVED))
  const derived = [
    ...(await ofBatch(tx, householdId, entry)),
    ...(await ofTrays(tx, householdId, entry, entryId)),
    ...(await ofLeaves(tx, householdId, entry)),
  ].map((one) => ({ ...one, key: `${DERIVED}${one.key}`.slice(0, 80) }))
  return [...own, ...derived]
}
/** Keys of what the server worked out begin so; what a person measured has its own. */
const DERIVED = '='

async function ofBatch(tx: Transaction, householdId: string, entry: EntryRecord): Promise<MeasuredRow[]> {
  const batchId = entry.subjects.find(({ what }) => what === 'batches')?.id
  if (entry.kind !== 'batch made' || !entry.actual || !batchId) return []
  const { body } = await find('batches', householdId, batchId, tx)
  const book = await contextFor(householdId, BATCH_LISTS, tx, { asBook: true })
  const request = asBatchRequest(body, await contextFor(householdId, BATCH_LISTS, tx))
  const planned = {
    ...planBatch(request),
    blockCompression: request.allowances.blockCompression,
  }
  return measuredByBatch(body, batchId, entry.actual, book, planned)
}

const BATCH_LISTS = ['containers', 'materials', 'recipes'] as const

async function ofTrays(
  tx: Transaction,
  householdId: string,
  entry: EntryRecord,
  entryId: string | null,
): Promise<MeasuredRow[]> {
  const ids = [...new Set(entry.cells.map(({ trayId }) => trayId))]
  if (ids.length === 0) return []
  const rows = await tx
    .select()
    .from(trays)
    .where(and(eq(trays.householdId, householdId), inArray(trays.id, ids)))
  const context = await contextFor(householdId, SEASON_LISTS, tx)
  const told = (await entriesAbout(householdId, ids, tx))
    .filter(({ id }) => id !== entryId)
    .sort((a, b) => a.number - b.number)
  const before = changesByTray(told)
  const after = changesByTray([...told, { id: entryId ?? 'new', body: entry }])
  const climates = climateByPlace(await climateEntries(householdId, tx))
  return (rows as unknown as Row[]).map(asStored<'trays'>).flatMap((tray) => {
    const was = trayStands(tray.body, before.get(tray.id) ?? [], context.crops)
    const is = trayStands(tray.body, after.get(tray.id) ?? [], context.crops)
    const place = withOutside(context.frame?.places ?? []).find(({ id }) => id === tray.body.placeId)
    return entry.cells
      .filter(({ trayId }) => trayId === tray.id)
      .flatMap(({ group: code, what }): MeasuredRow[] => {
        const now = is.groups.find(({ group }) => group.code === code)
        if (!now) return []
        if (what === 'up') {
          const crop = context.crops.get(now.group.cropId)
          const warmth = place
            ? mixByDay(place, crop?.warmthC ?? null, climates.get(place.id) ?? [])
            : new Map<Day, number>()
          return measuredByCount(
            tray,
            was.groups.find(({ group }) => group.code === code),
            now,
            context,
            warmth,
          )
        }
        return what === 'sown' || what === 'set' ? [] : measuredByLeaving(tray, now)
      })
  })
}

async function ofLeaves(tx: Transaction, householdId: string, entry: EntryRecord): Promise<MeasuredRow[]> {
  const ids = entry.subjects.flatMap(({ what, id }) => (what === 'trays' ? [id] : []))
  if (entry.signs.length === 0 || ids.length === 0) return []
  const rows = await tx
    .select()
    .from(trays)
    .where(and(eq(trays.householdId, householdId), inArray(trays.id, ids), isNull(trays.deletedAt)))
  const told = await entriesAbout(householdId, ids, tx)
  return (rows as unknown as Row[]).map(asStored<'trays'>).flatMap(({ id, body }) => {
    const fed = told
      .filter(({ body: { on } }) => on <= entry.on && on >= addDays(entry.on, -ANSWER_DAYS))
      .flatMap(({ body: { water, on } }) =>
        water.flatMap(({ trayId, nMgPerL }) => (trayId === id && nMgPerL ? [{ on, nMgPerL }] : [])),
      )
      .at(-1)
    const group = body.groups[0]
    // A group that was moved on is fed as one that grows on; one that was sown as one with its first leaves.
    return fed && group
      ? measuredByLeaves(
          entry.signs,
          group.cropId,
          fed.nMgPerL,
          group.stage > 0 ? 'growing-on' : 'true-leaves',
          `${id} ${fed.on}`,
        )
      : []
  })
}

/** What a batch was computed to take and what it took, as facts of its entry. */
export async function usedFacts(
  tx: Transaction,
  householdId: string,
  entry: EntryRecord,
): Promise<EntryRecord['facts']> {
  const batchId = entry.subjects.find(({ what }) => what === 'batches')?.id
  const { actual } = entry
  if (!batchId || !actual || actual.usedL === null) return []
  const { body } = await find('batches', householdId, batchId, tx)
  const plan = planBatch(asBatchRequest(body, await contextFor(householdId, BATCH_LISTS, tx)))
  return [
    { what: 'Estimated use', amount: computedL(plan, actual, body.allowances.spare), unit: 'L' },
    { what: 'Used', amount: actual.usedL, unit: 'L' },
  ]
}
