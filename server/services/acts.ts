import { and, eq, lt, sql } from 'drizzle-orm'
import { asHousekeeping, inHousehold, type Transaction } from '../db/door'
import type { Principal } from '../principal'
import { acts } from '../db/schema'
import { invalid, uncertain } from './refusal'
import { lockHousehold } from './rows'
import { inTurn } from './turns'

/** One press, under an id of the sender's own; `asked` tells it from another request that borrows the id. */
export interface Act {
  readonly id: string
  readonly asked: string
}

/** What was locked: a household, one that was removed, or none. */
export type Locked = Awaited<ReturnType<typeof lockHousehold>>

const KEPT_DAYS = 30

/**
 * One transaction, done once: an act that is sent again is answered as it was. `make` is called inside the household's
 * turn and lock, and told whether the household is there.
 *
 * @throws Refusal 422 where the act's id was used for something else; 503 where the connection broke while committing, so
 *   that nobody knows whether it was done
 */
export function once<Answer extends object>(
  principal: Principal,
  householdId: string,
  act: Act | null,
  make: (tx: Transaction, household: Locked) => Promise<Answer>,
): Promise<Answer> {
  return inTurn(householdId, async () => {
    let committing = false
    try {
      return await inHousehold(
        principal,
        householdId,
        async (tx) => {
          const household = await lockHousehold(tx, householdId)
          const answered = act && (await answerTo(tx, householdId, act))
          const answer = (answered ?? (await make(tx, household))) as Answer
          if (act && !answered) await tx.insert(acts).values({ householdId, ...act, answer })
          committing = true
          return answer
        },
        { to: 'write' },
      )
    } catch (error) {
      throw committing ? uncertain(error) : error
    }
  })
}

async function answerTo(tx: Transaction, householdId: string, { id, asked }: Act) {
  const [row] = await tx
    .select()
    .from(acts)
    .where(and(eq(acts.householdId, householdId), eq(acts.id, id)))
  if (row && row.asked !== asked)
    throw invalid([{ path: ['idempotencyKey'], message: 'This key stands for another request already.' }])
  return row?.answer
}

/** Nobody sends an act again after a month. */
export const forgetOldActs = () =>
  asHousekeeping('forget acts', (tx) =>
    tx.delete(acts).where(lt(acts.at, sql`now() - make_interval(days => ${KEPT_DAYS})`)),
  )
