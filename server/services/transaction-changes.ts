import { present } from '#core/present'
import type { Everything, Stored } from '#shared/records/collections'
import type { Collection } from '#shared/records/collection-names'
import type { ChangedRecord, WrittenRecord } from '#shared/commands/written'
import { applied, isInSight } from '#shared/commands/applied'
import type { HouseholdRecord } from '#shared/records/household'
import type { Transaction } from '../db/door'

/** What a transaction has written so far: the records of its acts, and every record that changed with them. */
class Writing {
  readonly wrote: WrittenRecord[] = []
  readonly changed = new Map<string, ChangedRecord>()
  household: Stored<HouseholdRecord> | null = null
  /** What the household keeps, where that is known, as it stood before these changes. */
  kept: Everything | null = null
  fresh: ChangedRecord[] = []
  /** It is left in the end: what it writes nobody sees. */
  onlyLooks = false
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
export function noteChanged(
  tx: Transaction,
  collection: Collection,
  id: string,
  record: Stored<unknown> | null,
) {
  const writing = writingOf(tx)
  const change = { collection, id, record }
  writing.changed.set(`${collection} ${id}`, change)
  writing.fresh.push(change)
}

/** The household's own record stands so now: all that is in sight hangs on it. */
export function noteHousehold(tx: Transaction, household: Stored<HouseholdRecord>) {
  Object.assign(writingOf(tx), { household, kept: null })
}

/** From here on it is known what the household keeps. */
export function noteKept(tx: Transaction, kept: Everything) {
  Object.assign(writingOf(tx), { kept, fresh: [] })
}

/** What the household keeps by now, with what this transaction wrote; null where that has to be read. */
export function keptIn(tx: Transaction): Everything | null {
  const writing = writingOf(tx)
  const { kept, fresh: changed } = writing
  if (kept && changed.length)
    writing.kept = isInSight(kept, changed) ? applied(kept, { changed, household: null }) : null
  writing.fresh = []
  return writing.kept
}

/** The transaction only looks at what would become of something. */
export const noteOnlyLooking = (tx: Transaction) => void (writingOf(tx).onlyLooks = true)
export const onlyLooks = (tx: Transaction): boolean => writingOf(tx).onlyLooks

/** A savepoint: what it wrote counts once it is through. */
export async function within<Answer>(
  tx: Transaction,
  make: (inner: Transaction) => Promise<Answer>,
): Promise<Answer> {
  let inside: Writing | undefined
  const answer = await tx.transaction(async (inner) => {
    inside = writingOf(inner)
    Object.assign(inside, { kept: keptIn(tx), onlyLooks: onlyLooks(tx) })
    return make(inner)
  })
  const outside = writingOf(tx)
  outside.fresh.push(...present(inside).fresh)
  outside.kept = present(inside).kept
  outside.wrote.push(...present(inside).wrote)
  for (const [key, one] of present(inside).changed) outside.changed.set(key, one)
  return answer
}
