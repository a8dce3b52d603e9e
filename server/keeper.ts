import { present } from '#core/present'
import { readFile } from 'node:fs/promises'
import { join } from 'node:path'
import { randomUUID } from 'node:crypto'

/*
 * `./start` keeps the application running and writes its backups. It is asked over the channel it holds to its child; with a
 * database that is not its own there is none.
 */

/** What became of the last backup. */
export interface LastBackup {
  at: string
  ok: boolean
  rows?: number
  bytes?: number
  why?: string
}

/** Whether backups are made here at all. */
export const keepsBackups = () => Boolean(process.env.BLASTOMIX_BACKUPS)

export async function lastBackup(): Promise<LastBackup | null> {
  const folder = process.env.BLASTOMIX_BACKUPS
  if (!folder) return null
  try {
    const { at, ok, rows, bytes, why } = JSON.parse(
      await readFile(join(folder, 'last.json'), 'utf8'),
    ) as LastBackup
    return { at, ok, ...(ok ? { rows: present(rows), bytes: present(bytes) } : { why: why ?? '' }) }
  } catch {
    return null
  }
}

/** A backup, now. @returns whether it was written */
export function backUpNow(): Promise<boolean> {
  if (!process.send) return Promise.resolve(false)
  const id = randomUUID()
  return new Promise((resolve) => {
    const heard = (message: { id?: string; ok?: boolean }) => {
      if (message.id !== id) return
      process.off('message', heard)
      resolve(message.ok === true)
    }
    process.on('message', heard)
    present(process.send)({ ask: 'backup', id })
  })
}
