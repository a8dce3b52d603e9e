import { and, sql, type SQL } from 'drizzle-orm'
import { entries, sowings } from '../db/schema'
import { current } from './rows'

/** Sowings nobody has planted out or given up yet. */
export const openSowings = (householdId: string): SQL =>
  and(
    current('sowings', householdId),
    sql`${sowings.id}::text not in (
      select target ->> 'id' from ${entries}, jsonb_array_elements(${entries.about}) as target
      where ${entries.householdId} = ${householdId} and ${entries.kind} in ('out', 'give up') and ${entries.snoozedUntil} is null
        and ${entries.deletedAt} is null)`,
  )!
