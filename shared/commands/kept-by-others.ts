import { counted } from '#core/text/plurals'
import type { TrayRecord } from '../records/tray'

/** Cells that another hand had given to another plot meanwhile, in words; null where there were none. */
export function keptByOthers(before: TrayRecord, after: TrayRecord, now: TrayRecord): string | null {
  const other = after.cells.filter(
    (code, cell) => code !== before.cells[cell] && now.cells[cell] !== code,
  ).length
  return other ? `${counted(other, 'cell')} had been given to another plot meanwhile, and stay there.` : null
}
