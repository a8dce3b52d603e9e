import type { Step } from './step'

/** Jobs that are done at the bench step by step. */
export const GUIDED_JOB_KINDS = [
  'soak',
  'mix',
  'sow',
  'prick out',
  'pot up',
  'final container',
  'feed',
  'water',
  'clean',
] as const
export type GuidedJobKind = (typeof GUIDED_JOB_KINDS)[number]

/** What is called what, on a button and in a list. */
export const GUIDED_JOB_NAMES: Readonly<Record<GuidedJobKind, string>> = {
  soak: 'Soak',
  mix: 'Mix',
  sow: 'Sow',
  'prick out': 'Prick out',
  'pot up': 'Pot up',
  'final container': 'Set in the final container',
  feed: 'Feed',
  water: 'Water',
  clean: 'Clean',
}

/**
 * What a hand says in a job: a step is done, skipped, or open again; a timer begins or is stopped; a question is answered;
 * something is counted.
 */
export const MARKS = ['done', 'skipped', 'open', 'timer', 'stopped', 'answer', 'count'] as const
export type MarkKind = (typeof MARKS)[number]

export interface Mark {
  readonly id: string
  readonly step: string
  readonly what: MarkKind
  /** ISO, by the clock of the device. */
  readonly at: string
  readonly by: string
  readonly key: string
  readonly value: number | null
  readonly note: string
}

export interface StepStands {
  readonly state: 'open' | 'done' | 'skipped'
  readonly at: string | null
  readonly by: string
  /** Why it was skipped. */
  readonly note: string
}
export interface TimerStands {
  readonly id: string
  readonly step: string
  readonly name: string
  readonly startedAt: string
  readonly minutes: number
}
export interface JobProgress {
  readonly steps: ReadonlyMap<string, StepStands>
  /** Those that still run or ring. */
  readonly timers: readonly TimerStands[]
  /** The last answer to each question, `step key`. */
  readonly answers: ReadonlyMap<string, number>
  /** Words of the last answer, where it was one of several. */
  readonly chosen: ReadonlyMap<string, string>
  /** Sum of what was counted, by step. */
  readonly counts: ReadonlyMap<string, number>
}

const OPEN: StepStands = { state: 'open', at: null, by: '', note: '' }
/**
 * @example answerKey('stir', 'waterL') // 'stir waterL'
 */
export const answerKey = (step: string, key: string): string => `${step} ${key}`

/** A job as it stands after all its marks, whatever order they arrived in. */
export function progressOf(marks: readonly Mark[]): JobProgress {
  const steps = new Map<string, StepStands>()
  const timers = new Map<string, TimerStands>()
  const answers = new Map<string, number>()
  const chosen = new Map<string, string>()
  const counts = new Map<string, number>()
  const stopped = new Set(marks.flatMap(({ what, key }) => (what === 'stopped' ? [key] : [])))
  for (const one of inOrder(marks)) {
    const { step, what, at, by, key, value, note } = one
    if (what === 'done' || what === 'skipped') steps.set(step, { state: what, at, by, note })
    if (what === 'open') steps.set(step, OPEN)
    if (what === 'timer' && !stopped.has(key))
      timers.set(key, { id: key, step, name: note, startedAt: at, minutes: value ?? 0 })
    if (what === 'answer') {
      if (value === null) answers.delete(answerKey(step, key))
      else answers.set(answerKey(step, key), value)
      if (note) chosen.set(answerKey(step, key), note)
    }
    if (what === 'count') counts.set(step, (counts.get(step) ?? 0) + (value ?? 0))
  }
  for (const [step, n] of counts) counts.set(step, Math.max(0, n))
  return { steps, timers: [...timers.values()], answers, chosen, counts }
}
/** By the clock, those of one instant by their ids, so that every device reads the same. */
const inOrder = (marks: readonly Mark[]) =>
  [...marks].sort((a, b) => (a.at < b.at ? -1 : a.at > b.at ? 1 : a.id < b.id ? -1 : 1))

/**
 * When a mark is made: now, but after every mark that stands, so that a clock that was set back does not put the last tick
 * before the first. A timer keeps the hour it was begun at.
 */
export function markedAt(marks: readonly Pick<Mark, 'at' | 'what'>[], what: MarkKind, now: Date): string {
  if (what === 'timer') return now.toISOString()
  const last = Math.max(
    -Infinity,
    ...marks.flatMap((one) => (one.what === 'timer' ? [] : [Date.parse(one.at)])),
  )
  return new Date(Math.max(now.getTime(), last + 1)).toISOString()
}

export const stepStands = ({ steps }: Pick<JobProgress, 'steps'>, id: string): StepStands =>
  steps.get(id) ?? OPEN

/** Marks of two devices together: each once, none lost. */
export function joinedMarks<Of extends Pick<Mark, 'id'>>(one: readonly Of[], other: readonly Of[]): Of[] {
  const known = new Set(one.map(({ id }) => id))
  return [...one, ...other.filter(({ id }) => !known.has(id))]
}

/** The steps that are still to do: neither done nor skipped. */
export const openSteps = <Of extends Pick<Step, 'id'>>(
  list: readonly Of[],
  stands: Pick<JobProgress, 'steps'>,
): Of[] => list.filter(({ id }) => stepStands(stands, id).state === 'open')
/** The first of them; null where there is none. */
export const nextStep = <Of extends Pick<Step, 'id'>>(
  list: readonly Of[],
  stands: Pick<JobProgress, 'steps'>,
): Of | null => openSteps(list, stands)[0] ?? null

/** How a timer stands: minutes left, below 0 once it rings. A clock that was set back counts from where it was begun. */
export function minutesLeft(
  { startedAt, minutes }: Pick<TimerStands, 'startedAt' | 'minutes'>,
  now: Date,
): number {
  const gone = (now.getTime() - Date.parse(startedAt)) / 60_000
  return minutes - Math.max(0, gone)
}
/** Whether the clock stands before the moment a timer was begun: then nobody knows how long it has run. */
export const clockWasSetBack = ({ startedAt }: Pick<TimerStands, 'startedAt'>, now: Date): boolean =>
  now.getTime() < Date.parse(startedAt) - 60_000
