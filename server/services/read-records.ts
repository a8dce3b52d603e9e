import { present } from '#core/present'
import { and, asc, desc, eq, gt, isNull, lt, ne, or, sql, type SQL } from 'drizzle-orm'
import {
  COLLECTIONS,
  REMOVED_LATELY_DAYS,
  type Bodies,
  type Everything,
  type Removed,
  type Revision,
  type Stored,
} from '#shared/records/collections'
import { COLLECTION_NAMES, type Collection } from '#shared/records/collection-names'
import type { Day } from '#core/calendar/day'
import { calibrationById, type Measurement } from '#core/learning/calibrations'
import { todayOf } from '#core/calendar/clock'
import { contextOf, type Context, type KeptLists } from '#shared/derived/context'
import type { HouseholdRecord } from '#shared/records/household'
import { inHousehold, type Head, type Transaction } from '../db/door'
import type { Principal } from '../principal'
import { entries, guidedJobs, households, packets, revisions, sowings, trays } from '../db/schema'
import { unknown } from './refusal'
import { putCached, cached, cachedAt } from './response-cache'
import { keptIn } from './transaction-changes'
import { asStored, current, dayOfHousehold, tableOf, type Row } from './rows'
import { openSowings } from './open-sowings'
import { weatherInSight } from './weather-days'

export function asStoredHousehold(row: typeof households.$inferSelect): Stored<HouseholdRecord> {
  const { householdId, version, updatedAt, createdAt: _c, deletedAt: _d, changes: _n, ...body } = row
  return { id: householdId, version, number: 0, updatedAt: new Date(updatedAt).toISOString(), body }
}

export async function findHousehold(householdId: string, tx: Transaction): Promise<Stored<HouseholdRecord>> {
  const [row] = await tx
    .select()
    .from(households)
    .where(and(eq(households.householdId, householdId), isNull(households.deletedAt)))
  if (!row) throw unknown('household')
  return asStoredHousehold(row)
}

export async function list<C extends Collection>(
  collection: C,
  householdId: string,
  tx: Transaction,
  which = current(collection, householdId),
): Promise<Stored<Bodies[C]>[]> {
  const table = tableOf(collection)
  const rows = await tx.select().from(table).where(which).orderBy(asc(table.createdAt), asc(table.id))
  return (rows as unknown as Row[]).map(asStored<C>)
}

/** A page of a list, in the order things were written or the other way round. @throws Refusal 404 for an unknown `from` */
export async function listPage<C extends Collection>(
  collection: C,
  householdId: string,
  { from, newest, limit }: { from?: string | undefined; newest: boolean; limit: number },
  tx: Transaction,
): Promise<Stored<Bodies[C]>[]> {
  const table = tableOf(collection)
  const [last] = from
    ? await tx
        .select({ id: table.id, at: table.createdAt })
        .from(table)
        .where(and(eq(table.householdId, householdId), eq(table.id, from)))
    : []
  if (from && !last) throw unknown(COLLECTIONS[collection].one)
  const beyond = newest ? sql`<` : sql`>`
  const rows = await tx
    .select()
    .from(table)
    .where(
      and(
        current(collection, householdId),
        last && sql`(${table.createdAt}, ${table.id}) ${beyond} (${last.at}, ${last.id})`,
      ),
    )
    .orderBy(...[table.createdAt, table.id].map((column) => (newest ? desc(column) : asc(column))))
    .limit(limit)
  return (rows as unknown as Row[]).map(asStored<C>)
}

/** A page of the ledger, newest first: entries written before the one of that number. */
export async function listEntries(
  householdId: string,
  { before, limit }: { before?: number | undefined; limit: number },
  tx: Transaction,
): Promise<Stored<Bodies['entries']>[]> {
  const rows = await tx
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
  tx: Transaction,
): Promise<Stored<Bodies[C]>> {
  const [row] = await tx
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
  tx: Transaction,
): Promise<Revision<Bodies[C]>[]> {
  const rows = await tx
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
export async function removedLately(householdId: string, tx: Transaction): Promise<Removed[]> {
  await findHousehold(householdId, tx)
  const removed: Removed[] = []
  for (const collection of COLLECTION_NAMES) {
    const { id, version, name, deletedAt, householdId: owner } = tableOf(collection)
    const rows = await tx
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
        removedAt: new Date(present(row.deletedAt)).toISOString(),
      })
  }
  return removed.sort((a, b) => (a.removedAt < b.removedAt ? 1 : -1))
}

/** Finished things are in sight for so long; then they are asked for by page. */
const SIGHT_DAYS = 60
const NEWEST_BATCHES = 20
const NEWEST_FEEDINGS = 20
const NEWEST_TRAYS = 24
const NEWEST_TRIALS = 15
const NEWEST_PACKETS = 80
/** What nobody wrote of for so long is not in use. A leek stands from February to June. */
const TOUCHED_DAYS = 150
const TRAY_TOUCHED_DAYS = 120
const NEWEST_GUIDED_JOBS = 15
/** The air of places is looked at for so long. */
const CLIMATE_DAYS = 200
const NEWEST_PHOTOS = 60
const NEWEST_ENTRIES = 60

/** What a page needs to start, of the collections that grow from year to year. */
export function inSight(collection: Collection, householdId: string): SQL | undefined {
  const here = current(collection, householdId)
  const newest = (many: number) => {
    const table = tableOf(collection)
    return and(
      here,
      sql`${table.id} in (select id from ${table} where ${here} order by created_at desc, id desc limit ${many})`,
    )
  }
  if (collection === 'batches') return newest(NEWEST_BATCHES)
  if (collection === 'feedings') return newest(NEWEST_FEEDINGS)
  if (collection === 'guidedJobs')
    return or(
      newest(NEWEST_GUIDED_JOBS),
      and(
        here,
        ne(guidedJobs.status, 'ended'),
        sql`${guidedJobs.onDay} > ${dayOfHousehold(householdId)} - ${SIGHT_DAYS}::int`,
      ),
    )
  if (collection === 'photos') return newest(NEWEST_PHOTOS)
  if (collection === 'sowings')
    return or(
      sowingsInUse(householdId),
      and(here, sql`${sowings.overOn} > ${dayOfHousehold(householdId)} - ${SIGHT_DAYS}::int`),
    )
  if (collection === 'trays') return traysInUse(householdId)
  if (collection === 'trials') return newest(NEWEST_TRIALS)
  if (collection === 'packets')
    return or(
      newest(NEWEST_PACKETS),
      and(
        here,
        sql`(${packets.id}::text in ${touched(householdId, 'packets')}
          or ${packets.id} in (select ${sowings.packetId} from ${sowings} where ${sowingsInUse(householdId)}))`,
      ),
    )
  return here
}

/** Ids of a kind that something was written down about lately. */
const touched = (householdId: string, what: Collection): SQL =>
  sql`(select s ->> 'id' from entry, jsonb_array_elements(subjects) s
    where household_id = ${householdId} and voided_at is null
      and "on" > ${dayOfHousehold(householdId)} - ${what === 'trays' ? TRAY_TOUCHED_DAYS : TOUCHED_DAYS}::int and s ->> 'what' = ${what})`

/**
 * Sowings that are open and that something happened to lately, or nothing yet: one that was sown and nobody wrote of for months
 * belongs to the past, though nobody ended it.
 */
const sowingsInUse = (householdId: string): SQL | undefined =>
  and(
    openSowings(householdId),
    sql`(${sowings.id}::text in ${touched(householdId, 'sowings')}
      or ${sowings.id}::text in (
        select g ->> 'sowingId' from tray t, jsonb_array_elements(t.groups) g
        where t.household_id = ${householdId} and t.deleted_at is null and t.id::text in ${touched(householdId, 'trays')})
      or not exists (
        select from entry e where e.household_id = ${householdId} and e.voided_at is null
          and e.subjects @> jsonb_build_array(jsonb_build_object('id', ${sowings.id}::text))))`,
  )

/** Trays in use: the newest, and those something happened to lately. */
const traysInUse = (householdId: string): SQL | undefined =>
  and(
    current('trays', householdId),
    sql`(${trays.emptiedOn} is null or ${trays.emptiedOn} > ${dayOfHousehold(householdId)} - ${SIGHT_DAYS}::int)`,
    sql`(${trays.number} > (select max(number) from tray where household_id = ${householdId}) - ${NEWEST_TRAYS}::int
      or ${trays.id}::text in ${touched(householdId, 'trays')})`,
  )

/** The newest entries, and every one that is about what is in sight. */
async function entriesInSight(tx: Transaction, householdId: string, ids: readonly string[]) {
  const newest = await listEntries(householdId, { limit: NEWEST_ENTRIES }, tx)
  const subjects = await entriesAbout(householdId, ids, tx)
  const climate = await climateEntries(householdId, tx)
  // Notes to oneself come back when their day is near.
  const notes = await list(
    'entries',
    householdId,
    tx,
    and(
      current('entries', householdId),
      sql`${entries.remindOn} > ${dayOfHousehold(householdId)} - ${SIGHT_DAYS}::int`,
    ),
  )
  const seen = new Set(newest.map(({ id }) => id))
  const more = [...subjects, ...climate, ...notes].filter(({ id }) => !seen.has(id) && seen.add(id))
  return [...newest, ...more].sort((a, b) => a.number - b.number)
}

/** The air of places, which judges what stands there now. */
export const climateEntries = (householdId: string, tx: Transaction) =>
  list(
    'entries',
    householdId,
    tx,
    and(
      current('entries', householdId),
      eq(entries.kind, 'climate'),
      sql`${entries.on} > ${dayOfHousehold(householdId)} - ${CLIMATE_DAYS}::int`,
    ),
  )

/** Entries about any of these things, each found through the index on what entries are about. */
export async function entriesAbout(
  householdId: string,
  ids: readonly string[],
  tx: Transaction,
): Promise<Stored<Bodies['entries']>[]> {
  if (ids.length === 0) return []
  // What is looked for is made here: under row-level security the index serves nothing that is worked out beside the rows.
  const things = ids.map((id) => JSON.stringify([{ id }]))
  const { rows: found } = await tx.execute<{ id: string }>(sql`
    select distinct e.id from unnest(${sql.param(things)}::jsonb[]) as thing, lateral (
      select id from entry where household_id = ${householdId} and voided_at is null and subjects @> thing) as e`)
  if (found.length === 0) return []
  const rows = await tx
    .select()
    .from(entries)
    .where(
      and(
        eq(entries.householdId, householdId),
        sql`${entries.id} = any(${sql.param(found.map(({ id }) => id))}::uuid[])`,
      ),
    )
    .orderBy(entries.on, entries.number)
  return (rows as unknown as Row[]).map(asStored<'entries'>)
}

/** What a page needs to start: everything in sight, read one after the other over one connection. */
export async function readEverything(tx: Transaction, householdId: string): Promise<Everything> {
  const household = await findHousehold(householdId, tx)
  const lists: Partial<Record<Collection, readonly Stored<unknown>[]>> = {}
  for (const collection of COLLECTION_NAMES)
    if (collection !== 'entries')
      lists[collection] = await list(collection, householdId, tx, inSight(collection, householdId))
  const ids = (['sowings', 'batches', 'feedings', 'trays'] as const).flatMap((each) =>
    present(lists[each]).map(({ id }) => id),
  )
  const own = new Set(present(lists.packets).map(({ id }) => id))
  const measurements = (await measurementsOf(householdId, tx)).filter(
    ({ what, of }) => calibrationById(what).of !== 'packet' || own.has(of),
  )
  const weather = await weatherInSight(household, tx)
  return {
    household,
    ...lists,
    measurements,
    weather,
    entries: await entriesInSight(tx, householdId, ids),
  } as Everything
}

/** What is in sight goes by the day the household lives on. */
const everythingOn = (head: Head) => `everything ${todayOf(head, new Date())}`

/** @throws Refusal 404 */
export const everything = (principal: Principal, householdId: string): Promise<Everything> =>
  cached(principal, householdId, everythingOn, () =>
    inHousehold(principal, householdId, (tx) => readEverything(tx, householdId)),
  )

/** Everything as it stood before the write under way, where it is at hand. */
export const everythingBefore = (householdId: string, head: Head) =>
  cachedAt<Everything>(householdId, everythingOn(head), head.changes - 1)

/** Everything as a write left it: not read again. */
export const cacheEverything = (householdId: string, head: Head, kept: Everything) =>
  putCached(householdId, everythingOn(head), head.changes, kept)

/** Of each figure of each thing the latest are looked at: more than that change nothing that can be seen. */
const MEASUREMENTS_EACH = 20

/** What was measured in all years, by entries that stand, the oldest first. */
export async function measurementsOf(householdId: string, tx: Transaction): Promise<Measurement[]> {
  const { rows } = await tx.execute(sql`
    select "entryId", "on"::text as "on", one from (
      select id as "entryId", "on", number, m as one,
        row_number() over (partition by m ->> 'what', m ->> 'of' order by number desc) as nth
      from entry, jsonb_array_elements(measured) m
      where household_id = ${householdId} and voided_at is null and measured <> '[]'::jsonb) each
    where nth <= ${MEASUREMENTS_EACH} order by number`)
  return (rows as unknown as { entryId: string; on: Day; one: Omit<Measurement, 'entryId' | 'on'> }[]).map(
    ({ entryId, on, one }) => ({ entryId, on, ...one }),
  )
}

/**
 * What is counted on, of these collections; inside a transaction one connection reads one after the other.
 *
 * @param asBook the figures of the book, without what was learned
 */
export async function contextFor(
  householdId: string,
  collections: readonly Exclude<Collection, 'entries' | 'sowings'>[],
  tx: Transaction,
  { asBook = false }: { asBook?: boolean } = {},
): Promise<Context> {
  const kept = keptIn(tx)
  const household = kept?.household ?? (await findHousehold(householdId, tx))
  const measurements = asBook ? NONE : (kept?.measurements ?? (await measurementsOf(householdId, tx)))
  const weather = asBook ? NONE : (kept?.weather ?? (await weatherInSight(household, tx)))
  const lists: Record<string, unknown> = { household, measurements, weather }
  for (const collection of collections)
    lists[collection] =
      kept?.[collection] ?? (await list(collection, householdId, tx, inSight(collection, householdId)))
  return contextOf(lists as KeptLists)
}
const NONE: readonly never[] = []
/** What a season is planned with. */
export const SEASON_LISTS = ['containers', 'materials', 'feeds', 'recipes', 'crops', 'packets'] as const
