import { and, eq, isNull } from 'drizzle-orm'
import type { Bodies, Collection, Stored } from '#shared/collections'
import type { Transaction } from '../db/client'
import { households, TABLES } from '../db/schema'

/** drizzle cannot type a table chosen at run time; the rows of all collections share these columns. */
type AnyTable = (typeof TABLES)['recipes']
export const tableOf = (collection: Collection) => TABLES[collection] as unknown as AnyTable

export interface Row {
  id: string
  version: number
  number?: number
  updatedAt: string
  deletedAt: string | null
  [column: string]: unknown
}

export function asStored<C extends Collection>(row: Row): Stored<Bodies[C]> {
  const { id, version, number = 0, updatedAt, householdId: _h, createdAt: _c, deletedAt: _d, ...body } = row
  return {
    id,
    version,
    number,
    updatedAt: new Date(updatedAt).toISOString(),
    body: body as unknown as Bodies[C],
  }
}

/** The rows of a household that are in sight. */
export const current = (collection: Collection, householdId: string) => {
  const table = tableOf(collection)
  return and(eq(table.householdId, householdId), isNull(table.deletedAt))
}

/** Writers of one household queue here: batches are numbered without gaps, stores are drawn down one by one. */
export async function lockHousehold(tx: Transaction, householdId: string) {
  const [row] = await tx
    .select({ id: households.householdId })
    .from(households)
    .where(eq(households.householdId, householdId))
    .for('update')
  return row
}
