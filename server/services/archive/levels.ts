import { and, eq } from 'drizzle-orm'
import { todayOf } from '#core/calendar/clock'
import type { Bodies } from '#shared/records/collections'
import type { Transaction } from '../../db/door'
import { entries } from '../../db/schema'
import { countedEntry, levelOf, movedSum } from '../ledger'
import { nextNumber } from '../numbers'
import { findHousehold } from '../read-records'
import { asStored, current, tableOf, type Row } from '../rows'

/**
 * After the entries of two were joined, a level is what both moved. What the archive counted without an entry is counted by one;
 * what would fall below nothing is counted as empty.
 *
 * @param fresh levels of packs and packets that came with the archive, by id
 * @returns what did not go together
 */
export async function joinLevels(
  tx: Transaction,
  householdId: string,
  fresh: ReadonlyMap<string, number>,
): Promise<string[]> {
  const contradictions: string[] = []
  const today = todayOf((await findHousehold(householdId, tx)).body, new Date())
  for (const of of ['stocks', 'packets'] as const) {
    const rows = await tx.select().from(tableOf(of)).where(current(of, householdId))
    for (const stored of (rows as unknown as Row[]).map(asStored<typeof of>)) {
      if ('seeds' in stored.body && stored.body.seeds === null) continue
      const moved = Math.round((await movedSum(tx, householdId, of, stored.id)) * 1e6) / 1e6
      const now = fresh.get(stored.id) ?? Math.max(0, moved)
      if (moved < 0 && !fresh.has(stored.id))
        contradictions.push(
          `${stored.body.name}: here and in the archive more was taken together than there was. It is counted as empty.`,
        )
      const level = of === 'stocks' ? { packs: now } : { seeds: now }
      const body = { ...stored.body, ...level } as Bodies['stocks'] | Bodies['packets']
      const entry = countedEntry(of, { ...stored, body }, moved, today)
      if (entry)
        await tx.insert(entries).values({
          householdId,
          id: crypto.randomUUID(),
          number: await nextNumber(tx, 'entries', householdId),
          ...entry,
        })
      if (now === levelOf(stored.body)) continue
      const table = tableOf(of)
      await tx
        .update(table)
        .set(level as never)
        .where(and(eq(table.householdId, householdId), eq(table.id, stored.id)))
    }
  }
  return contradictions
}
