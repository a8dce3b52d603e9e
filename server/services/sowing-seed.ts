import { and, eq, inArray, sql } from 'drizzle-orm'
import type { MarkRecord } from '#shared/records/mark'
import { seasonPlanner } from '#shared/season'
import type { Transaction } from '../db/client'
import { packets, sowings } from '../db/schema'
import { asStored, type Row } from './rows'
import { seasonKnownOf } from './season'

/*
 * What is sown leaves its packet, in the transaction that writes the sowing down; taking that back puts it back. A
 * packet nobody counted stays uncounted, and one that holds too little is emptied: the seed is in the tray already.
 */

const isSowing = ({ what, of, snoozedUntil }: MarkRecord) =>
  what === 'rung' && snoozedUntil === null && of.some(({ rung }) => rung === 0)

/** The mark as it is kept: what was sown has left its packets. */
export async function takeSeed(tx: Transaction, householdId: string, mark: MarkRecord): Promise<MarkRecord> {
  // By the same connection: a second one could be waited for by everybody who waits for this household.
  const known = isSowing(mark) ? await seasonKnownOf(householdId, tx) : null
  if (!known) return { ...mark, seeds: [] }
  const ids = mark.of.filter(({ rung }) => rung === 0).map(({ sowingId }) => sowingId)
  const rows = await tx
    .select()
    .from(sowings)
    .where(and(eq(sowings.householdId, householdId), inArray(sowings.id, ids)))
  const plan = seasonPlanner(known, mark.on)
  const wanted = new Map<string, number>()
  for (const row of rows as unknown as Row[]) {
    const { id, body } = asStored<'sowings'>(row)
    const planned = body.packetId && plan({ id, body })?.planned
    if (planned) wanted.set(body.packetId!, (wanted.get(body.packetId!) ?? 0) + planned.seeds)
  }
  const seeds: MarkRecord['seeds'] = []
  for (const [packetId, count] of wanted) {
    const [packet] = await tx
      .select({ left: packets.seeds })
      .from(packets)
      .where(and(eq(packets.householdId, householdId), eq(packets.id, packetId)))
    const taken = Math.min(count, packet?.left ?? 0)
    if (taken > 0) seeds.push({ packetId, seeds: taken })
  }
  await move(tx, householdId, seeds, -1)
  return { ...mark, seeds }
}

/** What was taken stays as it was on the day; a mark that was removed and comes back takes it again. */
export async function takeSeedAgain(
  tx: Transaction,
  householdId: string,
  before: Row,
  body: MarkRecord,
): Promise<MarkRecord> {
  const { seeds } = asStored<'marks'>(before).body
  if (before.deletedAt) await move(tx, householdId, seeds, -1)
  return { ...body, seeds }
}

export const putSeedBack = (tx: Transaction, householdId: string, { seeds }: MarkRecord) =>
  move(tx, householdId, seeds, 1)

async function move(tx: Transaction, householdId: string, seeds: MarkRecord['seeds'], sign: 1 | -1) {
  for (const { packetId, seeds: count } of seeds)
    await tx
      .update(packets)
      .set({
        seeds: sql`greatest(0, ${packets.seeds} + ${sign * count})`,
        version: sql`${packets.version} + 1`,
        updatedAt: sql`now()`,
      })
      .where(and(eq(packets.householdId, householdId), eq(packets.id, packetId)))
}
