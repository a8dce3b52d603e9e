import type { Step } from './step'

/** When a step is begun, minutes before (negative) the first container is filled. */
export interface Appointment {
  readonly step: Step
  readonly startsMin: number
}

const WORK_MIN = 15
/** The evening before: fifteen hours before filling, so six in the evening for nine in the morning. */
const EVENING_BEFORE_MIN = -15 * 60

/**
 * Count the steps back from the moment of filling: each is done, waits included, before the next begins, and a soak is
 * begun on the evening before at the latest.
 */
export function timetable(steps: readonly Step[]): Appointment[] {
  const firstFill = steps.findIndex(({ id }) => id.startsWith('fill'))
  const end = firstFill < 0 ? steps.length : firstFill
  const appointments: Appointment[] = []
  let ready = 0
  for (const step of steps.slice(0, end).reverse()) {
    ready -= (step.workMinutes ?? WORK_MIN) + (step.waitMinutes ?? 0)
    if (step.theEveningBefore) ready = Math.min(ready, EVENING_BEFORE_MIN)
    appointments.unshift({ step, startsMin: ready })
  }
  let later = 0
  for (const step of steps.slice(end)) {
    appointments.push({ step, startsMin: later })
    later += step.workMinutes ?? WORK_MIN
  }
  return appointments
}
