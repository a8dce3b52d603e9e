import type { Everything } from '#shared/records/collections'

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
  return answer?.ok ? ((await answer.json()) as Everything) : null
}
