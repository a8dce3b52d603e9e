import { present } from '../present'
import { at as elementAt } from '../numeric/at'
import { addDays, dayFrom, dayNumber, isDay, type Day } from '../calendar/day'

/** What days are read against. */
export interface Calendar {
  readonly today: Day
  /** Last frost of spring, first of autumn; null where there is none or nobody said. */
  readonly frosts: { readonly last: Day; readonly first: Day } | null
  /** Which comes first in 6/5. */
  readonly order: 'day first' | 'month first'
}

/** A day that was read from so many words, what it was taken for, or why it is none. */
export interface ReadDay {
  readonly words: number
  readonly day: Day | null
  readonly means: string
  readonly problem?: string
  /** Counted from a frost. */
  readonly frost?: 'last' | 'first'
}

const MONTHS = ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec']
const MONTH =
  '(jan(?:uary)?|feb(?:ruary)?|mar(?:ch)?|apr(?:il)?|may|june?|july?|aug(?:ust)?|sept?(?:ember)?|oct(?:ober)?|nov(?:ember)?|dec(?:ember)?)'
const WEEKDAYS = ['sunday', 'monday', 'tuesday', 'wednesday', 'thursday', 'friday', 'saturday']
const YEAR = '(?: (\\d{4}))?'
const rule = (pattern: string) => new RegExp(`^${pattern}(?= |$)`)

const pad = (n: number) => String(n).padStart(2, '0')
const monthOf = (name: string) => MONTHS.indexOf(name.slice(0, 3)) + 1

/** The next such day from today on, or before it where `past`; of the year that is named where one is. */
function near(month: number, day: number, year: string | undefined, today: Day, past: boolean): Day | null {
  const make = (y: number) => `${y}-${pad(month)}-${pad(day)}`
  if (year) return [make(Number(year))].find(isDay) ?? null
  const now = Number(today.slice(0, 4))
  const years = past ? [now, now - 1, now - 2, now - 3, now - 4] : [now, now + 1, now + 2, now + 3, now + 4]
  return (
    years
      .map(make)
      .filter(isDay)
      .find((one) => (past ? one <= today : one >= today)) ?? null
  )
}

const lastOf = (month: number, year: number) => new Date(Date.UTC(year, month, 0)).getUTCDate()

/**
 * Easter Sunday of a year [standard: the Gregorian computus; Meeus, Jones and Butcher].
 *
 * @example easter(2027) // '2027-03-28'
 */
export function easter(year: number): Day {
  const a = year % 19
  const b = Math.floor(year / 100)
  const c = year % 100
  const h = (19 * a + b - Math.floor(b / 4) - Math.floor((b - Math.floor((b + 8) / 25) + 1) / 3) + 15) % 30
  const l = (32 + 2 * (b % 4) + 2 * Math.floor(c / 4) - h - (c % 4)) % 7
  const m = Math.floor((a + 11 * h + 22 * l) / 451)
  const month = Math.floor((h + l - 7 * m + 114) / 31)
  return dayFrom(`${year}-${pad(month)}-${pad(((h + l - 7 * m + 114) % 31) + 1)}`)
}

const HOLIDAYS: readonly (readonly [pattern: string, name: string, of: (year: number) => Day])[] = [
  ['good friday', 'Good Friday', (year) => addDays(easter(year), -2)],
  ['easter monday', 'Easter Monday', (year) => addDays(easter(year), 1)],
  ['easter(?: sunday)?', 'Easter', easter],
  ['(?:whitsun|pentecost)', 'Whitsun', (year) => addDays(easter(year), 49)],
  ['christma(?:s)?', 'Christmas', (year) => dayFrom(`${year}-12-25`)],
  ['new year(?: day)?', 'New Year', (year) => dayFrom(`${year}-01-01`)],
  ['halloween', 'Halloween', (year) => dayFrom(`${year}-10-31`)],
]

/** Parts of a month; the day is shown, so that one can say another. */
const PARTS: Readonly<Record<string, (month: number, year: number) => number>> = {
  early: () => 5,
  beginning: () => 1,
  start: () => 1,
  mid: () => 15,
  middle: () => 15,
  late: () => 25,
  end: (month, year) => lastOf(month, year),
}

const SPAN: Readonly<Record<string, number>> = { day: 1, week: 7, fortnight: 14 }

/** So many days, weeks or months on. */
function later(from: Day, n: number, unit: string): Day {
  if (unit !== 'month') return addDays(from, n * present(SPAN[unit]))
  const [year, month, day] = from.split('-').map(Number) as [number, number, number]
  const on = new Date(Date.UTC(year, month - 1 + n, 1))
  const last = lastOf(on.getUTCMonth() + 1, on.getUTCFullYear())
  return dayFrom(`${on.getUTCFullYear()}-${pad(on.getUTCMonth() + 1)}-${pad(Math.min(day, last))}`)
}

const count = (text: string) => text.split(' ').length

/**
 * The day at the head of a text of plain words: `20 may`, `may 20 th`, `25.5.`, `mid may`, `2 week after the last frost`.
 *
 * @param past whether what was is meant: the day before today rather than the next
 * @returns null where no day stands there; a problem where one is meant and there is none such
 */
export function dayAtHead(text: string, calendar: Calendar, past = false): ReadDay | null {
  for (const read of [written, figured, partOfMonth, counted, named, fromFrost]) {
    const found = read(text, calendar, past)
    if (found) return found
  }
  return null
}

type Reader = (text: string, calendar: Calendar, past: boolean) => ReadDay | null

const told = (match: string, day: Day | null, more: Partial<ReadDay> = {}): ReadDay => ({
  words: count(match),
  day,
  means: day ?? '',
  ...more,
})

/** `20 may 2027`, `the 20 th of may`, `may 20 th`. */
const written: Reader = (text, { today }, past) => {
  const first = rule(`(?:the )?(\\d{1,2})(?: (?:st|nd|rd|th))?(?: of)? ${MONTH}${YEAR}`).exec(text)
  const swapped = first ? null : rule(`${MONTH}(?: the)? (\\d{1,2})(?: (?:st|nd|rd|th))?${YEAR}`).exec(text)
  const match = first ?? swapped
  if (!match) return null
  const [day, month] = first
    ? [elementAt(match, 1), elementAt(match, 2)]
    : [elementAt(match, 2), elementAt(match, 1)]
  return told(match[0], near(monthOf(month), Number(day), match[3], today, past))
}

/** `2027-05-20`, `20.5.`, `20/5`, `5/20/2027` by the reader's order; where only one order makes a date, that. */
const figured: Reader = (text, { today, order }, past) => {
  const iso = rule('\\d{4}-\\d{2}-\\d{2}').exec(text)
  if (iso) return told(iso[0], isDay(iso[0]) ? iso[0] : null)
  const match = /^(\d{1,2})([./])(\d{1,2})\.?(?:[./]?(\d{2,4}))?(?= |$)/.exec(text)
  if (!match) return null
  const [a, b] = [Number(match[1]), Number(match[3])]
  const dayFirst = match[2] === '.' || (order === 'day first' ? b <= 12 : a > 12)
  const [day, month] = dayFirst ? [a, b] : [b, a]
  const year = match[4]?.length === 2 ? `20${match[4]}` : match[4]
  return told(match[0], month >= 1 && month <= 12 ? near(month, day, year, today, past) : null)
}

const partOfMonth: Reader = (text, { today }, past) => {
  const week = rule(`(?:the )?(first|second|third|last) week (?:of|in) ${MONTH}${YEAR}`).exec(text)
  if (week) {
    const at = (month: number, year: number) =>
      week[1] === 'last'
        ? lastOf(month, year) - 6
        : present({ first: 1, second: 8, third: 15 }[elementAt(week, 1)])
    return inMonth(week[0], elementAt(week, 2), week[3], at, today, past)
  }
  const part = rule(`(?:the )?(${Object.keys(PARTS).join('|')})(?: of)? ${MONTH}${YEAR}`).exec(text)
  if (part)
    return inMonth(part[0], elementAt(part, 2), part[3], present(PARTS[elementAt(part, 1)]), today, past)
  const whole = rule(`${MONTH}${YEAR}`).exec(text)
  return whole && inMonth(whole[0], elementAt(whole, 1), whole[2], present(PARTS.mid), today, past)
}

function inMonth(
  match: string,
  name: string,
  year: string | undefined,
  dayOf: (month: number, year: number) => number,
  today: Day,
  past: boolean,
): ReadDay {
  const month = monthOf(name)
  const now = Number(today.slice(0, 4))
  const years = year ? [Number(year)] : past ? [now, now - 1] : [now, now + 1]
  const day = years
    .map((y) => dayFrom(`${y}-${pad(month)}-${pad(dayOf(month, y))}`))
    .find((one) => year || (past ? one <= today : one >= today))
  return told(match, day ?? null)
}

/** `in 3 week`, `2 week ago`, `today`, `next saturday`. */
const counted: Reader = (text, { today }, past) => {
  const ago = rule('(\\d{1,3}|a) (day|week|fortnight|month) ago').exec(text)
  if (ago) return told(ago[0], later(today, -Number(ago[1] === 'a' ? 1 : ago[1]), elementAt(ago, 2)))
  const on = rule('(\\d{1,3}|a) (day|week|fortnight|month)(?: from now)?').exec(text)
  if (on && !/^(?:\d{1,3}|a) \w+ (?:before|after) /.test(text))
    return told(on[0], later(today, Number(on[1] === 'a' ? 1 : on[1]), elementAt(on, 2)))
  const word = rule('(today|tomorrow|yesterday|next week|last week|next month)').exec(text)
  if (word) {
    const days = { today: 0, tomorrow: 1, yesterday: -1, 'next week': 7, 'last week': -7 }[elementAt(word, 1)]
    return told(word[0], days === undefined ? later(today, 1, 'month') : addDays(today, days))
  }
  const weekday = rule(`(?:(next|this|last) )?(${WEEKDAYS.join('|')})`).exec(text)
  if (!weekday) return null
  // 1970-01-01 was a Thursday.
  const at = (((dayNumber(today) + 4) % 7) + 7) % 7
  const ahead = (WEEKDAYS.indexOf(elementAt(weekday, 2)) - at + 7) % 7 || 7
  const back = weekday[1] === 'last' || (past && weekday[1] !== 'next')
  return told(weekday[0], addDays(today, back ? ahead - 7 || -7 : ahead))
}

const named: Reader = (text, { today }, past) => {
  for (const [pattern, name, of] of HOLIDAYS) {
    const match = rule(`${pattern}${YEAR}`).exec(text)
    if (!match) continue
    const now = Number(today.slice(0, 4))
    const years = match[1] ? [Number(match[1])] : past ? [now, now - 1] : [now, now + 1]
    const day = present(years.map(of).find((one) => match[1] || (past ? one <= today : one >= today)))
    return told(match[0], day, { means: `${name}, ${day}` })
  }
  return null
}

/** `2 week after the last frost`, `the last frost`. */
const fromFrost: Reader = (text, { frosts }) => {
  const match = rule(
    '(?:(\\d{1,2}|a) (day|week|fortnight) (before|after) )?(?:the )?(last|first) (?:spring |autumn |fall )?frost',
  ).exec(text)
  if (!match) return null
  if (!frosts)
    return told(match[0], null, { problem: 'When is your frost? Say it in the season’s frame first.' })
  const which = match[4] as 'last' | 'first'
  const n = match[1] === 'a' ? 1 : Number(match[1] ?? 0)
  const days = n * (SPAN[match[2] ?? 'day'] ?? 1) * (match[3] === 'before' ? -1 : 1)
  return told(match[0], addDays(frosts[which], days), { frost: which })
}
