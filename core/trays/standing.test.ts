import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { dayFrom } from '../calendar/day'
import { CHANGES, movedEven, totalOf, type ChangeKind, type DatedChange } from './change'
import { cellsOf, type Layout, type Group } from './layout'
import { stepsOf, waysFrom, waysTo } from './lineage'
import { cellState, germinationOf, standingIn, standsAfter } from './standing'

const group = (code: string, more: Partial<Group> = {}): Group => ({
  code,
  name: `Kind ${code}`,
  cropId: 'basil',
  sowingId: null,
  stage: 0,
  packetId: null,
  seedsPerCell: 1,
  ...more,
})
const day = (n: number) => dayFrom(`2027-04-${String(n).padStart(2, '0')}`)
let entry = 0
const change = (
  what: ChangeKind,
  code: string,
  on: number,
  cells: [number, number][],
  count: number | null = null,
) =>
  ({
    trayId: 't',
    group: code,
    what,
    cells,
    count,
    on: day(on),
    entryId: `e${entry++}`,
  }) satisfies DatedChange
const each = (cells: readonly number[], n: number) => cells.map((cell): [number, number] => [cell, n])

/** Six rows of six: A in the first four, B in the last two. */
const SIX: Layout = {
  rows: 6,
  columns: 6,
  groups: [group('A'), group('B', { cropId: 'beet', seedsPerCell: 2 })],
  cells: [...Array(24).fill('A'), ...Array(12).fill('B')],
}

describe('a tray as it stands', () => {
  it('follows a sowing from seed to the last plant moved', () => {
    const sown = change('sown', 'A', 1, each(cellsOf(SIX, 'A'), 2))
    const up = change('up', 'A', 9, [
      ...each([0, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12, 13, 14, 15, 16, 17], 1),
      [18, 2],
    ])
    const thinned = change('thinned', 'A', 12, [[18, 1]])
    const lost = change('lost', 'A', 13, [[0, 1]])
    const moved = change('moved', 'A', 20, each([1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12], 1))
    const { cells, groups, problems } = standsAfter(SIX, [sown, up, thinned, lost, moved])
    expect(problems).toEqual([])
    expect(groups[0]).toMatchObject({
      sown: 48,
      sownCells: 24,
      up: 20,
      upCells: 19,
      thinned: 1,
      lost: 1,
      moved: 12,
      standing: 6,
      sownOn: day(1),
      firstUpOn: day(9),
    })
    const state = (cell: number) => cellState(cells[cell]!, 'A', { counted: true })
    expect([0, 1, 13, 18, 20].map(state)).toEqual(['lost', 'moved', 'up', 'thinned', 'blank'])
    expect(cellState(standsAfter(SIX, [sown, up]).cells[18]!, 'A')).toBe('doubled')
  })

  it('takes a count without cells, and cells that are tapped later are among those counted', () => {
    const sown = change('sown', 'A', 1, each(cellsOf(SIX, 'A'), 1))
    const counted = change('up', 'A', 9, [], 18)
    expect(standsAfter(SIX, [sown, counted]).groups[0]).toMatchObject({ up: 18, upCells: 18, standing: 18 })
    const tapped = change('up', 'A', 10, each([0, 1, 2], 1))
    expect(standsAfter(SIX, [sown, counted, tapped]).groups[0]!.up).toBe(18)
  })

  it('says what cannot have happened, and leaves it out', () => {
    const sown = change('sown', 'A', 3, each(cellsOf(SIX, 'A'), 1))
    const said = (...more: DatedChange[]) =>
      standsAfter(SIX, [sown, ...more]).problems.map(({ wrong: { kind, values } }) =>
        [kind, ...Object.values(values ?? {})].join(' '),
      )
    expect(said(change('up', 'A', 9, [[0, 2]]))).toEqual(['cellMoreUp Row 1, cell 1 2 1'])
    expect(said(change('up', 'A', 9, [], 25))).toEqual(['moreUp 25 24'])
    // Dated before it was sown.
    expect(said(change('up', 'A', 2, [[0, 1]]))).toEqual(['cellNotSown Row 1, cell 1'])
    expect(said(change('moved', 'A', 9, [[0, 1]]))).toEqual(['cellMoreLeave Row 1, cell 1 0 1'])
    expect(said(change('up', 'A', 9, [], 5), change('lost', 'A', 10, [], 6))).toEqual([
      'moreLeave 5 Kind A 6',
    ])
    expect(said(change('up', 'A', 9, [[30, 1]]))).toEqual(['cellOfOther Row 6, cell 1 Kind A'])
    expect(said(change('up', 'Z', 9, [[0, 1]]))).toEqual(['noGroupHere Z'])
  })

  // Any order of anything, possible or not: plants are never made or lost but by what was written down.
  it('keeps its books whatever happens', () => {
    const anything = fc.record({
      what: fc.constantFrom(...CHANGES.filter((one) => one !== 'set'), 'set' as const),
      code: fc.constantFrom('A', 'B'),
      on: fc.integer({ min: 1, max: 28 }),
      cells: fc.uniqueArray(fc.tuple(fc.integer({ min: 0, max: 35 }), fc.integer({ min: 0, max: 4 })), {
        selector: ([cell]) => cell,
        maxLength: 8,
      }),
      count: fc.option(fc.integer({ min: 0, max: 20 })),
    })
    fc.assert(
      fc.property(fc.array(anything, { maxLength: 30 }), (list) => {
        const changes = list.map(({ what, code, on, cells, count }) => change(what, code, on, cells, count))
        const { cells, groups, problems } = standsAfter(SIX, changes, (cropId) => (cropId === 'beet' ? 3 : 1))
        const bad = new Set(problems.map((one) => one.change))
        const taken = changes.filter((one) => !bad.has(one))
        for (const one of groups) {
          const per = one.group.cropId === 'beet' ? 3 : 1
          const leaving: ChangeKind[] = ['thinned', 'lost', 'given', 'out', 'moved']
          const of = (...kinds: ChangeKind[]) =>
            taken
              .filter(({ what, group: code }) => code === one.group.code && kinds.includes(what))
              .reduce(
                (sum, { cells: told, count }) => sum + told.reduce((n, [, k]) => n + k, 0) + (count ?? 0),
                0,
              )
          expect(one.sown).toBe(of('sown'))
          expect(one.up).toBeLessThanOrEqual(one.sown * per)
          expect(one.thinned + one.lost + one.moved).toBe(of(...leaving))
          expect(one.standing).toBe(one.up + of('set') - of(...leaving))
          expect(one.standing).toBeGreaterThanOrEqual(0)
        }
        for (const cell of cells) expect(standingIn(cell)).toBeGreaterThanOrEqual(0)
        // Taking back what could not be changes nothing.
        expect(standsAfter(SIX, taken, (cropId) => (cropId === 'beet' ? 3 : 1)).groups).toEqual(groups)
      }),
    )
  })
})

describe('germination by the count', () => {
  const seen = (layout: Layout, seeds: number, up: number, eachSeed = false) => {
    const cells = cellsOf(layout, 'A')
    const { groups } = standsAfter(layout, [
      change('sown', 'A', 1, each(cells, seeds)),
      change('up', 'A', 9, each(cells.slice(0, up), 1)),
    ])
    return germinationOf(groups[0]!, eachSeed)!
  }
  it('has the interval of Wilson: 18 of 24 lie between 55 and 88 %', () => {
    const { share, low, high, perSeed } = seen(SIX, 1, 18)
    expect([share, perSeed]).toEqual([0.75, 0.75])
    expect(low).toBeCloseTo(0.551, 3)
    expect(high).toBeCloseTo(0.88, 3)
  })
  // 24 cells of two seeds with 18 occupied: 1 − √(1 − 0.75) = 0.5 a seed.
  it('tells the germination of one seed from cells that hold several', () => {
    expect(seen(SIX, 2, 18)).toMatchObject({ counted: 'cells', of: 24, up: 18 })
    expect(seen(SIX, 2, 18).perSeed).toBeCloseTo(0.5, 12)
    // Where all cells of two hold a plant, any germination may have done it.
    expect(seen(SIX, 2, 24).perSeed).toBeNull()
  })
  it('says nothing where nobody counted', () => {
    const { groups } = standsAfter(SIX, [change('sown', 'A', 1, [[0, 1]])])
    expect(germinationOf(groups[0]!, false)).toBeNull()
  })
})

describe('the way of plants', () => {
  const at = (trayId: string, code: string, what: 'moved' | 'set', n: number, entryId: string, on = 1) =>
    ({ trayId, group: code, what, cells: [], count: n, on: day(on), entryId }) satisfies DatedChange
  const changes = [
    at('plug', 'A', 'moved', 20, 'e1'),
    at('plug', 'B', 'moved', 10, 'e1'),
    at('six', 'A', 'set', 24, 'e1'),
    at('six', 'B', 'set', 6, 'e1'),
    at('six', 'A', 'moved', 5, 'e2', 9),
    at('pot', 'A', 'set', 5, 'e2', 9),
  ]
  it('leads from a pot back to the seed, and from the seed on to every pot', () => {
    const steps = stepsOf(changes)
    expect(
      waysTo(steps, { trayId: 'pot', group: 'A' }).map(({ from }) => `${from.trayId} ${from.group}`),
    ).toEqual(['six A', 'plug A', 'plug B'])
    expect(
      waysFrom(steps, { trayId: 'plug', group: 'B' }).map(({ to }) => `${to.trayId} ${to.group}`),
    ).toEqual(['six A', 'six B', 'pot A'])
  })
  it('shares out those that left together, and loses none', () => {
    const first = stepsOf(changes).filter(({ entryId }) => entryId === 'e1')
    expect(first.reduce((sum, { plants }) => sum + plants, 0)).toBe(30)
    expect(movedEven(changes.slice(0, 4))).toBeNull()
    expect(movedEven(changes.slice(0, 3))).toEqual({ moved: 30, set: 24 })
    expect(totalOf(changes[0]!)).toBe(20)
  })
})
