import ICAL from 'ical.js'
import { addDays, dayFrom, daysBetween, isDay, type Day } from '#core/calendar/day'
import { todayOf } from '#core/calendar/clock'
import type { HouseholdRecord } from '#shared/records/household'
import type { Transaction } from '../db/door'
import { findHousehold } from './read-records'
import { invalid } from './refusal'

type Away = HouseholdRecord['away']

/** Times away so far ahead are read; an event that repeats is followed as far. */
const AHEAD_DAYS = 400
const MAX_TIMES = 60
const MAX_EVENTS = 5000
const MAX_REPEATS = 2000

/**
 * Days away in a calendar of one’s own (RFC 5545): events of whole days, and those that last over a night. What is cancelled, or
 * marked as free, is none.
 *
 * @returns what was found, in order, and what was left out and why
 * @throws Refusal 404, 422 where it is no calendar
 */
export async function daysAwayIn(
  tx: Transaction,
  householdId: string,
  text: string,
): Promise<{ away: Away; left: string[] }> {
  const { body } = await findHousehold(householdId, tx)
  const today = todayOf(body, new Date())
  const until = addDays(today, AHEAD_DAYS)
  const away: Away = []
  let [past, short, free, broken] = [0, 0, 0, 0]
  for (const event of eventsOf(text)) {
    const status = String(event.component.getFirstPropertyValue('status') ?? '').toUpperCase()
    const transparent = String(event.component.getFirstPropertyValue('transp') ?? '').toUpperCase()
    if (status === 'CANCELLED' || transparent === 'TRANSPARENT') {
      free++
      continue
    }
    const spans = readable(() => spansOf(event, until))
    if (spans === null) {
      broken++
      continue
    }
    if (spans.length === 0) short++
    for (const { from, to } of spans) {
      if (to < today) past++
      else if (from <= until && away.length < MAX_TIMES)
        away.push({ from, to, name: nameOf(event), uid: `${event.uid ?? ''}`.slice(0, 255) })
    }
  }
  away.sort((a, b) => (a.from < b.from ? -1 : a.from > b.from ? 1 : 0))
  const left = [
    ...(short ? [`${short} that last less than a day`] : []),
    ...(free ? [`${free} cancelled or marked as free`] : []),
    ...(past ? [`${past} that are over`] : []),
    ...(broken ? [`${broken} whose days cannot be read`] : []),
  ]
  return { away, left }
}

/** What the library reads; null where it stumbles over an event, whose other events are none the worse. */
function readable<Read>(read: () => Read): Read | null {
  try {
    return read()
  } catch {
    return null
  }
}

const nameOf = (event: ICAL.Event) => `${event.summary ?? ''}`.replace(/\s+/g, ' ').trim().slice(0, 120)

function eventsOf(text: string): ICAL.Event[] {
  const no = (message: string) => invalid([{ path: ['calendar'], message }])
  if (!/^\s*BEGIN:VCALENDAR/i.test(text))
    throw no('This is no calendar: an .ics file begins with BEGIN:VCALENDAR.')
  let calendar: ICAL.Component
  try {
    calendar = new ICAL.Component(ICAL.parse(text))
  } catch {
    throw no('This calendar is damaged and cannot be read to its end.')
  }
  const events = calendar.getAllSubcomponents('vevent')
  if (events.length > MAX_EVENTS)
    throw no(`A calendar of at most ${MAX_EVENTS} events is read: export one year of it.`)
  return events.map((one) => new ICAL.Event(one))
}

/** The days an event covers, each time it comes; none where it covers no whole day or night. */
function spansOf(event: ICAL.Event, until: Day): { from: Day; to: Day }[] {
  if (!event.startDate) return []
  const one = spanOf(event.startDate, event.endDate)
  if (!one) return []
  if (!event.isRecurring()) return [one]
  const days = daysBetween(one.from, one.to)
  const spans: { from: Day; to: Day }[] = []
  const times = event.iterator()
  for (let n = 0; n < MAX_REPEATS; n++) {
    const next = times.next()
    if (!next) break
    const from = dayOf(next)
    if (!from || from > until) break
    spans.push({ from, to: addDays(from, days) })
  }
  return spans
}

function spanOf(start: ICAL.Time, end: ICAL.Time | null): { from: Day; to: Day } | null {
  const from = dayOf(start)
  const ends = end ? dayOf(end) : from
  if (!from || !ends) return null
  // The end of whole days is the day after the last.
  if (start.isDate) return { from, to: ends > from ? addDays(ends, -1) : from }
  return daysBetween(from, ends) >= 1 ? { from, to: ends } : null
}
const dayOf = (time: ICAL.Time): Day | null => {
  const text = `${String(time.year).padStart(4, '0')}-${two(time.month)}-${two(time.day)}`
  return isDay(text) ? dayFrom(text) : null
}
const two = (n: number) => String(n).padStart(2, '0')
