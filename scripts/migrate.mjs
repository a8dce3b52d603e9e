import { readFileSync } from 'node:fs'
import { drizzle } from 'drizzle-orm/node-postgres'
import { migrate } from 'drizzle-orm/node-postgres/migrator'
import { addressOf, connectTo } from './connection.mjs'
import { JOBS_SCHEMA, setUpJobs } from './jobs.mjs'
import { Trouble } from './trouble.mjs'

const MIGRATION_LOCK = 7_236_001
const FOLDER = 'server/db/migrations'

/** When the newest migration this Blastomix knows was written, ms since 1970: the version of its data. */
export const dataVersion = () =>
  Math.max(
    ...JSON.parse(readFileSync(`${FOLDER}/meta/_journal.json`, 'utf8')).entries.map(({ when }) => when),
  )

/** Where several copies count together how often something is asked (server/services/rate-limits.ts). */
const RATE_LIMITS = `create unlogged table if not exists ${JOBS_SCHEMA}.rate_limit (
  key varchar(255) primary key, points integer not null default 0, expire bigint)`

/** Bring the database up to the newest migration. Several copies that start together take turns. */
export async function migrateDatabase(url) {
  const client = await connectTo(url).catch((error) => {
    throw new Trouble(`The database at ${addressOf(url)} does not answer: ${error.message || error.code}.`)
  })
  try {
    await client.query('select pg_advisory_lock($1)', [MIGRATION_LOCK])
    await refuseNewer(client)
    await checkSeesAll(client)
    await migrate(drizzle({ client }), { migrationsFolder: FOLDER })
    await setUpJobs(url)
    await client.query(RATE_LIMITS)
  } catch (error) {
    if (error instanceof Trouble) throw error
    throw new Trouble(
      `The database could not be brought up to date: ${error.cause?.message ?? error.message}`,
    )
  } finally {
    await client.end()
  }
}

/** Under row-level security a migration by a role that sees no household would change none, in silence. */
async function checkSeesAll(client) {
  const { rows } = await client.query(
    'select rolname as name, rolsuper or rolbypassrls as sees from pg_roles where rolname = current_user',
  )
  if (!rows[0].sees)
    throw new Trouble(
      `Migrations have to see the rows of every household, and the role ${rows[0].name} does not: alter role ${rows[0].name} with bypassrls.`,
    )
}

async function refuseNewer(client) {
  const { rows } = await client.query(
    `select to_regclass('drizzle.__drizzle_migrations') is not null as there`,
  )
  if (!rows[0].there) return
  const { rows: last } = await client.query('select max(created_at) as at from drizzle.__drizzle_migrations')
  const at = Number(last[0].at ?? 0)
  if (at <= dataVersion()) return
  const say = (when) => new Date(when).toISOString().slice(0, 10)
  throw new Trouble(
    `These data were written by a newer Blastomix (of ${say(at)}; this one is of ${say(dataVersion())}). Nothing was changed. Start the newer one, or restore a backup of before into another folder.`,
  )
}
