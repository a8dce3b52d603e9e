import { and, asc, eq, isNull, max, sql } from 'drizzle-orm'
import { under } from '#core/problem'
import { extraProblems, recipeProblems } from '#core/media/recipe'
import type { Bodies, Collection, Everything, Stored } from '#shared/collections'
import { batchRecordProblems, type Shed } from '#shared/records/batch'
import { asContainer } from '#shared/records/container'
import { asFeed } from '#shared/records/feed'
import { feedingProblems } from '#shared/records/feeding'
import type { HouseholdRecord } from '#shared/records/household'
import { asMaterial, libraryWith } from '#shared/records/material'
import { asTool } from '#shared/records/tool'
import { db, type Transaction } from '../db/client'
import { batches, households, TABLES } from '../db/schema'
import { invalid, stale, unknown } from './refusal'

/*
 * How a household keeps its things: the same four calls for every collection. A write names the version it was
 * made from; when the row has moved on, the writer is told and shown what is there now.
 */

/** drizzle cannot type a table chosen at run time; the rows of all collections share these columns. */
type AnyTable = (typeof TABLES)['recipes']
const tableOf = (collection: Collection) => TABLES[collection] as unknown as AnyTable

interface Row {
  id: string
  version: number
  number?: number
  updatedAt: string
  [column: string]: unknown
}

function asStored<C extends Collection>(row: Row): Stored<Bodies[C]> {
  const { id, version, number = 0, updatedAt, householdId: _h, createdAt: _c, deletedAt: _d, ...body } = row
  return {
    id,
    version,
    number,
    updatedAt: new Date(updatedAt).toISOString(),
    body: body as unknown as Bodies[C],
  }
}

const current = (collection: Collection, householdId: string) => {
  const table = tableOf(collection)
  return and(eq(table.householdId, householdId), isNull(table.deletedAt))
}

export async function listHouseholds(): Promise<Stored<HouseholdRecord>[]> {
  const rows = await db()
    .select()
    .from(households)
    .orderBy(asc(households.createdAt), asc(households.householdId))
  return rows.map(asStoredHousehold)
}

function asStoredHousehold(row: typeof households.$inferSelect): Stored<HouseholdRecord> {
  const { householdId, version, updatedAt, name, place, kitchen } = row
  return {
    id: householdId,
    version,
    number: 0,
    updatedAt: new Date(updatedAt).toISOString(),
    body: { name, place, kitchen },
  }
}

export async function findHousehold(householdId: string): Promise<Stored<HouseholdRecord>> {
  const [row] = await db().select().from(households).where(eq(households.householdId, householdId))
  if (!row) throw unknown('household')
  return asStoredHousehold(row)
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

export async function list<C extends Collection>(
  collection: C,
  householdId: string,
): Promise<Stored<Bodies[C]>[]> {
  const table = tableOf(collection)
  const rows = await db()
    .select()
    .from(table)
    .where(current(collection, householdId))
    .orderBy(asc(table.createdAt), asc(table.id))
  return (rows as Row[]).map(asStored<C>)
}

export async function find<C extends Collection>(
  collection: C,
  householdId: string,
  id: string,
): Promise<Stored<Bodies[C]>> {
  const [row] = await db()
    .select()
    .from(tableOf(collection))
    .where(and(current(collection, householdId), eq(tableOf(collection).id, id)))
  if (!row) throw unknown(NOUNS[collection])
  return asStored<C>(row as Row)
}

/** Everything a household keeps, in one answer: what a page needs to start. */
export async function everything(householdId: string): Promise<Everything> {
  const [household, recipes, materials, containers, feeds, tools, batchList, feedings] = await Promise.all([
    findHousehold(householdId),
    list('recipes', householdId),
    list('materials', householdId),
    list('containers', householdId),
    list('feeds', householdId),
    list('tools', householdId),
    list('batches', householdId),
    list('feedings', householdId),
  ])
  return { household, recipes, materials, containers, feeds, tools, batches: batchList, feedings }
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
    const household = await lockHousehold(tx, householdId)
    if (!household) throw unknown('household')
    const table = tableOf(collection)
    if (version === 0) {
      const number = collection === 'batches' ? { number: await nextBatchNumber(tx, householdId) } : {}
      const values = { householdId, id, ...body, ...number } as unknown as typeof table.$inferInsert
      const [created] = await tx.insert(table).values(values).onConflictDoNothing().returning()
      if (created) return asStored<C>(created as Row)
    } else {
      const [updated] = await tx
        .update(table)
        .set({ ...(body as object), version: version + 1, updatedAt: sql`now()`, deletedAt: null })
        .where(and(eq(table.householdId, householdId), eq(table.id, id), eq(table.version, version)))
        .returning()
      if (updated) return asStored<C>(updated as Row)
    }
    throw await whyNotWritten(tx, collection, householdId, id)
  })
}

/** Take a record out of sight. Nothing is lost: saving it again from the version this returns brings it back. */
export async function remove(
  collection: Collection,
  householdId: string,
  id: string,
  version: number,
): Promise<{ version: number }> {
  return db().transaction(async (tx) => {
    const user = await batchThatUses(tx, collection, householdId, id)
    if (user)
      throw invalid([
        { path: [], message: `Batch ${user.number}, ${user.name}, uses this. Change the batch first.` },
      ])
    const table = tableOf(collection)
    const [removed] = await tx
      .update(table)
      .set({ version: version + 1, updatedAt: sql`now()`, deletedAt: sql`now()` })
      .where(and(current(collection, householdId), eq(table.id, id), eq(table.version, version)))
      .returning({ version: table.version })
    if (removed) return removed
    throw await whyNotWritten(tx, collection, householdId, id)
  })
}

/** A planned batch cannot lose what it is made of or filled into. */
async function batchThatUses(tx: Transaction, collection: Collection, householdId: string, id: string) {
  const uses = {
    containers: sql`${batches.fills} @> ${JSON.stringify([{ containerId: id }])}::jsonb`,
    materials: sql`${batches.parts} @> ${JSON.stringify([{ materialId: id }])}::jsonb`,
  }[collection as string]
  if (!uses) return undefined
  const [row] = await tx
    .select({ number: batches.number, name: batches.name })
    .from(batches)
    .where(and(eq(batches.householdId, householdId), isNull(batches.deletedAt), uses))
    .limit(1)
  return row
}

async function whyNotWritten(tx: Transaction, collection: Collection, householdId: string, id: string) {
  const table = tableOf(collection)
  const [row] = await tx
    .select()
    .from(table)
    .where(and(eq(table.householdId, householdId), eq(table.id, id)))
  return row ? stale(row.deletedAt ? null : asStored(row as Row)) : unknown(NOUNS[collection])
}

/** Writers of one household queue here, so that batches are numbered without gaps or doubles. */
async function lockHousehold(tx: Transaction, householdId: string) {
  const [row] = await tx
    .select({ id: households.householdId })
    .from(households)
    .where(eq(households.householdId, householdId))
    .for('update')
  return row
}

async function nextBatchNumber(tx: Transaction, householdId: string): Promise<number> {
  const [row] = await tx
    .select({ last: max(batches.number) })
    .from(batches)
    .where(eq(batches.householdId, householdId))
  return (row?.last ?? 0) + 1
}

async function shedOf(householdId: string): Promise<Shed> {
  const [containers, materials] = await Promise.all([
    list('containers', householdId),
    list('materials', householdId),
  ])
  return {
    containers: containers.map(({ id, body }) => asContainer(id, body)),
    materials: libraryWith(materials.map(({ id, body }) => asMaterial(id, body))),
  }
}

/** Rules that need to know what else the household keeps. */
async function checkReferences<C extends Collection>(
  collection: C,
  householdId: string,
  body: Bodies[C],
): Promise<void> {
  if (collection === 'recipes') {
    const { parts, extras } = body as Bodies['recipes']
    const { materials } = await shedOf(householdId)
    const problems = [
      ...under('parts', recipeProblems(parts, materials)),
      ...under('extras', extraProblems(extras, materials)),
    ]
    if (problems.length) throw invalid(under('body', problems))
  }
  if (collection === 'batches') {
    const problems = batchRecordProblems(body as Bodies['batches'], await shedOf(householdId))
    if (problems.length) throw invalid(under('body', problems))
  }
  if (collection === 'feedings') {
    const record = body as Bodies['feedings']
    const [feeds, tools] = await Promise.all([list('feeds', householdId), list('tools', householdId)])
    const problems = feedingProblems(
      record,
      feeds.map((own) => asFeed(own.id, own.body)),
      tools.map((own) => asTool(own.id, own.body)),
    )
    if (problems.length) throw invalid(under('body', problems))
    if (record.batchId)
      await find('batches', householdId, record.batchId).catch(() => {
        throw invalid([{ path: ['body', 'batchId'], message: 'This batch is not known.' }])
      })
  }
}

const NOUNS: Record<Collection, string> = {
  recipes: 'recipe',
  materials: 'material',
  containers: 'container',
  feeds: 'feed',
  tools: 'tool',
  batches: 'batch',
  feedings: 'feed plan',
}
