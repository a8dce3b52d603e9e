import { and, sql, type SQL } from 'drizzle-orm'
import type { Day } from '#core/season/day'
import type { Job, Mark } from '#core/season/today'
import { asMark } from '#shared/records/entry'
import { hasSeason, jobsOn, seasonOn } from '#shared/season'
import { db } from '../db/client'
import { entries, sowings } from '../db/schema'
import { contextFor, findHousehold, SEASON_LISTS } from './reading'
import { invalid } from './refusal'
import { openSowings } from './open-sowings'
import { asStored, current, type Row } from './rows'

/*
 * The season of a household. However many years it has kept, only sowings that are not yet out are read for today,
 * and the entries that belong to them.
 */

/**
 * Entries on any of these sowings. None was written before the oldest of them, so that an index on the time leaves out
 * the years before; what is left is looked through.
 */
const entriesOn = (
  householdId: string,
  open: readonly { readonly id: string; readonly createdAt: string }[],
): SQL =>
  and(
    current('entries', householdId),
    sql`${entries.createdAt} >= ${open.map(({ createdAt }) => createdAt).reduce((a, b) => (a < b ? a : b))}`,
    sql`exists (
      select from jsonb_array_elements(${entries.about}) as target
      where target ->> 'id' = any(${sql.param(open.map(({ id }) => id))}::text[]))`,
  )!

/** Sowings that are not over, and what was done or put off on them. */
async function openSeason(householdId: string) {
  const rows = await db().select().from(sowings).where(openSowings(householdId)).orderBy(sowings.createdAt)
  const open = (rows as unknown as Row[]).map(asStored<'sowings'>)
  if (open.length === 0) return { open, marks: [] as Mark[] }
  const written = await db()
    .select()
    .from(entries)
    .where(entriesOn(householdId, rows))
    .orderBy(entries.on, entries.number)
  return {
    open,
    marks: (written as unknown as Row[]).flatMap((row) => asMark(asStored<'entries'>(row).body)),
  }
}

/** What is due, late or in danger, and what cannot be planned. @throws Refusal 404, 422 where no frosts are set */
export async function seasonToday(householdId: string, today: Day) {
  const { context, rows, unplanned, marks } = await plannedSeason(householdId, today)
  const jobs: Job[] = jobsOn(today, rows, marks, context)
  return {
    on: today,
    jobs,
    unplanned: unplanned.map(({ id, body, problem }) => ({ id, name: body.name, why: problem.message })),
  }
}

/** Everything of the season that is not over, planned. @throws Refusal 404, 422 where no frosts are set */
export async function plannedSeason(householdId: string, today: Day) {
  const { body } = await findHousehold(householdId)
  const context = await contextFor(householdId, SEASON_LISTS)
  if (!hasSeason(context))
    throw invalid([{ path: ['season'], message: 'Set the frosts of your season first.' }])
  const { open, marks } = await openSeason(householdId)
  return { name: body.name, context, marks, ...seasonOn(context, today, open, marks) }
}

/** When anything the season hangs on was last written, removals included. */
export async function lastChange(householdId: string): Promise<Date> {
  const tables = ['sowing', 'entry', 'crop', 'packet', 'container', 'material', 'recipe', 'feed']
  const each = tables.map(
    (table) =>
      sql`(select max(updated_at) from ${sql.identifier(table)} where household_id = ${householdId})`,
  )
  const { rows } = await db().execute<{ at: string }>(sql`
    select greatest((select updated_at from household where household_id = ${householdId}), ${sql.join(each, sql`, `)}) as at`)
  return new Date(rows[0]!.at)
}
