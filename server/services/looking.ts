import { eq } from 'drizzle-orm'
import { inHousehold, type Transaction } from '../db/door'
import type { Principal } from '../principal'
import { households } from '../db/schema'
import { Refusal } from './refusal'
import { lockHousehold } from './rows'
import { inTurn } from './turns'

/*
 * Looking is doing: what a file would change is found by taking it in, in a transaction that is then left. So what is shown
 * cannot differ from what is done.
 */

/** A household something is taken into. */
export interface Looked {
  /** Whether there is none of this id yet. */
  readonly isNew: boolean
  /** Its count of writes: what is written has to name it. */
  readonly changes: number
}

/** Thrown to leave the transaction without a trace, with what it found. */
class OnlyLooked<Found> extends Error {
  constructor(readonly found: Found) {
    super('only looked')
  }
}

/**
 * Takes something in as a whole, or only looks at what it would do.
 *
 * @param seen null only looks; else the `changes` that were looked at
 * @throws Refusal 404 for a household that was removed; 409 where something was written since it was looked at
 */
export const lookOrTake = <Found>(
  principal: Principal,
  householdId: string,
  seen: number | null,
  take: (tx: Transaction, looked: Looked) => Promise<Found>,
): Promise<Found> =>
  inTurn(householdId, async () => {
    try {
      return await inHousehold(
        principal,
        householdId,
        async (tx) => {
          const found = await take(tx, await lookedAt(tx, householdId, seen))
          if (seen === null) throw new OnlyLooked(found)
          return found
        },
        { to: 'write', patient: true },
      )
    } catch (error) {
      if (error instanceof OnlyLooked) return error.found as Found
      throw error
    }
  })

async function lookedAt(tx: Transaction, householdId: string, seen: number | null): Promise<Looked> {
  const locked = await lockHousehold(tx, householdId)
  if (locked?.isRemoved) throw new Refusal(404, 'This household was removed: bring it back first.')
  const [row] = await tx
    .select({ changes: households.changes })
    .from(households)
    .where(eq(households.householdId, householdId))
  const changes = row ? row.changes - 1 : 0
  if (seen !== null && seen !== changes)
    throw new Refusal(409, 'Something was written here since you looked. Look again, then take it in.')
  return { isNew: !locked, changes }
}
