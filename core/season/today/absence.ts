import type { Day } from '../../calendar/day'

/** Days on which nobody is at the bench; the last is one of them. */
export interface Absence {
  readonly from: Day
  readonly to: Day
  readonly name: string
}
