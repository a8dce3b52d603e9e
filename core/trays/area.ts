import type { Grid } from './grid'

/** Where in a tray: rows or columns by number, a part of it from one side, or what is left. */
export interface AreaWanted {
  readonly along: 'row' | 'column' | null
  /** The first of them, from 1; negative counted from the end; null for the next that are free. */
  readonly from: number | null
  readonly count: number
  /** A part of the whole tray, a fraction. */
  readonly share: number | null
  readonly side: 'left' | 'right' | 'top' | 'bottom' | null
  readonly rest: boolean
}

/**
 * The cells of an area that are free, row by row; none where it lies outside the tray.
 *
 * @param cells codes of the groups that have them; empty where none has
 * @example cellsIn({ along: 'row', from: 1, count: 1, share: null, side: null, rest: false }, { rows: 2, columns: 2 }, ['', '', '', '']) // [0, 1]
 */
export function cellsIn(area: AreaWanted, { rows, columns }: Grid, cells: readonly string[]): number[] {
  const isFree = (cell: number) => cells[cell] === ''
  const all = Array.from({ length: rows * columns }, (_, cell) => cell)
  const rowOf = (cell: number) => Math.floor(cell / columns)
  const columnOf = (cell: number) => cell % columns
  if (area.rest) return all.filter(isFree)
  if (area.share !== null) {
    const byColumn = area.side === 'left' || area.side === 'right'
    const lines = byColumn ? columns : rows
    const count = Math.max(1, Math.round(lines * area.share))
    const atEnd = area.side === 'right' || area.side === 'bottom'
    const lineOf = byColumn ? columnOf : rowOf
    if (area.side === null) return all.filter(isFree).slice(0, Math.round(rows * columns * area.share))
    return all.filter(
      (cell) => isFree(cell) && (atEnd ? lineOf(cell) >= lines - count : lineOf(cell) < count),
    )
  }
  const lineOf = area.along === 'column' ? columnOf : rowOf
  const lines = area.along === 'column' ? columns : rows
  const whole = (line: number) => all.filter((cell) => lineOf(cell) === line)
  if (area.from !== null) {
    const first = area.from > 0 ? area.from - 1 : lines + area.from
    if (first < 0 || first + area.count > lines) return []
    return all.filter((cell) => isFree(cell) && lineOf(cell) >= first && lineOf(cell) < first + area.count)
  }
  // The next that are free from end to end.
  const open = Array.from({ length: lines }, (_, line) => line).filter((line) => whole(line).every(isFree))
  return open.length < area.count
    ? []
    : open
        .slice(0, area.count)
        .flatMap(whole)
        .sort((a, b) => a - b)
}
