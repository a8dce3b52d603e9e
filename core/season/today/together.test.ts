import { describe, expect, it } from '@jest/globals'
import { addDays, type Day } from '../../calendar/day'
import { row } from '../test/fixture'
import { PLAIN, type Job, type JobKind, type TodayRow } from './job'
import { togetherInTrays } from './together'

/** A sowing whose seed goes into these trays. */
function sownIn(id: string, ...trays: string[]): TodayRow {
  const one = row(id, 'basil')
  const [sow, ...later] = one.planned.stages
  const placed = { ...sow!.placed!, in: trays.map((tray) => ({ tray, cells: 6, fixed: false, stands: [] })) }
  return { ...one, planned: { ...one.planned, stages: [{ ...sow!, placed }, ...later] } }
}
const on = row('a', 'basil').planned.sowOn
const job = (sowingId: string, kind: JobKind = 'stage', more: Partial<Job> = {}): Job => ({
  ...PLAIN,
  id: `${kind} ${sowingId}`,
  kind,
  stageKind: kind === 'stage' ? 'sow' : null,
  of: [{ sowingId, stage: 0 }],
  names: [sowingId],
  dueOn: on,
  state: 'due',
  ...more,
})
const named = (jobs: readonly Job[], rows: readonly TodayRow[]) =>
  togetherInTrays(jobs, rows).map(({ names }) => names.toSorted().join(' '))

describe('what is in one tray', () => {
  const rows = [sownIn('a', 't1'), sownIn('b', 't1', 't2'), sownIn('c', 't2'), sownIn('d', 't3')]

  it('is one job, also through a sowing that stands in two trays; what shares none stands for itself', () => {
    expect(named([job('a'), job('b'), job('c'), job('d')], rows)).toEqual(['a b c', 'd'])
    // Whoever comes last joins those it has a tray with.
    expect(named([job('a'), job('c'), job('d'), job('b')], rows)).toEqual(['d', 'a b c'])
  })

  it('keeps apart what is done, what is in danger, and what is done to plants one by one', () => {
    const danger = { kind: 'no-show', expected: on, verdict: 'late' } as const
    expect(named([job('a'), job('b', 'stage', { state: 'done' })], rows)).toEqual(['a', 'b'])
    expect(named([job('a', 'look'), job('b', 'look', { state: 'danger', danger })], rows)).toEqual(['a', 'b'])
    expect(named([job('a', 'roots'), job('b', 'roots')], rows)).toEqual(['a', 'b'])
    expect(named([job('a'), job('b', 'look')], rows)).toEqual(['a', 'b'])
  })

  it('is due with the first of them, and late where one of them is', () => {
    const later: Day = addDays(on, 2)
    const [one] = togetherInTrays(
      [job('a', 'stage', { dueOn: later, state: 'coming' }), job('b', 'stage', { state: 'late' })],
      rows,
    )
    expect(one).toMatchObject({ dueOn: on, state: 'late' })
    expect(one!.of.map(({ sowingId }) => sowingId).toSorted()).toEqual(['a', 'b'])
  })
})
