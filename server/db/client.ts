import { drizzle } from 'drizzle-orm/node-postgres'
import pg from 'pg'
import * as schema from './schema'

let pool: pg.Pool | undefined

function connect() {
  const connectionString = process.env.DATABASE_URL
  if (!connectionString) throw new Error('DATABASE_URL is not set; ./start sets it')
  pool = new pg.Pool({ connectionString, max: 10, connectionTimeoutMillis: 5000 })
  // An idle connection that breaks is replaced at the next use; without a listener it would end the process.
  // The same for one that breaks in the middle of a transaction: the query itself fails and says so.
  pool.on('connect', (client) => client.on('error', () => undefined))
  pool.on('error', (error) => console.error(`database connection lost: ${error.message}`))
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
