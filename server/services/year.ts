import { and, sql } from 'drizzle-orm'
import type { Bodies, Stored } from '#shared/records/collections'
import type { Transaction } from '../db/door'
import { entries } from '../db/schema'
import { findHousehold, list } from './read-records'
import { current } from './rows'

/** What a year is told from. */
export type YearRecords = {
  readonly [C in 'entries' | 'sowings' | 'trays' | 'batches' | 'photos']: Stored<Bodies[C]>[]
} & {
  /** What moved on the shelf and in packets since: what is there now, less this, was there at the end of the year. */
  readonly movedSince: { readonly id: string; readonly by: number }[]
}

/** Everything that happened in a year, and what it happened to. @throws Refusal 404 */
export async function yearRecords(tx: Transaction, householdId: string, year: number): Promise<YearRecords> {
  await findHousehold(householdId, tx)
  const first = `${year}-01-01`
  const last = `${year}-12-31`
  const told = await list(
    'entries',
    householdId,
    tx,
    and(current('entries', householdId), sql`${entries.on} between ${first} and ${last}`),
  )
  const ids = [...new Set(told.flatMap(({ body }) => body.subjects.map(({ id }) => id)))]
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
}

/** Years in which anything happened, the last first. */
export async function yearsOf(tx: Transaction, householdId: string): Promise<number[]> {
  await findHousehold(householdId, tx)
  const { rows } = await tx.execute<{ year: number }>(sql`
    select distinct extract(year from "on")::int as year from entry
    where household_id = ${householdId} and voided_at is null order by year desc`)
  return rows.map(({ year }) => year)
}
