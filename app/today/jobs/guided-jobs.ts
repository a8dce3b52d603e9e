import { present } from '#core/present'
import {
  joinedMarks,
  markedAt,
  progressOf,
  type MarkKind,
  type GuidedJobKind,
  type JobProgress,
  type TimerStands,
} from '#core/jobs/guided-job'
import type { Stored } from '#shared/records/collections'
import type { GuidedJobMark, GuidedJobRecord } from '#shared/records/guided-job'

type GuidedJob = Stored<GuidedJobRecord>
/** A job whose server does not answer is tried again after so long. */
const AGAIN_MS = 4000

/**
 * Jobs that are under way at the bench. A mark is shown at once and kept on this device until the server has it, so that
 * neither a reload nor a server that is gone loses a tick; of two phones both are kept.
 */
export const useGuidedJobs = defineStore('guidedJobs', () => {
  const household = useHousehold()
  const { perform, attempt } = useCommands()
  const season = useSeason()
  const { note } = useNotes()

  /** Marks the server does not have yet, by household and job: a copy of a household has the same jobs. */
  const waiting = useKept<Record<string, GuidedJobMark[]>>('run-marks', {}, { initOnMounted: true })
  const at = (jobId: string) => `${household.id} ${jobId}`
  const flushing = new Map<string, Promise<void>>()
  /** Marks made on this page that are not delivered, by their id: a second window writes over what both keep. */
  const own = new Map<string, { of: string; mark: GuidedJobMark }>()
  watch(waiting, (now) => {
    const lost = [...own.values()].filter(({ of, mark }) => !now[of]?.some((one) => one.id === mark.id))
    if (lost.length === 0) return
    const all = { ...now }
    for (const { of, mark } of lost) all[of] = [...(all[of] ?? []), mark]
    waiting.value = all
  })

  const whole = (guidedJob: GuidedJob): GuidedJob => {
    const mine = waiting.value[at(guidedJob.id)]
    return mine?.length
      ? { ...guidedJob, body: { ...guidedJob.body, marks: joinedMarks(guidedJob.body.marks, mine) } }
      : guidedJob
  }
  const all = computed(() => household.guidedJobs.map(whole))
  const open = computed(() => all.value.filter(({ body }) => body.status !== 'ended'))
  const find = (id: string) => all.value.find((one) => one.id === id)
  const standsOf = new WeakMap<readonly GuidedJobMark[], JobProgress>()
  const stands = ({ body }: GuidedJob): JobProgress => {
    const known = standsOf.get(body.marks)
    if (known) return known
    const found = progressOf(body.marks)
    standsOf.set(body.marks, found)
    return found
  }
  /** Timers of every job that is open, the first to ring first. */
  const timers = computed(() =>
    open.value
      .flatMap((guidedJob) => stands(guidedJob).timers.map((timer) => ({ guidedJob, timer })))
      .sort((a, b) => endOf(a.timer) - endOf(b.timer)),
  )

  /** Begin a job, or go on with the one that is open for the same thing. */
  async function start(
    kind: GuidedJobKind,
    name: string,
    subjects: GuidedJobRecord['subjects'],
    also: Partial<GuidedJobRecord> = {},
  ) {
    const same = open.value.find(
      ({ body }) =>
        body.kind === kind &&
        subjects.every((one) =>
          body.subjects.some((had) => had.what === one.what && had.id === one.id && had.stage === one.stage),
        ),
    )
    if (same) return void (await navigateTo(`/jobs/${same.id}`))
    const id = newId()
    const body = {
      name: name.slice(0, 120),
      kind,
      subjects,
      onDay: season.today,
      hands: 1,
      by: '',
      status: 'open' as const,
      marks: [],
      ...also,
    }
    if (await attempt(body.name, [{ name: 'begin job', id, body }], undefined, { quiet: true }))
      await navigateTo(`/jobs/${id}`)
  }

  function mark(guidedJob: GuidedJob, step: string, what: MarkKind, more: Partial<GuidedJobMark> = {}) {
    const one: GuidedJobMark = {
      id: newId(),
      step,
      what,
      at: markedAt(guidedJob.body.marks, what, new Date()),
      by: guidedJob.body.by,
      key: '',
      value: null,
      note: '',
      ...more,
    }
    const of = at(guidedJob.id)
    own.set(one.id, { of, mark: one })
    waiting.value = { ...waiting.value, [of]: [...(waiting.value[of] ?? []), one] }
    void flush(of)
  }

  /** What waits goes to the server; where another hand was faster, both are joined. Who comes while it goes waits for it. */
  function flush(of: string): Promise<void> {
    // One after the other: what is added while it goes is not left behind.
    const under = (flushing.get(of) ?? Promise.resolve()).then(() => sendWaiting(of))
    flushing.set(of, under)
    return under
  }
  async function sendWaiting(of: string): Promise<void> {
    while (waiting.value[of]?.length) {
      const stood = household.guidedJobs.find(({ id }) => at(id) === of)
      if (!stood) return
      const sent = present(waiting.value[of])
      const kept = await added(stood, sent)
      if (!kept) return void setTimeout(() => void flush(of), AGAIN_MS)
      const has = new Set(kept.body.marks.map((one) => one.id))
      for (const id of has) own.delete(id)
      const left = (waiting.value[of] ?? []).filter((one) => !has.has(one.id))
      const { [of]: _, ...rest } = waiting.value
      waiting.value = left.length ? { ...rest, [of]: left } : rest
    }
  }

  /** @returns the job as it stands then; null where the server does not answer */
  async function added(stood: GuidedJob, marks: GuidedJobMark[]): Promise<GuidedJob | null> {
    try {
      const command = { name: 'mark job', id: stood.id, marks } as const
      const { performed } = await perform(stood.body.name, [command], { quiet: true, keepsKey: false })
      return (performed.changed[0]?.record ?? stood) as GuidedJob
    } catch (error) {
      if (!readProblem(error)) return null
      note(whyNot(error))
      // What the server will not have is not tried for ever.
      for (const one of waiting.value[at(stood.id)] ?? []) own.delete(one.id)
      const { [at(stood.id)]: _, ...rest } = waiting.value
      waiting.value = rest
      return stood
    }
  }

  /** Paused, taken up again, handed to another: said of the whole job. */
  async function change(
    guidedJob: GuidedJob,
    what: Partial<Pick<GuidedJobRecord, 'status' | 'by' | 'hands'>>,
  ): Promise<boolean> {
    await flush(at(guidedJob.id))
    const command = { name: 'change job', id: guidedJob.id, ...what } as const
    return (await attempt(guidedJob.body.name, [command], undefined, { quiet: true })) !== null
  }
  /** Ended, with what it did written down. */
  async function end(guidedJob: GuidedJob, by: string, said: string): Promise<boolean> {
    await flush(at(guidedJob.id))
    return (await attempt(guidedJob.body.name, [{ name: 'end job', id: guidedJob.id, by }], said)) !== null
  }

  return {
    all,
    open,
    timers,
    isWaiting: (guidedJob: GuidedJob) => Boolean(waiting.value[at(guidedJob.id)]?.length),
    find,
    stands,
    start,
    mark,
    change,
    end,
    flushAll: () => Object.keys(waiting.value).forEach((of) => void flush(of)),
    answer: (guidedJob: GuidedJob, step: string, key: string, value: number | null, words = '') =>
      mark(guidedJob, step, 'answer', { key, value, note: words }),
    startTimer: (guidedJob: GuidedJob, step: string, name: string, minutes: number) =>
      mark(guidedJob, step, 'timer', { key: newId(), value: minutes, note: name }),
    stopTimer: (guidedJob: GuidedJob, timer: TimerStands) =>
      mark(guidedJob, timer.step, 'stopped', { key: timer.id }),
  }
})

const endOf = ({ startedAt, minutes }: TimerStands) => Date.parse(startedAt) + minutes * 60_000
