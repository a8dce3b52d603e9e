import { and, asc } from 'drizzle-orm'
import type { Bodies, Stored } from '#shared/records/collections'
import { changesByTray, trayStands } from '#shared/derived/trays'
import { tableById, type TableId } from '#shared/tables/tables'
import { writeTable, type Style } from '#shared/tables/write'
import { standingIn as plantsIn } from '#core/trays/standing'
import type { Transaction } from '../../db/door'
import { entries } from '../../db/schema'
import { entriesAbout, list } from '../read-records'
import { asStored, current, type Row } from '../rows'
import { knownIn, heldIn } from './known'

/** What a household keeps, as a table. @throws Refusal 404 */
export async function tableOut(
  tx: Transaction,
  householdId: string,
  id: TableId,
  style: Style,
): Promise<string> {
  const table = tableById(id)
  const { names, trays, context } = await knownIn(tx, householdId)
  if (table.collection === 'entries') {
    const rows = await tx
      .select()
      .from(entries)
      .where(and(current('entries', householdId), heldIn(table)))
      .orderBy(asc(entries.on), asc(entries.number))
    return writeTable(table, (rows as unknown as Row[]).map(asStored<'entries'>), { names, style })
  }
  if (table.collection !== 'trays')
    return writeTable(table, await list(table.collection, householdId, tx), { names, style })
  const cells = await cellsOf(tx, householdId, trays, context.crops)
  return writeTable(table, trays, {
    names,
    style,
    beside: { cellOf: (tray, cell) => cells.get(tray)?.[cell] ?? null },
  })
}

/** What happened in each cell of each tray. */
async function cellsOf(
  tx: Transaction,
  householdId: string,
  trays: readonly Stored<Bodies['trays']>[],
  crops: Parameters<typeof trayStands>[2],
) {
  const subjects = await entriesAbout(
    householdId,
    trays.map(({ id }) => id),
    tx,
  )
  const changes = changesByTray(subjects.sort((a, b) => a.number - b.number))
  return new Map(
    trays.map(({ id, body }) => {
      const stands = trayStands(body, changes.get(id) ?? [], crops)
      const sownOn = new Map(stands.groups.map(({ group, sownOn: on }) => [group.code, on]))
      return [
        id,
        stands.cells.map((cell, i) => ({
          sownOn: cell.sown > 0 ? (sownOn.get(body.cells[i] ?? '') ?? null) : null,
          standing: plantsIn(cell),
        })),
      ]
    }),
  )
}
