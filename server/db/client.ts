import { drizzle } from 'drizzle-orm/node-postgres'
import pg from 'pg'
import { log, traceOf } from '../log'
import * as schema from './schema'

let pool: pg.Pool | undefined

function connect() {
  const connectionString = process.env.DATABASE_URL
  if (!connectionString) throw new Error('DATABASE_URL is not set; ./start sets it')
  pool = new pg.Pool({
    connectionString,
    max: 10,
    connectionTimeoutMillis: 5000,
    // A copy that stands still in the middle of a write is cut off by the database, and the others go on.
    lock_timeout: 8000,
    statement_timeout: 15_000,
    idle_in_transaction_session_timeout: 5000,
    keepAlive: true,
  })
  // An idle connection that breaks is replaced at the next use; without a listener it would end the process.
  // The same for one that breaks in the middle of a transaction: the query itself fails and says so.
  pool.on('connect', (client) => client.on('error', () => undefined))
  pool.on('error', (error) => log.warn(traceOf(error), 'database connection lost'))
  return drizzle({ client: pool, schema, casing: 'snake_case' })
}

export type Database = ReturnType<typeof connect>
export type Transaction = Parameters<Parameters<Database['transaction']>[0]>[0]

let database: Database | undefined

/** The application's one pool, opened at first use. */
export function db(): Database {
  return (database ??= connect())
}

export async function closeDb(): Promise<void> {
  await pool?.end()
  pool = database = undefined
}
