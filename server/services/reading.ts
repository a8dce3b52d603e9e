import { and, asc, desc, eq, gt, lt, or, sql, type SQL } from 'drizzle-orm'
import {
  COLLECTION_NAMES,
  COLLECTIONS,
  REMOVED_LATELY_DAYS,
  type Bodies,
  type Collection,
  type Everything,
  type Removed,
  type Revision,
  type Stored,
} from '#shared/collections'
import { contextOf, type Context, type KeptLists } from '#shared/context'
import type { HouseholdRecord } from '#shared/records/household'
import { db } from '../db/client'
import { entries, households, revisions } from '../db/schema'
import { unknown } from './refusal'
import { asStored, current, tableOf, type Reader, type Row } from './rows'
import { openSowings } from './open-sowings'

export async function listHouseholds(limit: number): Promise<Stored<HouseholdRecord>[]> {
  const rows = await db()
    .select()
    .from(households)
    .orderBy(asc(households.createdAt), asc(households.householdId))
    .limit(limit)
  return rows.map(asStoredHousehold)
}

export function asStoredHousehold(row: typeof households.$inferSelect): Stored<HouseholdRecord> {
  const { householdId, version, updatedAt, createdAt: _c, ...body } = row
  return { id: householdId, version, number: 0, updatedAt: new Date(updatedAt).toISOString(), body }
}

export async function findHousehold(
  householdId: string,
  reader: Reader = db(),
): Promise<Stored<HouseholdRecord>> {
  const [row] = await reader.select().from(households).where(eq(households.householdId, householdId))
  if (!row) throw unknown('household')
  return asStoredHousehold(row)
}

export async function list<C extends Collection>(
  collection: C,
  householdId: string,
  reader: Reader = db(),
  which = current(collection, householdId),
): Promise<Stored<Bodies[C]>[]> {
  const table = tableOf(collection)
  const rows = await reader.select().from(table).where(which).orderBy(asc(table.createdAt), asc(table.id))
  return (rows as unknown as Row[]).map(asStored<C>)
}

/** A page of the ledger, newest first: entries written before the one of that number. */
export async function listEntries(
  householdId: string,
  { before, limit }: { before?: number | undefined; limit: number },
): Promise<Stored<Bodies['entries']>[]> {
  const rows = await db()
    .select()
    .from(entries)
    .where(
      and(current('entries', householdId), before === undefined ? undefined : lt(entries.number, before)),
    )
    .orderBy(desc(entries.number))
    .limit(limit)
  return (rows as unknown as Row[]).map(asStored<'entries'>)
}

export async function find<C extends Collection>(
  collection: C,
  householdId: string,
  id: string,
  reader: Reader = db(),
): Promise<Stored<Bodies[C]>> {
  const [row] = await reader
    .select()
    .from(tableOf(collection))
    .where(and(current(collection, householdId), eq(tableOf(collection).id, id)))
  if (!row) throw unknown(COLLECTIONS[collection].one)
  return asStored<C>(row as unknown as Row)
}

/** What a record was before each change, newest first. */
export async function history<C extends Collection>(
  collection: C,
  householdId: string,
  id: string,
): Promise<Revision<Bodies[C]>[]> {
  const rows = await db()
    .select()
    .from(revisions)
    .where(
      and(eq(revisions.householdId, householdId), eq(revisions.collection, collection), eq(revisions.id, id)),
    )
    .orderBy(desc(revisions.version))
  return rows.map(({ version, writtenAt, body }) => ({
    version,
    writtenAt: new Date(writtenAt).toISOString(),
    body: body as Bodies[C],
  }))
}

/** What was removed or taken back lately, the last first. */
export async function removedLately(householdId: string): Promise<Removed[]> {
  await findHousehold(householdId)
  const removed: Removed[] = []
  for (const collection of COLLECTION_NAMES) {
    const { id, version, name, deletedAt, householdId: owner } = tableOf(collection)
    const rows = await db()
      .select({ id, version, name, deletedAt })
      .from(tableOf(collection))
      .where(
        and(
          eq(owner, householdId),
          gt(deletedAt, sql`now() - make_interval(days => ${REMOVED_LATELY_DAYS})`),
        ),
      )
      .orderBy(desc(deletedAt))
      .limit(50)
    for (const row of rows)
      removed.push({
        collection,
        id: row.id,
        version: row.version,
        name: row.name,
        removedAt: new Date(row.deletedAt!).toISOString(),
      })
  }
  return removed.sort((a, b) => (a.removedAt < b.removedAt ? 1 : -1))
}

/** What a page needs to start: of sowings and entries the last year and a half, and whatever is not over. */
function inSight(collection: Collection, householdId: string): SQL | undefined {
  const here = current(collection, householdId)
  if (collection !== 'sowings' && collection !== 'entries') return here
  const late = sql`${tableOf(collection).createdAt} > now() - interval '550 days'`
  return and(here, collection === 'sowings' ? or(late, openSowings(householdId)) : late)
}

/**
 * What a page needs to start, in one answer: everything in sight, as it stood at one moment, read one after the other
 * over one connection.
 */
export async function everything(householdId: string): Promise<Everything> {
  return db().transaction(
    async (tx) => {
      const household = await findHousehold(householdId, tx)
      const lists: Partial<Record<Collection, unknown>> = {}
      for (const collection of COLLECTION_NAMES)
        lists[collection] = await list(collection, householdId, tx, inSight(collection, householdId))
      return { household, ...lists } as Everything
    },
    { isolationLevel: 'repeatable read', accessMode: 'read only' },
  )
}

/** What is reckoned with, of these collections; inside a transaction one connection reads one after the other. */
export async function contextFor(
  householdId: string,
  collections: readonly Exclude<Collection, 'entries' | 'sowings'>[],
  reader: Reader = db(),
): Promise<Context> {
  const household = await findHousehold(householdId, reader)
  const lists: Record<string, unknown> = { household }
  for (const collection of collections) lists[collection] = await list(collection, householdId, reader)
  return contextOf(lists as KeptLists)
}
/** What a season is planned with. */
export const SEASON_LISTS = ['containers', 'materials', 'feeds', 'recipes', 'crops', 'packets'] as const
