import { eq, max } from 'drizzle-orm'
import type { Collection } from '#shared/records/collection-names'
import type { Transaction } from '../db/door'
import { batches, entries, trays } from '../db/schema'
import { onlyLooks } from './transaction-changes'

/** Counted from 1 in each household, in the order of writing, and never given twice. */
const NUMBERED = { batches, trays, entries } as const
type Numbered = keyof typeof NUMBERED

export const isNumbered = (collection: Collection): collection is Numbered => collection in NUMBERED

/** Another for each that looks. */
export const aside = () => ASIDE + Math.floor(Math.random() * ASIDE)
/** Numbers of what is only looked at are no household's: who writes meanwhile does not wait for them. */
const ASIDE = 1_000_000_000

/** Inside the household's lock, unless it is only looked at. */
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
  const next = Number(row?.last ?? 0) + 1
  return onlyLooks(tx) && next < ASIDE ? next + aside() : next
}
