import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { CROPS } from '../../sowing/crops'
import { addDays, dayFrom, type Day } from '../../calendar/day'
import { feedDemands, mixDemands } from '../demand/demand'
import { SCHEDULES } from '../schedule/schedules'
import { placeOf } from '../../places/place'
import { planSowing } from '../schedule/sowing'
import type { SowingRequest } from '../schedule/sowing-request'
import { feedSowing } from '../demand/feeding'
import { FEEDS } from '../../feed/feeds'
import { ask, book, crop, frame } from '../test/fixture'
import type { JobKind, Mark, TodayRow } from './job'
import { doneBySowing, movedBySowing } from './marks'
import { jobsOf } from './today'
import { walkOf } from './walk'

const home = {
  ...frame,
  places: [
    placeOf('shelf', 'shelf'),
    placeOf('mat', 'mat'),
    placeOf('frame', 'cold'),
    placeOf('windowsill', 'sill'),
  ],
}

function rowOf(id: string, request: SowingRequest): TodayRow {
  const planned = planSowing(request, home, book)
  const feeding = feedSowing(planned, request.crop, FEEDS[0]!, home.feedingMethod, book)
  return { id, name: `${request.crop.name} ${id}`, crop: request.crop, planned, feeding }
}
const mark = (what: JobKind, sowingId: string, stage: number, on: Day, more: Partial<Mark> = {}): Mark => ({
  what,
  of: [{ sowingId, stage }],
  on,
  snoozedUntil: null,
  ...more,
})
/** The day as the page sees it: planned with what was done, then asked for. */
function dayOf(
  requests: readonly SowingRequest[],
  marks: readonly Mark[],
  today: Day,
  nightC: number | null = null,
) {
  const done = doneBySowing(marks)
  const moved = movedBySowing(marks)
  const rows = requests.map((request, i) =>
    rowOf(`s${i}`, {
      ...request,
      done: done.get(`s${i}`) ?? {},
      moved: moved.get(`s${i}`),
      notBefore: today,
    }),
  )
  const jobs = jobsOf({
    ...{ rows, marks, today, nightC, full: [], canL: 9, wantsSoak: () => true },
    mixes: mixDemands(rows, home),
    feeds: feedDemands(rows, home),
  })
  return { rows, jobs, stops: walkOf(rows, jobs, done, home.places, today) }
}

const season = fc.array(
  fc.record({
    crop: fc.constantFrom(...CROPS.filter(({ autumn }) => !autumn)),
    scheduleId: fc.constantFrom(...SCHEDULES.map(({ id }) => id)),
    plants: fc.integer({ min: 4, max: 100 }),
    sowOn: fc.integer({ min: 0, max: 40 }).map((n) => addDays(dayFrom('2027-03-01'), n)),
    begun: fc.integer({ min: 0, max: 4 }),
    isUp: fc.boolean(),
  }),
  { minLength: 1, maxLength: 5 },
)

describe('today as a walk', () => {
  it('passes every job of today once, the bench first and the evening last, and every tray where it stands', () => {
    fc.assert(
      fc.property(season, fc.integer({ min: 0, max: 120 }), (list, at) => {
        const today = addDays(dayFrom('2027-03-01'), at)
        const requests = list.map(({ begun: _, isUp: __, ...one }) => ({ ...ask('basil'), ...one }))
        const marks = list.flatMap(({ begun, isUp, sowOn }, i) => [
          ...Array.from({ length: begun }, (_, stage) =>
            mark('stage', `s${i}`, stage, addDays(sowOn, stage * 12)),
          ),
          ...(begun > 0 && isUp ? [mark('look', `s${i}`, 0, addDays(sowOn, 8))] : []),
        ])
        const { jobs, stops, rows } = dayOf(requests, marks, today, 4)
        const passed = stops.flatMap((stop) => stop.jobs.map(({ id }) => id)).sort()
        expect(passed).toEqual(
          jobs
            .filter(({ state }) => state !== 'coming')
            .map(({ id }) => id)
            .sort(),
        )
        const order = ['at the bench', 'with the watering', 'in the evening']
        const when = stops.map((stop) => order.indexOf(stop.when))
        expect(when).toEqual([...when].sort())
        const standing = stops.flatMap((stop) => stop.standing.map(({ sowingId }) => sowingId))
        const begun = rows.filter((_, i) => list[i]!.begun > 0).map(({ id }) => id)
        expect(new Set(standing)).toEqual(new Set(begun))
      }),
      { numRuns: 60 },
    )
  })

  it('marks the tray to touch, with the worst that is asked of it', () => {
    const sowOn = dayFrom('2027-03-20')
    const marks = [mark('stage', 's0', 0, sowOn), mark('look', 's0', 0, addDays(sowOn, 6))]
    const pot = dayOf([ask('tomato', { scheduleId: 'cell-pot', sowOn })], marks, addDays(sowOn, 60))
    const shelf = pot.stops.find(({ key }) => key === 'shelf')!
    expect(shelf.standing).toMatchObject([{ isUp: true, touch: 'late', count: 1 }])
    expect(pot.stops[0]!.jobs.map(({ kind }) => kind)).toEqual(['soak mix', 'make mix', 'stage'])
  })
})

describe('moments', () => {
  const sowOn = dayFrom('2027-03-20')
  const up = addDays(sowOn, 6)
  const kinds = (marks: Mark[], day: number, more: Partial<SowingRequest> = {}) =>
    dayOf([ask('tomato', { scheduleId: 'cell-pot', sowOn, ...more })], marks, addDays(sowOn, day))
      .jobs.filter(({ state }) => state !== 'coming')
      .map(({ kind }) => kind)
  const sown = mark('stage', 's0', 0, sowOn)
  const seen = mark('look', 's0', 0, up)

  it('come with what was seen: cover off on the day of the first sprout, thinned a week on, moving air', () => {
    // Tomato germinates on the mat here, under its dome.
    expect(kinds([sown, seen], 6)).toContain('uncover')
    expect(kinds([sown], 6)).not.toContain('uncover')
    expect(kinds([sown, seen], 11)).toContain('fan')
    expect(kinds([sown, seen], 14, { seedsPerCell: 2 })).toContain('thin')
    expect(kinds([sown, seen], 14, { seedsPerCell: 1 })).not.toContain('thin')
  })

  it('are never late, and are gone again by themselves', () => {
    const potted = mark('stage', 's0', 1, addDays(sowOn, 30))
    expect(kinds([sown, seen, potted], 32)).toContain('settle')
    for (const day of [36, 40, 50]) {
      const asked = kinds([sown, seen, potted], day)
      for (const kind of ['uncover', 'thin', 'fan', 'settle', 'roots'] as const)
        expect(asked).not.toContain(kind)
    }
    const late = dayOf([ask('tomato', { sowOn })], [sown, seen], addDays(sowOn, 13)).jobs
    expect(late.filter(({ kind, state }) => kind === 'fan' && state === 'late')).toEqual([])
  })
})

describe('a feed that was missed', () => {
  it('moves to today, and several of one sowing never pile up', () => {
    fc.assert(
      fc.property(fc.integer({ min: 10, max: 80 }), (day) => {
        const sowOn = dayFrom('2027-03-01')
        const marks = [mark('stage', 's0', 0, sowOn), mark('look', 's0', 0, addDays(sowOn, 7))]
        const { jobs } = dayOf([ask('tomato', { scheduleId: 'cell', sowOn })], marks, addDays(sowOn, day))
        const now = jobs.filter(({ kind, state }) => kind === 'feed' && state !== 'coming')
        expect(now.length).toBeLessThanOrEqual(1)
        for (const { state, first } of now) expect([state, first]).toEqual(['due', true])
      }),
    )
  })
})

describe('a part that was moved', () => {
  it('stands in its new place while the rest waits, and what is left to fill is the rest', () => {
    const sowOn = dayFrom('2027-03-01')
    const request = ask('tomato', { plants: 40, scheduleId: 'cell-pot', sowOn, certainty: 0.9 })
    const sown = [mark('stage', 's0', 0, sowOn), mark('look', 's0', 0, addDays(sowOn, 7))]
    const day = addDays(sowOn, 30)
    const part = mark('stage', 's0', 1, addDays(sowOn, 29), { count: 24, part: true })
    const [whole] = dayOf([request], sown, day).rows
    const { rows, jobs } = dayOf([request], [...sown, part], day)
    const [before, after] = [whole!.planned.stages[1]!, rows[0]!.planned.stages[1]!]
    // 40 wanted and 5 % spare are 42; 24 are moved.
    expect([before.fill.count, after.fill.count, after.moved]).toEqual([42, 18, 24])
    expect(after.looseL / before.looseL).toBeCloseTo(18 / 42, 6)
    const shelf = dayOf([request], [...sown, part], day).stops.find(({ key }) => key === 'shelf')!
    expect(shelf.standing.map(({ container, count }) => [container, count])).toEqual([
      ['72-cell tray', 1],
      ['10 cm round pot', 24],
    ])
    expect(after.stays[0]).toMatchObject({ from: addDays(sowOn, 29), until: after.from })
    expect(jobs.find(({ kind, of }) => kind === 'stage' && of[0]!.stage === 1)).toMatchObject({ moved: 24 })
    const all = dayOf([request], [...sown, part, mark('stage', 's0', 1, day)], day).rows[0]!.planned
      .stages[1]!
    expect([all.fill.count, all.moved]).toEqual([42, 0])
  })
})

it('a plant is brought in from the frame on a cold night, three degrees milder than the forecast', () => {
  const sowOn = dayFrom('2027-03-01')
  const inFrame = ask('tomato', { sowOn, placeId: 'cold' })
  const shelter = (nightC: number) =>
    dayOf([inFrame], [mark('stage', 's0', 0, sowOn)], addDays(sowOn, 3), nightC).jobs.find(
      ({ kind }) => kind === 'shelter',
    )
  expect(shelter(crop('tomato').lowestNightC - 3)).toBeUndefined()
  expect(shelter(crop('tomato').lowestNightC - 4)).toMatchObject({ state: 'danger' })
})
