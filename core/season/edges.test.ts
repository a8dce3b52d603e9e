import { describe, expect, it } from '@jest/globals'
import { addDays, dayFrom, daysBetween, type Day } from '../calendar/day'
import { BUILT_IN } from '../media/materials'
import { placeOf } from '../places/place'
import { CROPS } from '../sowing/crops'
import { feedDemands, mixDemands, overflows, type SeasonLoad } from './demand/demand'
import { needsOfVisit, seedShort, shortFrom } from './demand/shopping'
import { alsoFits } from './fitting/also-fits'
import { scheduleFromWish } from './schedule/schedule-from-wish'
import { scheduleById } from './schedule/schedules'
import { planSowing, sowingProblems } from './schedule/sowing'
import type { SowingRequest } from './schedule/sowing-request'
import { DAYLIGHT_KINDS } from '../places/light-kinds'
import { ask, book, crop, firstFrost, frame, framed, lastFrost, plan, row, SHELF } from './test/fixture'
import { absenceAhead, absenceOn, aroundAway, dryWhileAway } from './today/away'
import { horizonOf, PLAIN, stateOn, type Job, type Mark, type TodayInput } from './today/job'
import { doneBySowing } from './today/marks'
import { jobsOf } from './today/today'
import { simulateSeasons } from './uncertainty/simulate'

/* What is said of a season, on both sides of each edge. */

const notices = (cropId: string, more: Partial<SowingRequest> = {}, on = frame) =>
  planSowing(ask(cropId, more), on, book).notices
const said = (kind: string, ...args: Parameters<typeof notices>) =>
  notices(...args).find((one) => one.kind === kind)

describe('a sowing', () => {
  const wrong = (more: Partial<SowingRequest>) =>
    sowingProblems(ask('tomato', more), frame, book).map(({ path }) => path.join('.'))
  it.each<[keyof SowingRequest, number, number]>([
    ['plants', 1, 20_000],
    ['germination', 0.01, 1],
    ['certainty', 0.5, 0.999],
    ['seedYears', 0, 30],
    ['seedsPerCell', 1, 50],
    ['cells', 1, 100_000],
  ])('has %s of %d to %d', (field, low, high) => {
    expect([wrong({ [field]: low }), wrong({ [field]: high })].map((paths) => paths.includes(field))).toEqual(
      [
        false,
        // Of seed thirty years old no bench holds the cells; that is told at the plants.
        false,
      ],
    )
    const step = Number.isInteger(low) ? 1 : 0.001
    expect([wrong({ [field]: low - step }), wrong({ [field]: high + step })]).toEqual([[field], [field]])
  })
  it('lies within a year and a half of its last frost, and is sown before it goes out', () => {
    const out = (days: number) => wrong({ outOn: addDays(lastFrost, days) })
    expect([out(550), out(551), out(-550), out(-551)]).toEqual([[], ['outOn'], [], ['outOn']])
    const day = dayFrom('2027-05-20')
    expect([wrong({ sowOn: addDays(day, -1), outOn: day }), wrong({ sowOn: day, outOn: day })]).toEqual([
      [],
      ['sowOn'],
    ])
  })
  it('for autumn has a date of its own, or is given one', () => {
    const none = CROPS.find(({ autumn }) => !autumn)!
    const some = CROPS.find(({ autumn }) => autumn)!
    const path = (id: string, more = {}) =>
      sowingProblems(ask(id, { season: 'autumn', ...more }), frame, book).map((one) => one.path.join('.'))
    expect([path(none.id), path(some.id)]).toEqual([['season'], []])
    expect([path(none.id, { outOn: firstFrost }), path(none.id, { sowOn: lastFrost })]).toEqual([[], []])
  })
})

describe('what is said before sowing', () => {
  it('that it stands too long from more than a week beyond its weeks on, that it is too young a week below them', () => {
    const { weeks } = crop('tomato')
    const days = (n: number) => ({ outOn: dayFrom('2027-06-20'), sowOn: addDays(dayFrom('2027-06-20'), -n) })
    const [low, high] = [weeks[0] * 7, weeks[1] * 7]
    expect(said('stands too long', 'tomato', days(high + 7))).toBeUndefined()
    expect(said('stands too long', 'tomato', days(high + 8))).toMatchObject({ days: 8, pottings: 1 })
    expect(said('stands too long', 'tomato', days(high + 21))).toMatchObject({ days: 21, pottings: 1 })
    expect(said('stands too long', 'tomato', days(high + 22))).toMatchObject({ days: 22, pottings: 2 })
    expect(said('out too young', 'tomato', days(low - 7))).toBeUndefined()
    expect(said('out too young', 'tomato', days(low - 8))).toMatchObject({ usual: weeks[0] })
  })
  it('that frost may come, from the risk on that is more than the household takes', () => {
    const out = (outOn: Day, frostRisk?: number) =>
      said(
        'out before the frost is over',
        'tomato',
        { outOn },
        frostRisk === undefined ? frame : { ...frame, frostRisk },
      )
    const usual = planSowing(ask('tomato'), frame, book).outOn
    expect(out(usual)).toBeUndefined()
    const early = out(addDays(lastFrost, -7))
    expect(early).toMatchObject({ earliest: usual })
    expect((early as { risk: number }).risk).toBeGreaterThan(0.5)
    // On the mean day of the last frost it comes in every second year.
    expect((out(lastFrost) as { risk: number }).risk).toBeCloseTo(0.5, 1)
    // Whoever takes six in ten is told of no risk of five, and of one of more than six three days before.
    expect(out(lastFrost, 0.6)).toMatchObject({ risk: null })
    expect((out(addDays(lastFrost, -3), 0.6) as { risk: number }).risk).toBeGreaterThan(0.6)
  })
  it('that a hardy crop may be out early without a risk of frost', () => {
    const hardy = CROPS.find(
      ({ lowestNightC, outAfterFrostWeeks }) => lowestNightC < 0 && outAfterFrostWeeks < 0,
    )!
    const notice = said('out before the frost is over', hardy.id, { outOn: addDays(lastFrost, -70) })
    expect(notice).toMatchObject({ risk: null })
  })
  it('that it is not ready before the autumn frost, from the day after the last good one on', () => {
    const latest = addDays(firstFrost, -70)
    expect(said('not before the frost', 'pumpkin', { outOn: latest })).toBeUndefined()
    expect(said('not before the frost', 'pumpkin', { outOn: addDays(latest, 1) })).toMatchObject({
      latestOut: latest,
    })
  })
  it('that late work makes it late for the day that was asked', () => {
    const wanted = dayFrom('2027-06-01')
    const sow = plan('tomato', { outOn: wanted }).sowOn
    expect(said('not ready by then', 'tomato', { outOn: wanted, notBefore: sow })).toBeUndefined()
    expect(said('not ready by then', 'tomato', { outOn: wanted, notBefore: addDays(sow, 3) })).toMatchObject({
      ready: addDays(wanted, 3),
    })
  })
  it('that seed is short from one seed too few on, and no more once it is sown', () => {
    const { seeds, sowOn } = plan('basil')
    expect(said('seed is short', 'basil', { seedsThere: seeds })).toBeUndefined()
    expect(said('seed is short', 'basil', { seedsThere: seeds - 1 })).toEqual({
      kind: 'seed is short',
      short: 1,
    })
    expect(said('seed is short', 'basil', { seedsThere: null })).toBeUndefined()
    expect(said('seed is short', 'basil', { seedsThere: 0, done: { 'stage-0': sowOn } })).toBeUndefined()
  })
  it('that it never comes up where the mix is too cold or too hot for it', () => {
    const at = (heatC: number | null, warmth: number) =>
      notices('lettuce', {}, framed({ heatC, dayC: warmth, nightC: warmth })).map(({ kind }) => kind)
    expect(at(null, 36)).toContain('too hot to come up')
    expect(at(null, 18).filter((kind) => kind.endsWith('to come up'))).toEqual([])
    expect(
      notices('aubergine', {}, framed({ heatC: null, dayC: 12, nightC: 12 })).map(({ kind }) => kind),
    ).toContain('too cold to come up')
  })
  it('that fewer came up, once it is late for the rest and fewer are left than are wanted', () => {
    const { lateOn, sowOn, lost } = plan('tomato')
    const done = { 'stage-0': sowOn }
    const counted = (up: number, on = lateOn!) => said('fewer came up', 'tomato', { done, up: { up, on } })
    const enough = Math.ceil(48 / (1 - lost.value))
    expect(counted(enough)).toBeUndefined()
    expect(counted(enough - 1)).toMatchObject({ up: enough - 1, plants: 47 })
    expect(counted(10, addDays(lateOn!, -1))).toBeUndefined()
  })
  it('that a place is too dark, once for each place and never outside', () => {
    const lit = (kindId: string) => framed({ light: { kindId, count: 1, heightCm: null, measured: null } })
    const [dim] = DAYLIGHT_KINDS.toSorted((a, b) => a.molPerM2 - b.molPerM2)
    const found = notices('tomato', {}, lit(dim!.id)).filter(({ kind }) => kind === 'too little light')
    expect(found).toMatchObject([{ place: SHELF.name, isLamp: false, molPerM2: dim!.molPerM2 }])
    expect(said('too little light', 'tomato')).toBeUndefined()
  })
  it('late is never within the days its packet gives', () => {
    const packet = { from: 5, to: 30 }
    const { emergeOn, lateOn, resowOn, sowOn } = plan('tomato', { upDays: packet })
    expect(daysBetween(sowOn, lateOn!)).toBeGreaterThanOrEqual(30)
    expect(emergeOn! < lateOn! && lateOn! < resowOn!).toBe(true)
    // Twice against 1.5 times: a third more.
    expect(daysBetween(sowOn, resowOn!)).toBeGreaterThanOrEqual(40)
  })
})

describe('what else fits into a tray', () => {
  const one = row('a', 'lettuce', { plants: 10, scheduleId: 'cell', sowOn: dayFrom('2027-03-20') })
  const [foot] = one.planned.stages
  const fits = (on: Day) => {
    const there = row('a', 'lettuce', { plants: 10, scheduleId: 'cell', sowOn: on })
    return alsoFits(there, CROPS, frame, book).map(({ crop: { id }, season }) => `${id} ${season}`)
  }
  const rangeOf = (cropId: string, season: 'spring' | 'autumn') => {
    const stages = scheduleFromWish(
      scheduleById(crop(cropId).scheduleId).stages,
      { containerId: foot!.container.id, recipeId: foot!.recipeId },
      book.findContainer,
    )
    return planSowing({ ...ask(cropId), season, stages }, frame, book).sowRange
  }
  it('is not sown a day before its first or after its last', () => {
    for (const [id, season] of [
      ['kale', 'spring'],
      ['cosmos', 'spring'],
    ] as const) {
      const [from, to] = rangeOf(id, season)
      const has = (day: Day) => fits(day).includes(`${id} ${season}`)
      expect([id, has(addDays(from, -1)), has(addDays(to, 1))]).toEqual([id, false, false])
    }
  })
  it('has a day of sowing that holds, and stands first where its own day is nearest', () => {
    const day = foot!.from
    const found = alsoFits(one, CROPS, frame, book)
    expect(found.length).toBeGreaterThan(0)
    const away = found.map(({ crop: { id }, season }) => {
      const [from, to] = rangeOf(id, season)
      expect([id, from <= day && day <= to]).toEqual([id, true])
      return Math.abs((daysBetween(from, day) + daysBetween(to, day)) / 2)
    })
    expect(away).toEqual([...away].sort((a, b) => a - b))
    expect(found.some(({ crop: { id } }) => id === 'lettuce')).toBe(false)
  })
})

describe('what runs short', () => {
  const day = dayFrom('2027-03-01')
  const amount = (value: number) => ({ name: 'x', value, unit: 'L', working: { kind: 'given' } }) as never
  it('is short of more than there is, not of as much', () => {
    const dated = [{ on: day, needs: [{ kind: 'material' as const, id: 'coir', amount: amount(5) }] }]
    expect([shortFrom(dated, () => 5).size, shortFrom(dated, () => 4.999).get('material coir')]).toEqual([
      0,
      day,
    ])
  })
  it('seed: as many as there are suffice', () => {
    const use = (seeds: number, there: number | null, on = day) => ({
      from: 'p',
      name: 'P',
      seeds,
      there,
      on,
    })
    expect([seedShort([use(20, 20)]), seedShort([use(20, null)])]).toEqual([[], []])
    expect(seedShort([use(21, 20)])).toHaveLength(1)
    expect(seedShort([use(15, 20, addDays(day, 3)), use(10, 20)])).toMatchObject([{ seeds: 25, on: day }])
  })
  it('a visit takes a medium by the litre and a powder by the gram, nothing by nothing', () => {
    const part = (materialId: string | null, allL: number) => ({
      kind: 'top-dress',
      perPlantL: 0.1,
      allL,
      materialId,
    })
    const needs = (...parts: object[]) => needsOfVisit({ on: day, parts } as never, BUILT_IN).needs
    const [castings] = needs(part('castings', 2))
    expect([castings!.amount.unit, castings!.amount.value]).toEqual(['L', 2])
    const limeId = [...BUILT_IN.values()].find(({ kind }) => kind === 'amendment')!
    const [powder] = needs(part(limeId.id, 0.1))
    expect([powder!.amount.unit, powder!.amount.value]).toEqual(['g', 0.1 * limeId.dryBulkDensityGPerL])
    expect(needs(part('castings', 0), part(null, 1), part('nothing', 1))).toEqual([])
  })
  it('a place overflows above its flats, told as runs of days with the most of them', () => {
    const load = (flats: number[]): SeasonLoad =>
      ({ from: day, places: new Map([['shelf', Float64Array.from(flats)]]) }) as unknown as SeasonLoad
    const shelf = { ...placeOf('shelf', 'shelf'), flats: 4 }
    expect(overflows(load([4, 4.0000000001, 4]), [shelf])).toEqual([])
    expect(overflows(load([4.1, 5, 4, 4.2]), [shelf])).toEqual([
      { place: shelf, from: day, until: addDays(day, 2), most: 5 },
      { place: shelf, from: addDays(day, 3), until: addDays(day, 4), most: 4.2 },
    ])
    expect(overflows(load([99]), [{ ...shelf, flats: null }])).toEqual([])
  })
})

describe('jobs of a day', () => {
  const mark = (what: Mark['what'], stage: number, on: Day): Mark => ({
    ...{ what, on, snoozedUntil: null },
    of: [{ sowingId: 't', stage }],
  })
  const input = (today: Day, marks: Mark[], more: Partial<TodayInput> = {}): TodayInput => {
    const rows = [row('t', 'pepper', { done: doneBySowing(marks).get('t') ?? {}, notBefore: today })]
    return {
      ...{ rows, marks, today, nightC: null, full: [], canL: frame.canL, wantsSoak: () => false },
      ...{ mixes: mixDemands(rows, frame), feeds: feedDemands(rows, frame) },
      ...more,
    }
  }
  const jobs = (...args: Parameters<typeof input>) => jobsOf(input(...args))
  const pepper = row('t', 'pepper')
  const sown = mark('stage', 0, pepper.planned.sowOn)
  const up = mark('look', 0, pepper.planned.emergeOn!)

  it('are due on their day, coming before and late after it; what is in danger is that', () => {
    const day = dayFrom('2027-04-01')
    expect([-1, 0, 1].map((n) => stateOn(addDays(day, n), day, null))).toEqual(['late', 'due', 'coming'])
    expect(stateOn(addDays(day, 3), day, { kind: 'nights too cold', nightC: 1, lowestC: 2 })).toBe('danger')
    expect(daysBetween(day, horizonOf(day))).toBe(7)
  })
  it('feed nothing that nobody has seen come up, and nothing in the stage it has not reached', () => {
    const fedAt = (stage: number, id: string, marks: Mark[], today: Day) => {
      const rows = [row('t', id, { done: doneBySowing(marks).get('t') ?? {} })]
      const more = { rows, mixes: mixDemands(rows, frame), feeds: feedDemands(rows, frame) }
      const feeds = jobsOf({ ...input(today, marks), ...more }).filter(({ kind }) => kind === 'feed')
      return feeds.find(({ of }) => of.some((one) => one.stage === stage))
    }
    const hardened = pepper.planned.stages.map(({ index, from }) => mark('stage', index, from))
    const [first] = feedDemands([pepper], frame)
    expect(first!.of[0]!.stage).toBe(2)
    expect(fedAt(2, 'pepper', [...hardened.slice(0, 2), up], first!.on)).toBeUndefined()
    expect(fedAt(2, 'pepper', [...hardened, up], first!.on)?.placeIds).toEqual(['outside'])
    // Of a crop that is fed in the tray it was sown into.
    const inTray = CROPS.find(({ id }) => feedDemands([row('t', id)], frame)[0]?.of[0]!.stage === 0)!
    const { planned } = row('t', inTray.id)
    const on = feedDemands([row('t', inTray.id)], frame)[0]!.on
    const marks = [mark('stage', 0, planned.sowOn)]
    expect(fedAt(0, inTray.id, marks, on)).toBeUndefined()
    expect(fedAt(0, inTray.id, [...marks, mark('look', 0, planned.emergeOn!)], on)?.of).toMatchObject([
      { stage: 0 },
    ])
  })
  it('keep in what the coming night is too cold for, one degree either side of what it bears', () => {
    const marks = [
      sown,
      up,
      ...pepper.planned.stages.slice(1).map(({ index, from }) => mark('stage', index, from)),
    ]
    const eve = addDays(pepper.planned.outOn, -1)
    const danger = (nightC: number) => jobs(eve, marks, { nightC }).find(({ kind }) => kind === 'out')!.danger
    const bears = crop('pepper').lowestNightC
    expect([danger(bears), danger(bears - 0.1)].map((one) => one?.kind ?? null)).toEqual([
      null,
      'nights too cold',
    ])
  })
  it('look from the day it is to be up on, and no more once the next stage is done', () => {
    const look = (today: Day, ...marks: Mark[]) => jobs(today, marks).find(({ kind }) => kind === 'look')
    const due = pepper.planned.emergeOn!
    expect(look(addDays(due, -1), sown)?.state).toBe('coming')
    expect(look(due, sown)?.state).toBe('due')
    expect(look(due)).toBeUndefined()
    expect(look(pepper.planned.resowOn!, sown)?.danger).toMatchObject({
      kind: 'no-show',
      verdict: 'sow again',
    })
    expect(look(due, sown, mark('stage', 1, due))).toBeUndefined()
  })
  it('speak of a shelf that will be full only while it still has to be entered, and at most a week ahead', () => {
    const sowOn = pepper.planned.sowOn
    const full = (days: number) => [
      { placeId: 'shelf', name: 'Shelf', on: addDays(sowOn, days), flats: 9, room: 8 },
    ]
    const danger = (today: Day, days: number) =>
      jobs(today, [], { full: full(days) }).find(({ kind }) => kind === 'stage')?.danger?.kind ?? null
    expect([danger(sowOn, 7), danger(sowOn, 8)]).toEqual(['shelf full', null])
    expect(danger(addDays(sowOn, -7), 0)).toBe('shelf full')
    expect(danger(addDays(sowOn, -8), -1)).toBeNull()
  })
})

describe('days away', () => {
  const day = dayFrom('2027-04-12')
  const at = (n: number) => addDays(day, n)
  const away = [{ from: at(3), to: at(6), name: 'away' }]
  it('begin on their first and end on their last day', () => {
    expect([2, 3, 6, 7].map((n) => absenceOn(away, at(n)) !== null)).toEqual([false, true, true, false])
    const ahead = (today: number, within: number) => absenceAhead(away, at(today), within) !== null
    expect([ahead(0, 3), ahead(0, 2), ahead(6, 0), ahead(7, 9)]).toEqual([true, false, true, false])
  })
  it('bring work forward by ten days at the most, and not from days that have begun', () => {
    const job = (days: number): Job => ({
      ...PLAIN,
      ...{ id: 'x', kind: 'make mix', of: [], names: [], dueOn: at(days), state: 'coming' },
    })
    const long = [{ from: at(1), to: at(20), name: 'away' }]
    const moved = (days: number, absences = long, today = day) => aroundAway([job(days)], absences, today)[0]!
    expect(moved(10)).toMatchObject({ dueOn: at(0), state: 'due', away: { early: true } })
    expect(moved(11)).toMatchObject({ dueOn: at(11), away: { early: false } })
    expect(moved(5, long, at(1)).away).toMatchObject({ early: false })
    expect(aroundAway([{ ...job(5), state: 'done' }], long, day)[0]!.away).toBeNull()
  })
  it('last as long as what is easily had: by hand, four days and the evening before at 0.5 L are 3 L', () => {
    const absence = away[0]!
    expect(dryWhileAway(absence, 2.5, 0.5)).toBeNull()
    expect(dryWhileAway(absence, 2.4, 0.5)).toEqual({ onDay: at(6), litres: expect.closeTo(0.1, 9) })
    expect(dryWhileAway(absence, 1, 0.5)).toEqual({ onDay: at(4), litres: 1.5 })
    expect([dryWhileAway(absence, 0, 0), dryWhileAway(absence, 0, -1)]).toEqual([null, null])
  })
})

describe('simulated seasons', () => {
  it('give of each sowing the plants of every second season and of nine in ten, and of each mix the litres', () => {
    const planned = plan('tomato')
    const { plants, litres, flats, seasons } = simulateSeasons(
      [{ id: 'tomato', plants: 48, clump: false, seedlings: 1, planned }],
      400,
    )
    expect(seasons).toBe(400)
    expect(Object.keys(plants)).toEqual(['tomato'])
    // Nine in ten give as many and more; every second one gives the half.
    expect(plants.tomato!.half).toBeGreaterThan(plants.tomato!.nineTenths)
    expect(plants.tomato!.nineTenths).toBeGreaterThan(24)
    const mixes = new Set(planned.stages.flatMap(({ recipeId }) => recipeId ?? []))
    expect(new Set(Object.keys(litres))).toEqual(mixes)
    for (const { half } of Object.values(litres)) expect(half).toBeGreaterThan(0)
    expect(flats.half).toBeGreaterThan(0)
  })
})
