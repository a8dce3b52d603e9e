import { present } from '#core/present'
import { readFile } from 'node:fs/promises'
import { join } from 'node:path'

/* `./start` keeps the application running and writes its backups; with a database that is not its own there are none. */

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
