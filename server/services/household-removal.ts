import { present } from '#core/present'
import { and, desc, eq, isNotNull, lt, sql } from 'drizzle-orm'
import { COME_BACK_DAYS } from '#shared/records/collections'
import { asHousekeeping, inHousehold } from '../db/door'
import type { Principal } from '../principal'
import { households } from '../db/schema'
import { isDone, once, type Act } from './idempotency'
import { keepArchive } from './kept-archives'
import { asStoredHousehold, findHousehold } from './read-records'
import { stale, unknown } from './refusal'

/** Take a whole household out of sight, after it was written out. @throws Refusal 404, 409, 503 where that failed */
export async function removeHousehold(
  principal: Principal,
  householdId: string,
  version: number,
  act: Act | null,
) {
  const stands = await inHousehold(principal, householdId, async (tx) => {
    if (act && (await isDone(tx, householdId, act))) return false
    const stood = await findHousehold(householdId, tx)
    if (stood.version !== version) throw stale(stood)
    return true
  })
  if (stands) await keepArchive(principal, householdId, 'removed')
  return once(principal, householdId, act, { commands: ['remove household'] }, async (tx) => {
    const [row] = await tx
      .update(households)
      .set({ deletedAt: sql`now()`, version: version + 1, updatedAt: sql`now()` })
      .where(and(eq(households.householdId, householdId), eq(households.version, version)))
      .returning({ version: households.version })
    if (!row) throw stale(await findHousehold(householdId, tx))
    return row
  })
}

export const bringHouseholdBack = (principal: Principal, householdId: string, act: Act | null) =>
  once(principal, householdId, act, { commands: ['bring household back'] }, async (tx) => {
    const [row] = await tx
      .update(households)
      .set({ deletedAt: null, version: sql`${households.version} + 1`, updatedAt: sql`now()` })
      .where(and(eq(households.householdId, householdId), isNotNull(households.deletedAt)))
      .returning()
    if (!row) throw unknown('removed household')
    return asStoredHousehold(row)
  })

export async function removedHouseholds() {
  const rows = await asHousekeeping('list removed households', (tx) =>
    tx
      .select()
      .from(households)
      .where(isNotNull(households.deletedAt))
      .orderBy(desc(households.deletedAt))
      .limit(50),
  )
  return rows.map((row) => ({
    id: row.householdId,
    name: row.name,
    removedAt: new Date(present(row.deletedAt)).toISOString(),
  }))
}

/** What nobody brought back in time is gone. */
export const forgetRemovedHouseholds = () =>
  asHousekeeping('forget removed households', (tx) =>
    tx
      .delete(households)
      .where(lt(households.deletedAt, sql`now() - make_interval(days => ${COME_BACK_DAYS})`)),
  )
