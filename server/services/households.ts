import { and, asc, isNull, sql } from 'drizzle-orm'
import type { Stored } from '#shared/records/collections'
import type { HouseholdRecord } from '#shared/records/household'
import { asHousekeeping } from '../db/door'
import { households } from '../db/schema'
import { asStoredHousehold } from './read-records'

/** Households whose name holds these words, the oldest first. */
export async function listHouseholds(limit: number, named = ''): Promise<Stored<HouseholdRecord>[]> {
  // No name holds what PostgreSQL cannot: bodies lose it where they are read, an address has it still.
  const words = named.split(/[\s\0]+/).filter(Boolean)
  const rows = await asHousekeeping('list households', (tx) =>
    tx
      .select()
      .from(households)
      .where(
        and(
          isNull(households.deletedAt),
          ...words.map((word) => sql`position(lower(${word}) in lower(${households.name})) > 0`),
        ),
      )
      .orderBy(asc(households.createdAt), asc(households.householdId))
      .limit(limit),
  )
  return rows.map(asStoredHousehold)
}
