import type { DatedChange } from '#core/trays/change'
import { standsAfter, type TrayStands } from '#core/trays/standing'
import type { Context, Kept } from './context'
import type { EntryRecord } from './records/entry'
import { layoutOf, type TrayRecord } from './records/tray'

/** What entries did to the cells of trays, by tray, in the order they were written. */
export function changesByTray(entries: readonly Kept<EntryRecord>[]): Map<string, DatedChange[]> {
  const changes = new Map<string, DatedChange[]>()
  for (const { id, body } of entries)
    for (const change of body.cells) {
      const own = changes.get(change.trayId) ?? []
      own.push({ ...change, on: body.on, entryId: id })
      changes.set(change.trayId, own)
    }
  return changes
}

/** A tray as it stands after all that was written down of it. */
export const trayStands = (
  tray: TrayRecord,
  changes: readonly DatedChange[],
  crops: Context['crops'],
): TrayStands => standsAfter(layoutOf(tray), changes, (cropId) => crops.get(cropId)?.seedlings ?? 1)
