import { capital } from '../text/capital'
import type { Wrong } from '../problem'
import { present } from '../present'
import { at } from '../numeric/at'
import type { Day } from '../calendar/day'
import { germinationSeen, wilson } from '../sowing/odds'
import type { DatedChange } from './change'
import { cellName, cellsOf, type Layout, type Group } from './layout'

/** One cell as it stands. */
export interface Cell {
  readonly sown: number
  readonly up: number
  readonly set: number
  readonly thinned: number
  readonly lost: number
  readonly moved: number
  /** Seeds that were sown after the last count of it. */
  readonly again: number
}

/** A group as it stands. sown · seedlings ≥ up; up + set = thinned + lost + moved + standing. */
export interface GroupStands {
  readonly group: Group
  /** Cells it has in the tray. */
  readonly cells: number
  readonly sownCells: number
  readonly sown: number
  /** Cells with at least one plant up. */
  readonly upCells: number
  /** Plants that came up. */
  readonly up: number
  readonly set: number
  readonly thinned: number
  readonly lost: number
  /** Moved on, given away or planted out. */
  readonly moved: number
  readonly standing: number
  readonly sownOn: Day | null
  readonly setOn: Day | null
  readonly firstUpOn: Day | null
  readonly countedOn: Day | null
}

export interface TrayStands {
  readonly cells: readonly Cell[]
  readonly groups: readonly GroupStands[]
  /** What cannot have happened as it is written, with the change it is about. */
  readonly problems: readonly { readonly change: DatedChange; readonly wrong: Wrong }[]
}

const EMPTY: Cell = { sown: 0, up: 0, set: 0, thinned: 0, lost: 0, moved: 0, again: 0 }
const LEAVING = { thinned: 'thinned', lost: 'lost', given: 'moved', out: 'moved', moved: 'moved' } as const

/**
 * @example standingIn({ up: 5, set: 0, thinned: 1, lost: 1, moved: 1 }) // 2
 */
export const standingIn = ({ up, set, thinned, lost, moved }: Omit<Cell, 'sown' | 'again'>): number =>
  up + set - thinned - lost - moved

type Counts = { -readonly [K in keyof Cell]: number }
interface Tally {
  group: Group
  /** Without cells: so many were counted, thinned, lost, moved, wherever they stood. */
  loose: Counts
  days: Record<'sownOn' | 'setOn' | 'firstUpOn' | 'countedOn', Day | null>
}

/**
 * A tray as it stands after all that happened to it: plants come from seed or from another tray, and go by what was
 * written down, never otherwise. What cannot have happened is left out and told.
 *
 * @param changes of this tray; taken in the order of their days, those of a day in the order they were written
 * @param seedlings the most plants one seed of a crop can give (a beet cluster gives several)
 */
export function standsAfter(
  layout: Layout,
  changes: readonly DatedChange[],
  seedlings: (cropId: string) => number = () => 1,
): TrayStands {
  const cells: Counts[] = layout.cells.map(() => ({ ...EMPTY }))
  const tallies = new Map<string, Tally>(
    layout.groups.map((group) => [
      group.code,
      {
        group,
        loose: { ...EMPTY },
        days: { sownOn: null, setOn: null, firstUpOn: null, countedOn: null },
      },
    ]),
  )
  const problems: { change: DatedChange; wrong: Wrong }[] = []
  const inOrder = changes
    .map((change, i) => ({ change, i }))
    .sort((a, b) => (a.change.on < b.change.on ? -1 : a.change.on > b.change.on ? 1 : a.i - b.i))
  for (const { change } of inOrder) {
    const tally = tallies.get(change.group)
    const wrong: Wrong | null = tally
      ? wrongWith(layout, cells, tally, change, seedlings)
      : { kind: 'noGroupHere', values: { group: change.group } }
    if (wrong) problems.push({ change, wrong })
    else apply(layout, cells, present(tally), change)
  }
  const groups = [...tallies.values()].map((tally) => sumUp(layout, cells, tally))
  return { cells, groups, problems }
}

/** What is wrong with what is told of one cell; null where it can be so. */
function wrongInCell(
  layout: Layout,
  cells: readonly Counts[],
  { group }: Tally,
  what: DatedChange['what'],
  [cell, n]: DatedChange['cells'][number],
  per: number,
): Wrong | null {
  if (layout.cells[cell] === undefined)
    return { kind: 'noCell', values: { cells: layout.cells.length, cell: cell + 1 } }
  const name = capital(cellName(layout, cell))
  if (layout.cells[cell] !== group.code)
    return { kind: 'cellOfOther', values: { cell: name, group: group.name } }
  const now = at(cells, cell)
  const standing = standingIn(now)
  if (what === 'up' && n > now.sown * per)
    return now.sown === 0
      ? { kind: 'cellNotSown', values: { cell: name } }
      : { kind: 'cellMoreUp', values: { cell: name, n, sown: now.sown } }
  if (what === 'up' && standing - now.up + n < 0)
    return { kind: 'cellFewerUp', values: { cell: name, gone: now.thinned + now.lost + now.moved, n } }
  if (what in LEAVING && n > standing)
    return { kind: 'cellMoreLeave', values: { cell: name, there: standing, n } }
  return null
}

function wrongWith(
  layout: Layout,
  cells: readonly Counts[],
  tally: Tally,
  { what, cells: told, count }: DatedChange,
  seedlings: (cropId: string) => number,
): Wrong | null {
  const { group } = tally
  const per = seedlings(group.cropId)
  const sum = sumUp(layout, cells, tally)
  const gone = sum.thinned + sum.lost + sum.moved
  for (const one of told) {
    const wrong = wrongInCell(layout, cells, tally, what, one, per)
    if (wrong) return wrong
  }
  if (sum.cells === 0) return { kind: 'groupNoCells', values: { group: group.name } }
  if (what === 'up') {
    if (count !== null && count > sum.sown * per)
      return sum.sown === 0
        ? { kind: 'groupNotSown', values: { group: group.name } }
        : { kind: 'moreUp', values: { n: count, sown: sum.sown } }
    if (upAfter(layout, cells, tally, told, count) + sum.set < gone)
      return { kind: 'fewerUp', values: { gone, group: group.name } }
  }
  const leave = (count ?? 0) + told.reduce((all, [, n]) => all + n, 0)
  if (what in LEAVING && leave > sum.standing)
    return { kind: 'moreLeave', values: { there: sum.standing, group: group.name, n: leave } }
  return null
}

/** Plants up in a group once these are counted. */
function upAfter(
  layout: Layout,
  cells: readonly Counts[],
  { group, loose }: Tally,
  told: DatedChange['cells'],
  count: number | null,
): number {
  const now = new Map(told)
  const byCell = cellsOf(layout, group.code).reduce(
    (all, cell) => all + (now.get(cell) ?? at(cells, cell).up),
    0,
  )
  return Math.max(count ?? loose.up, byCell)
}

function apply(
  layout: Layout,
  cells: Counts[],
  { loose, days }: Tally,
  { what, group, cells: told, count, on }: DatedChange,
) {
  const key = what in LEAVING ? LEAVING[what as keyof typeof LEAVING] : (what as 'sown' | 'up' | 'set')
  for (const [cell, n] of told)
    if (key === 'up') at(cells, cell).up = n
    else at(cells, cell)[key] += n
  if (count !== null)
    if (key === 'up') loose.up = count
    else loose[key] += count
  if (what === 'sown') {
    days.sownOn ??= on
    if (days.countedOn !== null) for (const [cell, n] of told) at(cells, cell).again += n
  }
  if (what === 'set') days.setOn ??= on
  if (what === 'up') {
    days.countedOn = on
    const looked = count === null ? told.map(([cell]) => cell) : cellsOf(layout, group)
    for (const cell of looked) at(cells, cell).again = 0
    if (count || told.some(([, n]) => n > 0)) days.firstUpOn ??= on
  }
}

function sumUp(layout: Layout, cells: readonly Counts[], { group, loose, days }: Tally): GroupStands {
  const own = cellsOf(layout, group.code)
  const sum = (key: keyof Cell) => own.reduce((all, cell) => all + at(cells, cell)[key], 0)
  const [set, thinned, lost, moved] = (['set', 'thinned', 'lost', 'moved'] as const).map(
    (key) => sum(key) + loose[key],
  ) as [number, number, number, number]
  // Plants do not go back into the ground: cells that were tapped after a count are among those counted.
  const up = Math.max(loose.up, sum('up'))
  const upCells = own.filter((cell) => at(cells, cell).up > 0).length
  return {
    group,
    cells: own.length,
    sownCells: own.filter((cell) => at(cells, cell).sown > 0).length,
    sown: sum('sown') + loose.sown,
    upCells: Math.min(own.length, Math.max(upCells, loose.up)),
    up,
    set,
    thinned,
    lost,
    moved,
    standing: up + set - thinned - lost - moved,
    ...days,
  }
}

/** What a cell shows. */
export type CellState =
  'empty' | 'reserved' | 'sown' | 'up' | 'doubled' | 'thinned' | 'lost' | 'moved' | 'blank'

/**
 * @param together several plants in a cell are meant to stay together
 * @param counted somebody counted the group: what is not up by then is blank
 */
export function cellState(
  cell: Cell,
  code: string,
  { together = false, counted = false }: { together?: boolean; counted?: boolean } = {},
): CellState {
  if (code === '') return 'empty'
  const standing = standingIn(cell)
  if (standing > 1 && !together) return 'doubled'
  if (standing > 0) return cell.thinned > 0 ? 'thinned' : 'up'
  if (cell.moved > 0) return 'moved'
  if (cell.lost > 0 || cell.thinned > 0) return 'lost'
  if (cell.sown > 0) return counted && cell.again === 0 ? 'blank' : 'sown'
  return 'reserved'
}

/** What a count says of the seed. */
export interface Germination {
  /** Cells with a plant of the cells sown; seedlings of the seeds where each is counted. */
  readonly up: number
  readonly of: number
  readonly counted: 'cells' | 'seeds'
  /** Share with its 95 % interval [Wilson 1927]. */
  readonly share: number
  readonly low: number
  readonly high: number
  /** Germination of one seed; null where the count cannot tell it. */
  readonly perSeed: number | null
}

/**
 * Germination by the count of a group.
 *
 * @param eachSeed each seedling is counted: one seed a cell, furrows, a broadcast field, clumps that are pulled apart
 * @returns null where nobody counted, or nothing is known to be sown
 */
export function germinationOf(stands: GroupStands, eachSeed: boolean): Germination | null {
  if (stands.countedOn === null || stands.sown === 0) return null
  const seeds = eachSeed || stands.sown === stands.sownCells
  // A cluster gives more than one seedling a seed: then every seed has come up at most.
  const of = seeds ? stands.sown : stands.sownCells
  const up = Math.min(of, seeds ? stands.up : stands.upCells)
  if (of === 0) return null
  const share = up / of
  const perCell = Math.max(1, Math.round(stands.sown / Math.max(1, stands.sownCells)))
  return {
    up,
    of,
    counted: seeds ? 'seeds' : 'cells',
    share,
    ...wilson(up, of),
    perSeed: seeds ? share : germinationSeen(share, perCell),
  }
}
