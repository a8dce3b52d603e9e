import { utcDay } from 'd3-time'

/** A calendar day, `2027-05-20`. Days belong to no time zone. */
export type Day = string

const EPOCH = new Date(0)

/** Days are asked for again and again while a season is planned; a few thousand cover it. */
const MOST_KNOWN = 20_000
const numbers = new Map<Day, number>()
const days = new Map<number, Day>()

/** Milliseconds of a real calendar day's midnight; NaN for anything else. */
function midnight(text: string): number {
  const at = /^\d{4}-\d{2}-\d{2}$/.test(text) ? Date.parse(`${text}T00:00Z`) : NaN
  // Some calendars roll 31 April over into May; such a day is none.
  return Number.isNaN(at) || new Date(at).toISOString().slice(0, 10) !== text ? NaN : at
}

export const isDay = (text: string): boolean => numbers.has(text) || !Number.isNaN(midnight(text))

/** Days since 1970-01-01. @throws RangeError for a day that is none, such as 2027-02-29 */
export function dayNumber(day: Day): number {
  const known = numbers.get(day)
  if (known !== undefined) return known
  const at = midnight(day)
  if (Number.isNaN(at)) throw new RangeError(`day: '${day}' is not a calendar day`)
  if (numbers.size > MOST_KNOWN) numbers.clear()
  const number = utcDay.count(EPOCH, new Date(at))
  numbers.set(day, number)
  return number
}

export function dayOf(number: number): Day {
  const whole = Math.round(number)
  const known = days.get(whole)
  if (known !== undefined) return known
  if (days.size > MOST_KNOWN) days.clear()
  const day = utcDay.offset(EPOCH, whole).toISOString().slice(0, 10)
  days.set(whole, day)
  return day
}

/** The same day so many years on; 28 February where there is no 29th. */
export function yearsOn(day: Day, years: number): Day {
  const on = `${Number(day.slice(0, 4)) + years}${day.slice(4)}`
  return isDay(on) ? on : addDays(`${on.slice(0, 8)}01`, 27)
}

export const addDays = (day: Day, days: number): Day => dayOf(dayNumber(day) + days)

/** Days from one day to another; negative when it lies before. */
export const daysBetween = (from: Day, to: Day): number => dayNumber(to) - dayNumber(from)
