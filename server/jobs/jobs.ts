import PgBoss from 'pg-boss'
import { jobsNow, runJobsSql } from '../db/door'
import { log, traceOf } from '../log'
import { forgetOldActs } from '../services/idempotency'
import { writeDaysOfDevices } from '../services/device-days'
import { forgetUnopenedExamples } from '../services/examples'
import { forgetRemovedHouseholds } from '../services/household-removal'
import { forgetLostPhotoFiles } from '../services/photo-files'
import { mendReferences } from '../services/mend-references'
import { thinReadings } from '../services/device-readings'
import { askForecastsDue } from '../services/weather'
import schedule from './schedule.json'

/*
 * Work that comes round. One schedule serves all copies of the application: whoever is free takes a job under a lease, and one
 * that is lost with its copy is taken up by another when the lease ends. Backups are written by `./start`, as the owner, under
 * the same lease (scripts/daily-backup.mjs).
 */

type JobName = keyof typeof schedule

const WORK: Record<Exclude<JobName, 'write-backup'>, () => Promise<unknown>> = {
  'thin-readings': thinReadings,
  'forget-acts': forgetOldActs,
  'forget-removed-households': forgetRemovedHouseholds,
  'forget-lost-photo-files': forgetLostPhotoFiles,
  'forget-unopened-examples': forgetUnopenedExamples,
  'mend-references': mendReferences,
  'ask-forecasts': askForecastsDue,
  'write-days-of-devices': writeDaysOfDevices,
}

const LOOK_S = 5
/** The services beside it are given a moment to come up. */
const SOON_S = 4
const AGAIN_MS = 5000

let boss: PgBoss | null = null
let closed = false

/** Begins to take jobs; where the database is away it tries again until it is back. */
export async function startJobs(): Promise<void> {
  const own = new PgBoss({
    db: { executeSql: runJobsSql },
    schema: 'jobs',
    migrate: false,
    maintenanceIntervalSeconds: Number(process.env.BLASTOMIX_LEASE_LOOK_S || 60),
  })
  own.on('error', (error) => log.warn(traceOf(error), 'jobs'))
  try {
    await own.start()
    for (const [name, cron] of Object.entries(schedule)) await own.schedule(name, cron)
    for (const [name, work] of Object.entries(WORK))
      await own.work(name, { pollingIntervalSeconds: LOOK_S }, async () => {
        try {
          await work()
        } catch (error) {
          // It is tried again; the log says why.
          log.warn(traceOf(error), name)
          throw error
        }
      })
    await own.send('ask-forecasts', {}, { startAfter: SOON_S })
    await own.send('mend-references', {}, { startAfter: SOON_S })
    boss = own
    if (closed) await stopJobs()
  } catch (error) {
    log.warn(traceOf(error), 'jobs did not start')
    await own.stop({ graceful: false }).catch(() => undefined)
    if (!closed) setTimeout(() => void startJobs(), AGAIN_MS).unref()
  }
}

/** What is under way is given back, so that another copy takes it up. */
export async function stopJobs(): Promise<void> {
  closed = true
  const own = boss
  boss = null
  await own?.stop({ graceful: false, close: false }).catch(() => undefined)
}

/** Of each job when it was last done, and whether it is under way or failing. */
export async function jobStates() {
  const now = new Map((await jobsNow()).map((one) => [one.name, one]))
  return Object.keys(schedule).map((name) => {
    const one = now.get(name)
    const iso = (at: Date | null | undefined) => at?.toISOString() ?? null
    return {
      name,
      state: one?.active ? 'under way' : one?.retrying ? 'to be tried again' : one ? 'done' : 'not yet',
      doneAt: iso(one?.done),
      failedAt: iso(one?.failed),
    }
  })
}
