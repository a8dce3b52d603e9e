import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { CROPS } from '../../sowing/crops'
import { addDays, dayFrom, daysBetween } from '../../calendar/day'
import { SCHEDULES } from './schedules'
import { edgeMoved, movedBy } from './moves'
import { planSowing, stagesOf } from './sowing'
import type { SowingRequest } from './sowing-request'
import { standingOf } from '../fitting/standing'
import { ask, book, frame, row, lastFrost } from '../test/fixture'

/** Any sowing whose days work out by themselves, are set at one end, or at both. */
const sowing = fc
  .record({
    crop: fc.constantFrom(...CROPS.filter(({ scheduleId }) => scheduleId !== 'broadcast')),
    scheduleId: fc.constantFrom(...SCHEDULES.map(({ id }) => id)),
    ends: fc.constantFrom('neither', 'sowOn', 'outOn', 'both'),
    day: fc.integer({ min: 0, max: 60 }),
    weeks: fc.integer({ min: 8, max: 14 }),
  })
  .map(({ crop, scheduleId, ends, day, weeks }): SowingRequest => {
    const sowOn = addDays(dayFrom('2027-02-10'), day)
    return ask(crop.id, {
      scheduleId,
      sowOn: ends === 'sowOn' || ends === 'both' ? sowOn : null,
      outOn: ends === 'outOn' || ends === 'both' ? addDays(sowOn, weeks * 7) : null,
    })
  })
const planned = (request: SowingRequest) => planSowing(request, frame, book)

describe('a sowing that is dragged whole', () => {
  it('moves every stage by those days, whichever days it was given', () => {
    fc.assert(
      fc.property(sowing, fc.integer({ min: -30, max: 30 }), (request, by) => {
        const before = planned(request)
        const after = planned(movedBy(request, before, by))
        expect([after.sowOn, after.outOn]).toEqual([addDays(before.sowOn, by), addDays(before.outOn, by)])
        expect(after.stages.map(({ from }) => from)).toEqual(
          before.stages.map(({ from }) => addDays(from, by)),
        )
      }),
      { numRuns: 200 },
    )
  })

  it('dragged there and back is where it was', () => {
    fc.assert(
      fc.property(sowing, fc.integer({ min: -30, max: 30 }), (request, by) => {
        const there = movedBy(request, planned(request), by)
        const back = planned(movedBy(there, planned(there), -by))
        expect(back.stages.map(({ from, until }) => [from, until])).toEqual(
          planned(request).stages.map(({ from, until }) => [from, until]),
        )
      }),
      { numRuns: 100 },
    )
  })
})

describe('an edge between two stages that is dragged', () => {
  it('moves that edge alone: days one stage gains the next one loses, and each keeps a day', () => {
    fc.assert(
      fc.property(sowing, fc.nat(), fc.integer({ min: -40, max: 40 }), (request, pick, by) => {
        const before = planned(request)
        const stages = stagesOf(request)
        const last = before.stages.findLastIndex(({ kind }) => kind !== 'set in')
        const index = pick % (last + 1)
        const after = planned(edgeMoved(request, before, stages, index, by))
        const long = (plan: typeof before) =>
          plan.stages.map(({ from, until }) => daysBetween(from, until)).slice(0, last + 1)
        expect(after.sowOn).toBe(before.sowOn)
        expect(Math.min(...long(after))).toBeGreaterThanOrEqual(1)
        const moved = long(after)[index]! - long(before)[index]!
        expect(Math.abs(moved)).toBeLessThanOrEqual(Math.abs(by))
        if (index === last) expect(daysBetween(before.outOn, after.outOn)).toBe(moved)
        else {
          expect(after.outOn).toBe(before.outOn)
          expect(long(after)[index + 1]! + moved).toBe(long(before)[index + 1]!)
        }
        long(before).forEach((days, i) => {
          if (i !== index && i !== index + 1) expect(long(after)[i]).toBe(days)
        })
      }),
      { numRuns: 200 },
    )
  })
})

describe('how far a sowing may be moved to make room', () => {
  it('is never before today, never out before its frost, and not at all once it is sown', () => {
    fc.assert(
      fc.property(sowing, fc.integer({ min: -20, max: 60 }), fc.boolean(), (request, day, sown) => {
        const today = addDays(dayFrom('2027-02-20'), day)
        const from = dayFrom('2027-01-01')
        const plan = planned(request)
        const standing = standingOf(
          { id: 'a', planned: plan, crop: request.crop },
          frame,
          from,
          today,
          sown,
          'shelf',
        )
        expect(addDays(from, standing.start)).toBe(plan.sowOn)
        expect(standing.flats).toHaveLength(Math.max(1, daysBetween(plan.sowOn, plan.outOn)))
        if (sown || plan.sowOn <= today) return expect([standing.earliest, standing.latest]).toEqual([0, 0])
        const safe = addDays(lastFrost, request.crop.outAfterFrostWeeks * 7)
        const earliest = addDays(plan.sowOn, standing.earliest)
        expect(earliest >= today).toBe(true)
        // One that goes out before its frost already is not moved still earlier.
        const out = addDays(plan.outOn, standing.earliest)
        expect(out >= safe || standing.earliest === 0).toBe(true)
      }),
      { numRuns: 200 },
    )
  })

  it('stands on the shelf as many flats as its stages say', () => {
    const one = row('a', 'tomato', { scheduleId: 'cell-pot' })
    const { flats } = standingOf(
      { ...one, crop: one.crop },
      frame,
      dayFrom('2027-01-01'),
      dayFrom('2027-01-02'),
      false,
      'shelf',
    )
    const stages = one.planned.stages.filter(({ kind }) => kind !== 'harden')
    expect([flats[0], flats.at(-1)]).toEqual([stages[0]!.flats, 0])
    const potted = daysBetween(one.planned.sowOn, stages[1]!.from)
    expect([flats[potted - 1], flats[potted]]).toEqual([stages[0]!.flats, stages[1]!.flats])
  })
})
