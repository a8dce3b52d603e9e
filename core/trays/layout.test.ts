import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { CONTAINERS } from '../containers/catalogue'
import { CROPS } from '../sowing/crops'
import { cellSizeFor } from './cell-size'
import {
  boundaries,
  cellName,
  cellsOf,
  codeAt,
  edgeAt,
  edges,
  fillRows,
  freeCells,
  freeCode,
  layoutProblems,
  merged,
  painted,
  usualGrid,
  type Layout,
  type Group,
} from './layout'
import { pressesFor } from './presses'
import { seedsLieApart, seedsToScatter } from './scatter'
import { given } from '../working/figure'
import { yours } from '../working/source'

const group = (code: string, cropId = code): Group => ({
  code,
  name: `${cropId} ${code}`,
  cropId,
  sowingId: null,
  stage: 0,
  packetId: null,
  seedsPerCell: 1,
})
const empty = (rows: number, columns: number): Layout => ({
  rows,
  columns,
  groups: [],
  cells: Array(rows * columns).fill(''),
})
const rowsOf = ({ cells, columns }: Layout) =>
  Array.from({ length: cells.length / columns }, (_, i) =>
    cells
      .slice(i * columns, (i + 1) * columns)
      .map((code) => code || '.')
      .join(''),
  )

describe('laying out a tray', () => {
  it('fills row by row, with an empty row between two kinds of one crop', () => {
    const laid = fillRows(empty(6, 4), [
      { group: group('A', 'basil'), cells: 6 },
      { group: group('B', 'basil'), cells: 4 },
      { group: group('C', 'chard'), cells: 2 },
    ])
    expect(rowsOf(laid)).toEqual(['AAAA', 'AA..', '....', 'BBBB', 'CC..', '....'])
    expect(boundaries(laid)).toEqual([])
  })
  it('marks the edge between them where there is no room for a row', () => {
    const laid = fillRows(empty(2, 4), [
      { group: group('A', 'basil'), cells: 5 },
      { group: group('B', 'basil'), cells: 3 },
    ])
    expect(rowsOf(laid)).toEqual(['AAAA', 'ABBB'])
    expect(boundaries(laid)).toEqual([
      { cell: 1, side: 'below' },
      { cell: 2, side: 'below' },
      { cell: 3, side: 'below' },
      { cell: 4, side: 'right' },
    ])
    expect(() => fillRows(laid, [{ group: group('D'), cells: 1 }])).toThrow('1 are wanted, 0 are free')
  })
  it('moves the edge between two groups, and leaves each a cell', () => {
    const laid = fillRows(empty(2, 6), [
      { group: group('A'), cells: 6 },
      { group: group('B'), cells: 6 },
    ])
    expect(edges(laid)).toEqual([{ first: 'A', second: 'B', until: 5 }])
    expect(rowsOf(edgeAt(laid, 'A', 'B', 8))).toEqual(['AAAAAA', 'AAABBB'])
    expect(rowsOf(edgeAt(laid, 'A', 'B', 400))).toEqual(['AAAAAA', 'AAAAAB'])
    expect(rowsOf(edgeAt(laid, 'A', 'B', -4))).toEqual(['ABBBBB', 'BBBBBB'])
  })
  it('never loses a cell, whatever is laid out', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 12 }),
        fc.integer({ min: 1, max: 12 }),
        fc.array(fc.tuple(fc.constantFrom('basil', 'chard'), fc.integer({ min: 1, max: 20 })), {
          maxLength: 6,
        }),
        (rows, columns, wishes) => {
          const wanted = wishes.map(([crop, cells], i) => ({ group: group(codeAt(i), crop), cells }))
          const sum = wanted.reduce((all, { cells }) => all + cells, 0)
          if (sum > rows * columns) return
          const laid = fillRows(empty(rows, columns), wanted)
          expect(freeCells(laid)).toBe(rows * columns - sum)
          for (const {
            group: { code },
            cells,
          } of wanted)
            expect(cellsOf(laid, code)).toHaveLength(cells)
        },
      ),
    )
  })
  it('joins what two hands changed, and names the cells both changed', () => {
    const base = fillRows(empty(2, 3), [{ group: group('A'), cells: 2 }])
    const mine = painted({ ...base, groups: [...base.groups, group('B')] }, [3, 4], 'B')
    const theirs = painted(base, [2, 4], 'A')
    const { layout, both } = merged(base, mine, theirs)!
    expect(rowsOf(layout)).toEqual(['AAA', 'BA.'])
    expect(both).toEqual([4])
    expect(merged(base, mine, empty(3, 3))).toBeNull()
  })
})

describe('a tray that cannot be', () => {
  const tray = { kind: 'tray', cells: 6, name: '6-cell tray' } as const
  const good = fillRows(empty(2, 3), [{ group: group('A'), cells: 2 }])
  it.each([
    [good, []],
    [{ ...good, columns: 4, cells: Array(8).fill('') }, ['columns']],
    [{ ...good, cells: good.cells.slice(1) }, ['cells']],
    [{ ...good, cells: ['Q', ...good.cells.slice(1)] }, ['cells']],
    [{ ...good, groups: [group('A'), group('A')] }, ['groups.1.code']],
    [{ ...good, groups: [{ ...group('A'), seedsPerCell: 0 }] }, ['groups.0.seedsPerCell']],
  ])('is told at its field (%#)', (layout, fields) => {
    expect(layoutProblems(layout as Layout, tray).map(({ path }) => path.join('.'))).toEqual(fields)
  })
  it('has a grid that gives its cells, for every tray of the catalogue', () => {
    for (const container of CONTAINERS.filter(({ kind }) => kind === 'tray')) {
      const { rows, columns } = usualGrid(container)
      expect([container.id, rows * columns]).toEqual([container.id, container.cells])
    }
  })
})

it('names groups and cells', () => {
  expect([codeAt(0), codeAt(25), codeAt(26), codeAt(51)]).toEqual(['A', 'Z', 'AA', 'AZ'])
  expect(freeCode([group('A'), group('C')])).toBe('B')
  expect([cellName({ columns: 12 }, 16), cellName({ columns: 1 }, 2)]).toEqual(['row 2, cell 5', 'row 3'])
})

it('knows which cell a seed wants', () => {
  const size = (crop: string, container: string) =>
    cellSizeFor(
      CROPS.find(({ id }) => id === crop)!,
      CONTAINERS.find(({ id }) => id === container)!,
    ).verdict
  expect(size('snapdragon', 'tray-288')).toBe('right')
  expect(size('pumpkin', 'tray-288')).toBe('small')
  expect(size('snapdragon', 'pot-10cm')).toBe('big')
})

it('scatters evenly', () => {
  // 28 × 54 cm at three seeds to 4 cm²; a hundred seeds on 100 cm² lie a centimetre apart.
  expect(seedsToScatter(given('Top', 1512, 'cm²', yours())).value).toBe(1134)
  expect(seedsLieApart(100, given('Top', 100, 'cm²', yours())).value).toBe(10)
})

it('counts the presses of the tool', () => {
  const shapeOf = (id: string) => CONTAINERS.find((one) => one.id === id)!.shape
  expect(pressesFor(30, shapeOf('block-2in')).value).toBe(8)
  expect(pressesFor(40, shapeOf('block-0.75in')).value).toBe(2)
})
