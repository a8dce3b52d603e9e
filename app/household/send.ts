import type { SentWithFile } from '#shared/commands/alone'
import type { Sent } from '#shared/commands/commands'
import type { Performed } from '#shared/commands/written'

/* The only way from a page to what a household keeps: commands, and files that come with one. */

const TRIES = 3
const PAUSE_MS = 400

/** One press: what is done, under a key that was made when the person acted. */
export interface Press {
  readonly act: string
  readonly commands: readonly Sent[]
  readonly by?: string
  readonly today?: string
}

/**
 * Where no answer came, or the database was away, it is not known whether it was done: it is sent again under the same key, so
 * that it is done once, and answered as it was.
 */
export async function sendPress(householdId: string, press: Press): Promise<Performed> {
  for (let tried = 1; ; tried++) {
    try {
      return await $fetch<Performed>(`/api/households/${householdId}/commands`, {
        method: 'POST',
        body: press,
        retry: 0,
      })
    } catch (error) {
      const { status } = error as { status?: number }
      if ((status !== undefined && status !== 503) || tried >= TRIES) throw error
      await new Promise((resolve) => setTimeout(resolve, PAUSE_MS * tried))
    }
  }
}

/** One act by itself: of another household, or one that cannot be undone here. */
export const sendCommand = (householdId: string, command: Sent) =>
  sendPress(householdId, { act: newId(), commands: [command] })

/** Where a command is sent that comes with a file. */
export const addressWithFile = (householdId: string, command: SentWithFile) =>
  `/api/households/${householdId}/commands/file?${new URLSearchParams({ command: JSON.stringify(command), act: newId() })}`

export const sendWithFile = <Answer>(
  householdId: string,
  command: SentWithFile,
  file: Blob,
  type: string,
): Promise<Answer> =>
  $fetch<Answer>(addressWithFile(householdId, command), {
    method: 'POST',
    body: file,
    headers: { 'content-type': type },
    retry: 0,
  }) as Promise<Answer>
