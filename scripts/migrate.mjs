import { drizzle } from 'drizzle-orm/node-postgres'
import { migrate } from 'drizzle-orm/node-postgres/migrator'
import pg from 'pg'
import { Trouble } from './trouble.mjs'

const MIGRATION_LOCK = 7_236_001

/** Bring the database up to the newest migration. Several copies that start together take turns. */
export async function migrateDatabase(url) {
  const client = new pg.Client({ connectionString: url, connectionTimeoutMillis: 5000 })
  try {
    await client.connect()
  } catch (error) {
    throw new Trouble(`The database at ${address(url)} does not answer: ${error.message || error.code}.`)
  }
  try {
    await client.query('select pg_advisory_lock($1)', [MIGRATION_LOCK])
    await migrate(drizzle({ client }), { migrationsFolder: 'server/db/migrations' })
  } catch (error) {
    throw new Trouble(
      `The database could not be brought up to date: ${error.cause?.message ?? error.message}`,
    )
  } finally {
    await client.end()
  }
}

function address(url) {
  try {
    const { hostname, port } = new URL(url)
    return `${hostname}:${port || 5432}`
  } catch {
    return 'DATABASE_URL'
  }
}
