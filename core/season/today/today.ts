import { aroundAway } from './away'
import type { Day } from '../../calendar/day'
import { feedJobs } from './feed-jobs'
import { horizonOf, JOB_KINDS, stateOn, type Job, type TodayInput } from './job'
import { doneBySowing, isSnoozed, marksBy, movedBySowing } from './marks'
import { mixJobs } from './mix-jobs'
import { sowingJobs } from './sowing-jobs'
import { togetherInTrays } from './together'

/** All jobs up to a week ahead, those in danger first, then late, due, coming and done today. */
export function jobsOf(input: TodayInput): Job[] {
  const { rows, marks, today } = input
  const marked = marksBy(marks)
  const days = doneBySowing(marks)
  const moved = movedBySowing(marks)
  const all = [
    ...rows.flatMap((row) => sowingJobs(row, input, marked, days.get(row.id) ?? {}, moved.get(row.id) ?? [])),
    ...mixJobs(input, marked),
    ...feedJobs(input, marked, days),
  ]
  const shown = aroundAway(all, input.away ?? [], today)
    .filter(({ dueOn, state }) => dueOn <= horizonOf(today) || state === 'danger')
    .map(onlyFirstFull(today))
    .filter((job) => job.state === 'done' || !isSnoozed(job, marked, today))
  const jobs = togetherInTrays(shown, rows)
  const order = { danger: 0, late: 1, due: 2, coming: 3, done: 4 }
  // On one day in the order of the work: soak, mix, then fill.
  return jobs.sort(
    (a, b) =>
      order[a.state] - order[b.state] ||
      (a.dueOn < b.dueOn ? -1 : a.dueOn > b.dueOn ? 1 : 0) ||
      JOB_KINDS.indexOf(a.kind) - JOB_KINDS.indexOf(b.kind),
  )
}

/** A full place is said once, at the first of those that would stand in it. */
function onlyFirstFull(today: Day) {
  const said = new Set<string>()
  return (job: Job): Job => {
    if (job.danger?.kind !== 'shelf full') return job
    const again = said.has(job.danger.place)
    said.add(job.danger.place)
    return again ? { ...job, danger: null, state: stateOn(job.dueOn, today, null) } : job
  }
}
