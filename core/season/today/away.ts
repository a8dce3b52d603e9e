import { addDays, daysBetween, type Day } from '../../calendar/day'
import type { Job, JobKind } from './job'
import type { Absence } from './absence'

/**
 * Work that may be done some days early without harm [common practice]: mixes keep, seed and plants do not mind. What has to be
 * seen on its day (is it up, how cold is the night) cannot.
 */
const MAY_BE_EARLY: readonly JobKind[] = [
  'treat',
  'soak mix',
  'make mix',
  'stage',
  'thin',
  'roots',
  'feed',
  'out',
]
/** Earlier than this it is another plan. */
const MAX_DAYS_EARLY = 10

/**
 * The absence a day falls into.
 *
 * @example absenceOn([{ from: '2027-03-03', to: '2027-03-05', name: '' }], '2027-03-06') // null
 */
export const absenceOn = (away: readonly Absence[], day: Day): Absence | null =>
  away.find(({ from, to }) => from <= day && day <= to) ?? null

/** The absence that begins within so many days, or is on. */
export const absenceAhead = (away: readonly Absence[], today: Day, within: number): Absence | null =>
  [...away]
    .sort((a, b) => (a.from < b.from ? -1 : 1))
    .find(({ from, to }) => to >= today && daysBetween(today, from) <= within) ?? null

/**
 * Jobs that fall on days away: what may be early is due the day before; the rest stays and says that somebody else has to look.
 */
export function aroundAway(jobs: readonly Job[], away: readonly Absence[], today: Day): Job[] {
  if (away.length === 0) return [...jobs]
  return jobs.map((job) => {
    const absence = job.state === 'done' ? null : absenceOn(away, job.dueOn)
    if (!absence) return job
    const before = addDays(absence.from, -1)
    const early = MAY_BE_EARLY.includes(job.kind) && daysBetween(before, job.dueOn) <= MAX_DAYS_EARLY
    if (!early || absence.from <= today) return { ...job, away: { ...absence, early: false } }
    const dueOn = before
    const state = job.state === 'danger' ? 'danger' : dueOn > today ? 'coming' : 'due'
    return { ...job, dueOn, state, away: { ...absence, early: true } }
  })
}

/** A tray that runs dry while nobody is there. */
export interface DryWhileAway {
  readonly onDay: Day
  /** What it drinks until somebody is back, L. */
  readonly litres: number
}

/**
 * Whether a tray that is watered before one goes lasts until one is back.
 *
 * @param easyL what it gives easily once it is full, L
 * @param lossPerDayL what it loses in a day, L
 * @example dryWhileAway({ from: '2027-03-03', to: '2027-03-05', name: '' }, 3, 1) // ({ onDay: '2027-03-05', litres: 1 })
 */
export function dryWhileAway({ from, to }: Absence, easyL: number, lossPerDayL: number): DryWhileAway | null {
  const days = daysBetween(from, to) + 2
  if (lossPerDayL <= 0 || lossPerDayL * days <= easyL) return null
  return { onDay: addDays(from, Math.floor(easyL / lossPerDayL) - 1), litres: lossPerDayL * days - easyL }
}
