import type { Collection, Stored } from '#shared/collections'
import type { ChangedRecord, WrittenRecord } from '#shared/commands/written'
import type { HouseholdRecord } from '#shared/records/household'
import type { Transaction } from '../db/door'

/** What a transaction has written so far: the records of its acts, and every record that changed with them. */
class Writing {
  readonly wrote: WrittenRecord[] = []
  readonly changed = new Map<string, ChangedRecord>()
  household: Stored<HouseholdRecord> | null = null
}

const open = new WeakMap<Transaction, Writing>()

export function writingOf(tx: Transaction): Writing {
  const known = open.get(tx)
  if (known) return known
  const begun = new Writing()
  open.set(tx, begun)
  return begun
}

/** A record was written by what somebody did. */
export const noteWritten = (tx: Transaction, one: WrittenRecord) => void writingOf(tx).wrote.push(one)

/** A record stands so now, or is out of sight. */
export const noteChanged = (
  tx: Transaction,
  collection: Collection,
  id: string,
  record: Stored<unknown> | null,
) => void writingOf(tx).changed.set(`${collection} ${id}`, { collection, id, record })

/** A savepoint: what it wrote counts once it is through. */
export async function within<Answer>(
  tx: Transaction,
  make: (inner: Transaction) => Promise<Answer>,
): Promise<Answer> {
  let inside: Writing | undefined
  const answer = await tx.transaction(async (inner) => {
    inside = writingOf(inner)
    return make(inner)
  })
  const outside = writingOf(tx)
  outside.wrote.push(...inside!.wrote)
  for (const [key, one] of inside!.changed) outside.changed.set(key, one)
  return answer
}
