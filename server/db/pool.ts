import pg from 'pg'
import { log, traceOf } from '../log'

/*
 * Connections to PostgreSQL. Only the door (door.ts) takes one: everything else is given a transaction.
 */

const LIMITS = {
  connectionTimeoutMillis: 5000,
  // A copy that stands still in the middle of a write is cut off by the database, and the others go on.
  lock_timeout: 8000,
  statement_timeout: 15_000,
  idle_in_transaction_session_timeout: 5000,
  keepAlive: true,
}

/** Whose rows a role sees: the application those of the household that is set, housekeeping those of all. */
type Role = 'application' | 'housekeeping'
const MOST: Record<Role, number> = { application: 10, housekeeping: 4 }

const pools = new Map<Role, pg.Pool>()

function addressOf(role: Role): string {
  const address =
    (role === 'housekeeping' && process.env.DATABASE_HOUSEKEEPING_URL) || process.env.DATABASE_URL
  if (!address) throw new Error('DATABASE_URL is not set; ./start sets it')
  return address
}

/** The pool of a role, opened at first use. */
export function poolOf(role: Role): pg.Pool {
  const open = pools.get(role)
  if (open) return open
  const pool = new pg.Pool({
    connectionString: addressOf(role),
    max: MOST[role],
    // Which copy it is, for who looks at the database.
    application_name: `blastomix ${role} ${process.pid}`,
    ...LIMITS,
  })
  // An idle connection that breaks is replaced at the next use; without a listener it would end the process.
  // The same for one that breaks in the middle of a transaction: the query itself fails and says so.
  pool.on('connect', (client) => client.on('error', () => undefined))
  pool.on('error', (error) => log.warn(traceOf(error), 'database connection lost'))
  pools.set(role, pool)
  return pool
}

/** A connection of its own, for LISTEN. It sees no rows. */
export const connectionForNotices = () =>
  new pg.Client({ connectionString: addressOf('application'), keepAlive: true })

export async function closePools(): Promise<void> {
  const open = [...pools.values()]
  pools.clear()
  await Promise.all(open.map((pool) => pool.end()))
}
