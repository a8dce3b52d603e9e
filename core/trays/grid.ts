import { FLAT_MM } from '../containers/flat'

/** How the cells of a tray stand: so many along its long side, so many across. */
export interface Grid {
  /** Rows from one long side to the other. */
  readonly rows: number
  /** Cells in a row, along the long side. */
  readonly columns: number
}

/** Grids that are not the nearest to a flat's shape [common practice, counted on trays of that name]. */
const COUNTED: Readonly<Record<string, Grid>> = {
  'four-pack': { rows: 2, columns: 2 },
  'six-pack': { rows: 2, columns: 3 },
  'six-pack-small': { rows: 2, columns: 3 },
  'nine-pack': { rows: 3, columns: 3 },
  'twelve-pack': { rows: 3, columns: 4 },
  'half-tray-24': { rows: 4, columns: 6 },
}

/** Long side by short side of a flat. */
const FLAT_SHAPE = FLAT_MM.long / FLAT_MM.short

/**
 * Rows and columns of a tray: as its kind is made, else the two factors of its cells that come nearest to the shape of a
 * flat. A prime number of cells is one row.
 *
 * @param cells 1 or more
 */
export function gridOf({ id, cells }: { readonly id: string; readonly cells: number }): Grid {
  const known = COUNTED[id]
  if (known && known.rows * known.columns === cells) return known
  let best: Grid = { rows: 1, columns: cells }
  const off = ({ rows, columns }: Grid) => Math.abs(Math.log(columns / rows / FLAT_SHAPE))
  for (let rows = 1; rows * rows <= cells; rows++) {
    if (cells % rows !== 0) continue
    const grid = { rows, columns: cells / rows }
    if (off(grid) < off(best)) best = grid
  }
  return best
}
