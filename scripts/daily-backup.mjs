import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { manifestOf, writeBackup } from './backup-file.mjs'

const DAY_MS = 86_400_000
const KEEP_DAYS = 14
const LOOK_MS = 15 * 60_000
const OURS = /^(daily|before)-[\d-]+\.backup$/

/** A backup a day for two weeks, and what became of the last one, for the Settings page. */
export class DailyBackup {
  constructor(folder, url, log) {
    Object.assign(this, { folder, url, log, busy: Promise.resolve() })
    mkdirSync(folder, { recursive: true, mode: 0o700 })
  }

  begin() {
    const look = () => this.isDue() && this.write('daily').catch(() => {})
    this.timer = setInterval(look, LOOK_MS)
    void look()
  }
  end() {
    clearInterval(this.timer)
    return this.busy.catch(() => {})
  }

  isDue() {
    const last = this.files()
      .filter((name) => name.startsWith('daily-'))
      .at(-1)
    return !last || Date.now() - statSync(join(this.folder, last)).mtimeMs > DAY_MS
  }

  /** One after the other. @param {'daily' | 'before'} why */
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
