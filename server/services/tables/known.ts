import { and, inArray, sql } from 'drizzle-orm'
import type { Day } from '#core/calendar/day'
import type { Bodies, Stored } from '#shared/records/collections'
import type { Collection } from '#shared/records/collection-names'
import { namesOf } from '#shared/tables/known'
import type { ReadTable } from '#shared/tables/read'
import type { Table } from '#shared/tables/table'
import { entries } from '../../db/schema'
import { contextFor, list } from '../read-records'
import type { Transaction } from '../../db/door'
import { asStored, current, type Row } from '../rows'

const LISTS = ['materials', 'containers', 'feeds', 'crops', 'recipes', 'packets', 'tools', 'stocks'] as const

/** All that a table can name in a household. */
export async function knownIn(tx: Transaction, householdId: string) {
  const context = await contextFor(householdId, LISTS, tx)
  const sowings = await list('sowings', householdId, tx)
  const batches = await list('batches', householdId, tx)
  const trays = await list('trays', householdId, tx)
  return { context, units: context.units, trays, names: namesOf(context, { sowings, batches, trays }) }
}

/** What stands already of what a table tells; of the ledger only the days it speaks of. */
export async function standingIn(
  tx: Transaction,
  householdId: string,
  table: Table,
  read: ReadTable,
): Promise<Stored<Bodies[Collection]>[]> {
  if (table.collection !== 'entries') return list(table.collection, householdId, tx)
  const days = [
    ...new Set(read.records.flatMap(({ said }) => said.flatMap(({ on }) => (on ? [on as Day] : [])))),
  ]
  const rows = await tx
    .select()
    .from(entries)
    .where(
      and(
        current('entries', householdId),
        table.field ? heldIn(table) : days.length ? inArray(entries.on, days) : sql`false`,
      ),
    )
  return (rows as unknown as Row[]).map(asStored<'entries'>)
}

/** The entries a table is written from: all, or those that hold something in its field. */
export const heldIn = ({ field }: Pick<Table, 'field'>) => field && sql`${entries[field]} <> '[]'::jsonb`
