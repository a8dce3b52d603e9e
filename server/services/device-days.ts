import { present } from '#core/present'
import { first } from '#core/numeric/at'
import { and, eq, isNotNull, isNull, sql } from 'drizzle-orm'
import { todayOf } from '#core/calendar/clock'
import { addDays, type Day } from '#core/calendar/day'
import { dayOfReadings } from '#core/readings/day-of'
import { newEntry } from '#shared/records/new-entry'
import { asHousekeeping, inHousehold, type Transaction } from '../db/door'
import { devices, entries } from '../db/schema'
import { log, traceOf } from '../log'
import { WHOEVER } from '../principal'
import { perform } from './commands'
import { findHousehold } from './read-records'
import { readingsOf } from './device-readings'
import { current } from './rows'

/** Days that are looked back at: what was missed while nothing ran is made up. */
const BACK_DAYS = 7

/**
 * A day that is over becomes an entry of the log: the low and high of a place by its probe, and how warm the mix was. From
 * then on lateness goes by it. What is doubted is left out; what somebody wrote down of that day stands.
 */
export async function writeDaysOfDevices(): Promise<void> {
  const rows = await asHousekeeping('find devices with days to write', (tx) =>
    tx
      .select({
        householdId: devices.householdId,
        id: devices.id,
        name: devices.name,
        placeId: devices.placeId,
      })
      .from(devices)
      .where(
        and(
          isNull(devices.deletedAt),
          isNotNull(devices.placeId),
          sql`${devices.kind} in ('air probe', 'mix probe', 'light meter')`,
        ),
      ),
  )
  const places = new Map<string, typeof rows>()
  for (const row of rows) {
    const key = `${row.householdId} ${row.placeId}`
    places.set(key, [...(places.get(key) ?? []), row])
  }
  for (const own of places.values())
    await writeDaysOf(first(own).householdId, present(first(own).placeId), own).catch((error: unknown) =>
      log.warn(traceOf(error), 'the air of a place was not written down'),
    )
}

type Probes = readonly { readonly id: string; readonly name: string }[]

async function writeDaysOf(householdId: string, placeId: string, probes: Probes): Promise<void> {
  for (const climate of await inHousehold(WHOEVER, householdId, (tx) =>
    daysToWrite(tx, householdId, placeId, probes),
  ))
    await perform(WHOEVER, householdId, null, {
      by: 'the probes',
      commands: [
        {
          name: 'save record',
          collection: 'entries',
          id: crypto.randomUUID(),
          version: 0,
          body: newEntry({
            name: `The air by ${probes.map(({ name }) => name).join(' and ')}`.slice(0, 120),
            kind: 'climate',
            on: climate.on,
            subjects: [],
            placeId,
            climate: [climate],
          }),
          onlyNew: false,
        },
      ],
    })
}

/** The air of days that are over, and that nobody has written down yet. */
async function daysToWrite(tx: Transaction, householdId: string, placeId: string, probes: Probes) {
  const household = await findHousehold(householdId, tx).catch(() => null)
  if (!household) return []
  const today = todayOf(household.body, new Date())
  const from = addDays(today, -BACK_DAYS)
  const written = await daysWritten(tx, householdId, placeId, from)
  if (written.size >= BACK_DAYS) return []
  const kept: Awaited<ReturnType<typeof readingsOf>> = []
  for (const { id } of probes)
    kept.push(
      ...(await readingsOf(tx, householdId, {
        deviceId: id,
        fromMs: Date.parse(`${from}T00:00:00Z`),
        toMs: Date.parse(`${today}T00:00:00Z`) - 1,
        limit: 20_000,
      })),
    )
  return Array.from({ length: BACK_DAYS }, (_, n) => addDays(from, n)).flatMap((day) =>
    written.has(day) ? [] : (dayOfReadings(day, kept) ?? []),
  )
}

async function daysWritten(
  tx: Transaction,
  householdId: string,
  placeId: string,
  from: Day,
): Promise<Set<Day>> {
  const rows = await tx
    .select({ climate: entries.climate })
    .from(entries)
    .where(
      and(
        current('entries', householdId),
        eq(entries.kind, 'climate'),
        eq(entries.placeId, placeId),
        sql`${entries.on} >= ${from}`,
      ),
    )
  return new Set(rows.flatMap(({ climate }) => climate.map(({ on }) => on)))
}
