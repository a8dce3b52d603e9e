import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { absenceAhead, aroundAway, dryWhileAway } from './away'
import type { Absence } from './absence'
import { ownInstant, todayOf } from '../../calendar/clock'
import { addDays, dayFrom } from '../../calendar/day'
import { PLAIN, type Job } from './job'
import { coldestAhead, hottestAhead, type WeatherDay } from '../../calendar/weather'

const TODAY = dayFrom('2027-04-12')
const at = (n: number) => addDays(TODAY, n)
const job = (kind: Job['kind'], days: number): Job => ({
  ...PLAIN,
  id: `${kind} ${days}`,
  kind,
  of: [],
  names: ['Okra'],
  dueOn: at(days),
  state: days > 0 ? 'coming' : 'due',
})
const AWAY: Absence = { from: at(3), to: at(6), name: 'at the coast' }

describe('days away', () => {
  it('bring forward what may be early, to the day before one goes', () => {
    const [mix, look, other] = aroundAway(
      [job('make mix', 4), job('look', 5), job('stage', 8)],
      [AWAY],
      TODAY,
    )
    expect(mix).toMatchObject({ dueOn: at(2), state: 'coming', away: { early: true } })
    expect(look).toMatchObject({ dueOn: at(5), away: { early: false } })
    expect(other).toEqual(job('stage', 8))
  })
  it('leave nothing that may be early on a day away, and lose no job, whatever is planned', () => {
    const jobs = fc.array(
      fc.record({
        kind: fc.constantFrom<Job['kind'][]>('make mix', 'feed', 'look', 'stage', 'harden'),
        days: fc.integer({ min: 0, max: 9 }),
      }),
      { maxLength: 8 },
    )
    const away = fc.record({ from: fc.integer({ min: 1, max: 8 }), days: fc.integer({ min: 0, max: 5 }) })
    fc.assert(
      fc.property(jobs, away, (list, { from, days }) => {
        const absence = { from: at(from), to: at(from + days), name: '' }
        const done = aroundAway(
          list.map((one) => job(one.kind, one.days)),
          [absence],
          TODAY,
        )
        expect(done.map(({ id }) => id)).toEqual(list.map((one) => `${one.kind} ${one.days}`))
        for (const one of done) {
          const falls = one.dueOn >= absence.from && one.dueOn <= absence.to
          if (falls) expect(['look', 'harden']).toContain(one.kind)
          expect(one.dueOn >= TODAY).toBe(true)
        }
      }),
    )
  })
  // By hand: watered the evening before, back on the day after the last: five days, 5 × 0.4 = 2.0 L, of which it gives 1.6.
  it('say which trays run dry, from when, and how much they lack', () => {
    expect(dryWhileAway(AWAY, 1.6, 0.4)).toEqual({ onDay: at(6), litres: expect.closeTo(0.4, 6) })
    expect(dryWhileAway(AWAY, 2.4, 0.4)).toBeNull()
    expect(dryWhileAway(AWAY, 1, 0)).toBeNull()
  })
  it('that are near are found, and those that are over are not', () => {
    expect(absenceAhead([AWAY], TODAY, 4)).toBe(AWAY)
    expect(absenceAhead([AWAY], TODAY, 2)).toBeNull()
    expect(absenceAhead([AWAY], at(5), 0)).toBe(AWAY)
    expect(absenceAhead([AWAY], at(7), 9)).toBeNull()
  })
})

describe('a clock of one’s own', () => {
  const since = '2030-01-02T10:00:00Z'
  const after = (hours: number) => new Date(Date.parse(since) + hours * 3_600_000)
  const clock = (speed: number) => ({ day: TODAY, since, speed })
  it('begins at nine on its day, goes at its pace, and at the plain pace never leaves its day', () => {
    expect(ownInstant(clock(1), after(0)).toISOString()).toBe('2027-04-12T09:00:00.000Z')
    expect(ownInstant(clock(1), after(2)).toISOString()).toBe('2027-04-12T11:00:00.000Z')
    expect(todayOf({ clock: clock(1), timeZone: 'Asia/Tokyo' }, after(24 * 400))).toBe(TODAY)
    expect(todayOf({ clock: clock(1440), timeZone: null }, after(0.1))).toBe(at(6))
    // A reader whose clock is behind is not sent to the day before.
    expect(todayOf({ clock: clock(60), timeZone: null }, after(-50))).toBe(TODAY)
  })
  it('is the real one where none was set', () => {
    expect(todayOf({ clock: null, timeZone: 'Pacific/Auckland' }, new Date('2027-04-12T20:00:00Z'))).toBe(
      at(1),
    )
  })
})

describe('a forecast', () => {
  const day = (n: number, lowC: number, highC: number, more: Partial<WeatherDay> = {}): WeatherDay => ({
    on: at(n),
    source: 'forecast',
    lowC,
    highC,
    rainMm: null,
    windMPerS: null,
    sunHours: null,
    madeOn: TODAY,
    simulated: false,
    ...more,
  })
  it('counts for the nights just ahead, while it is fresh, and history is none', () => {
    const days = [day(0, -9, 30), day(1, 4, 12), day(2, 1, 18), day(3, 6, 25), day(4, -7, 31)]
    expect(coldestAhead(days, TODAY)?.on).toBe(at(2))
    expect(hottestAhead(days, TODAY)?.highC).toBe(30)
    expect(
      coldestAhead(
        days.map((one) => ({ ...one, madeOn: at(-4) })),
        TODAY,
      ),
    ).toBeNull()
    expect(
      coldestAhead(
        days.map((one) => ({ ...one, source: 'history' as const })),
        TODAY,
      ),
    ).toBeNull()
  })
})
