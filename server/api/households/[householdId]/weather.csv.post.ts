import { getRequestHeader } from 'h3'
import * as z from 'zod'
import { householdParams } from '../../../http/params'
import { HttpProblem } from '../../../http/problem-json'
import { readFile } from '../../../http/read-json'
import { route } from '../../../http/route'
import { asText } from '../../../http/text'
import { checksum } from '../../../services/commands'
import { withFile } from '../../../services/idempotency'
import { putWeather } from '../../../services/weather'
import { weatherFromCsv } from '../../../services/weather-csv'

const MAX_BYTES = 2 * 1024 * 1024

export default route(
  {
    summary: 'Weather as CSV, all lines or none; days that are there are written over',
    params: householdParams,
    answers: z.object({ written: z.int() }),
    meaning: 'How many days were written',
    refuses: [404, 408, 413, 415, 422],
  },
  async ({ params, event, act, principal }) => {
    if (!/^text\/csv\b/i.test(getRequestHeader(event, 'content-type') ?? ''))
      throw new HttpProblem(415, 'Send it as text/csv.')
    const bytes = await readFile(event, MAX_BYTES, 'A table')
    const text = asText(bytes)
    return putWeather(principal, params.householdId, weatherFromCsv(text), withFile(act, checksum(text)))
  },
)
