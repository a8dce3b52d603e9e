import { present } from '#core/present'
import { first } from '#core/numeric/at'
import Papa from 'papaparse'
import type { WeatherDay } from '#core/calendar/weather'
import { problemsFrom } from '#shared/records/rules'
import { WEATHER_COLUMNS, weatherDay, weatherDays } from '#shared/records/weather'
import { parseNumber } from '#core/units/parse'
import type * as z from 'zod'
import { invalid } from './refusal'

/** RFC 4180, with the names of the columns in the first line. */
export const weatherAsCsv = (days: readonly WeatherDay[]): string =>
  `${Papa.unparse({
    fields: WEATHER_COLUMNS.map(([name]) => name),
    data: days.map((day) => WEATHER_COLUMNS.map(([, key]) => day[key] ?? '')),
  })}\r\n`

/** Days of a table, whatever its separator, with a decimal point or comma. @throws Refusal 422 naming the line */
export function weatherFromCsv(text: string): z.output<typeof weatherDays> {
  const no = (message: string) => invalid([{ path: ['weather'], message }])
  const { data, meta } = Papa.parse<Record<string, string>>(text.replace(/^\uFEFF/, ''), {
    header: true,
    skipEmptyLines: 'greedy',
    transformHeader: (name) => name.trim().toLowerCase(),
  })
  for (const wanted of ['on', 'low_c', 'high_c'])
    if (!meta.fields?.includes(wanted))
      throw no(
        `The first line has to name the columns; there is no “${wanted}”. Known are ${WEATHER_COLUMNS.map(([name]) => name).join(', ')}.`,
      )
  const days = data.map((row, i) => {
    const body: Record<string, unknown> = {}
    for (const [name, key] of WEATHER_COLUMNS) {
      const said = row[name]?.trim() ?? ''
      if (said === '') continue
      if (['on', 'source', 'madeOn'].includes(key)) body[key] = said
      else if (key === 'simulated') body[key] = said === 'true'
      else {
        const value = parseNumber(said)
        if (value === undefined) throw no(`Line ${i + 2}: “${said.slice(0, 40)}” in ${name} is no number.`)
        body[key] = value
      }
    }
    const read = weatherDay.safeParse(body)
    if (!read.success) {
      const [problem] = problemsFrom(read.error)
      throw no(`Line ${i + 2}: ${present(problem).message}`)
    }
    return read.data
  })
  const all = weatherDays.safeParse(days)
  if (!all.success) throw no(first(problemsFrom(all.error)).message)
  return all.data
}
