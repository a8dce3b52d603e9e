import { present } from '../../present'
import type { Day } from '../../calendar/day'
import type { Count } from '../schedule/sowing-request'
import { targetKey, type Job, type JobKind, type JobTarget, type Mark } from './job'

/** The day of a sowing that a mark gives; the rest move nothing. */
const DAY_OF: Partial<Record<JobKind, string>> = {
  treat: 'treat',
  look: 'up',
  out: 'out',
  'give up': 'lost',
  end: 'ended',
}

/**
 * Whether nothing more is done for a sowing: it was given up, its crop is over, or it was planted out before today. One
 * that stands in its last container goes on after that.
 */
export const isOver = (
  days: Readonly<Record<string, Day>> | undefined,
  today: Day,
  keepsOn = false,
): boolean =>
  days?.lost !== undefined ||
  (days?.ended !== undefined && days.ended < today) ||
  (!keepsOn && days?.out !== undefined && days.out < today)

/**
 * What was done, as the days that move what follows: for each sowing `treat`, `stage-0`, `up`, `stage-1` …, `out`; `lost`
 * where it was given up, `ended` where its crop is over. A part that was moved moves nothing yet.
 */
export function doneBySowing(marks: readonly Mark[]): Map<string, Record<string, Day>> {
  const done = new Map<string, Record<string, Day>>()
  for (const mark of marks) {
    if (mark.snoozedUntil !== null || mark.part) continue
    for (const { sowingId, stage } of mark.of) {
      const name = mark.what === 'stage' ? `stage-${stage}` : DAY_OF[mark.what]
      if (!name) continue
      const days = done.get(sowingId) ?? {}
      // Up is the first day on which anything was.
      if (name === 'up' && (mark.count === 0 || (days.up && days.up < mark.on))) continue
      days[name] = mark.on
      done.set(sowingId, days)
    }
  }
  return done
}

/** What came up of each sowing by the last count; none where nobody counted. */
export function upBySowing(marks: readonly Mark[]): Map<string, Count> {
  const last = new Map<string, Mark>()
  for (const mark of marks) {
    if (mark.what !== 'look' || mark.count == null || mark.snoozedUntil !== null) continue
    for (const { sowingId } of mark.of) {
      const known = last.get(sowingId)
      if (!known || known.on <= mark.on) last.set(sowingId, mark)
    }
  }
  return new Map([...last].map(([id, { count, on }]) => [id, { up: present(count), on }]))
}

/** Some plants that were moved on before the rest. */
export interface MovedPart {
  readonly stage: number
  readonly on: Day
  readonly plants: number
}

/** Parts of each sowing that were moved on, while the rest stayed. */
export function movedBySowing(marks: readonly Mark[]): Map<string, MovedPart[]> {
  const moved = new Map<string, MovedPart[]>()
  for (const { what, of, on, snoozedUntil, count, part } of marks) {
    if (what !== 'stage' || !part || !count || snoozedUntil !== null) continue
    for (const { sowingId, stage } of of)
      moved.set(sowingId, [...(moved.get(sowingId) ?? []), { stage, on, plants: count }])
  }
  return moved
}

/** What was done and put off, by job and target. */
export type Marked = ReadonlyMap<string, { readonly done: readonly Day[]; readonly snoozedUntil: Day | null }>

export function marksBy(marks: readonly Mark[]): Marked {
  const by = new Map<string, { done: Day[]; snoozedUntil: Day | null }>()
  for (const mark of marks) {
    // Nothing was up, or the rest is still to be moved: it is looked at again.
    if ((mark.what === 'look' && mark.count === 0) || mark.part) continue
    for (const target of mark.of) {
      const at = `${mark.what} ${targetKey(target)}`
      const known = by.get(at) ?? { done: [], snoozedUntil: null }
      if (mark.snoozedUntil === null) known.done.push(mark.on)
      else if (!known.snoozedUntil || mark.snoozedUntil > known.snoozedUntil)
        known.snoozedUntil = mark.snoozedUntil
      by.set(at, known)
    }
  }
  return by
}

/** Whether a job was put off until after a day. */
export const isSnoozed = (job: Job, marked: Marked, today: Day): boolean =>
  job.of.length > 0 &&
  job.of.every((target) => {
    const until = marked.get(`${job.kind} ${targetKey(target)}`)?.snoozedUntil
    return until !== null && until !== undefined && until > today
  })

export const isDone = (kind: JobKind, of: readonly JobTarget[], marked: Marked): boolean =>
  of.length > 0 && of.every((target) => (marked.get(`${kind} ${targetKey(target)}`)?.done.length ?? 0) > 0)

/** The last day on which it was done; none where it was not. */
export const doneOn = (kind: JobKind, target: JobTarget, marked: Marked): Day | undefined =>
  marked.get(`${kind} ${targetKey(target)}`)?.done.at(-1)
