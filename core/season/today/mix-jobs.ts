import type { Day } from '../../calendar/day'
import { PLAIN, stateOn, type Job, type JobKind, type TodayInput } from './job'
import { doneOn, isDone, type Marked } from './marks'

/** Coir to soak the evening before, and mix to make for what is filled. */
export function mixJobs({ mixes, rows, today, wantsSoak }: TodayInput, marked: Marked): Job[] {
  const names = new Map(rows.map(({ id, name }) => [id, name]))
  return mixes.flatMap((mix) => {
    // What is already sown, potted or set out needs no mix any more.
    const of = mix.of.filter((target) => doneOn('stage', target, marked) === undefined && !isOut(target))
    if (of.length === 0) return []
    const common = { ...PLAIN, of, names: of.map(({ sowingId }) => names.get(sowingId) ?? ''), mix }
    const made = isDone('make mix', of, marked)
    const soaked = made || isDone('soak mix', of, marked)
    const wasToday = (kind: JobKind) => of.some((target) => doneOn(kind, target, marked) === today)
    const jobs: Job[] = []
    if (wantsSoak(mix.recipeId) && !made && (!soaked || wasToday('soak mix'))) {
      jobs.push({
        ...common,
        id: `soak mix ${mix.id}`,
        kind: 'soak mix',
        dueOn: mix.soakOn,
        // Half an hour is enough for it: an evening that was missed is no harm, it is done before the mix.
        state: soaked ? 'done' : mix.soakOn < today ? 'due' : stateOn(mix.soakOn, today, null),
      })
    }
    // What was made on another day is no longer shown.
    if (made && !wasToday('make mix')) return jobs
    jobs.push({
      ...common,
      id: `make mix ${mix.id}`,
      kind: 'make mix',
      dueOn: mix.on,
      state: made ? 'done' : stateOn(mix.on, today, null),
    })
    return jobs
  })

  /** Set in its last container, which is filled on the day it goes out. */
  function isOut({ sowingId, stage }: { sowingId: string; stage: number }): Day | undefined {
    return doneOn('out', { sowingId, stage: stage + 1 }, marked)
  }
}
