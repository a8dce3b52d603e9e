import { pluralize, singularize } from 'inflection'
import { and, desc, eq, gte, inArray, isNull, lte, or, sql, type SQL } from 'drizzle-orm'
import type { Day } from '#core/season/day'
import type { Bodies, Stored } from '#shared/collections'
import type { EntryKind } from '#shared/records/entry'
import { db } from '../db/client'
import { entries, ENTRY_WORDS, trays } from '../db/schema'
import { entriesAbout, find, findHousehold, list } from './reading'
import { asStored, current, type Row } from './rows'

/** What is looked for in the log. */
export interface LogQuery {
  /** Tray, sowing, batch, feed plan, packet, pack or photo it is about. */
  readonly about?: string | undefined
  readonly placeId?: string | undefined
  readonly kinds?: readonly EntryKind[] | undefined
  readonly from?: Day | undefined
  readonly until?: Day | undefined
  /** All of these words, each from its beginning, or by its stem. */
  readonly words?: string | undefined
  /** Those before this one: its day and number. */
  readonly before?: { readonly on: Day; readonly number: number } | undefined
  readonly limit: number
}

/** Of one and of many: leaf and leaves have no stem in common. */
const formsOf = (word: string) => [
  word,
  singularize(word),
  pluralize(word),
  word.replace(/fe?$/, 'ves'),
  word.replace(/ves$/, 'f'),
]

/** Words as PostgreSQL looks for them: each from its beginning, or as a form of the same word; null where there are none. */
export function wordsQuery(words: string): SQL | null {
  const each = words
    .normalize('NFKC')
    .toLowerCase()
    .match(/[\p{L}\p{N}]+/gu)
    ?.slice(0, 12)
    .map((word) => {
      const forms = [...new Set(formsOf(word))].map((form) => `${form}:*`)
      return sql`(to_tsquery('simple', ${forms.join(' | ')}) || plainto_tsquery('english', ${word}))`
    })
  return each?.length ? sql.join(each, sql` && `) : null
}

/** About one of the trays that stand in a place now. */
const aboutTraysIn = (householdId: string, placeId: string) => sql`${entries.about} @> any(array(
  select jsonb_build_array(jsonb_build_object('id', t.id)) from tray t
  where t.household_id = ${householdId} and t.place_id = ${placeId} and t.deleted_at is null and t.emptied_on is null))`

/**
 * The log, the latest day first, those of a day as they were written last first. Each filter has an index; which of them is
 * walked is the database's choice by how much it would find.
 */
export function logQuery(householdId: string, query: LogQuery) {
  const { about, placeId, kinds, from, until, words, before, limit } = query
  const spoken = words ? wordsQuery(words) : null
  return db()
    .select()
    .from(entries)
    .where(
      and(
        eq(entries.householdId, householdId),
        isNull(entries.deletedAt),
        about
          ? or(
              sql`${entries.about} @> ${JSON.stringify([{ id: about }])}::jsonb`,
              // What was sown from it, and what it moved.
              sql`${entries.moves} @> ${JSON.stringify([{ id: about }])}::jsonb`,
            )
          : undefined,
        placeId ? or(eq(entries.placeId, placeId), aboutTraysIn(householdId, placeId)) : undefined,
        kinds?.length ? inArray(entries.kind, [...kinds]) : undefined,
        from ? gte(entries.on, from) : undefined,
        until ? lte(entries.on, until) : undefined,
        spoken ? sql`${ENTRY_WORDS} @@ (${spoken})` : undefined,
        before
          ? sql`(${entries.on}, ${entries.number}) < (${before.on}::date, ${before.number}::int)`
          : undefined,
      ),
    )
    .orderBy(desc(entries.on), desc(entries.number))
    .limit(limit)
}

/** A page of the log, and where the next begins. @throws Refusal 404 */
export async function logPage(
  householdId: string,
  query: LogQuery,
): Promise<{ entries: Stored<Bodies['entries']>[]; more: boolean }> {
  await findHousehold(householdId)
  const rows = await logQuery(householdId, { ...query, limit: query.limit + 1 })
  const page = (rows.slice(0, query.limit) as unknown as Row[]).map(asStored<'entries'>)
  return { entries: page, more: rows.length > query.limit }
}

/** What a year is told from. */
export type YearRecords = {
  readonly [C in 'entries' | 'sowings' | 'trays' | 'batches' | 'photos']: Stored<Bodies[C]>[]
} & {
  /** What moved on the shelf and in packets since: what is there now, less this, was there at the end of the year. */
  readonly movedSince: { readonly id: string; readonly by: number }[]
}

/** Everything that happened in a year, and what it happened to. @throws Refusal 404 */
export async function yearRecords(householdId: string, year: number): Promise<YearRecords> {
  await findHousehold(householdId)
  const first = `${year}-01-01`
  const last = `${year}-12-31`
  return db().transaction(
    async (tx) => {
      const told = await list(
        'entries',
        householdId,
        tx,
        and(current('entries', householdId), sql`${entries.on} between ${first} and ${last}`),
      )
      const ids = [...new Set(told.flatMap(({ body }) => body.about.map(({ id }) => id)))]
      const named = (collection: 'sowings' | 'trays' | 'batches') =>
        list(
          collection,
          householdId,
          tx,
          and(
            current(collection, householdId),
            collection === 'sowings'
              ? sql`(id = any(${sql.param(ids)}::uuid[]) or sow_on between ${first} and ${last} or out_on between ${first} and ${last})`
              : sql`id = any(${sql.param(ids)}::uuid[])`,
          ),
        ) as Promise<Stored<never>[]>
      const { rows: movedSince } = await tx.execute<{ id: string; by: number }>(sql`
        select m ->> 'id' as id, sum((m ->> 'by')::float8) as by from entry e, jsonb_array_elements(e.moves) m
        where e.household_id = ${householdId} and e.voided_at is null and e."on" > ${last} group by 1`)
      return {
        movedSince,
        entries: [...told].sort((a, b) => a.number - b.number),
        sowings: await named('sowings'),
        trays: await named('trays'),
        batches: await named('batches'),
        photos: await list(
          'photos',
          householdId,
          tx,
          and(current('photos', householdId), sql`"on" between ${first} and ${last}`),
        ),
      }
    },
    { isolationLevel: 'repeatable read', accessMode: 'read only' },
  )
}

/** Years in which anything happened, the last first. */
export async function yearsOf(householdId: string): Promise<number[]> {
  await findHousehold(householdId)
  const { rows } = await db().execute<{ year: number }>(sql`
    select distinct extract(year from "on")::int as year from entry
    where household_id = ${householdId} and voided_at is null order by year desc`)
  return rows.map(({ year }) => year)
}

/** A tray with all that hangs on it: trays of its batch, trays its plants came from and went to, and what happened to them. */
export async function traceRecords(householdId: string, trayId: string) {
  const tray = await find('trays', householdId, trayId)
  const ids = new Set([trayId])
  if (tray.body.batchId) {
    const rows = await db()
      .select({ id: trays.id })
      .from(trays)
      .where(and(current('trays', householdId), eq(trays.batchId, tray.body.batchId)))
    rows.forEach(({ id }) => ids.add(id))
  }
  // Plants were moved between trays: each step is an entry about both.
  const found = new Map<string, Stored<Bodies['entries']>>()
  for (let open = [trayId]; open.length > 0;) {
    const told = await entriesAbout(householdId, open)
    told.forEach((one) => found.set(one.id, one))
    const next = told.flatMap(({ body }) =>
      body.cells.some(({ what }) => what === 'moved' || what === 'set')
        ? body.cells.map(({ trayId: id }) => id)
        : [],
    )
    open = [...new Set(next)].filter((id) => !ids.has(id))
    open.forEach((id) => ids.add(id))
  }
  for (const one of await entriesAbout(householdId, [...ids])) found.set(one.id, one)
  const all = await list(
    'trays',
    householdId,
    db(),
    and(current('trays', householdId), sql`id = any(${sql.param([...ids])}::uuid[])`),
  )
  const batchIds = [...new Set(all.flatMap(({ body }) => body.batchId ?? []))]
  const batches = batchIds.length
    ? await list(
        'batches',
        householdId,
        db(),
        and(current('batches', householdId), sql`id = any(${sql.param(batchIds)}::uuid[])`),
      )
    : []
  if (batchIds.length) for (const one of await entriesAbout(householdId, batchIds)) found.set(one.id, one)
  return {
    trays: all,
    batches,
    entries: [...found.values()].sort((a, b) => a.number - b.number),
  }
}
