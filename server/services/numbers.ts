import { eq, max } from 'drizzle-orm'
import type { Collection } from '#shared/records/collections'
import type { Transaction } from '../db/door'
import { batches, entries, trays } from '../db/schema'

/** Counted from 1 in each household, in the order of writing, and never given twice. */
const NUMBERED = { batches, trays, entries } as const
type Numbered = keyof typeof NUMBERED

export const isNumbered = (collection: Collection): collection is Numbered => collection in NUMBERED

/** Inside the household's lock. */
export async function nextNumber(
  tx: Transaction,
  collection: Numbered,
  householdId: string,
): Promise<number> {
  const table = NUMBERED[collection]
  const [row] = await tx
    .select({ last: max(table.number) })
    .from(table)
    .where(eq(table.householdId, householdId))
  return Number(row?.last ?? 0) + 1
}
