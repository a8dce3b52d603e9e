import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import PgBoss from 'pg-boss'
import { manifestOf, writeBackup } from './backup-file.mjs'
import { JOBS_SCHEMA } from './jobs.mjs'

const DAY_MS = 86_400_000
const KEEP_DAYS = 14
const JOB = 'write-backup'
const LOOK_S = 30
/** Earlier versions wrote one before a household was removed, too. */
const OURS = /^(daily|before)-[\d-]+\.backup$/

/** A backup a day for two weeks, and what became of the last one, for the Settings page. */
export class DailyBackup {
  constructor(folder, url, log) {
    Object.assign(this, { folder, url, log, busy: Promise.resolve() })
    mkdirSync(folder, { recursive: true, mode: 0o700 })
  }

  /** Looks whether one is due whenever the schedule says so (server/jobs), under the lease of that job. */
  async begin() {
    this.boss = new PgBoss({
      connectionString: this.url,
      schema: JOBS_SCHEMA,
      migrate: false,
      schedule: false,
      supervise: false,
      max: 1,
    })
    this.boss.on('error', (error) => this.log.warn({ code: error.code }, 'the schedule of backups'))
    await this.boss.start()
    await this.boss.send(JOB, {})
    await this.boss.work(JOB, { pollingIntervalSeconds: LOOK_S }, async () => {
      if (this.isDue()) await this.write('daily')
    })
  }
  async end() {
    await this.boss?.stop({ graceful: false }).catch(() => {})
    return this.busy.catch(() => {})
  }

  isDue() {
    const last = this.files()
      .filter((name) => name.startsWith('daily-'))
      .at(-1)
    return !last || Date.now() - statSync(join(this.folder, last)).mtimeMs > DAY_MS
  }

  /** One after the other. @param {'daily'} why */
  write(why) {
    return (this.busy = this.busy.catch(() => {}).then(() => this.writeNow(why)))
  }

  async writeNow(why) {
    const at = new Date()
    const file = `${why}-${at.toISOString().slice(0, 23).replace(/[T:.]/g, '-')}.backup`
    try {
      const { rows, bytes } = await writeBackup(this.url, join(this.folder, file))
      this.tell({ at, ok: true, file, rows, bytes })
      this.log.info({ rows, bytes }, 'backup written')
      this.clearOld()
    } catch (error) {
      this.tell({ at, ok: false, why: error.code === 'ENOSPC' ? 'The disk is full.' : error.message })
      this.log.error({ code: error.code }, 'backup failed')
      throw error
    }
  }

  tell(state) {
    try {
      writeFileSync(join(this.folder, 'last.json'), JSON.stringify(state))
    } catch {
      // A full disk keeps even this from being said; the page then shows the last that was.
    }
  }

  files() {
    return readdirSync(this.folder)
      .filter((name) => OURS.test(name) && existsSync(manifestOf(join(this.folder, name))))
      .sort((a, b) => this.at(a) - this.at(b))
  }
  at(name) {
    return Date.parse(JSON.parse(readFileSync(manifestOf(join(this.folder, name)), 'utf8')).at)
  }

  /** Only files of this keeper's own, older than two weeks, and never the last one. */
  clearOld() {
    for (const name of this.files().slice(0, -1))
      if (Date.now() - this.at(name) > KEEP_DAYS * DAY_MS)
        for (const file of [join(this.folder, name), manifestOf(join(this.folder, name))])
          rmSync(file, { force: true })
  }
}
