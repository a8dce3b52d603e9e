import { counted } from '../../text/plurals'
import type { PlannedStage } from './sowing-request'

/** `2 × 72-cell tray`; `4 cells of a shared 24-cell tray`. */
export function containersText({
  fill,
  cells,
  placed,
}: Pick<PlannedStage, 'fill' | 'cells' | 'placed'>): string {
  const { container, count, plants } = fill
  const each = plants && plants > 1 ? `, ${plants} in each` : ''
  if (!placed?.sharesWith.length) return `${count} × ${container.name}${each}`
  const whole = Math.floor(cells / container.cells)
  const rest = `${counted(cells % container.cells, 'cell')} of a shared ${container.name}`
  return `${whole ? `${whole} × ${container.name} and ` : ''}${rest}${each}`
}
