import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { CROPS } from '../../sowing/crops'
import { addDays, dayFrom, daysBetween } from '../../calendar/day'
import {
  BATCH_WITHIN_DAYS,
  extentOf,
  feedDemands,
  loadOf,
  mixDemands,
  overflows,
  type SeasonLoad,
  type SeasonRow,
} from './demand'
import { scheduleById, SCHEDULES } from '../schedule/schedules'
import { frame, plan, row, lastFrost, SHELF } from '../test/fixture'

/** A season of up to eight sowings, of any crops on any schedules, sown over four months. */
const season = fc
  .array(
    fc.record({
      crop: fc.constantFrom(...CROPS),
      scheduleId: fc.constantFrom(...SCHEDULES.map(({ id }) => id)),
      plants: fc.integer({ min: 4, max: 300 }),
      day: fc.integer({ min: 0, max: 120 }),
    }),
    { minLength: 1, maxLength: 8 },
  )
  .map((list) =>
    list.map(({ crop, scheduleId, plants, day }, i) =>
      row(String(i), crop.id, { scheduleId, plants, sowOn: addDays(dayFrom('2027-01-15'), day) }),
    ),
  )

const sum = (list: readonly number[]) => list.reduce((a, b) => a + b, 0)

const filled = (rows: readonly SeasonRow[]) =>
  rows.flatMap(({ id, planned }) =>
    planned.stages.filter(({ recipeId }) => recipeId !== null).map((stage) => ({ ...stage, sowingId: id })),
  )

describe('batches of a season', () => {
  it('hold every filled stage exactly once, each with its own mix, within three days of its first', () => {
    fc.assert(
      fc.property(season, (rows) => {
        const demands = mixDemands(rows, frame)
        const all = filled(rows)
        expect(
          demands.flatMap(({ of }) => of.map(({ sowingId, stage }) => `${sowingId} ${stage}`)).sort(),
        ).toEqual(all.map(({ sowingId, index }) => `${sowingId} ${index}`).sort())
        for (const demand of demands) {
          const stages = demand.of.map((at) =>
            all.find(({ sowingId, index }) => sowingId === at.sowingId && index === at.stage)!,
          )
          expect(new Set(stages.map(({ recipeId }) => recipeId))).toEqual(new Set([demand.recipeId]))
          const after = stages.map(({ from }) => daysBetween(demand.on, from))
          expect([Math.min(...after), Math.max(...after) <= BATCH_WITHIN_DAYS]).toEqual([0, true])
          expect(demand.looseL).toBeCloseTo(sum(stages.map(({ looseL }) => looseL)), 9)
          // Trays and pots are counted together, and none is lost.
          expect(sum(demand.fills.map(({ count }) => count))).toBe(sum(stages.map(({ fill }) => fill.count)))
        }
      }),
      { numRuns: 60 },
    )
  })

  it('take as many goes at the tub as its stirrable part asks for, and not one more', () => {
    fc.assert(
      fc.property(season, fc.integer({ min: 2, max: 200 }), (rows, tubL) => {
        for (const { looseL, tubs } of mixDemands(rows, { tubL })) {
          // Mix fills at most 0.6 of a tub that is to be stirred (common practice).
          expect(tubs * tubL * 0.6).toBeGreaterThanOrEqual(looseL - 1e-6)
          expect(tubs === 1 || (tubs - 1) * tubL * 0.6 < looseL).toBe(true)
        }
      }),
      { numRuns: 60 },
    )
  })

  it('are the same in whatever order the sowings were written down', () => {
    fc.assert(
      fc.property(season, (rows) => {
        const said = (list: readonly SeasonRow[]) =>
          mixDemands(list, frame)
            .map(({ on, recipeId, looseL }) => `${on} ${recipeId} ${looseL.toFixed(6)}`)
            .sort()
        expect(said([...rows].reverse())).toEqual(said(rows))
      }),
      { numRuns: 40 },
    )
  })
})

describe('feeds of a season', () => {
  it('are carried in enough cans, lose no litre and stay within a day of the plants’ own days', () => {
    fc.assert(
      fc.property(season, fc.integer({ min: 1, max: 15 }), (rows, canL) => {
        const demands = feedDemands(rows, { canL })
        const own = rows.flatMap(({ feeding }) => feeding.feeds)
        expect(sum(demands.map(({ solutionL }) => solutionL))).toBeCloseTo(
          sum(own.map(({ solutionL }) => solutionL)),
          6,
        )
        for (const demand of demands) {
          expect(demand.cans).toBe(Math.max(1, Math.ceil(demand.solutionL / canL - 1e-9)))
          for (const { sowingId, stage } of demand.of) {
            const feeds = rows.find(({ id }) => id === sowingId)!.feeding.feeds
            expect(
              feeds.some(
                (one) =>
                  one.stage === stage &&
                  one.nMgPerL === demand.nMgPerL &&
                  daysBetween(demand.on, one.on) >= 0 &&
                  daysBetween(demand.on, one.on) <= 1,
              ),
            ).toBe(true)
          }
        }
      }),
      { numRuns: 60 },
    )
  })
})

describe('the shelf', () => {
  it('holds on each day what a count of every stage finds', () => {
    fc.assert(
      fc.property(season, fc.integer({ min: 0, max: 200 }), (rows, at) => {
        const from = dayFrom('2026-12-20')
        const load = loadOf(rows, from, 420)
        const day = addDays(from, at)
        const standing = rows.flatMap(({ planned }) =>
          planned.stages.filter((stage) => stage.from <= day && day < stage.until && stage.flats > 0),
        )
        expect(load.places.get('shelf')?.[at] ?? 0).toBeCloseTo(sum(standing.map(({ flats }) => flats)), 9)
      }),
      { numRuns: 60 },
    )
  })

  it('is drawn from before the first treatment to after the last day out', () => {
    fc.assert(
      fc.property(season, (rows) => {
        const { from, days } = extentOf(rows, frame, dayFrom('2027-01-01'))
        const until = addDays(from, days)
        for (const { planned } of rows) {
          expect(from < (planned.treatOn ?? planned.sowOn)).toBe(true)
          expect(planned.outOn < until).toBe(true)
        }
        expect(from < lastFrost && lastFrost < until).toBe(true)
      }),
      { numRuns: 40 },
    )
  })

  it('overflows on exactly the days that hold more, told as runs of days', () => {
    const flats = fc.array(fc.integer({ min: 0, max: 12 }), { minLength: 1, maxLength: 60 })
    fc.assert(
      fc.property(flats, fc.integer({ min: 0, max: 12 }), (list, shelf) => {
        const from = dayFrom('2027-02-20')
        const load: SeasonLoad = { from, days: list.length, places: new Map([['shelf', list]]) }
        const demands = overflows(load, [{ ...SHELF, flats: shelf }])
        list.forEach((n, i) => {
          const day = addDays(load.from, i)
          const inside = demands.filter(({ from, until }) => from <= day && day < until)
          expect([inside.length, inside.every(({ most }) => most >= n)]).toEqual([n > shelf ? 1 : 0, true])
        })
        for (const [i, { from, until, most }] of demands.entries()) {
          expect(list).toContain(most)
          // Runs that touch are one run.
          if (i > 0) expect(demands[i - 1]!.until < from).toBe(true)
          expect(until > from).toBe(true)
        }
      }),
    )
  })
})

describe('what a season asks for', () => {
  const rows = [row('a', 'tomato'), row('b', 'tomatillo'), row('c', 'basil'), row('d', 'pepper')]

  it('puts stages of one mix a few days apart into one batch, and loses no litre', () => {
    const demands = mixDemands(rows, frame)
    const all = rows.flatMap(({ planned }) => planned.stages).reduce((sum, { looseL }) => sum + looseL, 0)
    expect(demands.reduce((sum, { looseL }) => sum + looseL, 0)).toBeCloseTo(all, 9)
    for (const demand of demands) {
      expect(demand.soakOn).toBe(addDays(demand.on, -1))
      expect(demand.tubs * frame.tubL * 0.6).toBeGreaterThanOrEqual(demand.looseL - 1e-9)
    }
    const shared = demands.find(({ of }) => of.length > 1)
    expect(shared).toBeDefined()
  })

  it('feeds nobody before seed leaves are past, and adds feeds of one strength up', () => {
    for (const { planned, feeding } of rows)
      for (const { on, solutionL } of feeding.feeds) {
        expect(on > planned.emergeOn! && on < planned.outOn).toBe(true)
        expect(solutionL).toBeGreaterThan(0)
      }
    const demands = feedDemands(rows, frame)
    const sum = (list: readonly { solutionL: number }[]) =>
      list.reduce((all, { solutionL }) => all + solutionL, 0)
    expect(sum(demands)).toBeCloseTo(sum(rows.flatMap(({ feeding }) => feeding.feeds)), 9)
  })

  const tomato = plan('tomato')
  it('leaves feeds out while a rich mix still feeds them, and sees hunger where nobody feeds', () => {
    const filled = (recipeId: string, more: object = {}) => {
      const stages = scheduleById('cell-pot').stages
      const own = stages.map((one) => ({ ...one, ...more, recipeId: one.recipeId && recipeId }))
      return row('x', 'tomato', { stages: own }).feeding
    }
    const sterile = filled('boiled-coir')
    expect(sterile.feeds.length).toBeGreaterThan(0)
    expect(filled('farm-compost').feeds.length).toBeLessThan(sterile.feeds.length)
    const starved = filled('boiled-coir', { nMgPerL: 0 })
    expect([starved.feeds, starved.hungryOn! > tomato.emergeOn!]).toEqual([[], true])
  })

  it('counts flats day by day, and finds where they do not fit', () => {
    const load = loadOf(rows, dayFrom('2027-02-01'), 150)
    const flatDays = rows
      .flatMap(({ planned }) => planned.stages)
      .reduce((sum, { flats, from, until }) => sum + flats * daysBetween(from, until), 0)
    const flats = load.places.get('shelf')!
    expect(flats.reduce((a, b) => a + b, 0)).toBeCloseTo(flatDays, 6)
    const most = Math.max(...flats)
    expect(overflows(load, [{ ...SHELF, flats: most }])).toEqual([])
    const [over] = overflows(load, [{ ...SHELF, flats: most - 0.01 }])
    expect(over!.most).toBeCloseTo(most, 9)
  })
})
