import { and, eq, sql } from 'drizzle-orm'
import type { Bodies, Stored } from '#shared/records/collections'
import type { Transaction } from '../db/door'
import { trays } from '../db/schema'
import { entriesAbout, find, list } from './read-records'
import { current } from './rows'

/** A tray with all that hangs on it: trays of its batch, trays its plants came from and went to, and what happened to them. */
export async function traceRecords(tx: Transaction, householdId: string, trayId: string) {
  const tray = await find('trays', householdId, trayId, tx)
  const ids = new Set([trayId])
  if (tray.body.batchId) {
    const rows = await tx
      .select({ id: trays.id })
      .from(trays)
      .where(and(current('trays', householdId), eq(trays.batchId, tray.body.batchId)))
    rows.forEach(({ id }) => ids.add(id))
  }
  // Plants were moved between trays: each step is an entry about both.
  const found = new Map<string, Stored<Bodies['entries']>>()
  for (let open = [trayId]; open.length > 0;) {
    const told = await entriesAbout(householdId, open, tx)
    told.forEach((one) => found.set(one.id, one))
    const next = told.flatMap(({ body }) =>
      body.cells.some(({ what }) => what === 'moved' || what === 'set')
        ? body.cells.map(({ trayId: id }) => id)
        : [],
    )
    open = [...new Set(next)].filter((id) => !ids.has(id))
    open.forEach((id) => ids.add(id))
  }
  for (const one of await entriesAbout(householdId, [...ids], tx)) found.set(one.id, one)
  const all = await list(
    'trays',
    householdId,
    tx,
    and(current('trays', householdId), sql`id = any(${sql.param([...ids])}::uuid[])`),
  )
  const batchIds = [...new Set(all.flatMap(({ body }) => body.batchId ?? []))]
  const batches = batchIds.length
    ? await list(
        'batches',
        householdId,
        tx,
        and(current('batches', householdId), sql`id = any(${sql.param(batchIds)}::uuid[])`),
      )
    : []
  if (batchIds.length) for (const one of await entriesAbout(householdId, batchIds, tx)) found.set(one.id, one)
  return {
    trays: all,
    batches,
    entries: [...found.values()].sort((a, b) => a.number - b.number),
  }
}
