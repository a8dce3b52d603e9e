import { localTime } from './zone'

declare const calendarDay: unique symbol
/** A real calendar day, `2027-05-20`; no other text is one. Days belong to no time zone. */
export type Day = string & { readonly [calendarDay]: true }

/** A day of Greenwich, which keeps no summer time and whose clocks count no leap second, ms. */
const DAY_MS = 86_400_000

/** Days are asked for again and again while a season is planned; a few thousand cover it. */
const MAX_KNOWN = 20_000
const numbers = new Map<string, number>()
const days = new Map<number, Day>()

/** Milliseconds of a real calendar day's midnight; NaN for anything else. */
function midnight(text: string): number {
  const at = /^\d{4}-\d{2}-\d{2}$/.test(text) ? Date.parse(`${text}T00:00Z`) : NaN
  // Some calendars roll 31 April over into May; such a day is none.
  return Number.isNaN(at) || new Date(at).toISOString().slice(0, 10) !== text ? NaN : at
}

/**
 * Whether a text names a real calendar day.
 *
 * @example isDay('2028-02-29') // true
 * @example isDay('2027-02-29') // false
 */
export const isDay = (text: string): text is Day => numbers.has(text) || !Number.isNaN(midnight(text))

/**
 * The day a text names.
 *
 * @throws RangeError for a day that is none, such as 2027-02-29
 * @example dayFrom('2027-03-01') // '2027-03-01'
 * @example dayFrom('1 March') // throws RangeError
 */
export function dayFrom(text: string): Day {
  if (!isDay(text)) throw new RangeError(`day: '${text}' is not a calendar day`)
  return text
}

/**
 * The day of a moment, by the clock of Greenwich.
 *
 * @throws RangeError for a moment outside the years 0 to 9999
 * @example dayAt(new Date('2027-03-01T23:59:00Z')) // '2027-03-01'
 */
export const dayAt = (at: Date): Day => dayFrom(at.toISOString().slice(0, 10))

/**
 * Whether a text is the IANA name of a time zone.
 *
 * @example isTimeZone('Europe/Nowhere') // false
 */
export const isTimeZone = (name: string): boolean => {
  try {
    return Boolean(new Intl.DateTimeFormat('en', { timeZone: name }))
  } catch {
    return false
  }
}

/**
 * The day of a moment where that time zone is kept; by the clock of Greenwich where none is named.
 *
 * @throws RangeError for no time zone
 * @example dayIn('Pacific/Auckland', new Date('2027-03-01T20:00:00Z')) // '2027-03-02'
 */
export function dayIn(timeZone: string | null, at: Date): Day {
  if (timeZone === null) return dayAt(at)
  return dayFrom(localTime(timeZone, at).day)
}

/**
 * Days since 1970-01-01.
 *
 * @throws RangeError for a day that is none, such as 2027-02-29
 * @example dayNumber('1970-01-02') // 1
 */
export function dayNumber(day: Day): number {
  const known = numbers.get(day)
  if (known !== undefined) return known
  const at = midnight(day)
  if (Number.isNaN(at)) throw new RangeError(`day: '${day}' is not a calendar day`)
  if (numbers.size > MAX_KNOWN) numbers.clear()
  const number = at / DAY_MS
  numbers.set(day, number)
  return number
}

/**
 * The day so many days after 1970-01-01; parts of a day are rounded.
 *
 * @example dayOf(365) // '1971-01-01'
 */
export function dayOf(number: number): Day {
  const whole = Math.round(number)
  const known = days.get(whole)
  if (known !== undefined) return known
  if (days.size > MAX_KNOWN) days.clear()
  const day = dayAt(new Date(whole * DAY_MS))
  days.set(whole, day)
  return day
}

/**
 * The same day so many years on; 28 February where there is no 29th.
 *
 * @example yearsOn('2027-03-01', 2) // '2029-03-01'
 */
export function yearsOn(day: Day, years: number): Day {
  const on = `${Number(day.slice(0, 4)) + years}${day.slice(4)}`
  return isDay(on) ? on : addDays(dayFrom(`${on.slice(0, 8)}01`), 27)
}

/**
 * The day so many days on, or back where negative.
 *
 * @example addDays('2027-02-27', 3) // '2027-03-02'
 */
export const addDays = (day: Day, days: number): Day => dayOf(dayNumber(day) + days)

/**
 * Days from one day to another; negative when it lies before.
 *
 * @example daysBetween('2027-02-27', '2027-03-02') // 3
 */
export const daysBetween = (from: Day, to: Day): number => dayNumber(to) - dayNumber(from)
