import { and, asc, desc, eq } from 'drizzle-orm'
import {
  COLLECTION_NAMES,
  type Bodies,
  type Collection,
  type Everything,
  type Revision,
  type Stored,
} from '#shared/collections'
import type { HouseholdRecord } from '#shared/records/household'
import { db, type Database, type Transaction } from '../db/client'
import { households, revisions } from '../db/schema'
import { inSight } from './open-sowings'
import { unknown } from './refusal'
import { asStored, current, tableOf, type Row } from './rows'

/** The pool, or a transaction whose own writes are to be seen. */
export type Reader = Database | Transaction

export async function listHouseholds(): Promise<Stored<HouseholdRecord>[]> {
  const rows = await db()
    .select()
    .from(households)
    .orderBy(asc(households.createdAt), asc(households.householdId))
  return rows.map(asStoredHousehold)
}

export function asStoredHousehold(row: typeof households.$inferSelect): Stored<HouseholdRecord> {
  const { householdId, version, updatedAt, name, place, kitchen, water, season } = row
  return {
    id: householdId,
    version,
    number: 0,
    updatedAt: new Date(updatedAt).toISOString(),
    body: { name, place, kitchen, water, season },
  }
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
  if (!row) throw unknown(NOUNS[collection])
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

/** Everything a household keeps that is in sight, in one answer: what a page needs to start. */
export async function everything(householdId: string): Promise<Everything> {
  const [household, ...lists] = await Promise.all([
    findHousehold(householdId),
    ...COLLECTION_NAMES.map((collection) =>
      list(collection, householdId, db(), inSight(collection, householdId)),
    ),
  ])
  return {
    household,
    ...Object.fromEntries(COLLECTION_NAMES.map((collection, i) => [collection, lists[i]])),
  } as Everything
}

export const NOUNS: Record<Collection, string> = {
  recipes: 'recipe',
  materials: 'material',
  containers: 'container',
  feeds: 'feed',
  tools: 'tool',
  batches: 'batch',
  feedings: 'feed plan',
  programmes: 'programme',
  stocks: 'pack',
  uses: 'entry',
  crops: 'crop',
  packets: 'packet',
  sowings: 'sowing',
  marks: 'mark',
}
