import { copyFile, mkdir, readdir, rename, rm, stat } from 'node:fs/promises'
import { join } from 'node:path'
import type { Principal } from '../principal'
import { log, traceOf } from '../log'
import { writeArchive } from './archive/write'
import { Refusal } from './refusal'

/*
 * Before a household is removed, or an archive is taken into it, it is written out whole beside the backups. Of one household and
 * one reason there is one file, the latest; of all together so many.
 */

const MAX_FILES = 40
const MAX_BYTES = 2 * 1024 ** 3

/** Nowhere where `./start` keeps no backups. */
const folder = () => process.env.BLASTOMIX_BACKUPS && join(process.env.BLASTOMIX_BACKUPS, 'households')

/** @throws Refusal 404; 503 where it could not be written, so that nothing else is done either */
export async function keepArchive(
  principal: Principal,
  householdId: string,
  why: 'removed' | 'before-archive',
): Promise<void> {
  const to = folder()
  if (!to) return
  const archive = await writeArchive(principal, householdId)
  try {
    await mkdir(to, { recursive: true, mode: 0o700 })
    const file = join(to, `${householdId}-${why}.zip`)
    await copyFile(archive.file, `${file}.part`)
    await rename(`${file}.part`, file)
    await clearOldest(to, file)
  } catch (error) {
    log.error(traceOf(error), 'archive before a change')
    throw new Refusal(
      503,
      'The household could not be written out first, so nothing was done. Look whether the disk is full.',
    )
  } finally {
    await archive.done()
  }
}

/** The oldest go until the rest is within bounds; the one that was just written stays. */
async function clearOldest(where: string, written: string): Promise<void> {
  const names = (await readdir(where)).filter((name) => name.endsWith('.zip'))
  const files = await Promise.all(
    names.map(async (name) => {
      const path = join(where, name)
      const { mtimeMs, size } = await stat(path)
      return { path, mtimeMs, size }
    }),
  )
  files.sort((a, b) => b.mtimeMs - a.mtimeMs)
  let bytes = 0
  for (const [i, { path, size }] of files.entries()) {
    bytes += size
    if (path !== written && (i >= MAX_FILES || bytes > MAX_BYTES)) await rm(path, { force: true })
  }
}
