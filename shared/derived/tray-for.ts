import { codeAt, fillRows, gridFor, usualGrid, type Group } from '#core/trays/layout'
import { tray, type TrayRecord } from '../records/tray'
import type { ProposedTray } from './trays'

/** A proposal as a record: its groups laid out in rows, in the order of sowing. */
export function trayFor(
  { container, placeId, recipeId, holds }: ProposedTray,
  packetOf: (sowingId: string) => string | null,
  batchId: string | null = null,
): TrayRecord {
  const count = holds.reduce((sum, { cells }) => sum + cells, 0)
  const grid = container.cells > 1 ? usualGrid(container) : gridFor(container, count)
  const wanted = holds.map(({ row, cells, seedsPerCell, stage }, i) => ({
    cells,
    group: {
      code: codeAt(i),
      name: row.name,
      cropId: row.crop.id,
      sowingId: row.id,
      stage,
      packetId: packetOf(row.id),
      seedsPerCell,
    } satisfies Group,
  }))
  const empty = { ...grid, groups: [], cells: Array<string>(grid.rows * grid.columns).fill('') }
  const { rows, columns, groups, cells } = fillRows(empty, wanted)
  return tray.parse({
    name: container.name,
    containerId: container.id,
    rows,
    columns,
    placeId,
    recipeId,
    batchId,
    groups,
    cells,
  })
}
