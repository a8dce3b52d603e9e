import { LRUCache } from 'lru-cache'
import { headOf, type Head } from '../db/door'
import type { Principal } from '../principal'
import { unknown } from './refusal'

/** So many answers are held; each is bounded itself. */
const answers = new LRUCache<string, { changes: number; answer: Promise<unknown> }>({ max: 100 })

/**
 * An answer that hangs only on what a household keeps: made again when anything was written there since, by whichever copy of
 * the application. Every write counts the household's `changes` up in its own transaction, so asking for that one number is enough.
 *
 * @throws Refusal 404
 */
export async function remembered<Answer>(
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
  answers.set(key, { changes: head.changes, answer })
  answer.catch(() => answers.delete(key))
  return answer
}

/** The same answer as it stood after so many changes, where it is at hand. */
export function rememberedAt<Answer>(householdId: string, what: string, changes: number) {
  const known = answers.get(`${householdId} ${what}`)
  return known?.changes === changes ? (known.answer as Promise<Answer>) : undefined
}
