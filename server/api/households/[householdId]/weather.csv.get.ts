import { setResponseHeaders } from 'h3'
import * as z from 'zod'
import { dayFrom } from '#core/season/day'
import { householdParams } from '../../../http/params'
import { route } from '../../../http/route'
import { findHousehold } from '../../../services/reading'
import { weatherAsCsv } from '../../../services/weather-csv'
import { weatherBetween } from '../../../services/weather-days'

export default route(
  {
    summary: 'Weather that is kept, as CSV (RFC 4180)',
    params: householdParams,
    answers: z.string(),
    meaning:
      'A line a day and source: on, source, low_c, high_c, rain_mm, wind_m_per_s, sun_hours, made_on, simulated',
    type: 'text/csv',
    refuses: [404],
  },
  async ({ params, event }) => {
    await findHousehold(params.householdId)
    const days = await weatherBetween(params.householdId, dayFrom('1990-01-01'), dayFrom('2099-12-31'))
    setResponseHeaders(event, {
      'content-type': 'text/csv; charset=utf-8',
      'content-disposition': 'attachment; filename="weather.csv"',
    })
    return weatherAsCsv(days)
  },
)
