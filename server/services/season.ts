import { setImmediate } from 'node:timers/promises'
import { sql } from 'drizzle-orm'
import { todayOf } from '#core/season/clock'
import type { Day } from '#core/season/day'
import type { Job, Mark } from '#core/season/today/job'
import { doneBySowing, movedBySowing, upBySowing } from '#core/season/today/marks'
import { asMark } from '#shared/records/entry'
import { changesByTray, countsInTrays } from '#shared/trays'
import {
  hasSeason,
  jobsOn,
  openRows,
  rootsSeen,
  seasonPlanner,
  wasOf,
  type SeasonContext,
} from '#shared/season'
import { inHousehold, type Head, type Transaction } from '../db/door'
import type { Principal } from '../principal'
import { sowings } from '../db/schema'
import { climateByPlace } from '#shared/measured'
import {
  climateEntries,
  contextFor,
  entriesAbout,
  findHousehold,
  inSight,
  list,
  SEASON_LISTS,
} from './reading'
import { invalid } from './refusal'
import { remembered } from './remembered'
import { openSowings } from './open-sowings'
import { asStored, type Row } from './rows'

/*
 * The season of a household. However many years it has kept, only sowings that are not yet out are read for today,
 * and the entries that belong to them.
 */

/** Sowings that are not over, and what was done or put off on them. */
async function openSeason(tx: Transaction, householdId: string) {
  const rows = await tx.select().from(sowings).where(openSowings(householdId)).orderBy(sowings.createdAt)
  const open = (rows as unknown as Row[]).map(asStored<'sowings'>)
  const written = await entriesAbout(
    householdId,
    open.map(({ id }) => id),
    tx,
  )
  const standing = await list('trays', householdId, tx, inSight('trays', householdId))
  // What ended lately still teaches: its roots move the next such sowing.
  const known = new Set(open.map(({ id }) => id))
  const lately = (await list('sowings', householdId, tx, inSight('sowings', householdId))).filter(
    ({ id }) => !known.has(id),
  )
  const before = await entriesAbout(
    householdId,
    lately.map(({ id }) => id),
    tx,
  )
  const seen = { entries: [...before, ...written], sowings: [...lately, ...open] }
  const climates = climateByPlace(await climateEntries(householdId, tx))
  return {
    open,
    standing,
    written,
    seen,
    climates,
    marks: written.flatMap(({ body }): Mark[] => asMark(body)),
  }
}

/** What is due, late or in danger, and what cannot be planned. @throws Refusal 404, 422 where no frosts are set */
export async function seasonToday(principal: Principal, householdId: string, on?: Day) {
  const dayOf = (head: Head) => on ?? todayOf(head, new Date())
  return remembered(
    principal,
    householdId,
    (head) => `today ${dayOf(head)}`,
    async (head) => {
      const today = dayOf(head)
      const { context, rows, unplanned, marks } = await plannedSeason(principal, householdId, today)
      const jobs: Job[] = jobsOn(today, rows, marks, context)
      return {
        on: today,
        jobs,
        unplanned: unplanned.map(({ id, body: { name }, problem }) => ({ id, name, why: problem.message })),
      }
    },
  )
}

/** Everything of the season that is not over, planned. @throws Refusal 404, 422 where no frosts are set */
export async function plannedSeason(principal: Principal, householdId: string, on?: Day) {
  const { body, context, season } = await inHousehold(principal, householdId, async (tx) => ({
    body: (await findHousehold(householdId, tx)).body,
    context: await contextFor(householdId, SEASON_LISTS, tx),
    season: await openSeason(tx, householdId),
  }))
  if (!hasSeason(context))
    throw invalid([{ path: ['season'], message: 'Set the frosts of your season first.' }])
  const today = on ?? todayOf(body, new Date())
  const planned = await plannedGently(context, today, season)
  return { household: body, today, context, marks: season.marks, ...planned }
}

/** Sowings planned before others are let in. */
const AT_A_TIME = 10

/** The season as it stands on a day; while a large one is planned, other requests are answered. */
async function plannedGently(
  context: SeasonContext,
  today: Day,
  { open: sowings, standing, written, seen, marks, climates }: Awaited<ReturnType<typeof openSeason>>,
) {
  const planner = seasonPlanner(
    context,
    today,
    standing,
    rootsSeen(seen.entries, seen.sowings, context.crops),
    climates,
  )
  const happened = {
    done: doneBySowing(marks),
    // What stands in trays was counted there.
    up: new Map([...upBySowing(marks), ...countsInTrays(standing, changesByTray(written), context)]),
    moved: movedBySowing(marks),
  }
  for (const [i, one] of sowings.entries()) {
    // It is remembered until all are put together.
    planner.plan(one, wasOf(happened, one.id))
    if (i % AT_A_TIME === AT_A_TIME - 1) await setImmediate()
  }
  return openRows(planner, sowings, happened, today)
}

/** When anything the season hangs on was last written, removals included. */
export async function lastChange(tx: Transaction, householdId: string): Promise<Date> {
  const tables = ['sowing', 'entry', 'crop', 'packet', 'container', 'material', 'recipe', 'feed', 'tray']
  const each = tables.map(
    (table) =>
      sql`(select max(updated_at) from ${sql.identifier(table)} where household_id = ${householdId})`,
  )
  const { rows } = await tx.execute<{ at: string }>(sql`
    select greatest((select updated_at from household where household_id = ${householdId}), ${sql.join(each, sql`, `)}) as at`)
  return new Date(rows[0]!.at)
}
