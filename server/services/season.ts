import { sayProblemOf } from '#shared/messages/refusals'
import { first } from '#core/numeric/at'
import { setImmediate } from 'node:timers/promises'
import { sql } from 'drizzle-orm'
import { ownInstant, timeOf, todayOf } from '#core/calendar/clock'
import type { Day } from '#core/calendar/day'
import { goodsId, goodsName, goodsUnit } from '#core/supplies/goods'
import { benchOf, planningOf, type Bench } from '#shared/derived/bench'
import { whatRunsShort } from '#shared/derived/shopping'
import { waterRound, type Watered } from '#shared/derived/water-round'
import { wasOf, type SeasonContext } from '#shared/derived/season'
import type { Head, Transaction } from '../db/door'
import type { Principal } from '../principal'
import { everything } from './read-records'
import { invalid } from './refusal'
import { cached } from './response-cache'

/*
 * The season of a household, by the same functions as its pages. However many years it has kept, only what is in sight is
 * looked at.
 */

/** What is due, late or in danger, which trays to water, what runs short, and what cannot be planned. @throws Refusal 404, 422 */
export async function seasonToday(principal: Principal, householdId: string, on?: Day) {
  const dayOf = (head: Head) => on ?? todayOf(head, new Date())
  // Water goes by the hour.
  const hourOf = () => Math.floor(Date.now() / 3_600_000)
  return cached(
    principal,
    householdId,
    (head) => `today ${dayOf(head)} ${hourOf()}`,
    async (head) => {
      const bench = await seasonBench(principal, householdId, dayOf(head))
      await setImmediate()
      const round = waterRound(bench)
      await setImmediate()
      const short = whatRunsShort(bench)
      await setImmediate()
      return {
        on: bench.today,
        jobs: bench.jobs,
        unplanned: bench.unplanned.map(({ id, body: { name }, problem }) => ({
          id,
          name,
          why: sayProblemOf(problem, 'sowings'),
        })),
        water: {
          today: round.today.map(asTold),
          fed: round.fed.map(asTold),
          tomorrow: round.tomorrow.map(asTold),
          look: round.toLook.map(asTold),
          letDry: round.toDry.map(asTold),
          refill: round.reservoirs.map(({ place, refillOn }) => ({
            placeId: place.id,
            name: place.name,
            on: refillOn,
          })),
        },
        short: short.map(({ goods, wanted, inSupplies, short }) => ({
          kind: goods.kind,
          id: goodsId(goods),
          name: goodsName(goods),
          unit: goodsUnit(goods),
          wanted,
          inSupplies,
          short,
        })),
      }
    },
  )
}

const asTold = ({ tray, water: { outlook, place } }: Watered) => ({
  trayId: tray.id,
  number: tray.number,
  name: tray.body.groups.map(({ name }) => name).join(', ') || tray.body.name,
  place: place.name,
  verdict: outlook.verdict,
  how: outlook.way.how,
  litres: outlook.pourL.value,
})

/** Sowings planned before others are let in. */
const AT_A_TIME = 3

/** What is in sight with all that follows from it; while a large season is planned, other requests are answered. */
export async function seasonBench(
  principal: Principal,
  householdId: string,
  on?: Day,
): Promise<Bench & { season: SeasonContext }> {
  const kept = await everything(principal, householdId)
  const { clock, timeZone } = kept.household.body
  const now = new Date()
  const today = on ?? todayOf({ clock, timeZone }, now)
  const planning = planningOf(kept, today)
  if (!planning) throw invalid([{ path: ['season'], message: 'Set the frosts of your season first.' }])
  for (const [i, one] of kept.sowings.entries()) {
    // It is cached until all are put together.
    planning.planner.plan(one, wasOf(planning.happened, one.id))
    if (i % AT_A_TIME === AT_A_TIME - 1) await setImmediate()
  }
  const time = timeOf(clock ? 'UTC' : timeZone, ownInstant(clock, now))
  await setImmediate()
  return benchOf(kept, today, time, () => planning) as Bench & { season: SeasonContext }
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
  return new Date(first(rows).at)
}
