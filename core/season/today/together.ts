import type { Job, JobKind, TodayRow } from './job'

/** Done to a whole tray at once, whatever is in it. */
const OF_A_TRAY: readonly JobKind[] = ['stage', 'look', 'uncover']
const WORST: readonly Job['state'][] = ['late', 'due', 'coming', 'done']

/**
 * What is in one tray is one job: sowings that share a tray are sown, looked at and uncovered together. One that is in danger stands
 * for itself, and what is done is not joined with what is still to do.
 *
 * @returns the jobs, those joined in the place of the first of them
 */
export function togetherInTrays(jobs: readonly Job[], rows: readonly TodayRow[]): Job[] {
  const byId = new Map(rows.map((row) => [row.id, row]))
  const traysOf = (job: Job): string[] =>
    job.of.flatMap(({ sowingId, stage }) => {
      const planned = byId.get(sowingId)?.planned.stages[stage]
      return planned?.kind === 'sow' ? (planned.placed?.in ?? []).map(({ tray }) => tray) : []
    })
  const joined: { job: Job; trays: Set<string> }[] = []
  const single: Job[] = []
  for (const job of jobs) {
    const trays = OF_A_TRAY.includes(job.kind) && !job.danger && !job.away ? traysOf(job) : []
    if (trays.length === 0) {
      single.push(job)
      continue
    }
    const met = joined.filter(
      (one) =>
        one.job.kind === job.kind &&
        (one.job.state === 'done') === (job.state === 'done') &&
        trays.some((tray) => one.trays.has(tray)),
    )
    const whole = { job: met.reduce((sum, one) => joinedJobs(one.job, sum), job), trays: new Set(trays) }
    for (const one of met) {
      for (const tray of one.trays) whole.trays.add(tray)
      joined.splice(joined.indexOf(one), 1)
    }
    joined.push(whole)
  }
  return [...joined.map(({ job }) => job), ...single]
}

const joinedJobs = (a: Job, b: Job): Job => ({
  ...a,
  of: [...a.of, ...b.of],
  names: [...a.names, ...b.names],
  dueOn: a.dueOn < b.dueOn ? a.dueOn : b.dueOn,
  state: WORST.find((state) => state === a.state || state === b.state) ?? a.state,
  placeIds: [...new Set([...a.placeIds, ...b.placeIds])],
})
