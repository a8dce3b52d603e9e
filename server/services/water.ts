import { and, eq, inArray } from 'drizzle-orm'
import { todayOf } from '#core/calendar/clock'
import { doubtOf } from '#core/water/weighing'
import { sayWeightDoubt } from '#shared/messages/readings'
import type { EntryRecord } from '#shared/records/entry'
import { waterStore } from '#shared/derived/water'
import type { Transaction } from '../db/door'
import { trays } from '../db/schema'
import { contextFor, findHousehold } from './read-records'
import { invalid } from './refusal'
import { asStored, type Row } from './rows'

/**
 * Water that was given, weighed or felt: of trays the entry is about, not in the future, and of a weight a tray can have.
 *
 * @throws Refusal 422 at the field
 */
export async function checkWater(tx: Transaction, householdId: string, entry: EntryRecord): Promise<void> {
  const { water, subjects, on } = entry
  if (water.length === 0) return
  const named = new Set(subjects.flatMap(({ what, id }) => (what === 'trays' ? [id] : [])))
  if (water.some(({ trayId }) => !named.has(trayId)))
    throw invalid([
      { path: ['body', 'subjects'], message: 'Say which trays it is about: those that were watered.' },
    ])
  const { timeZone, clock } = (await findHousehold(householdId, tx)).body
  // Where nobody said whose midnight counts, the farthest east has the latest day.
  const latest = todayOf({ clock, timeZone: timeZone ?? 'Pacific/Kiritimati' }, new Date())
  if (on > latest)
    throw invalid([
      {
        path: ['body', 'on'],
        message: 'That day is in the future: log water once it was given.',
      },
    ])
  const weighed = water.flatMap((one, i) => (one.grams === null ? [] : [{ ...one, grams: one.grams, i }]))
  if (weighed.length === 0) return
  const rows = await tx
    .select()
    .from(trays)
    .where(and(eq(trays.householdId, householdId), inArray(trays.id, [...named])))
  const context = await contextFor(householdId, ['containers', 'materials', 'recipes', 'batches'], tx)
  const known = new Map((rows as unknown as Row[]).map(asStored<'trays'>).map(({ id, body }) => [id, body]))
  for (const { trayId, grams, moment, i } of weighed) {
    const tray = known.get(trayId)
    const store = tray && waterStore(tray, context)
    const doubt = store && doubtOf(store.store, grams, moment ?? 'now')
    if (doubt?.kind === 'refused')
      throw invalid([{ path: ['body', 'water', i, 'grams'], message: sayWeightDoubt(doubt) }])
  }
}
