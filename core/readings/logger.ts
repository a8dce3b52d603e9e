import { present } from '../present'
import { at as elementAt, first } from '../numeric/at'
import { dayFrom, isDay, type Day } from '../calendar/day'
import { airOfDay, LUX_PER_PPFD, type AirOfDay, type AirReading } from './air-of-day'

/** What a column of a logger's table holds. */
export const LOGGER_COLUMNS = ['time', 'celsius', 'fahrenheit', 'humidity', 'lux', 'ppfd', 'nothing'] as const
export type LoggerColumn = (typeof LOGGER_COLUMNS)[number]

export interface ReadLogger {
  readonly days: readonly AirOfDay[]
  readonly readings: number
  /** Lines that could not be read, by their number in the file, each with why. */
  readonly bad: readonly { readonly line: number; readonly why: string }[]
}

const MAX_BAD = 200

/**
 * What a heading means, as far as it says; `nothing` where it does not.
 *
 * @example columnOf('Temp (°F)') // 'fahrenheit'
 */
export function columnOf(heading: string): LoggerColumn {
  const text = heading.toLowerCase()
  if (/time|date|datum|uhrzeit|fecha|heure|stamp|zeit/.test(text)) return 'time'
  if (/ppfd|par\b|µmol|umol/.test(text)) return 'ppfd'
  if (/lux|\blx\b|light|licht|lumi/.test(text)) return 'lux'
  if (/humid|feucht|\brh\b|%|humedad/.test(text)) return 'humidity'
  if (/temp|°|celsius|fahrenheit|\bc\b|\bf\b/.test(text))
    return /fahrenheit|°\s*f|\(f\)|_f\b|\bf\b/.test(text) ? 'fahrenheit' : 'celsius'
  return 'nothing'
}

/**
 * Whether the dates of a table can only be read one way; null where both ways make days of all of them.
 *
 * @example dateOrder(['13/04/2027']) // 'day first'
 */
export function dateOrder(times: readonly string[]): 'day first' | 'month first' | null {
  const found = new Set<'day first' | 'month first'>()
  for (const time of times) {
    const [, a, separator, b] = /^(\d{1,2})([./-])(\d{1,2})[./-]\d{2,4}/.exec(time.trim()) ?? []
    if (!a || !b) continue
    if (separator === '.' || Number(a) > 12) found.add('day first')
    else if (Number(b) > 12) found.add('month first')
  }
  // Dates that contradict one another settle nothing.
  return found.size === 1 ? first([...found]) : null
}

/**
 * A moment of a logger: the day on its own clock, and the hour of that day; null where it is none.
 *
 * @example loggerTime('2027-04-03 08:30', 'day first') // ({ on: '2027-04-03', hour: 8.5 })
 */
export function loggerTime(
  text: string,
  order: 'day first' | 'month first',
): { on: Day; hour: number } | null {
  const said = text.trim()
  if (/^\d{10}(\d{3})?$/.test(said)) {
    const at = new Date(Number(said.padEnd(13, '0').slice(0, 13)))
    return { on: dayFrom(at.toISOString().slice(0, 10)), hour: at.getUTCHours() + at.getUTCMinutes() / 60 }
  }
  const iso = /^(\d{4})[-/.](\d{1,2})[-/.](\d{1,2})(.*)$/.exec(said)
  const other = iso ? null : /^(\d{1,2})[-/.](\d{1,2})[-/.](\d{2,4})(.*)$/.exec(said)
  const [year, month, day, rest] = iso
    ? [elementAt(iso, 1), elementAt(iso, 2), elementAt(iso, 3), elementAt(iso, 4)]
    : other
      ? order === 'day first'
        ? [full(elementAt(other, 3)), elementAt(other, 2), elementAt(other, 1), elementAt(other, 4)]
        : [full(elementAt(other, 3)), elementAt(other, 1), elementAt(other, 2), elementAt(other, 4)]
      : []
  if (!year) return null
  const on = `${year}-${present(month).padStart(2, '0')}-${present(day).padStart(2, '0')}`
  if (!isDay(on)) return null
  const clock = /(\d{1,2}):(\d{2})(?::\d{2}(?:\.\d+)?)?\s*(am|pm)?/i.exec(present(rest))
  if (!clock) return /^\s*$/.test(present(rest)) ? { on, hour: 12 } : null
  const hour = (Number(clock[1]) % (clock[3] ? 12 : 24)) + (/pm/i.test(clock[3] ?? '') ? 12 : 0)
  return { on, hour: hour + Number(clock[2]) / 60 }
}
const full = (year: string) => (year.length === 2 ? `20${year}` : year)

/**
 * A number as loggers write it, with a point or a comma; NaN where it is none.
 *
 * @example loggerNumber('21,5') // 21.5
 */
export const loggerNumber = (text: string): number => {
  const said = text.trim().replace(/\s|°|[CF%]$/g, '')
  if (said === '') return NaN
  return Number(
    /^-?\d{1,3}(?:\.\d{3})*,\d+$/.test(said) || !said.includes('.')
      ? said.replace(/\.(?=\d{3})/g, '').replace(',', '.')
      : said,
  )
}

/**
 * Readings of a logger as days of air: low, high and mean, and light where it was measured, µmol/m²/s summed over the day.
 *
 * @param rows the table without its heading
 * @param firstLine number of its first row in the file
 */
export function readLogger(
  rows: readonly (readonly string[])[],
  columns: readonly LoggerColumn[],
  order: 'day first' | 'month first',
  firstLine = 2,
): ReadLogger {
  const at = (column: LoggerColumn) => columns.indexOf(column)
  const bad: { line: number; why: string }[] = []
  const byDay = new Map<Day, AirReading[]>()
  let readings = 0
  rows.forEach((row, i) => {
    const cell = (column: LoggerColumn) => (at(column) < 0 ? '' : (row[at(column)] ?? ''))
    if (row.every((text) => text.trim() === '')) return
    const fail = (why: string) => bad.length < MAX_BAD && bad.push({ line: firstLine + i, why })
    const time = loggerTime(cell('time'), order)
    if (!time) return fail(`‘${cell('time')}’ is no date`)
    const said = cell('celsius') || cell('fahrenheit')
    const degrees = loggerNumber(said)
    const airC = said === '' ? null : at('celsius') >= 0 ? degrees : ((degrees - 32) * 5) / 9
    if (airC !== null && !(airC >= -60 && airC <= 70))
      return fail(Number.isNaN(airC) ? `‘${said}’ is no temperature` : `${said} is no temperature of air`)
    const wet = cell('humidity') === '' ? null : loggerNumber(cell('humidity'))
    const humidity = wet === null || !(wet >= 0 && wet <= 100) ? null : wet > 1 ? wet / 100 : wet
    const light = cell('ppfd') === '' ? loggerNumber(cell('lux')) / LUX_PER_PPFD : loggerNumber(cell('ppfd'))
    readings++
    const list = byDay.get(time.on) ?? []
    list.push({ hour: time.hour, airC, humidity, ppfd: light >= 0 ? light : null })
    byDay.set(time.on, list)
  })
  const days = [...byDay]
    .sort(([a], [b]) => (a < b ? -1 : 1))
    .flatMap(([on, list]) => airOfDay(on, list) ?? [])
  return { days, readings, bad }
}
