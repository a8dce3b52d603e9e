import { eq } from 'drizzle-orm'
import { inHousehold, inLockedHousehold, type Locked, type Transaction } from '../db/door'
import { households } from '../db/schema'
import type { Principal } from '../principal'
import { answerTo, inTurn, keepAct, type Act } from './idempotency'
import { inHouseholdQueue } from './household-queue'
import { Refusal } from './refusal'
import { noteOnlyLooking } from './transaction-changes'

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

/** What is asked for. */
export interface Order {
  /** Null only looks; else the `changes` that were looked at. */
  readonly seen: number | null
  /** Its key, where it is written. */
  readonly act: Act | null
  /** What the command is called. */
  readonly name: string
}

/** Thrown to leave the transaction without a trace, with what it found. */
class OnlyLooked<Found> extends Error {
  constructor(readonly found: Found) {
    super('only looked')
  }
}

/**
 * Takes something in as a whole, or only looks at what it would do. Looking holds no lock of the household: whoever writes there
 * meanwhile goes on, and what was looked at has to be looked at again.
 *
 * @throws Refusal 404 for a household that was removed; 409 where something was written since it was looked at
 */
export const lookOrTake = <Found extends object>(
  principal: Principal,
  householdId: string,
  { seen, act, name }: Order,
  take: (tx: Transaction, looked: Looked) => Promise<Found>,
): Promise<Found & { act: string | null }> =>
  seen === null
    ? look(principal, householdId, take)
    : inTurn(householdId, () => {
        const own = act ?? { id: crypto.randomUUID(), asked: '' }
        return inLockedHousehold(
          principal,
          householdId,
          own.id,
          async (tx, household, earlier) => {
            if (earlier) return (await answerTo(tx, householdId, own, earlier)) as Found & { act: string }
            // Taking the lock counted it up.
            const stood = household && { ...household, changes: household.changes - 1 }
            const found = await take(tx, lookedAt(stood, seen))
            const answer = { ...found, act: own.id }
            await keepAct(tx, householdId, own, { commands: [name] }, answer)
            return answer
          },
          { patient: true },
        )
      })

const look = <Found extends object>(
  principal: Principal,
  householdId: string,
  take: (tx: Transaction, looked: Looked) => Promise<Found>,
): Promise<Found & { act: null }> =>
  inHouseholdQueue(`looks at ${householdId}`, async () => {
    try {
      return await inHousehold(
        principal,
        householdId,
        async (tx) => {
          const [stood] = await tx
            .select({ changes: households.changes, deletedAt: households.deletedAt })
            .from(households)
            .where(eq(households.householdId, householdId))
          noteOnlyLooking(tx)
          const head = stood && { changes: stood.changes, isRemoved: stood.deletedAt !== null }
          throw new OnlyLooked({ ...(await take(tx, lookedAt(head, null))), act: null })
        },
        { to: 'write', patient: true },
      )
    } catch (error) {
      if (error instanceof OnlyLooked) return error.found as Found & { act: null }
      throw error
    }
  })

function lookedAt(
  stood: Pick<NonNullable<Locked>, 'changes' | 'isRemoved'> | undefined,
  seen: number | null,
): Looked {
  if (stood?.isRemoved) throw new Refusal(404, 'This household was removed: bring it back first.')
  const changes = stood?.changes ?? 0
  if (seen !== null && seen !== changes)
    throw new Refusal(409, 'Something was written here since you looked. Look again, then take it in.')
  return { isNew: !stood, changes }
}
