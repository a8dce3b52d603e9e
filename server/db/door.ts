import { present } from '#core/present'
import { last } from '#core/numeric/at'
import { PgDialect } from 'drizzle-orm/pg-core'
import { NodePgSession, NodePgTransaction } from 'drizzle-orm/node-postgres'
import type pg from 'pg'
import type { HouseholdRecord } from '#shared/records/household'
import type { Principal } from '../principal'
import type { acts } from './schema'
import { poolOf } from './pool'

export { closePools, connectionForNotices } from './pool'

/*
 * The only way to rows. A household's rows are reached inside `inHousehold`, which sets the household for the transaction;
 * row-level security then hides all others, whatever a query asks for. What crosses households is housekeeping, by a role of
 * its own and by a named task.
 */

export type Transaction = NodePgTransaction<Record<string, never>, Record<string, never>>

interface Access {
  /** `read` sees everything as it stood at one moment, and writes nothing. */
  readonly to?: 'read' | 'write'
  /** May take minutes: an archive is read or written as a whole. Times are told by the clock of Greenwich. */
  readonly patient?: boolean
}

/** Long enough for twenty years of records and their photos. */
const PATIENT = `set local time zone 'UTC'; set local idle_in_transaction_session_timeout = 0; set local statement_timeout = 120000;`
const UUID = /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/i

const begin = ({ to = 'read', patient = false }: Access = {}) =>
  `begin${to === 'read' ? ' isolation level repeatable read read only' : ''};${patient ? PATIENT : ''}`

/**
 * One transaction in which a household's rows, and no others, are there.
 *
 * @param _principal who asks; row-level security will know the person too once there is sign-in
 * @param use is given the transaction, and commits by returning
 */
export const inHousehold = <Answer>(
  _principal: Principal,
  householdId: string,
  use: (tx: Transaction) => Promise<Answer>,
  access: Access = {},
): Promise<Answer> => transaction(poolOf('application'), opening(householdId, access), use)

/** A household that is written to; undefined where there is none. */
export type Locked = (Head & { readonly isRemoved: boolean }) | undefined

/** What is kept of an act that was done before. */
export type Earlier = Pick<typeof acts.$inferSelect, 'asked' | 'answer' | 'wrote'> | undefined

/**
 * A transaction that holds the household's lock. Writers of one household queue here: batches are numbered without gaps, supplies
 * are drawn down one by one. Taking the lock counts the household's changes up, which is how every copy of the application knows
 * that something was written. Opened, locked and asked for the act in one message to the database, as every write begins so.
 *
 * @param act the id of what is done, to be told whether it was done before
 */
export const inLockedHousehold = <Answer>(
  _principal: Principal,
  householdId: string,
  act: string,
  use: (tx: Transaction, household: Locked, earlier: Earlier) => Promise<Answer>,
  access: Omit<Access, 'to'> = {},
): Promise<Answer> => {
  if (!UUID.test(act)) throw new Error('an act is named by its id')
  return transaction(
    poolOf('application'),
    `${opening(householdId, { ...access, to: 'write' })};
     update household set changes = changes + 1 where household_id = '${householdId}'
       returning ${HEAD}, deleted_at is not null as "isRemoved";
     select asked, answer, wrote from act where household_id = '${householdId}' and id = '${act}'`,
    (tx, opened) => use(tx, present(opened.at(-2)).rows[0] as Locked, last(opened).rows[0] as Earlier),
  )
}

function opening(householdId: string, access: Access) {
  if (!UUID.test(householdId)) throw new Error('a household is named by its id')
  return `${begin(access)} set local blastomix.household = '${householdId}'`
}
const HEAD = `changes::float8, clock, time_zone as "timeZone"`

/** All there is that crosses households. */
export type Housekeeping =
  | 'list households'
  | 'list removed households'
  | 'list simulated devices'
  | 'begin the demo'
  | 'find unchecked households'
  | 'count examples'
  | 'forget unopened examples'
  | 'thin readings'
  | 'forget acts'
  | 'forget removed households'
  | 'forget lost photo files'
  | 'find devices with days to write'
  | 'find forecasts that are due'

/** One transaction in which every household's rows are there, for a task that is named. */
export const asHousekeeping = <Answer>(
  _task: Housekeeping,
  use: (tx: Transaction) => Promise<Answer>,
  access: Access = { to: 'write' },
): Promise<Answer> => transaction(poolOf('housekeeping'), begin(access), use)

/** What is asked of a household before every answer. */
export interface Head {
  /** How often it was written to. */
  readonly changes: number
  readonly clock: HouseholdRecord['clock']
  readonly timeZone: HouseholdRecord['timeZone']
}

/**
 * In one message to the database, because every answer from the response cache begins with it.
 *
 * @returns undefined where there is no such household, or it was removed
 */
export async function headOf(_principal: Principal, householdId: string): Promise<Head | undefined> {
  if (!UUID.test(householdId)) return undefined
  const [, found] = (await poolOf('application').query(
    `set local blastomix.household = '${householdId}'; select ${HEAD} from household where household_id = '${householdId}' and deleted_at is null`,
  )) as unknown as pg.QueryResult<Head>[]
  return found?.rows[0]
}

/** Whether the database answers. */
export const answers = () => poolOf('application').query('select 1')

/** The tables of the work that comes round are of a schema of their own, and hold nothing of a household. */
export const runJobsSql = (text: string, values: unknown[]) => poolOf('housekeeping').query(text, values)

/** Of each job when it was last done and failed, and whether it is under way. */
export async function jobsNow() {
  const { rows } = await poolOf('housekeeping').query<{
    name: string
    active: boolean
    retrying: boolean
    done: Date | null
    failed: Date | null
  }>(
    `select name, bool_or(state = 'active') as active, bool_or(state = 'retry') as retrying,
       max(completed_on) filter (where state = 'completed') as done, max(completed_on) filter (where state = 'failed') as failed
     from jobs.job group by name`,
  )
  return rows
}

const dialect = new PgDialect({ casing: 'snake_case' })

async function transaction<Answer>(
  pool: pg.Pool,
  opening: string,
  use: (tx: Transaction, opened: readonly pg.QueryResult[]) => Promise<Answer>,
): Promise<Answer> {
  const client = await pool.connect()
  let broken: Error | undefined
  try {
    const opened = await client.query(opening)
    const answer = await use(
      new NodePgTransaction(dialect, new NodePgSession(client, dialect, undefined), undefined),
      // Of several statements each has its result.
      opened as unknown as pg.QueryResult[],
    )
    await client.query('commit')
    return answer
  } catch (error) {
    await client.query('rollback').catch((failed: Error) => (broken = failed))
    throw error
  } finally {
    client.release(broken)
  }
}
