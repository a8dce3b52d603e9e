import { setResponseHeaders } from 'h3'
import * as z from 'zod'
import { householdParams } from '../../../http/params'
import { route } from '../../../http/route'
import { inHousehold } from '../../../db/door'
import { weatherAsCsv } from '../../../services/weather-csv'
import { allWeather } from '../../../services/weather'

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
  async ({ params, event, principal }) => {
    const days = await inHousehold(principal, params.householdId, (tx) => allWeather(tx, params.householdId))
    setResponseHeaders(event, {
      'content-type': 'text/csv; charset=utf-8',
      'content-disposition': 'attachment; filename="weather.csv"',
    })
    return weatherAsCsv(days)
  },
)
