import type { Everything } from '#shared/records/collections'
import { newEntry } from '#shared/records/new-entry'

interface Asked {
  readonly id: string
  readonly answer: Promise<Response | undefined>
}

/** What the page asked for before its scripts came (server/plugins/first-page.ts), once; null where it asked for something else. */
export async function askedEarly(id: string): Promise<Everything | null> {
  if (import.meta.server) return null
  const page = window as { asked?: Asked }
  const { asked } = page
  delete page.asked
  if (asked?.id !== id) return null
  const answer = await asked.answer
  return answer?.ok ? whole((await answer.json()) as Everything) : null
}

/** Entries come without the fields that hold nothing. */
export const whole = (lean: Everything): Everything => ({
  ...lean,
  entries: lean.entries.map((one) => ({ ...one, body: newEntry(one.body) })),
})
