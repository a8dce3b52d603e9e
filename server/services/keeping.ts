import { and, eq, isNull, max, sql } from 'drizzle-orm'
import type { Bodies, Collection, Stored } from '#shared/collections'
import type { HouseholdRecord } from '#shared/records/household'
import type { UseRecord } from '#shared/records/use'
import { db, type Transaction } from '../db/client'
import { batches, households, revisions } from '../db/schema'
import { asStoredHousehold, findHousehold, NOUNS } from './reading'
import { checkReferences } from './references'
import { invalid, stale, unknown } from './refusal'
import { asStored, current, lockHousehold, tableOf, type Row } from './rows'
import { putSeedBack, takeSeed, takeSeedAgain } from './sowing-seed'
import { drawAgain, drawDown, putBack } from './using'

/*
 * How a household keeps its things: the same calls for every collection. A write names the version it was made
 * from; when the row has moved on, the writer is told and shown what is there now. What a change replaces is kept.
 */

/** What writing a record takes from what else the household keeps, and gives back when it is removed. */
interface Taking<Body> {
  /** A new record, with what it took. */
  take(tx: Transaction, householdId: string, body: Body): Promise<Body>
  /** One that is changed, or comes back. */
  again(tx: Transaction, householdId: string, before: Row, body: Body): Promise<Partial<Body>>
  giveBack(tx: Transaction, householdId: string, body: Body): Promise<void>
}
const TAKING: { [C in Collection]?: Taking<Bodies[C]> } = {
  uses: { take: drawDown, again: useAgain, giveBack: putBack },
  marks: { take: takeSeed, again: takeSeedAgain, giveBack: putSeedBack },
}

/** Create at version 0, else update when the version still stands. */
export async function saveHousehold(householdId: string, version: number, body: HouseholdRecord) {
  const [row] =
    version === 0
      ? await db()
          .insert(households)
          .values({ householdId, ...body })
          .onConflictDoNothing()
          .returning()
      : await db()
          .update(households)
          .set({ ...body, version: version + 1, updatedAt: sql`now()` })
          .where(and(eq(households.householdId, householdId), eq(households.version, version)))
          .returning()
  if (row) return asStoredHousehold(row)
  throw stale(await findHousehold(householdId))
}

/**
 * Write a record under the id the writer chose: version 0 creates it, any other must be the version that stands.
 * Writing over a removed record of that version brings it back, which is how removing is undone.
 *
 * @throws Refusal 404 for an unknown household or record, 409 when the version moved on, 422 when it points at
 *   things that are not there
 */
export async function save<C extends Collection>(
  collection: C,
  householdId: string,
  id: string,
  version: number,
  body: Bodies[C],
): Promise<Stored<Bodies[C]>> {
  await checkReferences(collection, householdId, body)
  return db().transaction(async (tx) => {
    if (!(await lockHousehold(tx, householdId))) throw unknown('household')
    const before = await rowOf(tx, collection, householdId, id)
    if (version === 0 && !before) return create(tx, collection, householdId, id, body)
    if (!before) throw unknown(NOUNS[collection])
    if (before.version !== version) throw stale(before.deletedAt ? null : asStored(before))
    const next = (await TAKING[collection]?.again(tx, householdId, before, body)) ?? body
    await keepRevision(tx, collection, householdId, before)
    const table = tableOf(collection)
    const [updated] = await tx
      .update(table)
      .set({ ...(next as object), version: version + 1, updatedAt: sql`now()`, deletedAt: null })
      .where(and(eq(table.householdId, householdId), eq(table.id, id)))
      .returning()
    return asStored<C>(updated as unknown as Row)
  })
}

async function create<C extends Collection>(
  tx: Transaction,
  collection: C,
  householdId: string,
  id: string,
  body: Bodies[C],
): Promise<Stored<Bodies[C]>> {
  const whole = (await TAKING[collection]?.take(tx, householdId, body)) ?? body
  const number = collection === 'batches' ? { number: await nextBatchNumber(tx, householdId) } : {}
  const table = tableOf(collection)
  const values = { householdId, id, ...whole, ...number } as unknown as typeof table.$inferInsert
  const [created] = await tx.insert(table).values(values).returning()
  return asStored<C>(created as unknown as Row)
}

/** Take a record out of sight. Nothing is lost: saving it again from the version this returns brings it back. */
export async function remove(
  collection: Collection,
  householdId: string,
  id: string,
  version: number,
): Promise<{ version: number }> {
  return db().transaction(async (tx) => {
    await lockHousehold(tx, householdId)
    const user = await batchThatUses(tx, collection, householdId, id)
    if (user)
      throw invalid([
        { path: [], message: `Batch ${user.number}, ${user.name}, uses this. Change the batch first.` },
      ])
    const before = await rowOf(tx, collection, householdId, id)
    if (!before) throw unknown(NOUNS[collection])
    if (before.version !== version || before.deletedAt)
      throw stale(before.deletedAt ? null : asStored(before))
    await TAKING[collection]?.giveBack(tx, householdId, asStored<typeof collection>(before).body as never)
    await keepRevision(tx, collection, householdId, before)
    const table = tableOf(collection)
    const [removed] = await tx
      .update(table)
      .set({ version: version + 1, updatedAt: sql`now()`, deletedAt: sql`now()` })
      .where(and(current(collection, householdId), eq(table.id, id)))
      .returning({ version: table.version })
    return removed!
  })
}

/** What was used stays as it was on the day; who, where and the note may be put right, and a removed use come back. */
async function useAgain(
  tx: Transaction,
  householdId: string,
  before: Row,
  body: UseRecord,
): Promise<Partial<UseRecord>> {
  if (before.deletedAt) await drawAgain(tx, householdId, asStored<'uses'>(before).body)
  const { name, by, to, note } = body
  return { name, by, to, note }
}

async function rowOf(tx: Transaction, collection: Collection, householdId: string, id: string) {
  const table = tableOf(collection)
  const [row] = await tx
    .select()
    .from(table)
    .where(and(eq(table.householdId, householdId), eq(table.id, id)))
    .for('update')
  return row as unknown as Row | undefined
}

async function keepRevision(tx: Transaction, collection: Collection, householdId: string, before: Row) {
  const { version, updatedAt, body } = asStored(before)
  await tx
    .insert(revisions)
    .values({ householdId, collection, id: before.id, version, body, writtenAt: updatedAt })
}

/** A planned batch cannot lose what it is made of or filled into. */
async function batchThatUses(tx: Transaction, collection: Collection, householdId: string, id: string) {
  const uses = {
    containers: sql`${batches.fills} @> ${JSON.stringify([{ containerId: id }])}::jsonb`,
    materials: sql`(${batches.parts} || ${batches.lowerParts}) @> ${JSON.stringify([{ materialId: id }])}::jsonb`,
  }[collection as string]
  if (!uses) return undefined
  const [row] = await tx
    .select({ number: batches.number, name: batches.name })
    .from(batches)
    .where(and(eq(batches.householdId, householdId), isNull(batches.deletedAt), uses))
    .limit(1)
  return row
}

async function nextBatchNumber(tx: Transaction, householdId: string): Promise<number> {
  const [row] = await tx
    .select({ last: max(batches.number) })
    .from(batches)
    .where(eq(batches.householdId, householdId))
  return (row?.last ?? 0) + 1
}
