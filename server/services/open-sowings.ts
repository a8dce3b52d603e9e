import { and, or, sql, type SQL } from 'drizzle-orm'
import type { Collection } from '#shared/collections'
import { marks, sowings } from '../db/schema'
import { current, tableOf } from './rows'

/** Sowings nobody has planted out or given up yet. */
export const openSowings = (householdId: string): SQL =>
  and(
    current('sowings', householdId),
    sql`${sowings.id}::text not in (
      select target ->> 'sowingId' from ${marks}, jsonb_array_elements(${marks.of}) as target
      where ${marks.householdId} = ${householdId} and ${marks.what} in ('out', 'give up') and ${marks.snoozedUntil} is null
        and ${marks.deletedAt} is null)`,
  )!

/**
 * Marks on any of these sowings. None was written before the oldest of them, so that an index on the time leaves out
 * the years before; what is left is looked through.
 */
export const marksOf = (
  householdId: string,
  open: readonly { readonly id: string; readonly createdAt: string }[],
): SQL =>
  and(
    current('marks', householdId),
    sql`${marks.createdAt} >= ${open.map(({ createdAt }) => createdAt).reduce((a, b) => (a < b ? a : b))}`,
    sql`exists (
      select from jsonb_array_elements(${marks.of}) as target
      where target ->> 'sowingId' = any(${sql.param(open.map(({ id }) => id))}::text[]))`,
  )!

/** What a page needs to start: of sowings and marks the last year and a half, and whatever is not over. */
export function inSight(collection: Collection, householdId: string): SQL | undefined {
  const table = tableOf(collection)
  const late = sql`${table.createdAt} > now() - interval '550 days'`
  if (collection === 'sowings')
    return and(current(collection, householdId), or(late, openSowings(householdId)))
  if (collection === 'marks') return and(current(collection, householdId), late)
  return current(collection, householdId)
}
