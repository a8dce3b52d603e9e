import { createHash, randomBytes } from 'node:crypto'
import { and, eq, isNull } from 'drizzle-orm'
import { asHousekeeping, inHousehold, type Transaction } from '../db/door'
import type { Principal } from '../principal'
import { deviceKeys, devices, households } from '../db/schema'
import { find } from './read-records'
import { Refusal } from './refusal'

const digestOf = (key: string) => createHash('sha256').update(key).digest('base64')

/** A new key for a device; the one before counts no more. It is told once and kept as a checksum. @throws Refusal 404 */
export const newDeviceKey = (
  principal: Principal,
  householdId: string,
  deviceId: string,
): Promise<{ key: string }> =>
  inHousehold(
    principal,
    householdId,
    async (tx) => {
      await find('devices', householdId, deviceId, tx)
      const key = `device-${randomBytes(24).toString('base64url')}`
      const digest = digestOf(key)
      await tx
        .insert(deviceKeys)
        .values({ householdId, deviceId, digest })
        .onConflictDoUpdate({ target: [deviceKeys.householdId, deviceKeys.deviceId], set: { digest } })
      return { key }
    },
    { to: 'write' },
  )

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
          .where(and(eq(deviceKeys.householdId, householdId), eq(deviceKeys.digest, digestOf(key))))
  if (!row || row.deletedAt !== null)
    throw new Refusal(
      401,
      'This key belongs to no device here. Settings, Devices gives a device its key; send it as Authorization: Bearer <key>.',
    )
  return row
}

/** Where the simulated bench has something to send; at most a hundred. */
export const householdsWithSimulated = () =>
  asHousekeeping('list simulated devices', (tx) =>
    tx
      .selectDistinct({ householdId: devices.householdId })
      .from(devices)
      .innerJoin(households, eq(households.householdId, devices.householdId))
      .where(and(eq(devices.simulated, true), isNull(devices.deletedAt), isNull(households.deletedAt)))
      .limit(100),
  )
