import { describe, expect, it } from '@jest/globals'
import { addDays, daysBetween, type Day } from '../../calendar/day'
import { feedDemands, mixDemands } from '../demand/demand'
import { frame, row } from '../test/fixture'
import type { Mark, TodayInput } from './job'
import { doneBySowing } from './marks'
import { jobsOf } from './today'

describe('today', () => {
  const pepper = row('t', 'pepper')
  const input = (today: Day, marks: Mark[] = [], more: Partial<TodayInput> = {}): TodayInput => {
    const done = doneBySowing(marks)
    const rows = [row('t', 'pepper', { done: done.get('t') ?? {}, notBefore: today })]
    return {
      rows,
      mixes: mixDemands(rows, frame),
      feeds: feedDemands(rows, frame),
      marks,
      today,
      nightC: null,
      full: [],
      canL: frame.canL,
      wantsSoak: () => true,
      ...more,
    }
  }
  const mark = (what: Mark['what'], stage: number, on: Day, snoozedUntil: Day | null = null): Mark => ({
    what,
    of: [{ sowingId: 't', stage }],
    on,
    snoozedUntil,
  })
  const jobs = (...args: Parameters<typeof input>) =>
    jobsOf(input(...args)).map(
      ({ kind, state, danger }) => `${kind} ${state}${danger ? ` ${danger.kind}` : ''}`,
    )
  const sowOn = pepper.planned.sowOn

  it('looks again where a count found nothing, and no more once something is up', () => {
    const due = pepper.planned.emergeOn!
    const counted = (count: number): Mark => ({ ...mark('look', 0, due), count })
    const sown = mark('stage', 0, sowOn)
    expect(jobs(addDays(due, 1), [sown, counted(0)]).some((job) => job.startsWith('look'))).toBe(true)
    expect(jobs(addDays(due, 1), [sown, counted(8)]).some((job) => job.startsWith('look'))).toBe(false)
    expect(doneBySowing([sown, counted(0)]).get('t')!.up).toBeUndefined()
  })

  it('soaks the evening before, warns when it was not, and mixes before sowing', () => {
    // An evening that was missed is no harm: half an hour is enough.
    expect(jobs(addDays(sowOn, -1))[0]).toBe('soak mix due')
    expect(jobs(sowOn)).toContain('soak mix due')
    expect(jobs(addDays(sowOn, -1), [mark('soak mix', 0, addDays(sowOn, -1))])).toContain('soak mix done')
    expect(jobs(sowOn, [mark('make mix', 0, sowOn)])).toEqual(
      expect.arrayContaining(['make mix done', 'stage due']),
    )
  })

  it('a stage that was passed over is over once a later one is done', () => {
    const last = pepper.planned.stages.findLast(({ kind }) => kind !== 'set in')!
    const day = addDays(sowOn, 50)
    const asked = (marks: Mark[]) =>
      jobsOf(input(day, marks)).flatMap(({ kind, of }) =>
        kind === 'stage' ? of.map((one) => one.stage) : [],
      )
    expect(asked([mark('stage', 0, sowOn)])).toContain(1)
    expect(
      asked([mark('stage', 0, sowOn), mark('stage', last.index, day)]).filter((stage) => stage < last.index),
    ).toEqual([])
    expect(jobs(day, [mark('stage', last.index, day)]).filter((job) => /^(look|treat)/.test(job))).toEqual([])
  })

  it('what nobody wrote of for two months after its plan is past, and asked for no more', () => {
    const marks = [mark('stage', 0, sowOn)]
    const { outOn } = row('t', 'pepper', { done: doneBySowing(marks).get('t')! }).planned
    expect(jobs(addDays(outOn, 60), marks).length).toBeGreaterThan(0)
    const later = jobsOf({
      ...input(addDays(outOn, 61), marks),
      rows: [row('t', 'pepper', { done: doneBySowing(marks).get('t')! })],
    })
    expect(later.filter(({ kind }) => kind === 'stage' || kind === 'look')).toEqual([])
  })

  it('shows work as late once its window is over, and moves what follows once it is done', () => {
    const late = addDays(pepper.planned.sowRange[1], 1)
    expect(jobs(addDays(late, -1))).toContain('stage due')
    expect(jobs(late)).toContain('stage late')
    const after = input(late, [mark('stage', 0, late)])
    expect(after.rows[0]!.planned.outOn).toBe(addDays(pepper.planned.outOn, daysBetween(sowOn, late)))
  })

  it('misses seedlings past 1.5 times their days', () => {
    const sown = mark('stage', 0, sowOn)
    expect(jobs(pepper.planned.emergeOn!, [sown])).toContain('look due')
    expect(jobs(pepper.planned.lateOn!, [sown])).toContain('look danger no-show')
    expect(jobs(pepper.planned.lateOn!, [sown, mark('look', 0, pepper.planned.lateOn!)])).toContain(
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
      ...pepper.planned.stages.map(({ index, from }) => mark('stage', index, from)),
      mark('look', 0, pepper.planned.emergeOn!),
    ]
    const [first] = feedDemands(input(pepper.planned.outOn, marks).rows, frame)
    const given = mark('feed', first!.of[0]!.stage, first!.on)
    expect(jobs(first!.on, marks)).toContain('feed due')
    expect(jobs(first!.on, [...marks, given])).toContain('feed done')
    expect(jobs(addDays(first!.on, 1), [...marks, given])).not.toContain('feed done')
  })

  it('feeds nothing that is planted out', () => {
    const marks = pepper.planned.stages.map(({ index, from }) => mark('stage', index, from))
    const due = feedDemands(input(pepper.planned.outOn, marks).rows, frame).at(-1)!
    const out = mark('out', pepper.planned.stages.length, due.on)
    expect(jobs(due.on, marks).filter((job) => /feed/.test(job))).not.toEqual([])
    expect(jobs(due.on, [...marks, out]).filter((job) => /feed/.test(job))).toEqual([])
  })

  it('puts off what is snoozed, until its day', () => {
    const snoozed = mark('stage', 0, sowOn, addDays(sowOn, 2))
    expect(jobs(sowOn, [snoozed])).not.toContain('stage due')
    expect(jobs(addDays(sowOn, 2), [snoozed])).toContain('stage due')
  })

  it('keeps plants in when the night is too cold for them', () => {
    const marks = pepper.planned.stages.map(({ index, from }) => mark('stage', index, from))
    const eve = addDays(pepper.planned.outOn, -2)
    expect(jobs(eve, marks, { nightC: 12 })).toContain('out coming')
    expect(jobs(eve, marks, { nightC: 4 })).toContain('out danger nights too cold')
  })

  it('warns of a full shelf while there is time to move things', () => {
    const full = { placeId: 'shelf', name: 'Shelf', on: addDays(sowOn, 4), flats: 9, room: 8 }
    expect(jobs(addDays(sowOn, -1), [], { full: [full] })).toContain('stage danger shelf full')
  })
})
