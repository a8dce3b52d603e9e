import { and, eq, inArray } from 'drizzle-orm'
import { movedEven } from '#core/trays/change'
import type { EntryRecord } from '#shared/records/entry'
import { sayWrong } from '#shared/messages/refusals'
import { changesByTray, trayStands } from '#shared/derived/trays'
import type { Transaction } from '../db/door'
import { trays } from '../db/schema'
import { contextFor, entriesAbout } from './read-records'
import { invalid } from './refusal'
import { asStored, type Row } from './rows'

/*
 * A tray stands as its layout and its entries say. After whatever changes either, it is computed anew inside the same
 * transaction: what cannot have happened is refused, and nothing of it is written.
 */

/**
 * @param entryId the entry that was written, undone or corrected; null where a layout was changed
 * @throws Refusal 422 with what cannot be
 */
export async function checkTrays(
  tx: Transaction,
  householdId: string,
  ids: readonly string[],
  entryId: string | null,
): Promise<void> {
  if (ids.length === 0) return
  const rows = await tx
    .select()
    .from(trays)
    .where(and(eq(trays.householdId, householdId), inArray(trays.id, [...new Set(ids)])))
  const { crops } = await contextFor(householdId, ['crops'], tx)
  const entries = (await entriesAbout(householdId, ids, tx)).sort((a, b) => a.number - b.number)
  const changes = changesByTray(entries)
  for (const { id, body, number } of (rows as unknown as Row[]).map(asStored<'trays'>)) {
    const [problem] = trayStands(body, changes.get(id) ?? [], crops).problems
    if (!problem) continue
    const { change, wrong } = problem
    const message = sayWrong(wrong)
    const own = change.entryId === entryId
    const at = own ? ['body', 'cells'] : ['body', entryId === null ? 'cells' : 'subjects']
    const entry = entries.find((one) => one.id === change.entryId)
    throw invalid([
      {
        path: at,
        message: own
          ? message
          : `Tray ${number}: ${message} “${entry?.body.name}” of ${change.on} says otherwise; undo that first.`,
      },
    ])
  }
}

/** Trays an entry is about: all whose cells it names, and as many plants arrive as leave. @throws Refusal 422 */
export function traysOf({ cells, subjects }: Pick<EntryRecord, 'cells' | 'subjects'>): string[] {
  const named = new Set(subjects.flatMap(({ what, id }) => (what === 'trays' ? [id] : [])))
  // What it is not about is not found again by what it is about.
  if (cells.some(({ trayId }) => !named.has(trayId)))
    throw invalid([
      { path: ['body', 'subjects'], message: 'Say which trays it is about: those of its cells.' },
    ])
  const uneven = movedEven(cells.map((one) => ({ ...one })))
  if (uneven)
    throw invalid([
      {
        path: ['body', 'cells'],
        message: `${uneven.moved} leave and ${uneven.set} arrive: say the same for both.`,
      },
    ])
  return [...new Set(cells.map(({ trayId }) => trayId))]
}

/** A tray in which something happened is not removed: it is emptied. @throws Refusal 422 */
export async function checkNothingHappened(tx: Transaction, householdId: string, id: string) {
  const [entry] = await entriesAbout(householdId, [id], tx)
  if (entry)
    throw invalid([
      {
        path: ['body', 'cells'],
        message: `“${entry.body.name}” is logged for this tray. Mark it as empty, or undo that first.`,
      },
    ])
}
