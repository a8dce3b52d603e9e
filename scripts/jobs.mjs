import { readFileSync } from 'node:fs'
import PgBoss from 'pg-boss'

export const JOBS_SCHEMA = 'jobs'
/** Tables and queues of the work that comes round, made by the owner: who works them changes no table. */
export async function setUpJobs(ownerUrl) {
  const boss = new PgBoss({
    connectionString: ownerUrl,
    schema: JOBS_SCHEMA,
    schedule: false,
    supervise: false,
    max: 1,
  })
  boss.on('error', () => {})
  await boss.start()
  try {
    const names = Object.keys(JSON.parse(readFileSync('server/jobs/schedule.json', 'utf8')))
    // How long a copy may be silent until another takes up its job.
    const leaseS = Number(process.env.BLASTOMIX_LEASE_S || 600)
    // One at a time of each, in all copies together; one more may wait.
    const options = {
      policy: 'stately',
      retryLimit: 3,
      retryDelay: Math.min(20, leaseS),
      retryBackoff: true,
      expireInSeconds: leaseS,
    }
    for (const name of names) {
      await boss.createQueue(name, options)
      await boss.updateQueue(name, options)
    }
    await boss.createQueue('__pgboss__send-it')
  } finally {
    await boss.stop({ graceful: false })
  }
}
