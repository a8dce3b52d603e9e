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

/** Marks on any of these sowings, found by the index on what they are for. */
export const marksOf = (householdId: string, sowingIds: readonly string[]): SQL =>
  and(
    current('marks', householdId),
    sql`${marks.of} @> any(${sql.param(sowingIds.map((id) => JSON.stringify([{ sowingId: id }])))}::jsonb[])`,
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
