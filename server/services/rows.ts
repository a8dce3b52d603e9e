import { present } from '#core/present'
import { and, eq, getTableColumns, isNull, sql, type SQL } from 'drizzle-orm'
import { COLLECTIONS, type Bodies, type Stored } from '#shared/records/collections'
import type { Collection } from '#shared/records/collection-names'
import type { Transaction } from '../db/door'
import { TABLES } from '../db/schema'

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
  const {
    id,
    version,
    number = 0,
    updatedAt,
    householdId: _h,
    createdAt: _c,
    deletedAt: _d,
    overOn: _o,
    ...body
  } = row
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

/** A record as it stands; null where it is out of sight. */
export async function rowAsItStands<C extends Collection>(
  tx: Transaction,
  collection: C,
  householdId: string,
  id: string,
): Promise<Stored<Bodies[C]> | null> {
  const [row] = await tx
    .select()
    .from(tableOf(collection))
    .where(and(current(collection, householdId), eq(tableOf(collection).id, id)))
  return row ? asStored<C>(row as unknown as Row) : null
}

/** The day a household lives on: that of its own clock, as near as looking back over months asks for, else today. */
export const dayOfHousehold = (householdId: string): SQL =>
  sql`coalesce((select (clock ->> 'day')::date from household where household_id = ${householdId}), current_date)`

/** Rows of a collection that hold an id at one of these paths (`fills.*.containerId`). */
export function holding(collection: Collection, paths: readonly string[], id: string): SQL {
  const columns = getTableColumns(tableOf(collection)) as unknown as Record<string, SQL>
  const tests = paths.map((path) => {
    const [first, ...rest] = path.split('.')
    const column = columns[present(first)]
    if (!column) throw new Error(`${COLLECTIONS[collection].one}: no column for ${path}`)
    if (rest.length === 0) return sql`${column}::text = ${id}`
    // A list of rows with ids has an index.
    if (rest.join() === '*,id') return sql`${column} @> ${JSON.stringify([{ id }])}::jsonb`
    const inside = `$${rest.map((key) => (key === '*' ? '[*]' : `."${key}"`)).join('')} ? (@ == $id)`
    return sql`jsonb_path_exists(${column}, ${inside}::jsonpath, jsonb_build_object('id', ${id}::text))`
  })
  return sql`(${sql.join(tests, sql` or `)})`
}
