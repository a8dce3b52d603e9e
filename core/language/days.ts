import { present } from '../present'
import type { Found, Sentence } from './pattern'
import { at as elementAt } from '../numeric/at'
import { addDays, dayFrom, daysBetween, dayNumber, isDay, type Day } from '../calendar/day'
import { IN_FIGURES } from './numbers'

/** What days are read against. */
export interface Calendar {
  readonly today: Day
  /** Last frost of spring, first of autumn; null where there is none or nobody said. */
  readonly frosts: { readonly last: Day; readonly first: Day } | null
  /** Which comes first in 6/5. */
  readonly order: 'day first' | 'month first'
  /** `8.5` is a day where nothing but days is said. */
  readonly barePoints?: boolean
}

/** A day that was read from so many words, what it was taken for, or why it is none. */
export interface ReadDay {
  readonly words: number
  readonly day: Day | null
  readonly means: string
  readonly problem?: string
  /** Counted from a frost. */
  readonly frost?: 'last' | 'first'
  /** So many weeks from it were said. */
  readonly counted?: boolean
  /** The days it may be, where it has to be asked. */
  readonly choices?: readonly { readonly name: string; readonly day: Day }[]
}

const MONTHS = ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec']
const MONTH =
  '(jan(?:uary)?|feb(?:ruary)?|mar(?:ch)?|apr(?:il)?|may|june?|july?|aug(?:ust)?|sept?(?:ember)?|oct(?:ober)?|nov(?:ember)?|dec(?:ember)?)'
const WEEKDAYS = ['sunday', 'monday', 'tuesday', 'wednesday', 'thursday', 'friday', 'saturday']
const YEAR = '(?: (\\d{4}))?'
/** A pattern at the head of a text. */
const rule = (pattern: string): RegExp => new RegExp(`^${pattern}(?= |$)`)
/** Words a day can begin with; figures besides. */
const BEGINS =
  /^(?:\d|the$|an?$|jan|feb|mar|apr|may|jun|jul|aug|sep|oct|nov|dec|sun|mon|tue|wed|thu|fri|sat|early$|begin|start$|mid|late$|end$|first$|second$|third$|fourth$|fifth$|sixth$|seventh$|eighth$|ninth$|tenth$|eleventh$|twelfth$|thirteenth$|fourteenth$|fifteenth$|last$|next$|this$|on$|over$|in$|couple$|today$|tonight$|now$|right$|straight$|at$|just$|yesterday$|tomorrow$|day$|week|good$|easter$|whit|pentecost$|christma|new$|halloween$|boxing$|earth$|midsummer$|bonfire$|juneteenth$|independence$|saint$|st$|valentine|memorial$|labou?r$|mother$|father$|thanksgiving$|average$|our$|my$|final$|spring$|autumn$|fall$|frost$|after$|one$|two$|three$|four$|five$|six$|seven$|eight$|nine$|ten$|eleven$|twelve$)/

const pad = (n: number) => String(n).padStart(2, '0')
const monthOf = (name: string) => MONTHS.indexOf(name.slice(0, 3)) + 1

/**
 * What a day without a year is of: of what is to come, the next such day; of what was, the last such day, except that one
 * which is still to come within weeks is taken as it stands, so that it can be asked about.
 */
type Tense = 'to come' | 'was'
/** A day so near ahead is hardly meant of last year [default]. */
const NEAR_AHEAD_DAYS = 120

/** The year of a day that was said without one: by what the sentence is about, never by what makes it fit. */
function inYear(
  dayOf: (year: number) => Day | null,
  year: string | undefined,
  today: Day,
  tense: Tense,
): Day | null {
  if (year) return dayOf(Number(year))
  const now = Number(today.slice(0, 4))
  // Within four years there is a 29 February.
  const nearest = (step: 1 | -1, fits: (day: Day) => boolean): Day | null => {
    for (let off = 0; off <= 4; off++) {
      const day = dayOf(now + off * step)
      if (day !== null && fits(day)) return day
    }
    return null
  }
  const next = nearest(1, (day) => day >= today)
  if (tense === 'to come') return next
  const last = nearest(-1, (day) => day <= today)
  return next !== null && next !== last && daysBetween(today, next) <= NEAR_AHEAD_DAYS ? next : last
}

const near = (month: number, day: number, year: string | undefined, today: Day, tense: Tense): Day | null =>
  inYear((y) => [`${y}-${pad(month)}-${pad(day)}`].find(isDay) ?? null, year, today, tense)

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
  ['earth day', 'Earth Day', (year) => dayFrom(`${year}-04-22`)],
  ['boxing day', 'Boxing Day', (year) => dayFrom(`${year}-12-26`)],
  ['midsummer(?: day)?', 'Midsummer Day', (year) => dayFrom(`${year}-06-24`)],
  ['bonfire night', 'Bonfire Night', (year) => dayFrom(`${year}-11-05`)],
  ['juneteenth', 'Juneteenth', (year) => dayFrom(`${year}-06-19`)],
  ['independence day', 'Independence Day', (year) => dayFrom(`${year}-07-04`)],
  ['halloween', 'Halloween', (year) => dayFrom(`${year}-10-31`)],
  ['(?:saint|st) patrick(?: day)?', 'St Patrick’s Day', (year) => dayFrom(`${year}-03-17`)],
  ['valentine(?: day)?', 'Valentine’s Day', (year) => dayFrom(`${year}-02-14`)],
  ['may day', 'May Day', (year) => dayFrom(`${year}-05-01`)],
  ['memorial day', 'Memorial Day', (year) => weekdayIn(year, 5, 1, 0)],
  ['labou?r day', 'Labor Day', (year) => weekdayIn(year, 9, 1, 1)],
  ['(?:the )?4 th of july', 'Independence Day', (year) => dayFrom(`${year}-07-04`)],
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
 * @param tense whether what was is meant: a day before today rather than the next
 * @returns null where no day stands there; a problem where one is meant and there is none such
 */
export function dayAtHead(text: string, calendar: Calendar, tense: Tense = 'to come'): ReadDay | null {
  for (const read of [fromEither, fromDay, written, figured, partOfMonth, counted, named, fromFrost]) {
    const found = read(text, calendar, tense)
    if (found) return found
  }
  return null
}

type Reader = (text: string, calendar: Calendar, tense: Tense) => ReadDay | null

const told = (match: string, day: Day | null, more: Partial<ReadDay> = {}): ReadDay => ({
  words: count(match),
  day,
  means: day ?? '',
  ...more,
})

export const ORDINALS =
  'first second third fourth fifth sixth seventh eighth ninth tenth eleventh twelfth thirteenth fourteenth fifteenth'.split(
    ' ',
  )

/** `20 may 2027`, `the 20 th of may`, `may 20 th`. */
const written: Reader = (text, { today }, tense) => {
  for (const [pattern, month, ordinal] of ORDINAL_DAYS) {
    const match = pattern.exec(text)
    if (!match) continue
    const day = ORDINALS.indexOf(elementAt(match, ordinal)) + 1
    return told(match[0], near(monthOf(elementAt(match, month)), day, match[3], today, tense))
  }
  const first = DAY_MONTH.exec(text)
  const swapped = first ? null : MONTH_DAY.exec(text)
  const match = first ?? swapped
  if (!match) return null
  const [day, month] = first
    ? [elementAt(match, 1), elementAt(match, 2)]
    : [elementAt(match, 2), elementAt(match, 1)]
  return told(match[0], near(monthOf(month), Number(day), match[3], today, tense))
}

/** `2027-05-20`, `20.5.`, `20/5`, `5/20/2027` by the reader's order; where only one order makes a date, that. */
const figured: Reader = (text, { today, order, barePoints }, tense) => {
  const iso = ISO.exec(text)
  if (iso) return told(iso[0], isDay(iso[0]) ? iso[0] : null)
  const match = /^(\d{1,2})([./])(\d{1,2})(\.)?(?:[./]?(\d{2,4}))?(?= |$)/.exec(text)
  if (!match) return null
  const [a, b] = [Number(match[1]), Number(match[3])]
  const dayFirst = match[2] === '.' || (order === 'day first' ? b <= 12 : a > 12)
  const [day, month] = dayFirst ? [a, b] : [b, a]
  // `6.2` is a number of something; a date has its second stop, or a year.
  if (match[2] === '.' && !match[4] && !match[5] && !barePoints) return null
  const year = match[5]?.length === 2 ? `20${match[5]}` : match[5]
  return told(match[0], month >= 1 && month <= 12 ? near(month, day, year, today, tense) : null)
}

const partOfMonth: Reader = (text, { today }, tense) => {
  const week = WEEK_OF.exec(text)
  if (week) {
    const at = (month: number, year: number) =>
      week[1] === 'last'
        ? lastOf(month, year) - 6
        : present({ first: 1, second: 8, third: 15 }[elementAt(week, 1)])
    return inMonth(week[0], elementAt(week, 2), week[3], at, today, tense)
  }
  const part = PART_OF.exec(text)
  if (part)
    return inMonth(part[0], elementAt(part, 2), part[3], present(PARTS[elementAt(part, 1)]), today, tense)
  // `Last November` is the one that was, whatever is said of it.
  const before = LAST_MONTH.exec(text)
  if (before) {
    const month = monthOf(elementAt(before, 1))
    const year = Number(today.slice(0, 4))
    const days = [year - 1, year].map((y) => dayFrom(`${y}-${pad(month)}-15`)).filter((day) => day <= today)
    return told(before[0], days.at(-1) ?? null)
  }
  const whole = WHOLE_MONTH.exec(text)
  return whole && inMonth(whole[0], elementAt(whole, 1), whole[2], present(PARTS.mid), today, tense)
}

function inMonth(
  match: string,
  name: string,
  year: string | undefined,
  dayOf: (month: number, year: number) => number,
  today: Day,
  tense: Tense,
): ReadDay {
  const month = monthOf(name)
  return told(
    match,
    inYear((y) => dayFrom(`${y}-${pad(month)}-${pad(dayOf(month, y))}`), year, today, tense),
  )
}

/** `in 3 week`, `2 week ago`, `today`, `next saturday`. */
const counted: Reader = (text, { today }, tense) => {
  const ago = AGO.exec(text)
  if (ago) return told(ago[0], later(today, -numberOf(elementAt(ago, 1)), elementAt(ago, 2)))
  const on = AHEAD.exec(text)
  if (on && tense === 'to come')
    return told(on[0], later(today, numberOf(elementAt(on, 1)), elementAt(on, 2)))
  for (const [pattern, days] of DAY_WORDS) {
    const match = pattern.exec(text)
    if (match) return told(match[0], addDays(today, days))
  }
  const month = NEXT_MONTH.exec(text)
  if (month) return told(month[0], later(today, month[1] === 'next' ? 1 : -1, 'month'))
  const end = END_OF_MONTH.exec(text)
  if (end) {
    const [year, m] = today.split('-').map(Number) as [number, number]
    return told(end[0], dayFrom(`${year}-${pad(m)}-${pad(lastOf(m, year))}`))
  }
  const nth = NTH.exec(text)
  if (nth) return told(nth[0], nthOfMonth(Number(nth[1]), today, tense))
  const weekend = WEEKEND.exec(text)
  const weekday = WEEKDAY.exec(text)
  const said = weekday ?? weekend
  if (!said) return null
  // 1970-01-01 was a Thursday.
  const at = (((dayNumber(today) + 4) % 7) + 7) % 7
  const which = weekday ? WEEKDAYS.findIndex((name) => name.startsWith(elementAt(weekday, 2).slice(0, 3))) : 6
  // On a Saturday or a Sunday this weekend is the one that has begun.
  if (weekend && weekend[1] !== 'next' && weekend[1] !== 'last' && (at === 6 || at === 0))
    return told(said[0], today)
  const ahead = (which - at + 7) % 7 || 7
  const back = said[1] === 'last' || (tense === 'was' && said[1] !== 'next')
  return told(said[0], addDays(today, back ? ahead - 7 || -7 : ahead))
}
const SHORT_DAYS = 'sun|mon|tue|tues|wed|thu|thur|thurs|fri|sat'
const DAY_WORDS = (
  [
    ['(?:the )?day before yesterday', -2],
    ['(?:the )?day after tomorrow', 2],
    [
      '(?:today|tonight|now|just now|right now|right away|straight away|at once|this (?:morning|evening|afternoon))',
      0,
    ],
    ['(?:yesterday(?: (?:morning|evening|afternoon))?|last night)', -1],
    ['tomorrow(?: (?:morning|evening|afternoon|night))?', 1],
    ['next week', 7],
    ['last week', -7],
  ] as const
).map(([pattern, days]) => [rule(pattern), days] as const)
const numberOf = (said: string) => ({ a: 1, 'couple of': 2 })[said] ?? Number(said)

/** The 10th: of this month, or of the one before or after. */
function nthOfMonth(n: number, today: Day, tense: Tense): Day | null {
  const [year, month] = today.split('-').map(Number) as [number, number]
  const days = [-2, -1, 0, 1, 2].flatMap((off) => {
    const on = new Date(Date.UTC(year, month - 1 + off, 1))
    const text = `${on.getUTCFullYear()}-${pad(on.getUTCMonth() + 1)}-${pad(n)}`
    return isDay(text) ? [dayFrom(text)] : []
  })
  return (
    (tense === 'was' ? days.filter((one) => one <= today).at(-1) : days.find((one) => one >= today)) ?? null
  )
}

/** Feasts by their date; those that fall on another day in another country are asked about with the days they would be. */
const named: Reader = (text, { today }, tense) => {
  for (const [pattern, name, of] of HOLIDAYS_AT) {
    const match = pattern.exec(text)
    if (!match) continue
    const day = inYear(of, match[1], today, tense)
    return told(match[0], day, { means: `${name}, ${day}` })
  }
  for (const [pattern, name, ways] of MOVABLE_AT) {
    const match = pattern.exec(text)
    if (!match) continue
    const days = ways.flatMap(({ where, of }) => {
      const day = inYear(of, match[1], today, tense)
      return day ? [{ name: `${where}: ${day}`, day }] : []
    })
    return told(match[0], null, {
      problem: `${name} is not on one day everywhere. Which is meant?`,
      choices: days,
    })
  }
  return null
}

/** The n-th weekday of a month; the last where n is 0. */
function weekdayIn(year: number, month: number, weekday: number, n: number): Day {
  const first = dayFrom(`${year}-${pad(month)}-01`)
  const at = (((dayNumber(first) + 4) % 7) + 7) % 7
  const day = 1 + ((weekday - at + 7) % 7)
  const all = [0, 7, 14, 21, 28].map((off) => day + off).filter((d) => d <= lastOf(month, year))
  return dayFrom(`${year}-${pad(month)}-${pad(present(n ? all[n - 1] : all.at(-1)))}`)
}
interface Way {
  readonly where: string
  readonly of: (year: number) => Day
}
const MOVABLE: readonly (readonly [pattern: string, name: string, ways: readonly Way[]])[] = [
  [
    'mother day',
    'Mother’s Day',
    [
      { where: 'the second Sunday of May', of: (year) => weekdayIn(year, 5, 0, 2) },
      { where: 'the fourth Sunday of Lent', of: (year) => addDays(easter(year), -21) },
    ],
  ],
  [
    'father day',
    'Father’s Day',
    [
      { where: 'the third Sunday of June', of: (year) => weekdayIn(year, 6, 0, 3) },
      { where: 'the first Sunday of September', of: (year) => weekdayIn(year, 9, 0, 1) },
    ],
  ],
  [
    'thanksgiving(?: day)?',
    'Thanksgiving',
    [
      { where: 'the fourth Thursday of November', of: (year) => weekdayIn(year, 11, 4, 4) },
      { where: 'the second Monday of October', of: (year) => weekdayIn(year, 10, 1, 2) },
    ],
  ],
]

/** `2 week after the last frost`, `the last frost`, `after frost`: what comes after a frost is of spring's last. */
const fromFrost: Reader = (text, { frosts }) => {
  const match = FROM_FROST.exec(text)
  if (!match) return null
  const [whole, n, unit, way, after, order, season = match[7]] = match
  if (!n && !after && !order && !season) return null
  const autumn = order === 'first' || (!order && season !== undefined && season !== 'spring')
  // `6 weeks before frost` is of the one that is counted from: the last of spring; of autumn's it is said.
  const which = autumn ? 'first' : 'last'
  if (!frosts)
    return told(whole, null, {
      problem: 'When is your frost? Say it in the season’s frame first.',
      frost: which,
    })
  const back = way === 'before' || way === 'ahead of'
  const days = numberOf(n ?? '0') * (unit === 'month' ? 30 : (SPAN[unit ?? 'day'] ?? 1)) * (back ? -1 : 1)
  return told(whole, addDays(frosts[which], days), { frost: which, ...(n ? { counted: true } : {}) })
}

/** `6 week before 15 may`: counted from a day that is said. */
const fromDay: Reader = (text, calendar, tense) => {
  const match =
    /^(\d{1,2}|a|couple of) (day|week|fortnight|month) (before|after|ahead of|past) (?:the )?(?=\S)/.exec(
      text,
    )
  if (!match) return null
  const [lead, n, unit, way] = match as unknown as [string, string, string, string]
  for (const read of [written, figured, named]) {
    const found = read(text.slice(lead.length), calendar, tense)
    if (!found?.day) continue
    const back = way === 'before' || way === 'ahead of'
    const day = later(found.day, numberOf(n) * (back ? -1 : 1), unit)
    return {
      words: count(lead.trim()) + found.words,
      day,
      means: day,
      counted: true,
    }
  }
  return null
}

/** `6-8 week before the last frost`: either is a day, which is asked. */
const fromEither: Reader = (text, calendar, tense) => {
  const match = EITHER.exec(text)
  if (!match) return null
  const [lead, a, b, rest] = match as unknown as [string, string, string, string]
  const days = [a, b].map((n) => {
    const counted = `${n} ${rest}${text.slice(lead.length)}`
    return fromDay(counted, calendar, tense) ?? fromFrost(counted, calendar, tense)
  })
  const [one, other] = days
  if (!one?.day || !other?.day) return one ? { ...one, words: one.words + EITHER_WORDS } : null
  const unit = rest.split(' ')[0] ?? ''
  return {
    words: one.words + EITHER_WORDS,
    day: null,
    means: `${a} or ${b} ${unit}s`,
    problem: `${a} ${unit}s, or ${b}?`,
    ...(one.frost ? { frost: one.frost } : {}),
    choices: [
      { name: `${b} ${unit}s: ${other.day}`, day: other.day },
      { name: `${a} ${unit}s: ${one.day}`, day: one.day },
    ],
  }
}

/** The day that begins at a place of a sentence, as a term. */
export const dayTerm =
  (calendar: Calendar, tense: Tense) =>
  ({ tokens }: Sentence, at: number): Found<ReadDay>[] => {
    if (!BEGINS.test(elementAt(tokens, at).lower) && !BEGINS.test(elementAt(tokens, at).plain)) return []
    const words: string[] = []
    for (let i = at; i < tokens.length && words.length < 9; i++) {
      const token = elementAt(tokens, i)
      if (i > at && token.parted) break
      words.push(token.quoted ? '"' : (IN_FIGURES.get(token.lower) ?? token.plain))
    }
    const found = dayAtHead(words.join(' '), calendar, tense)
    return found ? [{ to: at + found.words, value: found }] : []
  }

/* Each pattern is made once. */
/** The second number and what joins it. */
const EITHER_WORDS = 2
const EITHER =
  /^(\d{1,2}) (?:-|to|or) (\d{1,2}) ((?:day|week|fortnight|month) (?:before|after|ahead of|past) )/
const MONTH_ORDINAL = rule(`${MONTH}(?: the)? (${ORDINALS.join('|')})${YEAR}`)
const ORDINAL_MONTH = rule(`(?:the )?(${ORDINALS.join('|')}) (?:of )?${MONTH}${YEAR}`)
const DAY_MONTH = rule(`(?:the )?(\\d{1,2})(?: (?:st|nd|rd|th))?(?: of)? ${MONTH}${YEAR}`)
const MONTH_DAY = rule(`${MONTH}(?: the)? (\\d{1,2})(?: (?:st|nd|rd|th))?${YEAR}`)
const ISO = rule('\\d{4}-\\d{2}-\\d{2}')
const WEEK_OF = rule(`(?:the )?(first|second|third|last) week (?:of|in) ${MONTH}${YEAR}`)
const PART_OF = rule(`(?:the )?(${Object.keys(PARTS).join('|')})(?: of)? ${MONTH}${YEAR}`)
const LAST_MONTH = rule(`last ${MONTH}`)
const WHOLE_MONTH = rule(`${MONTH}${YEAR}`)
const AGO = rule('(\\d{1,3}|a|1|couple of) (day|week|fortnight|month) (?:ago|back|old)')
const NEXT_MONTH = rule('(next|last) month')
const END_OF_MONTH = rule('(?:the )?end of (?:the|this) month')
const NTH = rule('(?:the )?(\\d{1,2}) (?:st|nd|rd|th)(?: of (?:the|this) month)?')
const WEEKEND = rule('(?:(?:over|on) )?(?:the |(this|next|last) )?weekend')
const AHEAD = rule(
  '(\\d{1,3}|a|couple of) (day|week|fortnight|month)(?: (?:from|after) (?:now|today)|(?: s)? time|(?=$))',
)
const WEEKDAY = rule(
  `(?:(next|this|last|on) )?(${WEEKDAYS.join('|')}|(?<=(?:next|this|last|on) )(?:${SHORT_DAYS}))(?: (?:morning|evening|afternoon|night))?`,
)
const FROM_FROST = rule(
  '(?:(\\d{1,2}|a|couple of) (day|week|fortnight|month) (before|after|past|ahead of) |(after) )?(?:the |our |my )?(?:average )?(?:(last|first|final) )?(?:(spring|autumn|fall) )?frost(?: date| day)?(?: in (?:the )?(spring|autumn|fall))?',
)
const HOLIDAYS_AT = HOLIDAYS.map(([pattern, ...rest]) => [rule(`${pattern}${YEAR}`), ...rest] as const)
const MOVABLE_AT = MOVABLE.map(([pattern, ...rest]) => [rule(`${pattern}${YEAR}`), ...rest] as const)
/** With the places of the month and of the ordinal. */
const ORDINAL_DAYS = [
  [MONTH_ORDINAL, 1, 2],
  [ORDINAL_MONTH, 2, 1],
] as const
