import { answerKey, stepStands, type JobProgress } from './guided-job'
import type { Step } from './step'
import { minutesOf } from './timetable'

/** What a run of a batch really did: nothing where nothing was measured out. */
export interface MixOutcome {
  /** So much of the batch was measured out. */
  readonly share: number
  readonly usedL: number | null
  readonly leftL: number | null
  readonly waterL: number | null
  readonly filled: number | null
  /** In the tub once it was stirred, L. */
  readonly mixedL: number | null
}

/** The step whose doing takes material from the supplies. */
const TAKES = /^(?:lower-)?measure$/
export const SHARE_KEY = 'share'

/** What was done of a batch by its marks; the share is asked only where the job ended early. */
export function mixOutcome(
  steps: readonly Step[],
  stands: JobProgress,
  mixL: number,
  leftStep: string,
): MixOutcome | null {
  const measures = steps.filter(({ id }) => TAKES.test(id))
  if (!measures.some(({ id }) => stepStands(stands, id).state === 'done')) return null
  const said = (step: string, key: string) => stands.answers.get(answerKey(step, key)) ?? null
  const share = said('measure', SHARE_KEY) ?? 1
  const leftL = said(leftStep, 'leftL')
  const fills = steps.filter(({ id }) => id.startsWith('fill'))
  const counted = fills.flatMap(({ id }) => said(id, 'filled') ?? [])
  const waters = steps.flatMap(({ id }) => said(id, 'waterL') ?? [])
  const sum = (list: readonly number[]) => (list.length ? list.reduce((a, b) => a + b, 0) : null)
  return {
    share,
    leftL,
    usedL: leftL === null ? null : Math.max(0, mixL * share - leftL),
    waterL: sum(waters),
    filled: sum(counted),
    mixedL: said('stir', 'mixedL'),
  }
}

/** What soaked coir gave, L/kg; null where nobody measured both. */
export function coirGave(steps: readonly Step[], stands: JobProgress): number | null {
  for (const { id } of steps) {
    const grams = stands.answers.get(answerKey(id, 'coirG'))
    const litres = stands.answers.get(answerKey(id, 'fibreL'))
    if (grams && litres) return litres / (grams / 1000)
  }
  return null
}

/** A wait is as long as it is: of a job only the work says how quick hands are. */
const MIN_STEPS = 3

/**
 * How long a run took against what is allowed for its steps, waits left out; null where too little of it was ticked, or it lay
 * overnight.
 */
export function paceOf(
  steps: readonly Step[],
  stands: JobProgress,
  marks: readonly { readonly at: string }[],
): number | null {
  const done = steps.filter(({ id }) => stepStands(stands, id).state === 'done')
  const took = minutesTaken(marks)
  const { work: allowed, waits } = minutesOf(done)
  if (done.length < MIN_STEPS || took === null || allowed === 0) return null
  // A wait that was cut short is not work that was quick.
  const worked = took - waits
  return worked > 0 && worked < 8 * allowed ? worked / allowed : null
}

/** From the first mark to the last, minutes; null for fewer than two. */
export function minutesTaken(marks: readonly { readonly at: string }[]): number | null {
  const times = marks.map(({ at }) => Date.parse(at))
  return times.length < 2 ? null : Math.round((Math.max(...times) - Math.min(...times)) / 60_000)
}
