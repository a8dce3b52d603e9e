import { present } from '#core/present'
import { and, eq, isNotNull, lt, sql } from 'drizzle-orm'
import type { Performed, WrittenRecord } from '#shared/commands/written'
import { asHousekeeping, inLockedHousehold, type Earlier, type Locked, type Transaction } from '../db/door'
import { acts } from '../db/schema'
import type { Principal } from '../principal'
import { history } from './read-records'
import { invalid, uncertain, unknown } from './refusal'
import { rowAsItStands } from './rows'
import { isWrittenByAnother } from './database-trouble'
import { inHouseholdQueue } from './household-queue'
import { writingOf } from './transaction-changes'

/** One press, under an id of the sender's own; `asked` tells it from another request that borrows the id. */
export interface Act {
  readonly id: string
  readonly asked: string
}

/** What is kept of an act beside its answer. */
export interface Doing {
  /** Who acts. */
  readonly by?: string
  /** Names of its commands, in order. */
  readonly commands: readonly string[]
  /** The act that it undoes. */
  readonly undoes?: string | null
}

/** The whole answer is kept so long, the key longer: sent again after that it is answered with how it stands then. */
const ANSWER_DAYS = 30
const KEY_DAYS = 365

/** The act of a request that carries a file: another file is another request. */
export const withFile = (act: Act | null, digest: string): Act | null =>
  act && { id: act.id, asked: `${act.asked} ${digest}` }

/**
 * One transaction, done once: an act that is sent again is answered as it was. `make` is called inside the household's
 * turn and lock, and told whether the household is there.
 *
 * @throws Refusal 422 where the act's id was used for something else; 503 where the connection broke while committing, so
 *   that nobody knows whether it was done
 */
export function once<Answer extends object>(
  principal: Principal,
  householdId: string,
  act: Act | null,
  doing: Doing,
  make: (tx: Transaction, household: Locked, actId: string) => Promise<Answer>,
  { patient = false }: { patient?: boolean } = {},
): Promise<Answer> {
  const { id, asked } = act ?? { id: crypto.randomUUID(), asked: '' }
  let committing = false
  return inTurn(householdId, () =>
    inLockedHousehold(
      principal,
      householdId,
      id,
      async (tx, household, earlier) => {
        if (earlier) return (await answerTo(tx, householdId, { id, asked }, earlier)) as Answer
        const answer = await make(tx, household, id)
        await keepAct(tx, householdId, { id, asked }, doing, answer)
        committing = true
        return answer
      },
      { patient },
    ),
  ).catch((error: unknown) => {
    throw committing ? uncertain(error) : error
  })
}

/**
 * In the household's turn. Where there is no household yet there is no row to lock: two copies that make it at one moment meet at
 * its key, and who comes second does it again, to find what the first one wrote.
 */
export const inTurn = <Answer>(householdId: string, write: () => Promise<Answer>): Promise<Answer> =>
  inHouseholdQueue(householdId, () =>
    write().catch((error: unknown) => {
      if (isWrittenByAnother(error)) return write()
      throw error
    }),
  )

/**
 * The same for what needs no lock of the household: readings that come in, a picture. Who sends the same act at the same moment
 * waits for it, and is answered alike.
 */
export async function keptOnce<Answer extends object>(
  tx: Transaction,
  householdId: string,
  act: Act | null,
  command: string,
  make: () => Promise<Answer>,
): Promise<Answer> {
  if (!act) return make()
  const own = and(eq(acts.householdId, householdId), eq(acts.id, act.id))
  const [begun] = await tx
    .insert(acts)
    .values({ householdId, id: act.id, asked: act.asked, commands: [command] })
    .onConflictDoNothing()
    .returning({ id: acts.id })
  if (!begun) {
    const [earlier] = await tx.select().from(acts).where(own)
    return (await answerTo(tx, householdId, act, present(earlier))) as Answer
  }
  const answer = await make()
  await tx.update(acts).set({ answer }).where(own)
  return answer
}

/** Whether an act was done before. */
export async function isDone(tx: Transaction, householdId: string, { id }: Act): Promise<boolean> {
  const found = await tx
    .select({ id: acts.id })
    .from(acts)
    .where(and(eq(acts.householdId, householdId), eq(acts.id, id)))
  return found.length > 0
}

/** What was done is kept with its answer, in the transaction that did it. */
export async function keepAct(
  tx: Transaction,
  householdId: string,
  { id, asked }: Act,
  { by = '', commands, undoes = null }: Doing,
  answer: object,
) {
  const { wrote } = writingOf(tx)
  // Every write ends with this one, and a query builder takes longer over it than the database.
  await tx.execute(sql`
    insert into act (household_id, id, asked, answer, by, commands, wrote, undoes)
    values (${householdId}, ${id}, ${asked}, ${JSON.stringify(answer)}, ${by}, ${JSON.stringify(commands)}, ${JSON.stringify(wrote)}, ${undoes})`)
}

/** What an act that was done before was answered. @throws Refusal 422 for another request */
export async function answerTo(
  tx: Transaction,
  householdId: string,
  { id, asked }: Act,
  earlier: NonNullable<Earlier>,
): Promise<object> {
  if (earlier.asked !== asked)
    throw invalid([{ path: ['idempotencyKey'], message: 'This key was used for another request.' }])
  return earlier.answer ?? (await asItStands(tx, householdId, id, earlier.wrote))
}

/** What an act wrote, as it stands now. */
async function asItStands(
  tx: Transaction,
  householdId: string,
  act: string,
  wrote: readonly WrittenRecord[],
): Promise<Performed> {
  const changed: Performed['changed'][number][] = []
  for (const { collection, id } of wrote)
    if (collection !== 'household')
      changed.push({ collection, id, record: await rowAsItStands(tx, collection, householdId, id) })
  return { act, wrote, changed, household: null }
}

/** Records an act wrote, as they were before it. */
export async function asTheyWere(tx: Transaction, householdId: string, wrote: Performed['wrote']) {
  const found = []
  for (const { collection, id, after } of wrote) {
    if (collection === 'household') continue
    const [revision] = (await history(collection, householdId, id, tx)).filter(
      ({ version }) => version < after,
    )
    if (!revision) continue
    const { version, writtenAt: updatedAt, body } = revision
    found.push({ collection, before: { id, version, updatedAt, body }, version: after })
  }
  return found
}

/** An act that was done, with what it wrote. @throws Refusal 404 */
export async function findAct(tx: Transaction, householdId: string, id: string) {
  const [row] = await tx
    .select()
    .from(acts)
    .where(and(eq(acts.householdId, householdId), eq(acts.id, id)))
  if (!row) throw unknown('act')
  return row
}

/** Who did what with which commands. @throws Refusal 404 */
export async function actOf(tx: Transaction, householdId: string, id: string) {
  const row = await findAct(tx, householdId, id)
  const [undone] = await tx
    .select({ id: acts.id })
    .from(acts)
    .where(and(eq(acts.householdId, householdId), eq(acts.undoes, id)))
    .limit(1)
  return {
    id,
    at: new Date(row.at).toISOString(),
    by: row.by,
    commands: row.commands,
    records: row.wrote.length,
    undoes: row.undoes,
    undoneBy: undone?.id ?? null,
  }
}

/** Nobody sends an act again after a year. */
export const forgetOldActs = () =>
  asHousekeeping('forget acts', async (tx) => {
    const before = (days: number) => lt(acts.at, sql`now() - make_interval(days => ${days})`)
    await tx
      .update(acts)
      .set({ answer: null })
      .where(and(isNotNull(acts.answer), before(ANSWER_DAYS)))
    await tx.delete(acts).where(before(KEY_DAYS))
  })
