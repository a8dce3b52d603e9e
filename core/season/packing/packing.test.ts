import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { addDays, dayFrom } from '../../calendar/day'
import { shareTrays } from './sharing'
import { apart, packTrays, type FixedTray, type TrayShare } from './packing'
import { book, find, frame, row } from '../test/fixture'

const tray = find('tray-24')!
const share = (key: string, over: Partial<TrayShare> = {}): TrayShare => ({
  key,
  name: key,
  container: tray,
  recipeId: 'lean-and-light',
  sown: true,
  on: dayFrom('2027-03-04'),
  cells: 4,
  placeIds: 'shelf shelf ',
  mixC: 22,
  light: 'either',
  upDays: 6,
  ...over,
})
const traysOf = (shares: readonly TrayShare[]) =>
  [...packTrays(shares, 2).values()].reduce((sum, { trays }) => sum + trays, 0)

const anyShare = (key: string) =>
  fc
    .record({
      day: fc.integer({ min: 0, max: 6 }),
      cells: fc.integer({ min: 1, max: 40 }),
      mixC: fc.constantFrom(18, 20, 24),
      light: fc.constantFrom('wants light' as const, 'wants dark' as const, 'either' as const),
      upDays: fc.constantFrom(3, 6, 12, null),
      sown: fc.boolean(),
    })
    .map(({ day, ...more }) => share(key, { on: addDays(dayFrom('2027-03-01'), day), ...more }))
const some = (most: number) =>
  fc
    .integer({ min: 1, max: most })
    .chain((n) => fc.tuple(...Array.from({ length: n }, (_, i) => anyShare(`s${i}`))))

/** Fewest trays by trying every partition of what is left over of each. */
function byHand(shares: readonly TrayShare[]): number {
  let best = Infinity
  const groups: TrayShare[][] = []
  const rest = (one: TrayShare) => one.cells % 24
  const left = shares.filter((one) => rest(one) > 0)
  const go = (i: number) => {
    if (i === left.length) return void (best = Math.min(best, groups.length))
    const one = left[i]!
    for (const group of groups) {
      const used = group.reduce((sum, other) => sum + rest(other), 0)
      if (used + rest(one) > 24 || group.some((other) => other.sown !== one.sown || apart(one, other, 2)))
        continue
      group.push(one)
      go(i + 1)
      group.pop()
    }
    groups.push([one])
    go(i + 1)
    groups.pop()
  }
  go(0)
  return best + shares.reduce((sum, one) => sum + Math.floor(one.cells / 24), 0)
}

describe('trays are shared', () => {
  // By hand: five times four cells are twenty of twenty-four.
  it('five sowings of four cells are one 24-cell tray', () => {
    const five = ['a', 'b', 'c', 'd', 'e'].map((key) => share(key))
    expect(traysOf(five)).toBeCloseTo(1, 12)
    expect(packTrays(five, 2).get('c')!.sharesWith).toEqual(['a', 'b', 'd', 'e'])
  })

  it.each<[string, Partial<TrayShare>]>([
    ['another day', { on: dayFrom('2027-03-10') }],
    ['another warmth', { mixC: 28 }],
    ['another place', { placeIds: 'mat shelf ' }],
    ['light and dark', { light: 'wants dark' }],
    ['comes up at another time', { upDays: 18 }],
  ])('what does not agree is kept apart, and says why: %s', (why, over) => {
    const two = packTrays([share('a', { light: 'wants light' }), share('b', over)], 2)
    expect(two.get('a')!.trays + two.get('b')!.trays).toBe(2)
    expect(two.get('b')!.apart).toEqual({ name: 'a', why })
  })

  it('in as few trays as every way of sharing them has, for a few', () => {
    fc.assert(
      fc.property(some(6), (shares) => {
        expect(traysOf(shares)).toBeCloseTo(byHand(shares), 9)
      }),
      { numRuns: 150 },
    )
  })

  it('for many: every cell stands somewhere, no more trays than alone, no fewer than the cells fill; the same each time', () => {
    fc.assert(
      fc.property(some(40), (shares) => {
        const trays = traysOf(shares)
        const cells = shares.reduce((sum, one) => sum + one.cells, 0)
        expect(trays).toBeLessThanOrEqual(
          shares.reduce((sum, one) => sum + Math.ceil(one.cells / 24), 0) + 1e-9,
        )
        expect(trays).toBeGreaterThanOrEqual(cells / 24 - 1e-9)
        expect(Math.abs(trays - Math.round(trays))).toBeLessThan(1e-6)
        expect([...packTrays([...shares].reverse(), 2)].sort()).toEqual([...packTrays(shares, 2)].sort())
      }),
      { numRuns: 60 },
    )
  })

  it('mix and room are those of the tray, or of the cells in use, as the household fills', () => {
    const rows = ['tomato', 'tomatillo', 'cosmos'].map((cropId) =>
      row(cropId, cropId, { plants: 6, sowOn: dayFrom('2027-03-20'), scheduleId: 'cell' }),
    )
    const first = (fillHabit: 'tray' | 'sown') =>
      shareTrays(rows, { ...frame, fillHabit }, book).map(({ planned }) => planned.stages[0]!)
    const sum = (of: (stage: ReturnType<typeof first>[number]) => number, habit: 'tray' | 'sown') =>
      first(habit).reduce((total, stage) => total + of(stage), 0)
    const alone = rows[0]!.planned.stages[0]!
    const cells = rows.reduce((total, { planned }) => total + planned.cells, 0)
    expect(cells).toBeLessThan(72)
    // One tray, and the mix of one tray; or of as many cells as are sown.
    expect(sum(({ flats }) => flats, 'tray')).toBeCloseTo(alone.flats, 9)
    const uncovered = (litres: number) => litres / alone.looseL
    expect(uncovered(sum(({ looseL }) => looseL, 'tray'))).toBeGreaterThan(0.85)
    expect(uncovered(sum(({ looseL }) => looseL, 'tray'))).toBeLessThan(1.15)
    expect(sum(({ looseL }) => looseL, 'sown') / sum(({ looseL }) => looseL, 'tray')).toBeCloseTo(
      cells / 72,
      6,
    )
  })

  it('one that changes moves none but those it could share a tray with, or they with theirs', () => {
    fc.assert(
      fc.property(some(25), fc.nat(), fc.integer({ min: 1, max: 40 }), (shares, pick, cells) => {
        const index = pick % shares.length
        const changed = shares.map((one, i) => (i === index ? { ...one, cells } : one))
        // All that hang together with it by agreeing, before and after.
        const near = new Set([shares[index]!.key])
        for (const key of near)
          for (const other of shares) {
            const one = shares.find((each) => each.key === key)!
            if (other.sown === one.sown && apart(one, other, 2) === null) near.add(other.key)
          }
        const [before, after] = [packTrays(shares, 2), packTrays(changed, 2)]
        for (const { key } of shares.filter((one) => !near.has(one.key)))
          expect({ ...after.get(key), apart: null }).toEqual({ ...before.get(key), apart: null })
      }),
      { numRuns: 100 },
    )
  })
})

describe('trays that were laid out by hand', () => {
  // Of each sowing some cells stand in a tray already, whether or not they would have been put there.
  const fixedFor = (shares: readonly TrayShare[], held: readonly number[]): FixedTray[] => {
    const trays: FixedTray[] = []
    shares.forEach(({ key }, i) => {
      const cells = Math.min(held[i] ?? 0, 24)
      if (cells === 0) return
      trays.push({
        id: `tray of ${key}`,
        containerId: tray.id,
        holds: [{ key, cells }],
        free: 24 - cells,
        cells: 24,
        stands: [],
      })
    })
    return trays
  }
  it('stay as they are, and the rest is packed around them with no tray too full', () => {
    fc.assert(
      fc.property(some(6), fc.array(fc.integer({ min: 0, max: 30 }), { maxLength: 6 }), (shares, held) => {
        const fixed = fixedFor(shares, held)
        const placed = packTrays(shares, 2, fixed)
        const used = new Map<string, number>()
        for (const one of shares) {
          const own = placed.get(one.key)!
          const before = fixed.find(({ holds }) => holds[0]!.key === one.key)?.holds[0]!.cells ?? 0
          // Nothing is lost, and what stands in its own tray is there still.
          expect(own.in.reduce((sum, { cells }) => sum + cells, 0)).toBe(Math.max(one.cells, before))
          if (before) {
            const there = own.in.find(({ tray: id }) => id === `tray of ${one.key}`)!
            expect([there.fixed, there.cells >= before]).toEqual([true, true])
          }
          for (const { tray: id, cells } of own.in)
            used.set(`${id} ${one.sown}`, (used.get(`${id} ${one.sown}`) ?? 0) + cells)
        }
        for (const cells of used.values()) expect(cells).toBeLessThanOrEqual(24)
      }),
    )
  })
  it('are filled up first by what agrees, and by nothing else', () => {
    const shares = [share('a', { cells: 10 }), share('b', { cells: 8 }), share('c', { cells: 6, mixC: 30 })]
    const fixed: FixedTray[] = [
      { id: 't', containerId: tray.id, holds: [{ key: 'a', cells: 10 }], free: 14, cells: 24, stands: [] },
    ]
    const placed = packTrays(shares, 2, fixed)
    expect(placed.get('b')!.in).toEqual([{ tray: 't', cells: 8, fixed: true, stands: [] }])
    expect(placed.get('c')!.in.map(({ fixed: is }) => is)).toEqual([false])
  })
})
