import { mkdtempSync, readdirSync, rmSync, utimesSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, expect, it } from '@jest/globals'
import { DailyBackup } from './daily-backup.mjs'

const folder = mkdtempSync(join(tmpdir(), 'blastomix-daily-'))
afterAll(() => rmSync(folder, { recursive: true, force: true }))

const HOUR_MS = 3_600_000
/** A backup as it lies there so many hours after it was written. */
function lies(name: string, hoursAgo: number) {
  const at = new Date(Date.now() - hoursAgo * HOUR_MS)
  writeFileSync(join(folder, name), 'rows')
  writeFileSync(join(folder, `${name}.json`), JSON.stringify({ at: at.toISOString() }))
  utimesSync(join(folder, name), at, at)
}
const left = () => readdirSync(folder).filter((name) => name.endsWith('.backup'))

it('keeps two weeks, never clears the last one, and touches nothing that is not its own', () => {
  const keeper = new DailyBackup(folder, 'postgres://nobody@127.0.0.1:9/none', console)
  expect(keeper.isDue()).toBe(true)
  lies('daily-2027-02-01-06-00-00-000.backup', 15 * 24)
  keeper.clearOld()
  expect(left()).toHaveLength(1)
  lies('daily-2027-02-15-06-00-00-000.backup', 13 * 24)
  lies('before-2027-01-02-06-00-00-000.backup', 40 * 24)
  lies('mine.backup', 400 * 24)
  keeper.clearOld()
  expect(left()).toEqual(['daily-2027-02-15-06-00-00-000.backup', 'mine.backup'])

  expect(keeper.isDue()).toBe(true)
  lies('daily-2027-02-28-06-00-00-000.backup', 23)
  expect(keeper.isDue()).toBe(false)
  rmSync(join(folder, 'daily-2027-02-28-06-00-00-000.backup'))
  lies('before-2027-02-28-06-00-00-000.backup', 1)
  expect(keeper.isDue()).toBe(true)
})
