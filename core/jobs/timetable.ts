import { derive, given, type Figure } from '../working/figure'
import { byDefault, learnedSource } from '../working/source'
import type { Step } from './step'

/** When a step is begun, minutes before (negative) the first container is filled. */
export interface Appointment {
  readonly step: Step
  readonly startsMin: number
}

const WORK_MIN = 15
const DAY_MIN = 24 * 60
/** Nobody is at the bench between these, minutes of the day [common practice]. */
const [MORNING_MIN, NIGHT_MIN, EVENING_MIN] = [7 * 60, 21 * 60, 18 * 60]

/**
 * Count the steps back from the moment of filling: each is done, waits included, before the next begins. Where that would be
 * in the night, a wait is made longer and the step before it done on the evening before.
 *
 * @param fillsAtMin when the first container is filled, minutes of the day
 * @param pace how long hands take here against what is allowed for a step
 */
export function timetable(steps: readonly Step[], fillsAtMin = 9 * 60, pace = 1): Appointment[] {
  const works = ({ workMinutes }: Step) => (workMinutes ?? WORK_MIN) * pace
  const firstFill = steps.findIndex(({ id }) => id.startsWith('fill'))
  const end = firstFill < 0 ? steps.length : firstFill
  const appointments: Appointment[] = []
  let ready = 0
  for (const step of steps.slice(0, end).reverse()) {
    const takes = works(step) + (step.waitMinutes ?? 0)
    ready = awake(ready - takes, works(step), fillsAtMin)
    appointments.unshift({ step, startsMin: ready })
  }
  let later = 0
  for (const step of steps.slice(end)) {
    appointments.push({ step, startsMin: later })
    later += works(step)
  }
  return appointments
}

/** The evening before, for a step that would begin in the night. */
function awake(startsMin: number, works: number, fillsAtMin: number): number {
  const clock = fillsAtMin + startsMin
  const ofDay = ((clock % DAY_MIN) + DAY_MIN) % DAY_MIN
  if (ofDay >= MORNING_MIN && ofDay + works <= NIGHT_MIN) return startsMin
  const midnight = clock - ofDay
  const evening = ofDay < MORNING_MIN ? midnight - DAY_MIN + EVENING_MIN : midnight + EVENING_MIN
  return evening - fillsAtMin
}

/** What is allowed for a list of steps, minutes: the work, and the waits. */
export const minutesOf = (steps: readonly Step[]): { readonly work: number; readonly waits: number } => ({
  work: steps.reduce((sum, { workMinutes }) => sum + (workMinutes ?? WORK_MIN), 0),
  waits: steps.reduce((sum, { waitMinutes }) => sum + (waitMinutes ?? 0), 0),
})

/**
 * Work that is left for the hands, hours; what is waited for comes beside it.
 *
 * @param steps those that are open
 * @param pace how long hands take here against what is allowed, and from how many runs that is known
 */
export const workLeft = (
  steps: readonly Step[],
  pace: { readonly mean: number; readonly n: number },
): Figure =>
  derive(
    'Work left',
    'hours',
    'a * p',
    {
      a: given(
        'Allowed for the steps',
        minutesOf(steps).work / 60,
        'hours',
        byDefault('a quarter of an hour a step, less for the small ones'),
      ),
      p: given('Pace of this bench', pace.mean, '×', learnedSource(pace.n, byDefault('as allowed'))),
    },
    ({ a, p }) => a * p,
  )
