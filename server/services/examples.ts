import { createHash } from 'node:crypto'
import { count, eq, and, isNull, lt, sql } from 'drizzle-orm'
import { LRUCache } from 'lru-cache'
import { asHousekeeping, inHousehold } from '../db/door'
import { examples, households } from '../db/schema'
import type { Principal } from '../principal'
import { writeDemo } from './demo'
import { isDone, once, type Act } from './idempotency'
import { inHouseholdQueue } from './household-queue'
import { invalid, Refusal } from './refusal'

/* The demo household again, beside one's own: to look at and to throw away. What nobody looks at any more goes by itself. */

/** So many at once from one address, until people sign in. */
const AT_ONCE = Number(process.env.BLASTOMIX_EXAMPLES_AT_ONCE || 5)
/** One that was not opened for so long is gone. */
const UNOPENED_DAYS = 7

/** @returns its id. @throws Refusal 422 for an id that is taken, 429 where there are as many as may be */
export async function makeExample(
  principal: Principal,
  id: string,
  act: Act | null,
  address: string,
): Promise<{ id: string }> {
  const madeFrom = createHash('sha256').update(address).digest('base64url')
  return inHouseholdQueue(`examples ${madeFrom}`, async () => {
    const wasMade = act && (await inHousehold(principal, id, (tx) => isDone(tx, id, act)))
    if (!wasMade && (await howMany(madeFrom)) >= AT_ONCE)
      throw new Refusal(
        429,
        `${AT_ONCE} demos were opened from here already: delete one first. One that is not opened for ${UNOPENED_DAYS} days is deleted.`,
        [],
        { afterS: 3600 },
      )
    return once(
      principal,
      id,
      act,
      { commands: ['make example'] },
      async (tx, household) => {
        if (household)
          throw invalid([
            { path: ['id'], message: 'There is a household of this id: an example has its own.' },
          ])
        await writeDemo(tx, id, 'The Lamp Room, an example')
        await tx.insert(examples).values({ householdId: id, madeFrom })
        return { id }
      },
      { patient: true },
    )
  })
}

const howMany = (madeFrom: string) =>
  asHousekeeping('count examples', async (tx) => {
    const [{ many } = { many: 0 }] = await tx
      .select({ many: count() })
      .from(examples)
      .innerJoin(households, eq(households.householdId, examples.householdId))
      .where(and(eq(examples.madeFrom, madeFrom), isNull(households.deletedAt)))
    return many
  })

/** Once a day is often enough to know that somebody looks at it. */
const opened = new LRUCache<string, true>({ max: 10_000, ttl: 86_400_000 })

/** Somebody looks at a household: where it is an example, it stays for another week. */
export async function noteOpened(principal: Principal, householdId: string): Promise<void> {
  if (opened.has(householdId)) return
  opened.set(householdId, true)
  await inHousehold(
    principal,
    householdId,
    (tx) =>
      tx
        .update(examples)
        .set({ openedAt: sql`now()` })
        .where(eq(examples.householdId, householdId)),
    { to: 'write' },
  )
}

export const forgetUnopenedExamples = () =>
  asHousekeeping('forget unopened examples', (tx) =>
    tx.delete(households).where(
      sql`${households.householdId} in (${tx
        .select({ id: examples.householdId })
        .from(examples)
        .where(lt(examples.openedAt, sql`now() - make_interval(days => ${UNOPENED_DAYS})`))})`,
    ),
  )
