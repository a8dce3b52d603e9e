import { createHash, createHmac } from 'node:crypto'
import { and, asc, desc, eq, gt, isNull, sql } from 'drizzle-orm'
import { asHousekeeping, inHousehold, type Transaction } from '../db/door'
import type { Principal } from '../principal'
import { deviceKeys, devices, households } from '../db/schema'
import { once, type Act } from './idempotency'
import { find } from './read-records'
import { Refusal, unknown } from './refusal'

const digestOf = (key: string) => createHash('sha256').update(key).digest('base64')

/** The password every copy reaches the database with stands in none of its rows. */
const SECRET = new URL(process.env.DATABASE_URL || 'postgres://none').password

/** Keys that were replaced are remembered, so many of a device. */
const MAX_DEVICE_KEYS = 50

/**
 * A new key for a device; the one before counts no more. It follows from the act it is made in and from a secret every copy has and
 * no row holds: asked for again under the same Idempotency-Key it is the same, and what is kept of it is a checksum.
 *
 * @throws Refusal 404
 */
export async function newDeviceKey(
  principal: Principal,
  householdId: string,
  deviceId: string,
  act: Act | null,
): Promise<{ key: string }> {
  const keyOf = (actId: string) =>
    `device-${createHmac('sha256', SECRET).update(`${householdId} ${deviceId} ${actId}`).digest('base64url')}`
  const { madeIn } = await once(
    principal,
    householdId,
    act,
    { commands: ['new device key'] },
    async (tx, household, actId) => {
      if (!household || household.isRemoved) throw unknown('household')
      await find('devices', householdId, deviceId, tx)
      const own = and(eq(deviceKeys.householdId, householdId), eq(deviceKeys.deviceId, deviceId))
      await tx
        .update(deviceKeys)
        .set({ replacedAt: sql`now()` })
        .where(and(own, isNull(deviceKeys.replacedAt)))
      await tx.insert(deviceKeys).values({ householdId, deviceId, digest: digestOf(keyOf(actId)) })
      await tx.execute(sql`
        delete from device_key where household_id = ${householdId} and device_id = ${deviceId} and digest not in (
          select digest from device_key where household_id = ${householdId} and device_id = ${deviceId}
          order by replaced_at desc nulls first limit ${MAX_DEVICE_KEYS})`)
      return { madeIn: actId }
    },
  )
  return { key: keyOf(madeIn) }
}

/** When a device was given its keys, the newest first. @throws Refusal 404 */
export const keysOfDevice = (
  principal: Principal,
  householdId: string,
  deviceId: string,
): Promise<{ givenAt: string; replacedAt: string | null }[]> =>
  inHousehold(principal, householdId, async (tx) => {
    await find('devices', householdId, deviceId, tx)
    const rows = await tx
      .select({ givenAt: deviceKeys.createdAt, replacedAt: deviceKeys.replacedAt })
      .from(deviceKeys)
      .where(and(eq(deviceKeys.householdId, householdId), eq(deviceKeys.deviceId, deviceId)))
      .orderBy(desc(deviceKeys.createdAt))
    const iso = (at: string) => new Date(at).toISOString()
    return rows.map(({ givenAt, replacedAt }) => ({
      givenAt: iso(givenAt),
      replacedAt: replacedAt && iso(replacedAt),
    }))
  })

/** The device a key belongs to. @throws Refusal 401 */
export async function deviceByKey(tx: Transaction, householdId: string, key: string | null) {
  const [row] =
    key === null
      ? []
      : await tx
          .select({ id: devices.id, deletedAt: devices.deletedAt })
          .from(deviceKeys)
          .innerJoin(
            devices,
            and(eq(devices.householdId, deviceKeys.householdId), eq(devices.id, deviceKeys.deviceId)),
          )
          .where(
            and(
              eq(deviceKeys.householdId, householdId),
              eq(deviceKeys.digest, digestOf(key)),
              isNull(deviceKeys.replacedAt),
            ),
          )
  if (!row || row.deletedAt !== null)
    throw new Refusal(
      401,
      'This key belongs to no device here. Settings, Devices gives a device its key; send it as Authorization: Bearer <key>.',
    )
  return row
}

/** A page of the households the simulated bench has something to send to, in the order of their ids. */
export const householdsWithSimulated = (limit: number, after?: string) =>
  asHousekeeping('list simulated devices', (tx) =>
    tx
      .selectDistinct({ householdId: devices.householdId })
      .from(devices)
      .innerJoin(households, eq(households.householdId, devices.householdId))
      .where(
        and(
          eq(devices.simulated, true),
          isNull(devices.deletedAt),
          isNull(households.deletedAt),
          after === undefined ? undefined : gt(devices.householdId, after),
        ),
      )
      .orderBy(asc(devices.householdId))
      .limit(limit),
  )
