import { pluralize, singularize } from 'inflection'
import { and, desc, eq, gte, inArray, isNull, lte, or, sql, type SQL } from 'drizzle-orm'
import type { Day } from '#core/calendar/day'
import type { Bodies, Stored } from '#shared/records/collections'
import type { EntryKind } from '#shared/records/entry'
import type { Transaction } from '../db/door'
import { entries, ENTRY_WORDS } from '../db/schema'
import { findHousehold } from './read-records'
import { asStored, type Row } from './rows'

/** What is looked for in the log. */
export interface LogQuery {
  /** Tray, sowing, batch, feed plan, packet, pack or photo it is about. */
  readonly subject?: string | undefined
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
const aboutTraysIn = (householdId: string, placeId: string) => sql`${entries.subjects} @> any(array(
  select jsonb_build_array(jsonb_build_object('id', t.id)) from tray t
  where t.household_id = ${householdId} and t.place_id = ${placeId} and t.deleted_at is null and t.emptied_on is null))`

/**
 * The log, the latest day first, those of a day as they were written last first. Each filter has an index; which of them is
 * walked is the database's choice by how much it would find.
 */
export function logQuery(tx: Transaction, householdId: string, query: LogQuery) {
  const { subject, placeId, kinds, from, until, words, before, limit } = query
  const spoken = words ? wordsQuery(words) : null
  return tx
    .select()
    .from(entries)
    .where(
      and(
        eq(entries.householdId, householdId),
        isNull(entries.deletedAt),
        subject
          ? or(
              sql`${entries.subjects} @> ${JSON.stringify([{ id: subject }])}::jsonb`,
              // What was sown from it, and what it moved.
              sql`${entries.moves} @> ${JSON.stringify([{ id: subject }])}::jsonb`,
            )
          : undefined,
        placeId ? or(eq(entries.placeId, placeId), aboutTraysIn(householdId, placeId)) : undefined,
        kinds?.length ? inArray(entries.kind, [...kinds]) : undefined,
        from ? gte(entries.on, from) : undefined,
        until ? lte(entries.on, until) : undefined,
        spoken ? sql`${ENTRY_WORDS} @@ (${spoken})` : undefined,
        before
          ? sql`(${entries.on}, ${entries.number}) < (${before.on}::date, ${before.number}::bigint)`
          : undefined,
      ),
    )
    .orderBy(desc(entries.on), desc(entries.number))
    .limit(limit)
}

/** A page of the log, and where the next begins. @throws Refusal 404 */
export async function logPage(
  tx: Transaction,
  householdId: string,
  query: LogQuery,
): Promise<{ entries: Stored<Bodies['entries']>[]; more: boolean }> {
  await findHousehold(householdId, tx)
  const rows = await logQuery(tx, householdId, { ...query, limit: query.limit + 1 })
  const page = (rows.slice(0, query.limit) as unknown as Row[]).map(asStored<'entries'>)
  return { entries: page, more: rows.length > query.limit }
}
