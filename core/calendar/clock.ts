import { dayFrom, dayIn, type Day } from './day'
import { localTime } from './zone'

/** A day a household lives on that is not today: an example whose frosts and crops make sense whenever it is opened. */
export interface OwnClock {
  /** The day its clock was set to. */
  readonly day: Day
  /** The instant it was set, by the real clock, ISO 8601. */
  readonly since: string
  /** How fast it runs. At 1 the day stays the day it was set to; faster, the days go by. */
  readonly speed: number
}

/** A clock that is set begins at nine in the morning. */
const MORNING_HOUR = 9
const DAY_MS = 86_400_000
export const FASTEST = 1440

/**
 * The moment a household lives in, as an instant whose date and time in Greenwich are those of its own clock; the real
 * instant where it has no clock of its own.
 */
export function ownInstant(clock: OwnClock | null, real: Date): Date {
  if (!clock) return real
  const begun = Date.parse(`${clock.day}T00:00:00Z`) + MORNING_HOUR * 3_600_000
  const gone = Math.max(0, real.getTime() - Date.parse(clock.since)) * clock.speed
  // At its plain pace it waits at the end of the day it was set to.
  const most = clock.speed > 1 ? Infinity : DAY_MS - MORNING_HOUR * 3_600_000 - 60_000
  return new Date(begun + Math.min(gone, most))
}

/**
 * The time of day there, `07:30`. @param timeZone null for Greenwich
 * @example timeOf('UTC', new Date('2027-03-01T07:30:00Z')) // '07:30'
 */
export const timeOf = (timeZone: string | null, at: Date): string => localTime(timeZone ?? 'UTC', at).time

/** Today, where the household is. */
export const todayOf = (
  { clock, timeZone }: { readonly clock: OwnClock | null; readonly timeZone: string | null },
  real: Date,
): Day => (clock ? dayFrom(ownInstant(clock, real).toISOString().slice(0, 10)) : dayIn(timeZone, real))
