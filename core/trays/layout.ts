import { present } from '../present'
import { at as elementAt, first as firstOf } from '../numeric/at'
import { wholeWithin, type Problem, wrongAt } from '../problem'
import type { Container } from '../containers/container'
import { gridOf, type Grid } from './grid'

/** Cells of one crop and variety in a tray, sown or set on one occasion. */
export interface Group {
  /** `A`, `B` …: its name in this tray, on the drawing and on the key. */
  readonly code: string
  /** Crop and variety, as on the label. */
  readonly name: string
  readonly cropId: string
  /** The sowing it belongs to, and the stage of its schedule; null for what no plan knows. */
  readonly sowingId: string | null
  readonly stage: number
  readonly packetId: string | null
  readonly seedsPerCell: number
}

/** What a tray is to hold: for each cell, row by row from the marked corner, the code of its group; empty where none. */
export interface Layout extends Grid {
  readonly groups: readonly Group[]
  readonly cells: readonly string[]
}

/** How the hollows of a tray lie: cells, loose pots or blocks in a carrier, furrows, or a field that is scattered over. */
export type Surface = 'cells' | 'pots' | 'blocks' | 'furrows'

/**
 * @example surfaceOf({ kind: 'open tray' }) // 'furrows'
 */
export const surfaceOf = ({ kind }: Pick<Container, 'kind'>): Surface =>
  kind === 'tray' ? 'cells' : kind === 'block' ? 'blocks' : kind === 'pot' ? 'pots' : 'furrows'

/** Rows and columns a tray can have at most: the largest plug tray, and furrows to spare. */
export const MAX_ROWS = 40
export const MAX_COLUMNS = 60
export const MAX_GROUPS = 52

/** The grid a container has by itself; a carrier of loose pots or blocks holds as many as is said. */
export function usualGrid(container: Pick<Container, 'id' | 'kind' | 'cells'>): Grid {
  const surface = surfaceOf(container)
  if (surface === 'cells') return gridOf(container)
  // Six furrows in an open tray [common practice]; pots and blocks by what is said.
  return surface === 'furrows' ? { rows: 6, columns: 1 } : { rows: 3, columns: 5 }
}

/**
 * Packs of a few cells stand several together in a carrier.
 *
 * @example isPack({ kind: 'tray', cells: 6 }) // true
 */
export const isPack = ({ kind, cells }: Pick<Container, 'kind' | 'cells'>): boolean =>
  kind === 'tray' && cells <= 12

/**
 * The grid of so many plants in a kind of container: packs side by side in a carrier, pots and blocks in rows, one tray of
 * cells.
 *
 * @param count cells wanted, 1 or more
 * @example gridFor({ id: 'x', kind: 'pot', cells: 1 }, 18) // ({ rows: 3, columns: 6 })
 */
export function gridFor(container: Pick<Container, 'id' | 'kind' | 'cells'>, count: number): Grid {
  const surface = surfaceOf(container)
  if (surface === 'furrows' || (surface === 'cells' && !isPack(container))) return usualGrid(container)
  const one = surface === 'cells' ? gridOf(container) : { rows: 1, columns: 1 }
  const packs = Math.ceil(count / (one.rows * one.columns))
  // About half as deep as it is long, like a flat; a few stay empty rather than one standing out.
  const deep = Math.max(1, Math.round(Math.sqrt(packs / 2)))
  return { rows: one.rows * deep, columns: one.columns * Math.ceil(packs / deep) }
}

/**
 * `A` … `Z`, `AA` …: the n-th code, from 0.
 *
 * @example codeAt(26) // 'AA'
 */
export const codeAt = (n: number): string =>
  n < 26 ? String.fromCharCode(65 + n) : codeAt(Math.floor(n / 26) - 1) + codeAt(n % 26)

/**
 * The next code nobody has.
 *
 * @example freeCode([{ code: 'A' }]) // 'B'
 */
export function freeCode(groups: readonly Pick<Group, 'code'>[]): string {
  const taken = new Set(groups.map(({ code }) => code))
  let n = 0
  while (taken.has(codeAt(n))) n++
  return codeAt(n)
}

/**
 * `row 2, cell 5`, counted from the marked corner.
 *
 * @example cellName({ columns: 12 }, 16) // 'row 2, cell 5'
 */
export const cellName = ({ columns }: Pick<Grid, 'columns'>, cell: number): string =>
  columns === 1 ? `row ${cell + 1}` : `row ${Math.floor(cell / columns) + 1}, cell ${(cell % columns) + 1}`

/** What is wrong with a layout, each at its field. */
export function layoutProblems(
  layout: Layout,
  container: Pick<Container, 'kind' | 'cells' | 'name'>,
): Problem[] {
  const { rows, columns, groups, cells } = layout
  const codes = groups.map(({ code }) => code)
  const size = rows * columns
  return [
    ...wholeWithin(['rows'], rows, 1, MAX_ROWS),
    ...wholeWithin(['columns'], columns, 1, MAX_COLUMNS),
    ...(container.kind === 'tray' && (size === 0 || size % container.cells !== 0)
      ? [
          wrongAt(['columns'], 'otherGrid', {
            rows,
            columns,
            size,
            container: container.name,
            cells: container.cells,
          }),
        ]
      : []),
    ...(cells.length === size ? [] : [wrongAt(['cells'], 'cellsMissing', { size, laidOut: cells.length })]),
    ...codes.flatMap((code, i) =>
      codes.indexOf(code) === i ? [] : [wrongAt(['groups', i, 'code'], 'groupTwice', { code })],
    ),
    ...[...new Set(cells)]
      .filter((code) => code !== '' && !codes.includes(code))
      .map((code) => wrongAt(['cells'], 'noGroup', { code })),
    ...groups.flatMap((group, i) =>
      wholeWithin(['groups', i, 'seedsPerCell'], group.seedsPerCell, 1, MAX_SEEDS),
    ),
  ]
}
/** A broadcast tray of dust-like seed takes thousands. */
export const MAX_SEEDS = 20_000

/**
 * Cells of a group, in the order of the tray.
 *
 * @example cellsOf({ cells: ['A', '', 'A'] }, 'A') // [0, 2]
 */
export const cellsOf = ({ cells }: Pick<Layout, 'cells'>, code: string): number[] =>
  cells.flatMap((one, cell) => (one === code ? [cell] : []))

/**
 * @example freeCells({ cells: ['A', '', 'A'] }) // 1
 */
export const freeCells = (layout: Pick<Layout, 'cells'>): number => cellsOf(layout, '').length

/**
 * The layout with these cells given to a group; `''` frees them.
 *
 * @example painted({ cells: ['A', ''] }, [1], 'B').cells // ['A', 'B']
 */
export function painted(layout: Layout, cells: Iterable<number>, code: string): Layout {
  const next = [...layout.cells]
  for (const cell of cells) next[cell] = code
  return { ...layout, cells: next }
}

/**
 * Groups laid out row by row behind what is there already. Two of one crop are easily taken for each other: an empty row
 * is left between them where there is room for it; else the edge between them is marked in the tray.
 *
 * @param wanted groups with how many cells each takes
 * @throws RangeError where there are not as many free cells
 */
export function fillRows(
  layout: Layout,
  wanted: readonly { readonly group: Group; readonly cells: number }[],
): Layout {
  const count = wanted.reduce((sum, { cells }) => sum + cells, 0)
  const free = freeCells(layout)
  if (count > free) throw new RangeError(`cells: ${count} are wanted, ${free} are free`)
  const apart = withRows(layout, wanted, true)
  return apart ?? present(withRows(layout, wanted, false))
}

/** null where they do not fit with empty rows between look-alikes. */
function withRows(
  layout: Layout,
  wanted: readonly { readonly group: Group; readonly cells: number }[],
  emptyRows: boolean,
): Layout | null {
  const { columns } = layout
  const cells = [...layout.cells]
  const groups = [...layout.groups]
  const cropOf = (code: string) => groups.find((group) => group.code === code)?.cropId
  let at = emptyRows ? cells.findLastIndex((code) => code !== '') + 1 : 0
  for (const { group, cells: count } of wanted) {
    const before = cells[at - 1]
    if (emptyRows && at > 0 && before && cropOf(before) === group.cropId && columns > 1)
      at = (Math.ceil(at / columns) + 1) * columns
    groups.push(group)
    for (let left = count; left > 0; at++) {
      if (at >= cells.length) return null
      if (cells[at] !== '') continue
      cells[at] = group.code
      left--
    }
  }
  return { ...layout, groups, cells }
}

/**
 * The edge between two groups that follow each other moved to a cell: what lies before it belongs to the first, what lies
 * behind to the second. Each keeps a cell at least.
 *
 * @param until last cell of the first run
 */
export function edgeAt(layout: Layout, first: string, second: string, until: number): Layout {
  const both = layout.cells.flatMap((code, cell) => (code === first || code === second ? [cell] : []))
  const last = Math.min(Math.max(until, firstOf(both)), present(both.at(-2)))
  const next = [...layout.cells]
  for (const cell of both) next[cell] = cell <= last ? first : second
  return { ...layout, cells: next }
}

/**
 * Pairs of groups whose cells follow each other row by row, with the last cell of the first.
 *
 * @example edges({ cells: ['A', 'A', 'B'] }) // [{ first: 'A', second: 'B', until: 1 }]
 */
export function edges({ cells }: Pick<Layout, 'cells'>): { first: string; second: string; until: number }[] {
  const found: { first: string; second: string; until: number }[] = []
  let last = ''
  let at = -1
  cells.forEach((code, cell) => {
    if (code === '') return
    if (last && code !== last) found.push({ first: last, second: code, until: at })
    last = code
    at = cell
  })
  // Groups that lie across each other have no one edge.
  const whole = (code: string) => {
    const own = found.filter(({ first }) => first === code)
    return own.length <= 1 && found.filter(({ second }) => second === code).length <= 1
  }
  return found.filter(({ first, second }) => whole(first) && whole(second))
}

/** Whether two groups are easily taken for each other: one crop, two kinds. */
export const lookAlike = (one: Group, other: Group): boolean =>
  one.cropId === other.cropId && one.name !== other.name

/** Neighbouring cells of look-alikes: the boundary between them is marked in the tray. */
export function boundaries(layout: Layout): { readonly cell: number; readonly side: 'right' | 'below' }[] {
  const byCode = new Map(layout.groups.map((group) => [group.code, group]))
  const alike = (a: string | undefined, b: string | undefined) => {
    const [one, other] = [byCode.get(a ?? ''), byCode.get(b ?? '')]
    return one && other ? lookAlike(one, other) : false
  }
  const { cells, columns } = layout
  return cells.flatMap((code, cell) => [
    ...((cell + 1) % columns !== 0 && alike(code, cells[cell + 1]) ? [{ cell, side: 'right' as const }] : []),
    ...(alike(code, cells[cell + columns]) ? [{ cell, side: 'below' as const }] : []),
  ])
}

/**
 * Two hands at one layout: what each changed of the cells and groups they both began from. Where both changed one cell,
 * the other's stands and is named.
 */
export function merged(
  base: Layout,
  mine: Layout,
  theirs: Layout,
): { readonly layout: Layout; readonly both: readonly number[] } | null {
  if (mine.rows !== theirs.rows || mine.columns !== theirs.columns || base.cells.length !== mine.cells.length)
    return null
  const both: number[] = []
  const groups = [...theirs.groups]
  for (const group of mine.groups) {
    const at = groups.findIndex(({ code }) => code === group.code)
    const was = base.groups.find(({ code }) => code === group.code)
    if (at < 0) groups.push(group)
    // Both began a group under one code.
    else if (!was && JSON.stringify(groups[at]) !== JSON.stringify(group)) return null
  }
  const cells = theirs.cells.map((their, cell) => {
    const [own, was] = [elementAt(mine.cells, cell), elementAt(base.cells, cell)]
    if (own === was || own === their) return their
    if (their === was) return own
    both.push(cell)
    return their
  })
  return { layout: { ...theirs, groups, cells }, both }
}
