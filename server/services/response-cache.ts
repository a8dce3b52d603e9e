import { LRUCache } from 'lru-cache'
import { headOf, type Head } from '../db/door'
import type { Principal } from '../principal'
import { unknown } from './refusal'

/** So many answers are held; each is bounded itself. */
const answers = new LRUCache<string, Known>({ max: 100 })
interface Known {
  readonly changes: number
  readonly answer: Promise<unknown>
  /** The answer itself, once it is there. */
  made?: unknown
  readonly carried: number
}
/** After so many writes in a row an answer is made anew, whatever is known of it. */
const MAX_CARRIED = 200

/**
 * An answer that hangs only on what a household keeps: made again when anything was written there since, by whichever copy of
 * the application. Every write counts the household's `changes` up in its own transaction, so asking for that one number is enough.
 *
 * @throws Refusal 404
 */
export async function cached<Answer>(
  principal: Principal,
  householdId: string,
  what: string | ((head: Head) => string),
  make: (head: Head) => Promise<Answer>,
): Promise<Answer> {
  const head = await headOf(principal, householdId)
  if (!head) throw unknown('household')
  const key = `${householdId} ${typeof what === 'string' ? what : what(head)}`
  const known = answers.get(key)
  if (known?.changes === head.changes) return known.answer as Promise<Answer>
  const answer = make(head)
  const entry: Known = { changes: head.changes, answer, carried: 0 }
  answers.set(key, entry)
  answer.then(
    (made) => (entry.made = made),
    () => answers.delete(key),
  )
  return answer
}

/** The same answer as it stood after so many changes, where it is at hand: a writer in a transaction waits for no reader. */
export function cachedAt<Answer>(householdId: string, what: string, changes: number) {
  const known = answers.get(`${householdId} ${what}`)
  return known?.changes === changes ? (known.made as Answer | undefined) : undefined
}

/**
 * After a write: the answer as that write left it, so that it need not be made again.
 *
 * @param changes the household's count with this write
 */
export function putCached<Answer>(householdId: string, what: string, changes: number, answer: Answer) {
  const key = `${householdId} ${what}`
  const known = answers.get(key)
  // Another write may have come between.
  if (known && known.changes > changes) return
  const carried = known?.changes === changes - 1 ? known.carried + 1 : 0
  if (carried > MAX_CARRIED) answers.delete(key)
  else answers.set(key, { changes, answer: Promise.resolve(answer), made: answer, carried })
}
