import { and, eq, inArray, sql } from 'drizzle-orm'
import type { Day } from '#core/season/day'
import { doneBySowing, type Job } from '#core/season/today'
import type { SeasonFrameRecord } from '#shared/records/season-frame'
import type { SeasonKnown } from '#shared/records/sowing'
import { jobsOn, openRows, seasonKnown, seasonPlanner } from '#shared/season'
import { db } from '../db/client'
import { marks, sowings } from '../db/schema'
import { marksOf, openSowings } from './open-sowings'
import { findHousehold, list, type Reader } from './reading'
import { invalid } from './refusal'
import { asStored, type Row } from './rows'
import { greenhouseOf } from './shed'

/*
 * The season of a household. However many years it has kept, only sowings that are not yet out are read for today,
 * and the marks that belong to them.
 */

/** What the season of a household is reckoned with; null where no frosts are set. */
export async function seasonKnownOf(householdId: string, reader: Reader = db()): Promise<SeasonKnown | null> {
  const { body } = await findHousehold(householdId, reader)
  return body.season && knownWith(householdId, body.season, reader)
}

async function knownWith(
  householdId: string,
  frame: SeasonFrameRecord,
  reader: Reader = db(),
): Promise<SeasonKnown> {
  const greenhouse = await greenhouseOf(householdId, reader)
  const crops = await list('crops', householdId, reader)
  const packets = await list('packets', householdId, reader)
  return seasonKnown(frame, {
    shed: greenhouse,
    recipes: greenhouse.parts,
    feeds: greenhouse.feeds,
    crops,
    packets,
  })
}

/** Sowings that are not over, and what was done or put off on them. */
async function openSeason(householdId: string) {
  const rows = await db().select().from(sowings).where(openSowings(householdId)).orderBy(sowings.createdAt)
  const open = (rows as unknown as Row[]).map(asStored<'sowings'>)
  if (open.length === 0) return { open, marked: [] }
  const marked = await db()
    .select()
    .from(marks)
    .where(marksOf(householdId, rows))
    .orderBy(marks.on, marks.createdAt)
  return { open, marked: (marked as unknown as Row[]).map((row) => asStored<'marks'>(row).body) }
}

/** What is due, late or in danger. @throws Refusal 404, 422 where no frosts are set */
export async function seasonToday(householdId: string, today: Day): Promise<{ on: Day; jobs: Job[] }> {
  const { known, rows, marked, nightC } = await plannedSeason(householdId, today)
  return { on: today, jobs: jobsOn(today, rows, marked, known, nightC) }
}

/** Everything of the season that is not over, planned. @throws Refusal 404, 422 where no frosts are set */
export async function plannedSeason(householdId: string, today: Day) {
  const { body } = await findHousehold(householdId)
  if (!body.season) throw invalid([{ path: ['season'], message: 'Set the frosts of your season first.' }])
  const [known, { open, marked }] = await Promise.all([
    knownWith(householdId, body.season),
    openSeason(householdId),
  ])
  const rows = openRows(seasonPlanner(known, today), open, doneBySowing(marked), today)
  return { name: body.name, nightC: body.season.nightC, known, rows, marked }
}

/** When anything of the season was last written, removals included. */
export async function lastChange(householdId: string): Promise<Date> {
  const { rows } = await db().execute<{ at: string }>(sql`
    select greatest(
      (select updated_at from household where household_id = ${householdId}),
      (select max(updated_at) from sowing where household_id = ${householdId}),
      (select max(updated_at) from mark where household_id = ${householdId})) as at`)
  return new Date(rows[0]!.at)
}

/** Whether all of these are sowings of the household. */
export async function knowsSowings(householdId: string, ids: readonly string[]): Promise<boolean> {
  const wanted = [...new Set(ids)]
  const rows = await db()
    .select({ id: sowings.id })
    .from(sowings)
    .where(and(eq(sowings.householdId, householdId), inArray(sowings.id, wanted)))
  return rows.length === wanted.length
}
