import { newId } from '~/composables/newId'

const TRIES = 3
const PAUSE_MS = 400

/**
 * A write. Where no answer came, or the database was away, nobody knows whether it was done: it is sent again under the
 * same id, so that it is done once, and answered as it was.
 */
export async function send<Answer>(
  address: string,
  {
    method,
    body,
    query,
  }: { method: 'PUT' | 'POST' | 'DELETE'; body?: object; query?: Record<string, unknown> },
): Promise<Answer> {
  const headers = { 'idempotency-key': newId() }
  for (let tried = 1; ; tried++) {
    try {
      return await $fetch<Answer>(address, {
        method,
        headers,
        retry: 0,
        ...(body && { body }),
        ...(query && { query }),
      })
    } catch (error) {
      const { status } = error as { status?: number }
      if ((status !== undefined && status !== 503) || tried >= TRIES) throw error
      await new Promise((resolve) => setTimeout(resolve, PAUSE_MS * tried))
    }
  }
}
