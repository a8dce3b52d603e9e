import { sql, type SQL } from 'drizzle-orm'
import { first } from '#core/numeric/at'
import { ownInstant } from '#core/calendar/clock'
import { SENT_AS, readingOf, type Reading } from '#core/readings/measured'
import { canBe } from '#core/readings/plausibility'
import { sayImpossible } from '#shared/messages/readings'
import { asPack, resolvePack } from '#core/readings/senml'
import type { Quantity } from '#core/readings/kinds'
import { asHousekeeping, inHousehold, type Transaction } from '../db/door'
import type { Principal } from '../principal'
import { readings } from '../db/schema'
import { allow } from './rate-limits'
import { deviceByKey } from './device-keys'
import { keptOnce, type Act } from './idempotency'
import { tellLive } from './live'
import { findHousehold } from './read-records'
import { invalid } from './refusal'

export const MAX_RECORDS = 2000
/** A device tells so many quantities and probes apart by name. */
const MAX_SOURCES = 64
/** A clock that is fast by more than this is not the bench’s. */
const SKEW_MS = 2 * 60_000
const OLDEST_MS = 400 * 86_400_000
/** Raw readings are kept so long; then five minutes are one. */
const RAW_DAYS = 30
export const MEAN_S = 300

export interface Taken {
  /** Readings that were written. */
  readonly kept: number
  /** The same second of the same quantity was there already, in this pack or before. */
  readonly duplicates: number
  /** Texts and switches, which a bench keeps nothing of. */
  readonly ignored: number
  /** What cannot be, left out, each with its reason. */
  readonly impossible: readonly { readonly name: string; readonly message: string }[]
  /** How far the device’s clock ran ahead and was set back, s; 0 where it did not. */
  readonly skewS: number
}

/**
 * A SenML pack of a device. One reading of a quantity a second is kept, however fast they come.
 *
 * @throws Refusal 401 for a key of no device here, 422 for what is no pack, a unit that is not read, a time out of reach or more
 *   names than a device has, 429 for more than a device sends in an hour
 */
export const takeReadings = (
  principal: Principal,
  householdId: string,
  key: string | null,
  pack: unknown,
  act: Act | null,
): Promise<Taken> =>
  inHousehold(
    principal,
    householdId,
    async (tx) => {
      const device = await deviceByKey(tx, householdId, key)
      return keptOnce(tx, householdId, act, 'take readings', () =>
        readingsTaken(tx, householdId, device, pack),
      )
    },
    { to: 'write' },
  )

async function readingsTaken(
  tx: Transaction,
  householdId: string,
  device: { id: string },
  pack: unknown,
): Promise<Taken> {
  const { clock } = (await findHousehold(householdId, tx)).body
  const nowMs = ownInstant(clock, new Date()).getTime()
  const { own, ignored, impossible } = readPack(pack, nowMs)
  const latest = Math.max(...own.map(({ atMs }) => atMs))
  // A device whose clock is fast is believed in all but its clock.
  const skewMs = latest > nowMs + SKEW_MS ? latest - nowMs : 0
  const shifted = own.map((one) => ({ ...one, atMs: Math.floor((one.atMs - skewMs) / 1000) * 1000 }))
  if (shifted.some(({ atMs }) => atMs < nowMs - OLDEST_MS))
    throw refused('A reading of more than a year ago is none: look at the clock of the device.')
  await allow('readings of a device', device.id, shifted.length)
  await checkSources(tx, householdId, device.id, shifted)
  const written = shifted.length
    ? await tx
        .insert(readings)
        .values(
          shifted.map(({ quantity, name, atMs, value }) => ({
            householdId,
            deviceId: device.id,
            quantity,
            name,
            at: new Date(atMs).toISOString(),
            value,
          })),
        )
        .onConflictDoNothing()
        .returning({ quantity: readings.quantity })
    : []
  if (written.length) await tellLive(tx, householdId, device.id, shifted)
  return {
    kept: written.length,
    duplicates: shifted.length - written.length,
    ignored,
    impossible,
    skewS: Math.round(skewMs / 1000),
  }
}

/** @throws Refusal 422 where it has more names than a device has */
async function checkSources(
  tx: Transaction,
  householdId: string,
  deviceId: string,
  sent: readonly Reading[],
): Promise<void> {
  const { rows: known } = await tx.execute<{ quantity: string; name: string }>(
    sql`${sourcesOf(householdId, deviceId)} select quantity, name from source limit ${MAX_SOURCES + 1}`,
  )
  const keyOf = ({ quantity, name }: { quantity: string; name: string }) => `${quantity} ${name}`
  const there = new Set(known.map(keyOf))
  const fresh = new Set(sent.map(keyOf).filter((key) => !there.has(key)))
  if (fresh.size > 0 && known.length + fresh.size > MAX_SOURCES)
    throw refused(
      `A device sends readings under at most ${MAX_SOURCES} names; this would be ${known.length + fresh.size}. Give each probe one name and keep it.`,
    )
}

/**
 * What there are readings of, each once: the key is gone along from one to the next, so that it takes as many steps as there are
 * sources, however many readings each has.
 */
function sourcesOf(householdId: string, deviceId?: string): SQL {
  const own = sql`household_id = ${householdId} ${deviceId === undefined ? sql`` : sql`and device_id = ${deviceId}`}`
  return sql`with recursive source as (
    (select device_id, quantity, name from reading where ${own} order by device_id, quantity, name limit 1)
    union all
    select next.* from source s, lateral (
      select device_id, quantity, name from reading
      where ${own} and (device_id, quantity, name) > (s.device_id, s.quantity, s.name)
      order by device_id, quantity, name limit 1) as next)`
}

const refused = (message: string) => invalid([{ path: ['pack'], message }])

function readPack(pack: unknown, nowMs: number): Pick<Taken, 'ignored' | 'impossible'> & { own: Reading[] } {
  if (Array.isArray(pack) && pack.length > MAX_RECORDS)
    throw refused(`A pack holds at most ${MAX_RECORDS} records; send it in parts.`)
  try {
    const read = resolvePack(pack, nowMs / 1000).map(readingOf)
    const all = read.filter((one): one is Reading => one !== null)
    const impossible = all.flatMap(({ name, quantity, value }) =>
      canBe(quantity, value) ? [] : [{ name: name || quantity, message: sayImpossible(quantity, value) }],
    )
    // One broken probe does not keep the others from being heard.
    const own = all.filter(({ quantity, value }) => canBe(quantity, value))
    if (own.length === 0 && impossible.length) throw refused(first(impossible).message)
    return { own, ignored: read.length - all.length, impossible }
  } catch (error) {
    if (error instanceof RangeError) throw refused(error.message)
    throw error
  }
}

export interface StoredReading {
  readonly deviceId: string
  readonly quantity: Quantity
  readonly name: string
  readonly atMs: number
  readonly value: number
  readonly count: number
}

/** Of all sources together so many readings are told at once. */
const MAX_TOLD = 100_000

/** Readings of a time, the latest `limit` of each device and quantity, in the order of their times. @throws Refusal 404 */
export async function readingsOf(
  tx: Transaction,
  householdId: string,
  {
    deviceId,
    fromMs,
    toMs,
    limit = 500,
  }: { deviceId?: string; fromMs?: number; toMs?: number; limit?: number } = {},
): Promise<StoredReading[]> {
  await findHousehold(householdId, tx)
  const from = fromMs === undefined ? sql`` : sql`and r.at >= ${new Date(fromMs).toISOString()}::timestamptz`
  const to = toMs === undefined ? sql`` : sql`and r.at <= ${new Date(toMs).toISOString()}::timestamptz`
  // One question: the latest of each source, by the index on source and time.
  const { rows } = await tx.execute<{ [key in keyof StoredReading]: StoredReading[key] }>(sql`
    ${sourcesOf(householdId, deviceId)}
    select s.device_id as "deviceId", s.quantity, s.name, (extract(epoch from r.at) * 1000)::float8 as "atMs", r.value, r.count
    from source s, lateral (
      select at, value, count from reading r
      where r.household_id = ${householdId} and r.device_id = s.device_id and r.quantity = s.quantity and r.name = s.name ${from} ${to}
      order by r.at desc limit ${limit}) r
    order by s.device_id, s.quantity, s.name, r.at limit ${MAX_TOLD}`)
  return rows.map((row) => ({ ...row, atMs: Math.floor(row.atMs) }))
}

/** The same as a SenML pack. */
export const asSenml = (found: readonly StoredReading[]): object[] =>
  asPack(
    found.map(({ deviceId, quantity, name, atMs, value }) => {
      const [unit, of] = SENT_AS[quantity]
      return {
        name: `urn:uuid:${deviceId}:${name || quantity}`,
        unit,
        atS: atMs / 1000,
        value: Number(of(value).toPrecision(12)),
      }
    }),
  )

/**
 * Raw readings older than a month become means of five minutes, each with how many it was made of. A mean stands a
 * microsecond past its five minutes, where no raw reading does.
 */
export const thinReadings = () =>
  asHousekeeping('thin readings', async (tx) => {
    const old = sql`at < coalesce((select (clock ->> 'day')::timestamptz from household h where h.household_id = r.household_id), now()) - make_interval(days => ${RAW_DAYS})
      and date_trunc('second', "at" at time zone 'UTC') = "at" at time zone 'UTC'`
    await tx.execute(sql`
      insert into reading (household_id, device_id, quantity, name, at, value, count)
      select household_id, device_id, quantity, name,
        to_timestamp(floor(extract(epoch from at) / ${MEAN_S}) * ${MEAN_S}) + interval '1 microsecond',
        avg(value), count(*)
      from reading r where ${old} group by 1, 2, 3, 4, 5
      on conflict (household_id, device_id, quantity, name, at) do update set
        value = (reading.value * reading.count + excluded.value * excluded.count) / (reading.count + excluded.count),
        count = reading.count + excluded.count`)
    await tx.execute(sql`delete from reading r where ${old}`)
  })
