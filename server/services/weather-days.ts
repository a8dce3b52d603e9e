import { and, asc, eq, gte, lte } from 'drizzle-orm'
import { todayOf } from '#core/calendar/clock'
import { addDays, type Day } from '#core/calendar/day'
import type { WeatherDay } from '#core/calendar/weather'
import type { Stored } from '#shared/records/collections'
import type { HouseholdRecord } from '#shared/records/household'
import type { Transaction } from '../db/door'
import { weatherDays as table } from '../db/schema'

/** Days behind and ahead a page knows of. */
const BEHIND_DAYS = 21
const AHEAD_DAYS = 14

export async function weatherBetween(
  householdId: string,
  from: Day,
  to: Day,
  tx: Transaction,
): Promise<WeatherDay[]> {
  const rows = await tx
    .select()
    .from(table)
    .where(and(eq(table.householdId, householdId), gte(table.on, from), lte(table.on, to)))
    .orderBy(asc(table.on), asc(table.source))
  return rows.map(({ householdId: _, ...one }) => one)
}

/** What is near the day the household lives on. */
export async function weatherInSight(
  { id: householdId, body }: Stored<HouseholdRecord>,
  tx: Transaction,
): Promise<WeatherDay[]> {
  const today = todayOf(body, new Date())
  return weatherBetween(householdId, addDays(today, -BEHIND_DAYS), addDays(today, AHEAD_DAYS), tx)
}
