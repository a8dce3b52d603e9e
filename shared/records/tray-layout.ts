import type { Layout } from '#core/trays/layout'
import type { TrayRecord } from './tray'

/** The layout a record holds. */
export const layoutOf = ({ rows, columns, groups, cells }: TrayRecord): Layout => ({
  rows,
  columns,
  groups,
  cells,
})
