import * as z from 'zod'
import { weatherDays } from '#shared/records/weather'
import { householdParams } from '../../../../http/params'
import { route } from '../../../../http/route'
import { putWeather } from '../../../../services/weather'

export default route(
  {
    summary: 'Weather as JSON in the plain shape of docs/formats.md; days that are there are written over',
    params: householdParams,
    body: weatherDays,
    answers: z.object({ written: z.int() }),
    meaning: 'How many days were written',
    refuses: [404],
  },
  ({ params, body, act, principal }) => putWeather(principal, params.householdId, body, act),
)
