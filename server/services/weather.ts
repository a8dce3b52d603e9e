import { first } from '#core/numeric/at'
import { and, eq, sql } from 'drizzle-orm'
import type * as z from 'zod'
import { todayOf } from '#core/calendar/clock'
import { dayFrom, type Day } from '#core/calendar/day'
import type { WeatherDay } from '#core/calendar/weather'
import { problemsFrom } from '#shared/records/rules'
import { weatherDays, type weatherDay } from '#shared/records/weather'
import { asHousekeeping, inHousehold, type Transaction } from '../db/door'
import { WHOEVER, type Principal } from '../principal'
import { devices, households, weatherDays as table } from '../db/schema'
import { log, traceOf } from '../log'
import { once, type Act } from './idempotency'
import { findHousehold, list } from './read-records'
import { Refusal, unknown } from './refusal'
import { weatherBetween } from './weather-days'

const ASK_DAYS = 10
const PATIENCE_MS = 4000

/** Days of weather; a day that is there is written over. @throws Refusal 404 */
export const putWeather = (
  principal: Principal,
  householdId: string,
  days: readonly z.output<typeof weatherDay>[],
  act: Act | null = null,
): Promise<{ written: number }> =>
  once(principal, householdId, act, { commands: ['bring in weather'] }, async (tx, locked) => {
    if (!locked || locked.isRemoved) throw unknown('household')
    const { body } = await findHousehold(householdId, tx)
    const today = todayOf(body, new Date())
    // Of one day and source the last that is said counts.
    const last = new Map(days.map((one) => [`${one.on} ${one.source}`, one]))
    const values = [...last.values()].map((one) => ({
      householdId,
      ...one,
      madeOn: one.madeOn ?? (one.source === 'history' ? one.on : today),
    }))
    await tx
      .insert(table)
      .values(values)
      .onConflictDoUpdate({
        target: [table.householdId, table.on, table.source],
        set: Object.fromEntries(
          (['lowC', 'highC', 'rainMm', 'windMPerS', 'sunHours', 'madeOn', 'simulated'] as const).map(
            (key) => [
              key,
              sql.raw(`excluded."${key.replace(/[A-Z]/g, (letter) => `_${letter.toLowerCase()}`)}"`),
            ],
          ),
        ),
      })
    return { written: values.length }
  })

/** Where a forecast is asked for; any service that answers in the documented shape. */
const forecastAddress = () => process.env.BLASTOMIX_FORECAST || null

/** Ask the forecast service for the days ahead, and keep them. @throws Refusal 404, 503 where it does not answer in that shape */
export async function askForecast(
  principal: Principal,
  householdId: string,
  act: Act | null = null,
): Promise<{ written: number }> {
  const { body, isSilent } = await inHousehold(principal, householdId, async (tx) => ({
    body: (await findHousehold(householdId, tx)).body,
    isSilent: await isBrokenOff(tx, householdId),
  }))
  const address = forecastAddress()
  if (!address)
    throw new Refusal(
      503,
      'No forecast service is set up here. Type the coldest night ahead into Today instead.',
    )
  const today = todayOf(body, new Date())
  const asked = new URL(address)
  asked.searchParams.set('place', body.place || body.name)
  asked.searchParams.set('on', today)
  asked.searchParams.set('days', String(ASK_DAYS))
  if (body.season?.lastFrost) asked.searchParams.set('lastFrost', body.season.lastFrost)
  const silent = new Refusal(
    503,
    'The forecast service does not answer. What it said last counts for three days.',
  )
  if (isSilent) throw silent
  const answer = await fetch(asked, { signal: AbortSignal.timeout(PATIENCE_MS) }).catch(() => {
    throw silent
  })
  if (!answer.ok) throw silent
  const read = weatherDays.safeParse(await answer.json().catch(() => null))
  if (!read.success)
    throw new Refusal(
      503,
      `The forecast service answers in another shape: ${first(problemsFrom(read.error)).message} Nothing was kept.`,
    )
  return putWeather(principal, householdId, read.data, act)
}

/** Whether the forecast is silent on purpose. */
async function isBrokenOff(tx: Transaction, householdId: string): Promise<boolean> {
  const all = await list('devices', householdId, tx)
  return all.some(({ body }) => body.kind === 'forecast' && body.fault === 'silent')
}

/** Households with a forecast among their devices that have none of their day yet are asked for. */
export async function askForecastsDue(): Promise<void> {
  if (!forecastAddress()) return
  const rows = await asHousekeeping('find forecasts that are due', (tx) =>
    tx
      .selectDistinct({ id: devices.householdId })
      .from(devices)
      .innerJoin(households, eq(households.householdId, devices.householdId))
      .where(
        and(
          eq(devices.kind, 'forecast'),
          sql`${devices.deletedAt} is null and ${households.deletedAt} is null and ${devices.fault} is distinct from 'silent'`,
        ),
      ),
  )
  for (const { id } of rows)
    if (!(await inHousehold(WHOEVER, id, (tx) => hasForecastOfToday(tx, id))))
      await askForecast(WHOEVER, id).catch((error: unknown) => log.warn(traceOf(error), 'no forecast'))
}

async function hasForecastOfToday(tx: Transaction, householdId: string): Promise<boolean> {
  const today = todayOf((await findHousehold(householdId, tx)).body, new Date())
  const made = await tx
    .select({ on: table.on })
    .from(table)
    .where(and(eq(table.householdId, householdId), eq(table.source, 'forecast'), eq(table.madeOn, today)))
    .limit(1)
  return made.length > 0
}

/** All that is kept between two days. @throws Refusal 404 */
export async function allWeather(
  tx: Transaction,
  householdId: string,
  from: Day = dayFrom('1990-01-01'),
  to: Day = dayFrom('2099-12-31'),
): Promise<WeatherDay[]> {
  await findHousehold(householdId, tx)
  return weatherBetween(householdId, from, to, tx)
}
