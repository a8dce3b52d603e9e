import { sql } from 'drizzle-orm'
import { db, type Transaction } from '../../db/client'

/** Long enough for twenty years of records and their photos. */
const STATEMENT_MS = 120_000

/**
 * One transaction that may take its time: an archive is read or written as a whole or not at all, at one moment, with the
 * clock of Greenwich.
 */
export const patientTransaction = <Answer>(
  what: 'read' | 'write',
  make: (tx: Transaction) => Promise<Answer>,
): Promise<Answer> =>
  db().transaction(
    async (tx) => {
      await tx.execute(sql`set local time zone 'UTC'`)
      await tx.execute(sql`set local idle_in_transaction_session_timeout = 0`)
      await tx.execute(sql.raw(`set local statement_timeout = ${STATEMENT_MS}`))
      return make(tx)
    },
    what === 'read' ? { isolationLevel: 'repeatable read', accessMode: 'read only' } : undefined,
  )
