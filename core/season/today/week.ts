import { addDays, type Day } from '../../calendar/day'
import type { Job } from './job'

/** A sheet for the week reaches to the same weekday again. */
const WEEK_DAYS = 8

/** What is open on each day of the week from today on; what is late stands on the first. */
export const weekOf = (
  jobs: readonly Job[],
  today: Day,
): { readonly day: Day; readonly jobs: readonly Job[] }[] =>
  Array.from({ length: WEEK_DAYS }, (_, i) => addDays(today, i)).map((day, i) => ({
    day,
    jobs: jobs.filter(({ dueOn, state }) => state !== 'done' && (i === 0 ? dueOn <= day : dueOn === day)),
  }))
