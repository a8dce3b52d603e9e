import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { DateTime } from 'luxon'
import { planBatch } from '../media/batch'
import { DEFAULT_ALLOWANCES, plainBatch } from '../media/batch-request'
import { BUILT_IN } from '../media/materials'
import { CROPS } from '../sowing/crops'
import { binomialAtMost } from '../sowing/odds'
import { addDays, dayFrom, dayNumber, daysBetween, isDay, type Day } from './day'
import { feedRuns, loadOf, mixRuns, overflows } from './demand'
import { frameProblems } from './frame'
import { hardeningPlan } from './hardening'
import { ladderById, ladderProblems, LADDERS, rung } from './ladder'
import { dailyLight, heightFor, ppfdAt } from './light'
import { smallestShifts, type Standing } from './repair'
import { readDay, readSowing, successionDays } from './sentence'
import { simulateSeasons, VARIATION } from './simulate'
import {
  emergenceVerdict,
  LOSSES,
  planSowing,
  sowingProblems,
  type PlannedRung,
  type SowingRequest,
} from './sowing'
import { ask, book, crop, find, frame, partsOf, plan, row } from './test/fixture'
import { doneBySowing, jobsOf, type Mark, type TodayInput } from './today'

describe('days', () => {
  const zones = ['UTC', 'Pacific/Auckland', 'America/New_York', 'Europe/Berlin', 'America/St_Johns']

  it('add up as a date library adds them, in any zone and over daylight saving', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 2024, max: 2040 }),
        fc.integer({ min: 1, max: 366 }),
        fc.integer({ min: -800, max: 800 }),
        fc.constantFrom(...zones),
        (year, ordinal, days, zone) => {
          const start = DateTime.fromObject({ year, ordinal: Math.min(ordinal, 365) }, { zone })
          expect(addDays(dayFrom(start.toISODate()!), days)).toBe(start.plus({ days }).toISODate())
        },
      ),
    )
  })

  it('know leap days', () => {
    expect(addDays(dayFrom('2028-02-28'), 1)).toBe(dayFrom('2028-02-29'))
    expect(addDays(dayFrom('2027-02-28'), 1)).toBe(dayFrom('2027-03-01'))
    expect([isDay('2028-02-29'), isDay('2027-02-29'), isDay('2027-13-01'), isDay('May')]).toEqual([
      true,
      false,
      false,
      false,
    ])
    expect(() => dayNumber(dayFrom('2027-02-29'))).toThrow(/calendar day/)
  })
})

describe('a sowing in one sentence', () => {
  const read = (text: string) => readSowing(text, CROPS, dayFrom('2027-01-10'))

  it.each([
    ['48 good plants of sweet basil by 20 May', 48, 'basil', '2027-05-20'],
    ['12 tomatoes by May 20', 12, 'tomato', '2027-05-20'],
    ['1 200 snapdragons by 2027-04-30.', 1200, 'snapdragon', '2027-04-30'],
    ['60 chard', 60, 'chard', null],
    ['6 hot peppers by 1/6', 6, 'hot-pepper', '2027-06-01'],
    ['30 leeks by 9 January', 30, 'leek', '2028-01-09'],
    ['9 poppies by 29 February', 9, 'poppy', '2028-02-29'],
  ])('%s', (text, plants, cropId, outOn) => {
    expect(read(text)).toMatchObject({ ok: true, plants, cropId, outOn })
  })

  it('hears how often, and keeps the variety', () => {
    expect(read('40 lettuce by 1 May, 4 times every 2 weeks')).toMatchObject({
      ok: true,
      plants: 40,
      cropId: 'lettuce',
      times: 4,
      everyDays: 14,
    })
    expect(read('12 yellow pear tomato by 20 May')).toMatchObject({ variety: 'yellow pear tomato' })
  })

  it.each([
    ['', /Say it like/],
    ['basil by 20 May', /How many/],
    ['48 by 20 May', /Of what|no crop/],
    ['48 moon trees by 20 May', /no crop/],
    ['48 basil by 31 April 2027', /not a day/],
    ['48 basil by 29 February 2027', /not a day/],
  ])('says what it did not understand: %s', (text, message) => {
    const answer = read(text)
    expect(answer.ok ? '' : answer.message).toMatch(message)
  })

  it('reads days in several spellings, the next one from today', () => {
    for (const text of ['20 May', 'May 20th', '20.5.', '20/5', '2027-05-20'])
      expect(readDay(text, dayFrom('2027-01-10'))).toBe(dayFrom('2027-05-20'))
    expect(readDay('20 May', dayFrom('2027-05-21'))).toBe(dayFrom('2028-05-20'))
  })
})

describe('a planned sowing', () => {
  it('answers 48 basil by 20 May back from the day', () => {
    const planned = plan('basil', { outOn: dayFrom('2027-05-20') })
    expect(planned.outOn).toBe('2027-05-20')
    // 5–6 weeks before planting out: five and a half.
    expect(daysBetween(planned.sowOn, planned.outOn)).toBeGreaterThanOrEqual(35)
    expect(daysBetween(planned.sowOn, planned.outOn)).toBeLessThanOrEqual(42)
    // 4 seeds at 80 %, one in twenty lost, 95 % sure.
    expect(planned.chance.value).toBeCloseTo((1 - 0.2 ** 4) * 0.95, 10)
    expect(1 - binomialAtMost(47, planned.cells, planned.chance.value)).toBeGreaterThanOrEqual(0.95)
    expect(planned.seeds).toBe(planned.cells * 4)
  })

  it('has rungs without gaps from sowing to planting out, whatever crop, ladder and days', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...CROPS),
        fc.constantFrom(...LADDERS),
        fc.integer({ min: 1, max: 400 }),
        fc.option(fc.integer({ min: -40, max: 90 }), { nil: null }),
        (one, ladder, plants, shift) => {
          const outOn = shift === null ? null : addDays(frame.lastFrost, shift)
          const planned = planSowing(
            { ...ask('basil'), crop: one, plants, outOn, ladderId: ladder.id },
            frame,
            book,
          )
          const inside = planned.rungs.filter(({ stage }) => stage !== 'set in')
          expect(inside[0]!.from).toBe(planned.sowOn)
          inside.slice(1).forEach((next, i) => expect(next.from).toBe(inside[i]!.until))
          expect(inside.at(-1)!.until).toBe(planned.outOn)
          if (outOn) expect(planned.outOn).toBe(outOn)
          for (const each of inside) expect(each.from < each.until).toBe(true)
        },
      ),
      { numRuns: 300 },
    )
  })

  it('counts out days from the frost it depends on', () => {
    expect(plan('tomato').outOn).toBe(addDays(frame.lastFrost, 14))
    expect(plan('cabbage').outOn < frame.lastFrost).toBe(true)
    expect(plan('lettuce', { season: 'autumn' }).outOn).toBe(addDays(frame.firstFrost, -7 * 7))
    expect(plan('strawberry').treatOn).toBe(addDays(plan('strawberry').sowOn, -35))
  })

  it('moves what follows when something was done on another day', () => {
    const before = plan('tomato')
    const later = plan('tomato', { done: { 'rung-0': addDays(before.sowOn, 5) } })
    expect(later.outOn).toBe(addDays(before.outOn, 5))
    const slow = plan('tomato', { done: { 'rung-0': before.sowOn, up: addDays(before.emergeOn!, 4) } })
    expect(slow.rungs[1]!.from).toBe(addDays(before.rungs[1]!.from, 4))
    expect(plan('tomato', { done: { out: dayFrom('2027-05-30') } }).outOn).toBe(dayFrom('2027-05-30'))
  })

  it('pushes what follows when work is late, and says when it is too late for the day that was asked', () => {
    const before = plan('tomato')
    const today = addDays(before.sowOn, 6)
    const late = plan('tomato', { notBefore: today })
    expect([late.rungs[0]!.dueOn, late.sowOn]).toEqual([before.sowOn, today])
    expect(late.outOn).toBe(addDays(before.outOn, 6))
    const asked = plan('tomato', { outOn: before.outOn, notBefore: today })
    expect(asked.notices).toContainEqual({ kind: 'not ready by then', ready: late.outOn })
    // What is done stays where it was.
    const sown = plan('tomato', { notBefore: today, done: { 'rung-0': before.sowOn } })
    expect([sown.sowOn, sown.outOn]).toEqual([before.sowOn, before.outOn])
  })

  it('keeps days that were set on a rung, and both ends when both are given', () => {
    const rungs = ladderById('cell-pot').rungs.map((one, i) => (i === 1 ? { ...one, days: 30 } : one))
    const own = plan('tomato', { rungs })
    expect(daysBetween(own.rungs[1]!.from, own.rungs[1]!.until)).toBe(30)
    expect(own.outOn).toBe(plan('tomato').outOn)
    const both = plan('tomato', { sowOn: dayFrom('2027-03-01'), outOn: dayFrom('2027-05-22') })
    expect([both.sowOn, both.outOn]).toEqual(['2027-03-01', '2027-05-22'])
  })

  it('fills litres as the batch planner fills them', () => {
    const { rungs } = plan('tomato')
    for (const one of rungs.filter(({ recipeId }) => recipeId)) {
      const batch = planBatch({
        ...plainBatch(),
        parts: partsOf(one.recipeId!)!,
        fills: [one.fill],
        allowances: DEFAULT_ALLOWANCES,
        scoop: { name: 'cup', volumeL: 0.25 },
        materials: BUILT_IN,
      })
      expect(one.looseL).toBeCloseTo(batch.mixL.value, 9)
    }
  })

  it('knows that a flat of 72 becomes about two once potted on into 2½ in pots', () => {
    const pots = planSowing(ask('pepper', { plants: 68, ladderId: 'cell-pot-pot' }), frame, book).rungs[1]!
    expect(pots.fill.count).toBe(72)
    expect(pots.flats).toBeCloseTo(0.29 / 0.151, 1)
  })

  it('counts seedlings of a clump, seeds of a broadcast pinch, and last containers by the plant', () => {
    const leek = plan('leek', { plants: 120 })
    const p = leek.germination.value * (1 - LOSSES)
    const sure = (clumps: number) => 1 - binomialAtMost(119, clumps * leek.perCell, p)
    expect(sure(leek.cells)).toBeGreaterThanOrEqual(0.95)
    expect(sure(leek.cells - 1)).toBeLessThan(0.95)

    const pinch = plan('snapdragon', { plants: 200, ladderId: 'broadcast' })
    expect(1 - binomialAtMost(199, pinch.seeds, pinch.chance.value)).toBeGreaterThanOrEqual(0.95)
    // Half an open tray of 28 × 26 cm, a seed on every 2.5 cm².
    expect(pinch.cells).toBe(Math.ceil((pinch.seeds * 2.5) / (28 * 26)))
    expect(pinch.rungs[1]!.fill.count * 6).toBeGreaterThanOrEqual(200)

    const bucket = plan('tomato', { plants: 10, ladderId: 'cell-pot-bucket' })
    const last = bucket.rungs.at(-1)!
    expect([last.stage, last.from, last.fill.count, last.flats]).toEqual(['set in', bucket.outOn, 10, 0])
    expect(last.looseL).toBeGreaterThan(10 * 15)
  })

  it('keeps plants by the stage and the schools, and says what the household set itself', () => {
    const [sown, potted, hardened] = plan('tomato').rungs as [PlannedRung, PlannedRung, PlannedRung]
    expect(sown.care).toMatchObject({ stageId: 'true-leaves', lightHours: 16, mixC: 24, yours: [] })
    expect(potted.care.mixC).toBeLessThan(sown.care.mixC)
    expect(hardened.care.lightHours).toBe(0)
    const always = planSowing(ask('tomato'), { ...frame, lightSchool: 'always', mixC: 18 }, book)
    // No warmer than the mat or the room can make it.
    expect([always.rungs[0]!.care.lightHours, always.rungs[0]!.care.mixC]).toEqual([24, 18])
    const rungs = ladderById('cell-pot').rungs.map((one, i) => (i ? one : { ...one, mixC: 28, nMgPerL: 40 }))
    expect(plan('tomato', { rungs }).rungs[0]!.care).toMatchObject({
      mixC: 28,
      nMgPerL: 40,
      yours: ['nMgPerL', 'mixC'],
    })
    expect(plan('tomato', { rungs }).emergence!.value).toBeLessThan(plan('tomato').emergence!.value + 1)
  })

  it('says when it comes out too early, too late, never, or is short of seed', () => {
    const kinds = (planned: ReturnType<typeof plan>) => planned.notices.map(({ kind }) => kind)
    expect(kinds(plan('tomato', { outOn: dayFrom('2027-05-01') }))).toContain('out before the frost is over')
    const late = plan('pumpkin', { outOn: dayFrom('2027-09-20') })
    const notice = late.notices.find(({ kind }) => kind === 'not before the frost')
    expect(notice).toMatchObject({
      latestOut: addDays(frame.firstFrost, -70),
      latestSow: addDays(frame.firstFrost, -91),
    })
    const cold = planSowing(ask('aubergine'), { ...frame, mixC: 15 }, book)
    expect(kinds(cold)).toContain('too cold to come up')
    expect([cold.emergeOn, emergenceVerdict(cold, dayFrom('2027-03-01'))]).toEqual([null, 'too cold'])
    expect(plan('basil', { seedsThere: 100 }).notices).toContainEqual({
      kind: 'seed is short',
      short: plan('basil').seeds - 100,
    })
  })

  it('calls a no-show late at 1.5 times the days, and sows again at twice', () => {
    const planned = plan('tomato')
    const at = (times: number) => addDays(planned.sowOn, Math.ceil(planned.emergence!.value * times))
    expect(emergenceVerdict(planned, addDays(at(1), -1))).toBe('waiting')
    expect(emergenceVerdict(planned, at(1))).toBe('due')
    expect(emergenceVerdict(planned, at(1.5))).toBe('late')
    expect(emergenceVerdict(planned, at(2))).toBe('sow again')
  })

  it.each([
    [{ plants: 0 }, 'plants'],
    [{ plants: 2.5 }, 'plants'],
    [{ germination: 0 }, 'germination'],
    [{ germination: 1.2 }, 'germination'],
    [{ outOn: '2027-02-29' as Day }, 'outOn'],
    [{ outOn: dayFrom('2031-05-20') }, 'outOn'],
    [{ sowOn: dayFrom('2027-05-10'), outOn: dayFrom('2027-05-15') }, 'sowOn'],
    [{ season: 'autumn' as const }, 'season'],
    [
      { rungs: [rung('sow', 'pot-10cm', null, 1), rung('pot up', 'tray-72', null, 1)] },
      'rungs.1.containerId',
    ],
  ])('refuses %j at its field', (more, path) => {
    expect(sowingProblems(ask('tomato', more), frame, book).map((one) => one.path.join('.'))).toContain(path)
    expect(() => plan('tomato', more)).toThrow(RangeError)
  })

  it('refuses frosts the wrong way round', () => {
    expect(frameProblems({ ...frame, firstFrost: dayFrom('2027-04-01') })[0]!.path).toEqual(['firstFrost'])
    expect(frameProblems({ ...frame, lastFrost: '2027-02-29' as Day })[0]!.path).toEqual(['lastFrost'])
    expect(frameProblems(frame)).toEqual([])
  })

  it('ships only ladders that climb', () => {
    for (const ladder of LADDERS)
      expect([ladder.id, ladderProblems(ladder.rungs, find)]).toEqual([ladder.id, []])
  })
})

describe('what a season asks for', () => {
  const rows = [row('a', 'tomato'), row('b', 'tomatillo'), row('c', 'basil'), row('d', 'pepper')]

  it('puts rungs of one mix a few days apart into one batch, and loses no litre', () => {
    const runs = mixRuns(rows, frame)
    const all = rows.flatMap(({ planned }) => planned.rungs).reduce((sum, { looseL }) => sum + looseL, 0)
    expect(runs.reduce((sum, { looseL }) => sum + looseL, 0)).toBeCloseTo(all, 9)
    for (const run of runs) {
      expect(run.soakOn).toBe(addDays(run.on, -1))
      expect(run.tubs * frame.tubL * 0.6).toBeGreaterThanOrEqual(run.looseL - 1e-9)
    }
    const shared = runs.find(({ of }) => of.length > 1)
    expect(shared).toBeDefined()
  })

  it('feeds nobody before seed leaves are past, and adds feeds of one strength up', () => {
    for (const { planned, feeding } of rows)
      for (const { on, solutionL } of feeding.feeds) {
        expect(on > planned.emergeOn! && on < planned.outOn).toBe(true)
        expect(solutionL).toBeGreaterThan(0)
      }
    const runs = feedRuns(rows, frame)
    const sum = (list: readonly { solutionL: number }[]) =>
      list.reduce((all, { solutionL }) => all + solutionL, 0)
    expect(sum(runs)).toBeCloseTo(sum(rows.flatMap(({ feeding }) => feeding.feeds)), 9)
  })

  const tomato = plan('tomato')
  it('leaves feeds out while a rich mix still feeds them, and sees hunger where nobody feeds', () => {
    const filled = (recipeId: string, more: object = {}) => {
      const rungs = ladderById('cell-pot').rungs
      const own = rungs.map((one) => ({ ...one, ...more, recipeId: one.recipeId && recipeId }))
      return row('x', 'tomato', { rungs: own }).feeding
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
      .flatMap(({ planned }) => planned.rungs)
      .reduce((sum, { flats, from, until }) => sum + flats * daysBetween(from, until), 0)
    expect(load.flats.reduce((a, b) => a + b, 0)).toBeCloseTo(flatDays, 6)
    const most = Math.max(...load.flats)
    expect(overflows(load, most)).toEqual([])
    const [over] = overflows(load, most - 0.01)
    expect(over!.most).toBeCloseTo(most, 9)
  })
})

describe('the smallest set of shifts', () => {
  const standing = fc.record({
    start: fc.integer({ min: 0, max: 6 }),
    flats: fc.array(fc.integer({ min: 1, max: 3 }), { minLength: 2, maxLength: 4 }),
    earliest: fc.integer({ min: -3, max: 0 }),
    latest: fc.integer({ min: 0, max: 3 }),
  })
  const fits = (list: readonly Standing[], shifts: readonly number[], shelf: number) => {
    const load = new Map<number, number>()
    list.forEach(({ start, flats }, i) =>
      flats.forEach((n, j) => load.set(start + shifts[i]! + j, (load.get(start + shifts[i]! + j) ?? 0) + n)),
    )
    return [...load.values()].every((n) => n <= shelf)
  }
  /** Every combination of shifts. */
  function* everyShift(list: readonly Standing[], at = 0): Generator<number[]> {
    if (at === list.length) return void (yield [])
    for (let d = list[at]!.earliest; d <= list[at]!.latest; d++)
      for (const rest of everyShift(list, at + 1)) yield [d, ...rest]
  }

  it('is what trying everything finds: fewest sowings, then fewest days', () => {
    fc.assert(
      fc.property(
        fc.array(standing, { minLength: 1, maxLength: 4 }),
        fc.integer({ min: 2, max: 6 }),
        (list, shelf) => {
          const standings = list.map((one, i) => ({ ...one, id: String(i) }))
          let best: [number, number] | null = null
          for (const shifts of everyShift(standings)) {
            if (!fits(standings, shifts, shelf)) continue
            const cost: [number, number] = [
              shifts.filter(Boolean).length,
              shifts.reduce((sum, d) => sum + Math.abs(d), 0),
            ]
            if (!best || cost[0] < best[0] || (cost[0] === best[0] && cost[1] < best[1])) best = cost
          }
          const found = smallestShifts(standings, shelf)
          expect(found.whole).toBe(true)
          if (!best) return expect(found.shifts).toBeNull()
          const days = found.shifts!.reduce((sum, one) => sum + Math.abs(one.days), 0)
          expect([found.shifts!.length, days]).toEqual(best)
          const shifted = standings.map(({ id }) => found.shifts!.find((one) => one.id === id)?.days ?? 0)
          expect(fits(standings, shifted, shelf)).toBe(true)
        },
      ),
      { numRuns: 300 },
    )
  })
})

describe('simulated seasons', () => {
  const asSimulated = (cropId: string, more: Partial<SowingRequest> = {}) => ({
    id: cropId,
    plants: 48,
    clump: crop(cropId).clump,
    planned: plan(cropId, more),
  })

  it('reach the wanted plants as often as the integral over what is not known says', () => {
    const one = asSimulated('tomato')
    const { germination, cells } = one.planned
    // Both shares as Beta, by the midpoint rule: an independent reckoning of the same chance.
    const beta = (mean: number, seen: number) => {
      const steps = Array.from({ length: 400 }, (_, i) => (i + 0.5) / 400)
      const density = steps.map((x) => x ** (mean * seen - 1) * (1 - x) ** ((1 - mean) * seen - 1))
      const whole = density.reduce((a, b) => a + b, 0)
      return steps.map((x, i) => [x, density[i]! / whole] as const)
    }
    let chance = 0
    for (const [g, wg] of beta(germination.value, VARIATION.germinationSeeds))
      for (const [l, wl] of beta(LOSSES, VARIATION.lossPlants))
        chance += wg * wl * (1 - binomialAtMost(47, cells, (1 - (1 - g) ** one.planned.perCell) * (1 - l)))
    expect(simulateSeasons([one], 6000, 0.3).chance.tomato).toBeCloseTo(chance, 1)
  })

  it('are the same for the same seed, and less hopeful all together', () => {
    const both = [asSimulated('tomato'), asSimulated('onion')]
    const once = simulateSeasons(both, 500, 0.7)
    expect(simulateSeasons(both, 500, 0.7)).toEqual(once)
    expect(once.chanceOfAll).toBeLessThanOrEqual(Math.min(...Object.values(once.chance)))
    expect(once.flats.nineTenths).toBeGreaterThanOrEqual(once.flats.half)
    for (const { half, nineTenths } of Object.values(once.litres))
      expect(nineTenths).toBeGreaterThanOrEqual(half)
  })

  it('are sure of what cannot fail, and hopeless where nothing comes up', () => {
    const sure = asSimulated('tomato', { germination: 1, seedsPerCell: 3, certainty: 0.999 })
    expect(simulateSeasons([sure], 500).chance.tomato).toBeGreaterThan(0.95)
    const cold = {
      id: 'x',
      plants: 48,
      clump: false,
      planned: planSowing(ask('aubergine'), { ...frame, mixC: 12 }, book),
    }
    expect(simulateSeasons([cold], 100).chance.x).toBe(0)
  })
})

describe('light and hardening', () => {
  const lamp = { ppfd: 200, atCm: 30, radiusCm: 30 }

  it('adds light up over the day: 200 µmol for 16 h is 11.52 mol', () => {
    expect(dailyLight(ppfdAt(lamp, 30), 16).value).toBeCloseTo(11.52, 10)
  })

  it('falls off as a panel does, not as a point: 40 % at twice 30 cm, against 25 %', () => {
    expect(ppfdAt(lamp, 60).value / 200).toBeCloseTo(0.4, 10)
    expect(ppfdAt({ ...lamp, radiusCm: 0 }, 60).value / 200).toBeCloseTo(0.25, 10)
  })

  it('hangs the lamp where it gives what is wanted, or says it cannot', () => {
    const height = heightFor(lamp, 16, 10)!.value
    expect(dailyLight(ppfdAt(lamp, height), 16).value).toBeCloseTo(10, 9)
    expect(heightFor({ ...lamp, ppfd: 20 }, 16, 14)).toBeNull()
  })

  it('hardens a little longer each day, to nights outside', () => {
    for (const days of [1, 7, 10, 14]) {
      const hours = hardeningPlan(dayFrom('2027-05-01'), days).map((day) => day.hours)
      expect(hours).toHaveLength(days)
      expect(hours).toEqual([...hours].sort((a, b) => a - b))
      expect(hours.at(-1)).toBe(24)
    }
  })
})

describe('today', () => {
  const tomato = row('t', 'tomato')
  const input = (today: Day, marks: Mark[] = [], more: Partial<TodayInput> = {}): TodayInput => {
    const done = doneBySowing(marks)
    const rows = [row('t', 'tomato', { done: done.get('t') ?? {}, notBefore: today })]
    return {
      rows,
      mixes: mixRuns(rows, frame),
      feeds: feedRuns(rows, frame),
      marks,
      today,
      nightC: null,
      shelfFull: null,
      canL: frame.canL,
      wantsSoak: () => true,
      ...more,
    }
  }
  const mark = (what: Mark['what'], rung: number, on: Day, snoozedUntil: Day | null = null): Mark => ({
    what,
    of: [{ sowingId: 't', rung }],
    on,
    snoozedUntil,
  })
  const jobs = (...args: Parameters<typeof input>) =>
    jobsOf(input(...args)).map(
      ({ kind, state, danger }) => `${kind} ${state}${danger ? ` ${danger.kind}` : ''}`,
    )
  const sowOn = tomato.planned.sowOn

  it('soaks the evening before, warns when it was not, and mixes before sowing', () => {
    expect(jobs(addDays(sowOn, -1))[0]).toBe('soak mix danger mix not soaked')
    expect(jobs(addDays(sowOn, -1), [mark('soak mix', 0, addDays(sowOn, -1))])).toContain('soak mix done')
    expect(jobs(sowOn, [mark('make mix', 0, sowOn)])).toEqual(
      expect.arrayContaining(['make mix done', 'rung due']),
    )
  })

  it('shows late work as late, and moves what follows once it is done', () => {
    const late = addDays(sowOn, 3)
    expect(jobs(late)).toContain('rung late')
    const after = input(late, [mark('rung', 0, late)])
    expect(after.rows[0]!.planned.outOn).toBe(addDays(tomato.planned.outOn, 3))
  })

  it('misses seedlings past 1.5 times their days', () => {
    const sown = mark('rung', 0, sowOn)
    expect(jobs(tomato.planned.emergeOn!, [sown])).toContain('look due')
    expect(jobs(tomato.planned.lateOn!, [sown])).toContain('look danger no-show')
    expect(jobs(tomato.planned.lateOn!, [sown, mark('look', 0, tomato.planned.lateOn!)])).toContain(
      'look done',
    )
  })

  it('shows under done what was done that day, and nothing of the days before', () => {
    const made = [mark('soak mix', 0, addDays(sowOn, -1)), mark('make mix', 0, addDays(sowOn, -1))]
    expect(jobs(addDays(sowOn, -1), made)).toContain('make mix done')
    expect(jobs(sowOn, made).filter((job) => /mix/.test(job))).toEqual([])
  })

  it('a feed that was given stands for one feed of those plants, also when it is mixed with another’s', () => {
    const marks = [
      ...tomato.planned.rungs.map(({ index, from }) => mark('rung', index, from)),
      mark('look', 0, tomato.planned.emergeOn!),
    ]
    const [first] = feedRuns(input(tomato.planned.outOn, marks).rows, frame)
    const given = mark('feed', first!.of[0]!.rung, first!.on)
    expect(jobs(first!.on, marks)).toContain('feed due')
    expect(jobs(first!.on, [...marks, given])).toContain('feed done')
    expect(jobs(addDays(first!.on, 1), [...marks, given])).not.toContain('feed done')
  })

  it('feeds nothing that is planted out', () => {
    const marks = tomato.planned.rungs.map(({ index, from }) => mark('rung', index, from))
    const due = feedRuns(input(tomato.planned.outOn, marks).rows, frame).at(-1)!
    const out = mark('out', tomato.planned.rungs.length, due.on)
    expect(jobs(due.on, marks).filter((job) => /feed/.test(job))).not.toEqual([])
    expect(jobs(due.on, [...marks, out]).filter((job) => /feed/.test(job))).toEqual([])
  })

  it('puts off what is snoozed, until its day', () => {
    const snoozed = mark('rung', 0, sowOn, addDays(sowOn, 2))
    expect(jobs(sowOn, [snoozed])).not.toContain('rung due')
    expect(jobs(addDays(sowOn, 2), [snoozed])).toContain('rung late')
  })

  it('keeps plants in when the night is too cold for them', () => {
    const marks = tomato.planned.rungs.map(({ index, from }) => mark('rung', index, from))
    const eve = addDays(tomato.planned.outOn, -2)
    expect(jobs(eve, marks, { nightC: 12 })).toContain('out coming')
    expect(jobs(eve, marks, { nightC: 4 })).toContain('out danger nights too cold')
  })

  it('warns of a full shelf while there is time to move things', () => {
    const full = { on: addDays(sowOn, 4), flats: 9 }
    expect(jobs(addDays(sowOn, -1), [], { shelfFull: full })).toContain('rung danger shelf full')
  })
})

it('repeats a sowing every so many days', () => {
  expect(successionDays(dayFrom('2027-04-01'), 3, 14)).toEqual([dayFrom('2027-04-01'), dayFrom('2027-04-15'), dayFrom('2027-04-29')])
})
