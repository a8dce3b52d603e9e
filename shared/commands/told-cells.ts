import { at } from '#core/numeric/at'
import type { Change as CellChange, ChangeKind } from '#core/trays/change'
import { cellsOf } from '#core/trays/layout'
import { standingIn, type GroupStands } from '#core/trays/standing'
import type { Bench } from '../derived/bench'
import type { Stored } from '../records/collections'
import type { EntryRecord } from '../records/entry'
import type { TrayRecord } from '../records/tray'

export const CHANGE_WORDS: Record<ChangeKind, string> = {
  sown: 'Sown',
  up: 'Up',
  thinned: 'Thinned',
  lost: 'Lost',
  given: 'Given away',
  out: 'Planted out',
  moved: 'Moved on',
  set: 'Set',
}

/** What happened to cells of one plot. */
export interface Told {
  readonly stands: GroupStands
  readonly cells: CellChange['cells']
  readonly count?: number | null
  /** What it did in other trays: plants that arrive there. */
  readonly also?: EntryRecord['cells']
}

/**
 * Plants of a plot that stand, cell by cell, as many as are wanted.
 *
 * @param from only these cells; null for any
 */
export function standingCells(
  bench: Pick<Bench, 'stands'>,
  tray: Stored<TrayRecord>,
  code: string,
  most: number,
  from: readonly number[] | null,
): [number, number][] {
  const { cells } = bench.stands(tray)
  const taken: [number, number][] = []
  let left = most
  for (const cell of from ?? cellsOf(tray.body, code)) {
    if (tray.body.cells[cell] !== code) continue
    const n = Math.min(left, standingIn(at(cells, cell)))
    if (n > 0) taken.push([cell, n])
    left -= n
    if (left <= 0) break
  }
  return taken
}
