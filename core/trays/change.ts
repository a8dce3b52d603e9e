import type { Day } from '../calendar/day'

/**
 * What happened to cells of a group. `sown` and `set` bring seed and plants, `up` says how many are up in all, the rest
 * take plants away.
 */
export const CHANGES = ['sown', 'up', 'thinned', 'lost', 'given', 'out', 'moved', 'set'] as const
export type ChangeKind = (typeof CHANGES)[number]

/** One thing that happened to cells of one group of one tray. */
export interface Change {
  readonly trayId: string
  /** Code of the group. */
  readonly group: string
  readonly what: ChangeKind
  /** Cells with how many seeds or plants each. */
  readonly cells: readonly (readonly [cell: number, n: number])[]
  /** So many, where nobody said which cells; null where the cells say it. */
  readonly count: number | null
}
export interface DatedChange extends Change {
  readonly on: Day
  /** The entry it is part of. */
  readonly entryId: string
}

/**
 * How many seeds or plants a change is about.
 *
 * @example totalOf({ cells: [[0, 2], [1, 3]], count: null }) // 5
 */
export const totalOf = ({ cells, count }: Pick<Change, 'cells' | 'count'>): number =>
  count ?? cells.reduce((sum, [, n]) => sum + n, 0)

/**
 * What is wrong with changes that were written together: as many arrive as leave.
 *
 * @example movedEven([{ what: 'moved', cells: [], count: 3 }, { what: 'set', cells: [], count: 2 }]) // ({ moved: 3, set: 2 })
 */
export function movedEven(changes: readonly Change[]): { moved: number; set: number } | null {
  const of = (what: ChangeKind) =>
    changes.filter((one) => one.what === what).reduce((sum, one) => sum + totalOf(one), 0)
  const [moved, set] = [of('moved'), of('set')]
  return set > 0 && moved !== set && moved > 0 ? { moved, set } : null
}
