import { describe, expect, it } from '@jest/globals'
import { dayFrom } from '../calendar/day'
import { CONTAINERS } from '../containers/catalogue'
import { cellVolume } from '../containers/container'
import { cellSizeFor } from './cell-size'
import { movedEven, totalOf, type ChangeKind, type DatedChange } from './change'
import { drawLabel } from './label'
import { labelSpots, onPlainPaper, sheetProblems, type LabelSheet } from './label-sheet'
import {
  boundaries,
  codeAt,
  edgeAt,
  edges,
  fillRows,
  freeCode,
  gridFor,
  isPack,
  layoutProblems,
  lookAlike,
  merged,
  painted,
  surfaceOf,
  usualGrid,
  MAX_COLUMNS,
  MAX_ROWS,
  MAX_SEEDS,
  type Group,
  type Layout,
} from './layout'
import { cellState, germinationOf, standsAfter, type Cell } from './standing'

/* What is allowed, told and drawn of trays, on both sides of each edge. */

const group = (code: string, cropId = 'leek', name = `${cropId} ${code}`): Group => ({
  ...{ code, name, cropId, sowingId: null, stage: 0, packetId: null, seedsPerCell: 1 },
})
/** A layout as it is read: a line a row, a letter a cell, `.` where it is free. */
const layoutOf = (rows: string[], groups: Group[]): Layout => ({
  rows: rows.length,
  columns: rows[0]!.length,
  groups,
  cells: rows.flatMap((row) => [...row].map((code) => (code === '.' ? '' : code))),
})
const rowsOf = ({ cells, columns }: Layout) =>
  Array.from({ length: cells.length / columns }, (_, i) =>
    cells
      .slice(i * columns, (i + 1) * columns)
      .map((code) => code || '.')
      .join(''),
  )
const [A, B, C] = [group('A'), group('B'), group('C', 'beet')]

describe('a layout', () => {
  const tray = { kind: 'tray', cells: 6, name: 'tray of 6' } as const
  const problems = (
    layout: Partial<Layout>,
    container: { kind: 'tray' | 'pot'; cells: number; name: string } = tray,
  ) =>
    layoutProblems({ ...layoutOf(['...', '...'], []), ...layout }, container).map(({ path }) =>
      path.join('.'),
    )
  const grid = (rows: number, columns: number) => ({
    rows,
    columns,
    cells: Array<string>(rows * columns).fill(''),
  })
  it('has 1 to 40 whole rows of 1 to 60 whole cells', () => {
    const pots = { kind: 'pot', cells: 1, name: 'pot' } as const
    expect([problems(grid(MAX_ROWS, 1), pots), problems(grid(1, MAX_COLUMNS), pots)]).toEqual([[], []])
    expect(problems(grid(MAX_ROWS + 1, 1), pots)).toEqual(['rows'])
    expect(problems(grid(1, MAX_COLUMNS + 1), pots)).toEqual(['columns'])
    expect(problems({ rows: 0, columns: 3, cells: [] }, pots)).toEqual(['rows'])
    expect(problems({ rows: 1.5, columns: 2, cells: Array(3).fill('') }, pots)).toEqual(['rows'])
  })
  it('of a tray is one or several of its kind', () => {
    expect([problems(grid(2, 3)), problems(grid(4, 3)), problems(grid(6, 2))]).toEqual([[], [], []])
    expect([problems(grid(2, 4)), problems(grid(1, 3))]).toEqual([['columns'], ['columns']])
    expect(problems({ rows: 0, columns: 3, cells: [] })).toEqual(['rows', 'columns'])
  })
  it('gives each group a name of its own, a cell of its own name, and 1 to 20 000 seeds a cell', () => {
    expect(problems({ groups: [A, B, { ...C, code: 'A' }] })).toEqual(['groups.2.code'])
    expect(problems({ cells: ['A', 'A', 'Q', 'Q', '', ''], groups: [A] })).toEqual(['cells'])
    const seeds = (seedsPerCell: number) => problems({ groups: [{ ...A, seedsPerCell }] })
    expect([seeds(1), seeds(MAX_SEEDS)]).toEqual([[], []])
    expect([seeds(0), seeds(MAX_SEEDS + 1), seeds(1.5)]).toEqual(Array(3).fill(['groups.0.seedsPerCell']))
  })
  it('has hollows by the kind of its container', () => {
    expect((['tray', 'block', 'pot', 'open tray'] as const).map((kind) => surfaceOf({ kind }))).toEqual([
      'cells',
      'blocks',
      'pots',
      'furrows',
    ])
    const of = (kind: 'tray' | 'block' | 'pot' | 'open tray', cells = 6) => ({ id: 'x', kind, cells })
    expect([usualGrid(of('open tray', 1)), usualGrid(of('pot', 1)), usualGrid(of('block', 1))]).toEqual([
      { rows: 6, columns: 1 },
      { rows: 3, columns: 5 },
      { rows: 3, columns: 5 },
    ])
    expect([isPack(of('tray', 12)), isPack(of('tray', 13)), isPack(of('pot', 1))]).toEqual([
      true,
      false,
      false,
    ])
  })
  it('for so many plants is twice as long as deep, and holds them all', () => {
    const pot = { id: 'x', kind: 'pot', cells: 1 } as const
    for (let count = 1; count <= 80; count++) {
      const { rows, columns } = gridFor(pot, count)
      expect(rows * columns).toBeGreaterThanOrEqual(count)
      expect((rows - 1) * columns).toBeLessThan(count + columns)
    }
    expect([gridFor(pot, 1), gridFor(pot, 8), gridFor(pot, 18), gridFor(pot, 32)]).toEqual([
      { rows: 1, columns: 1 },
      { rows: 2, columns: 4 },
      { rows: 3, columns: 6 },
      { rows: 4, columns: 8 },
    ])
    const pack = CONTAINERS.find((one) => one.kind === 'tray' && one.cells === 6)!
    const six = usualGrid(pack)
    expect(gridFor(pack, 12)).toEqual({ rows: six.rows, columns: six.columns * 2 })
    const flat = CONTAINERS.find((one) => one.kind === 'tray' && one.cells > 12)!
    expect(gridFor(flat, 1)).toEqual(usualGrid(flat))
    expect(gridFor({ id: 'x', kind: 'open tray', cells: 1 }, 500)).toEqual({ rows: 6, columns: 1 })
  })
  it('takes the next free letter', () => {
    expect([codeAt(26), codeAt(27), codeAt(701), codeAt(702)]).toEqual(['AA', 'AB', 'ZZ', 'AAA'])
    expect([freeCode([]), freeCode([A, B]), freeCode([B])]).toEqual(['A', 'C', 'A'])
  })
})

describe('groups that are laid out', () => {
  it('go behind what is there, an empty row after one of their own crop, none after another', () => {
    const there = layoutOf(['A...', '....', '....', '....'], [A])
    expect(rowsOf(fillRows(there, [{ group: B, cells: 2 }]))).toEqual(['A...', '....', 'BB..', '....'])
    expect(rowsOf(fillRows(there, [{ group: C, cells: 2 }]))).toEqual(['ACC.', '....', '....', '....'])
    const fullRow = layoutOf(['AAAA', '....', '....'], [A])
    expect(rowsOf(fillRows(fullRow, [{ group: B, cells: 2 }]))).toEqual(['AAAA', '....', 'BB..'])
    const holes = layoutOf(['.A..', '....', '....', '....'], [A])
    expect(rowsOf(fillRows(holes, [{ group: B, cells: 1 }]))).toEqual(['.A..', '....', 'B...', '....'])
  })
  it('fill every gap where there is no room for empty rows, and are refused where there are too few', () => {
    const there = layoutOf(['.A.', '...'], [A])
    expect(rowsOf(fillRows(there, [{ group: B, cells: 5 }]))).toEqual(['BAB', 'BBB'])
    expect(() => fillRows(there, [{ group: B, cells: 6 }])).toThrow('6 are wanted, 5 are free')
  })
  it('in one column follow each other', () => {
    const furrows = layoutOf(['A', '.', '.'], [A])
    expect(rowsOf(fillRows(furrows, [{ group: B, cells: 1 }]))).toEqual(['A', 'B', '.'])
  })
  it('have one edge where they lie one behind the other, and none where they lie across', () => {
    expect(edges(layoutOf(['AAB', 'BCC'], [A, B, C]))).toEqual([
      { first: 'A', second: 'B', until: 1 },
      { first: 'B', second: 'C', until: 3 },
    ])
    expect(edges(layoutOf(['AA.', '.BB'], [A, B]))).toEqual([{ first: 'A', second: 'B', until: 1 }])
    expect(edges(layoutOf(['ABA', 'BCC'], [A, B, C]))).toEqual([])
    // A has two edges of its own: the one to C counts for neither, that of C to B does.
    expect(edges(layoutOf(['ABA', 'CC.'], [A, B, C]))).toEqual([])
    expect(edges(layoutOf(['ABC', 'B..'], [A, B, C]))).toEqual([])
  })
  it('keep a cell each, wherever their edge is dragged', () => {
    const both = layoutOf(['AAB', 'BC.'], [A, B, C])
    const dragged = (until: number) => rowsOf(edgeAt(both, 'A', 'B', until))
    expect([dragged(0), dragged(2), dragged(-5), dragged(99)]).toEqual([
      ['ABB', 'BC.'],
      ['AAA', 'BC.'],
      ['ABB', 'BC.'],
      ['AAA', 'BC.'],
    ])
  })
  it('look alike where they are two kinds of one crop; the boundary lies to the right and below, not round the corner', () => {
    expect([lookAlike(A, B), lookAlike(A, C), lookAlike(A, { ...B, name: A.name })]).toEqual([
      true,
      false,
      false,
    ])
    expect(boundaries(layoutOf(['AB', 'CA', 'BA'], [A, B, C]))).toEqual([
      { cell: 0, side: 'right' },
      { cell: 1, side: 'below' },
      { cell: 4, side: 'right' },
    ])
    expect(boundaries(layoutOf(['.A', 'B.'], [A, B]))).toEqual([])
  })
})

describe('two hands at one layout', () => {
  const base = layoutOf(['AA', '..'], [A])
  it('a group that both began under one code is not joined, one that both began alike is', () => {
    const mine = painted({ ...base, groups: [A, B] }, [2], 'B')
    const theirs = painted({ ...base, groups: [A, { ...C, code: 'B' }] }, [3], 'B')
    expect(merged(base, mine, theirs)).toBeNull()
    const same = painted({ ...base, groups: [A, B] }, [3], 'B')
    expect(rowsOf(merged(base, mine, same)!.layout)).toEqual(['AA', 'BB'])
    expect(merged(base, mine, same)!.layout.groups).toEqual([A, B])
  })
  it('another grid on either side is not joined', () => {
    expect(merged(base, base, { ...base, rows: 4, columns: 1 })).toBeNull()
    expect(merged(base, { ...base, rows: 1, columns: 4 }, base)).toBeNull()
    expect(merged(layoutOf(['A'], [A]), base, base)).toBeNull()
    expect(merged(base, base, base)).toEqual({ layout: base, both: [] })
  })
  it('that did the same did nothing twice', () => {
    const same = painted(base, [0], '')
    expect(merged(base, same, same)).toEqual({ layout: same, both: [] })
  })
})

describe('what a seed asks of its cell', () => {
  const pot = CONTAINERS.find(({ id }) => id === 'pot-10cm')!
  it.each([
    [2, 2.5, 60],
    [2.01, 6, 130],
    [9, 6, 130],
    [9.01, 20, 200],
    [15, 20, 200],
    [15.01, 40, 600],
  ])('sown %d mm deep: %d to %d mL', (depthMm, low, high) => {
    expect(cellSizeFor({ depthMm }, pot).wanted).toEqual([low, high])
  })
  it('is right on both edges', () => {
    for (const one of CONTAINERS)
      for (const depthMm of [1, 5, 12, 30]) {
        const { verdict, ml, wanted } = cellSizeFor({ depthMm }, one)
        expect(ml).toBe(cellVolume(one).value)
        expect(verdict).toBe(ml < wanted[0] ? 'small' : ml > wanted[1] ? 'big' : 'right')
      }
  })
})

describe('what is told of a tray', () => {
  const day = (n: number) => dayFrom(`2027-05-${String(n).padStart(2, '0')}`)
  const told = (
    what: ChangeKind,
    on: number,
    cells: [number, number][],
    count: number | null = null,
    code = 'A',
  ): DatedChange => ({ trayId: 't', group: code, what, cells, count, on: day(on), entryId: `${what}${on}` })
  const layout = layoutOf(['AAAA', 'CC..'], [A, C])
  const sown = told(
    'sown',
    1,
    [0, 1, 2, 3].map((cell) => [cell, 2]),
  )
  const stands = (...changes: DatedChange[]) => standsAfter(layout, [sown, ...changes])
  const messages = (...changes: DatedChange[]) =>
    stands(...changes).problems.map(({ wrong: { kind, values } }) =>
      [kind, ...Object.values(values ?? {})].join(' '),
    )

  it('counts what is in cells, or what was said of all of them', () => {
    expect(
      totalOf({
        cells: [
          [0, 2],
          [1, 3],
        ],
        count: null,
      }),
    ).toBe(5)
    expect(totalOf({ cells: [], count: 7 })).toBe(7)
    expect(totalOf({ cells: [[0, 2]], count: 0 })).toBe(0)
  })
  it('as many arrive as leave, where both are told', () => {
    const moved = told('moved', 3, [
      [0, 1],
      [1, 1],
    ])
    expect(movedEven([moved, told('set', 3, [[0, 2]])])).toBeNull()
    expect(movedEven([moved, told('set', 3, [[0, 3]])])).toEqual({ moved: 2, set: 3 })
    expect(movedEven([moved])).toBeNull()
    expect(movedEven([told('set', 3, [[0, 3]])])).toBeNull()
  })
  it('as many can be up as were sown, and not fewer than were taken out', () => {
    expect(messages(told('up', 5, [[0, 2]]))).toEqual([])
    expect(messages(told('up', 5, [[0, 3]]))).toEqual(['cellMoreUp Row 1, cell 1 3 2'])
    const up = told('up', 5, [
      [0, 2],
      [1, 1],
    ])
    const thinned = told('thinned', 6, [[0, 1]])
    const lost = told('lost', 7, [[0, 1]])
    expect(messages(up, thinned, lost, told('up', 8, [[0, 2]]))).toEqual([])
    expect(messages(up, thinned, lost, told('up', 8, [[0, 1]]))).toEqual(['cellFewerUp Row 1, cell 1 2 1'])
    expect(messages(up, told('given', 6, [[0, 1]]), thinned, told('up', 8, [[0, 1]]))).toEqual([
      'cellFewerUp Row 1, cell 1 2 1',
    ])
    expect(messages(told('up', 5, [], 3), told('lost', 6, [], 2), told('up', 7, [], 2))).toEqual([])
    expect(messages(told('up', 5, [], 3), told('lost', 6, [], 2), told('up', 7, [], 1))).toEqual([
      'fewerUp 2 leek A',
    ])
    expect(messages(told('up', 5, [], 8))).toEqual([])
    expect(messages(told('up', 5, [], 9))).toEqual(['moreUp 9 8'])
    expect(messages(told('up', 5, [], 1, 'C'))).toEqual(['groupNotSown beet C'])
  })
  it('as many leave as stand, in a cell and in all', () => {
    const up = told('up', 5, [
      [0, 1],
      [1, 1],
    ])
    expect(messages(up, told('out', 6, [[0, 1]]))).toEqual([])
    expect(messages(up, told('out', 6, [[0, 2]]))).toEqual(['cellMoreLeave Row 1, cell 1 1 2'])
    expect(messages(up, told('out', 6, [], 2))).toEqual([])
    expect(messages(up, told('out', 6, [], 3))).toEqual(['moreLeave 2 leek A 3'])
    expect(messages(told('up', 5, [[0, 1]]), told('out', 6, [], 2))).toEqual(['moreLeave 1 leek A 2'])
    expect(messages(up, told('lost', 6, [[0, 1]], 2))).toEqual(['moreLeave 2 leek A 3'])
  })
  it('what was counted without cells stands beside cells that were tapped, the larger of both', () => {
    const both = (count: number, tapped: number) =>
      stands(
        told('up', 5, [], count),
        told(
          'up',
          6,
          [0, 1, 2, 3].slice(0, tapped).map((c) => [c, 1]),
        ),
      )
    expect(both(3, 2).groups[0]).toMatchObject({ up: 3, upCells: 3, standing: 3 })
    expect(both(1, 4).groups[0]).toMatchObject({ up: 4, upCells: 4, standing: 4 })
    expect(both(0, 0).groups[0]).toMatchObject({ up: 0, firstUpOn: null, countedOn: day(6) })
  })
  it('keeps the first day of sowing, of coming up and of setting, and the last of counting', () => {
    const again = stands(
      told('up', 4, [], 0),
      told('sown', 5, [[0, 1]]),
      told('up', 6, [[0, 1]]),
      told('up', 7, [[1, 1]]),
      told('set', 3, [[4, 1]], null, 'C'),
      told('set', 8, [[5, 1]], null, 'C'),
    )
    expect(again.groups[0]).toMatchObject({ sownOn: day(1), firstUpOn: day(6), countedOn: day(7), sown: 9 })
    expect(again.groups[1]).toMatchObject({ setOn: day(3), set: 2, standing: 2, sownOn: null })
  })
  it('seed that was sown after a count waits for the next count of its cell', () => {
    const again = (...more: DatedChange[]) =>
      stands(
        told('up', 4, [], 0),
        told('sown', 5, [
          [0, 1],
          [1, 1],
        ]),
        ...more,
      ).cells.map((cell) => cell.again)
    expect(stands(told('sown', 2, [[0, 1]])).cells[0]!.again).toBe(0)
    expect(again().slice(0, 3)).toEqual([1, 1, 0])
    expect(again(told('up', 6, [[0, 0]])).slice(0, 2)).toEqual([0, 1])
    expect(again(told('up', 6, [], 1)).slice(0, 2)).toEqual([0, 0])
  })
  it('a cell shows what stands in it, else what became of it', () => {
    const of = (over: Partial<Cell>, how = {}) =>
      cellState({ sown: 0, up: 0, set: 0, thinned: 0, lost: 0, moved: 0, again: 0, ...over }, 'A', how)
    expect(cellState({ sown: 1, up: 1, set: 0, thinned: 0, lost: 0, moved: 0, again: 0 }, '')).toBe('empty')
    expect([of({}), of({ sown: 1 }), of({ sown: 1 }, { counted: true })]).toEqual([
      'reserved',
      'sown',
      'blank',
    ])
    expect(of({ sown: 2, again: 1 }, { counted: true })).toBe('sown')
    expect([of({ up: 1 }), of({ up: 2 }), of({ up: 2 }, { together: true })]).toEqual(['up', 'doubled', 'up'])
    expect([of({ up: 2, thinned: 1 }), of({ up: 1, thinned: 1 }), of({ up: 1, lost: 1 })]).toEqual([
      'thinned',
      'lost',
      'lost',
    ])
    expect([of({ up: 1, moved: 1 }), of({ up: 2, moved: 1, lost: 1 })]).toEqual(['moved', 'moved'])
  })
  it('germination is of seeds where each is counted, else of cells; a seed comes up once at the most', () => {
    const counted = (eachSeed: boolean, ...changes: DatedChange[]) =>
      germinationOf(stands(...changes).groups[0]!, eachSeed)
    const up = told('up', 5, [
      [0, 2],
      [1, 1],
    ])
    expect(counted(true, up)).toMatchObject({ up: 3, of: 8, counted: 'seeds', share: 3 / 8, perSeed: 3 / 8 })
    const cells = counted(false, up)!
    expect(cells).toMatchObject({ up: 2, of: 4, counted: 'cells', share: 0.5 })
    // Half the cells of two seeds each: 1 − (1 − p)² = 0.5.
    expect(1 - (1 - cells.perSeed!) ** 2).toBeCloseTo(0.5, 9)
    expect(counted(true)).toBeNull()
    const cluster = standsAfter(layout, [sown, told('up', 5, [[0, 9]])], () => 5)
    expect(germinationOf(cluster.groups[0]!, true)).toMatchObject({ up: 8, of: 8 })
  })
})

describe('a sheet of labels', () => {
  const sheet: LabelSheet = {
    ...{ pageWidthMm: 210, pageHeightMm: 297, labelWidthMm: 60, labelHeightMm: 40, columns: 3, rows: 6 },
    ...{ leftMm: 10, topMm: 12, gapXMm: 5, gapYMm: 4 },
  }
  const fields = (over: Partial<LabelSheet>) =>
    sheetProblems({ ...sheet, ...over }).map(({ path }) => path.join('.'))
  it('reaches to the edge of its paper and no further', () => {
    // 10 + 3 · 60 + 2 · 5 = 200 mm and 12 + 6 · 40 + 5 · 4 = 272 mm.
    expect([fields({ pageWidthMm: 200 }), fields({ pageHeightMm: 272 })]).toEqual([[], []])
    expect([fields({ pageWidthMm: 199.9 }), fields({ pageHeightMm: 271.9 })]).toEqual([['columns'], ['rows']])
  })
  it.each<[keyof LabelSheet, number, number]>([
    ['pageWidthMm', 50, 450],
    ['pageHeightMm', 50, 450],
    ['labelWidthMm', 20, 300],
    ['labelHeightMm', 8, 300],
    ['columns', 1, 20],
    ['rows', 1, 60],
    ['leftMm', 0, 200],
    ['topMm', 0, 200],
    ['gapXMm', 0, 50],
    ['gapYMm', 0, 50],
  ])('%s is %d to %d', (field, low, high) => {
    for (const value of [low, high])
      expect(fields({ [field]: value })).not.toContain(field === 'columns' || field === 'rows' ? '' : field)
    for (const value of [low - 0.1, high + 1]) expect(fields({ [field]: value })).toEqual([field])
  })
  it('lies row by row, a label and a gap from one to the next, on the next sheet when one is full', () => {
    const spots = labelSpots(sheet, 19)
    expect([spots[0], spots[1], spots[3], spots[17], spots[18]]).toEqual([
      { page: 0, x: 10, y: 12 },
      { page: 0, x: 75, y: 12 },
      { page: 0, x: 10, y: 56 },
      { page: 0, x: 140, y: 232 },
      { page: 1, x: 10, y: 12 },
    ])
    expect(labelSpots(sheet, 1, 2)).toEqual([spots[1]])
  })
  it('on plain paper holds as many as fit within a margin of a centimetre', () => {
    // 190 / 60 and 277 / 40; 195.9 / 60 and 259.4 / 40.
    expect(onPlainPaper('a4', 60, 40)).toMatchObject({
      columns: 3,
      rows: 6,
      leftMm: 15,
      topMm: 10,
      gapXMm: 0,
    })
    expect(onPlainPaper('letter', 60, 40)).toMatchObject({ columns: 3, rows: 6, pageHeightMm: 279.4 })
    expect(onPlainPaper('a4', 95, 19)).toMatchObject({ columns: 2, rows: 14 })
    expect(onPlainPaper('a4', 300, 300)).toMatchObject({ columns: 1, rows: 1 })
  })
})

describe('a label', () => {
  /** Every letter is half as wide as its type is high. */
  const measure = (text: string, sizeMm: number) => text.length * 0.5 * sizeMm
  const draw = (text: object, width = 90, height = 24) =>
    drawLabel(
      { large: 'Leek', middle: 'sown 3 May', small: [], address: null, ...text },
      width,
      height,
      measure,
    )
  it('has a code where there is an address and room for it: a third of its width, 11 to 22 mm', () => {
    expect(draw({}).qr).toBeNull()
    const { x, y, sizeMm } = draw({ address: 'x' }).qr!
    expect(x).toBeCloseTo(90 - 1.6 - 20.8, 9)
    expect([y, sizeMm].map((mm) => mm.toFixed(6))).toEqual(['1.600000', '20.800000'])
    expect(draw({ address: 'x' }, 90, 60).qr).toEqual({ x: 90 - 1.6 - 22, y: 19, sizeMm: 22 })
    expect(draw({ address: 'x' }, 40, 24).qr!.sizeMm).toBeCloseTo(13.6, 9)
    expect(draw({ address: 'x' }, 90, 14.3).qr!.sizeMm).toBeCloseTo(11.1, 9)
    expect(draw({ address: 'x' }, 90, 14.1).qr).toBeNull()
  })
  it('is set from its top, each line below the one before by 1.16 of its type, inside its padding', () => {
    const { lines } = draw({ small: ['tray 4', 'out 9 June'] })
    let y = 1.6
    for (const line of lines) {
      expect(line.x).toBe(1.6)
      expect(line.y).toBeCloseTo(y + 0.8 * line.sizeMm, 9)
      y += 1.16 * line.sizeMm
    }
    expect(y).toBeLessThanOrEqual(24 - 0.8 + 1e-9)
    expect(lines.map(({ text, bold }) => [text, bold])).toEqual([
      ['Leek', true],
      ['sown 3 May', false],
      ['tray 4 · out 9 June', false],
    ])
    // 20.8 mm inside its padding: the name two fifths of them, small words 0.16.
    expect(lines[0]!.sizeMm).toBeCloseTo(20.8 * 0.4, 9)
    expect(lines[2]!.sizeMm).toBeCloseTo(3.2, 9)
    expect(draw({ small: ['tray 4'] }, 90, 20).lines[2]!.sizeMm).toBeCloseTo(16.8 * 0.16, 9)
  })
  it('keeps small words readable, 7 pt at the least, and names those it has no room for', () => {
    const many = Array.from({ length: 12 }, (_, i) => `word ${i} of many`)
    const { lines, left } = draw({ small: many }, 60, 20)
    const small = lines.slice(2)
    expect(small.every(({ sizeMm }) => sizeMm >= (7 / 72) * 25.4)).toBe(true)
    expect(left.length).toBeGreaterThan(0)
    const shown = small.flatMap(({ text }) => text.split(' · '))
    expect([...shown, ...left].sort()).toEqual([...many].sort())
    for (const { text, sizeMm } of lines) expect(measure(text, sizeMm)).toBeLessThanOrEqual(60 - 3.2 + 1e-9)
  })
  it('without a day has its name and its small words', () => {
    expect(draw({ middle: '', small: ['tray 4'] }).lines.map(({ text }) => text)).toEqual(['Leek', 'tray 4'])
  })
  it('breaks a long name where its halves are most alike, when that makes it larger', () => {
    const long = draw({ large: 'Long season blue leek' }, 50, 30)
    expect(long.lines.slice(0, 2).map(({ text }) => text)).toEqual(['Long season', 'blue leek'])
    expect(draw({ large: 'Leek' }, 50, 30).lines[0]!.text).toBe('Leek')
  })
})
