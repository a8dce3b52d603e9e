import { and, eq, isNull, sql } from 'drizzle-orm'
import { LRUCache } from 'lru-cache'
import { db } from '../db/client'
import { households } from '../db/schema'
import { unknown } from './refusal'

/** So many answers are held; each is bounded itself. */
const answers = new LRUCache<string, { changes: number; answer: Promise<unknown> }>({ max: 100 })

/** Asked before every answer, so it is worked out once: for this code, and by each connection. */
const prepareChanges = () =>
  db()
    .select({ changes: households.changes })
    .from(households)
    .where(and(eq(households.householdId, sql.placeholder('householdId')), isNull(households.deletedAt)))
    .prepare('changes_of_household')
let prepared: ReturnType<typeof prepareChanges> | undefined
const changesOf = () => (prepared ??= prepareChanges())

/**
 * An answer that hangs only on what a household keeps: made again when anything was written there since, by whichever copy of
 * the application. Every write counts the household's `changes` up in its own transaction, so asking for that one number is enough.
 *
 * @throws Refusal 404
 */
export async function remembered<Answer>(
  householdId: string,
  what: string,
  make: () => Promise<Answer>,
): Promise<Answer> {
  const [row] = await changesOf().execute({ householdId })
  if (!row) throw unknown('household')
  const key = `${householdId} ${what}`
  const known = answers.get(key)
  if (known?.changes === row.changes) return known.answer as Promise<Answer>
  const answer = make()
  answers.set(key, { changes: row.changes, answer })
  answer.catch(() => answers.delete(key))
  return answer
}
