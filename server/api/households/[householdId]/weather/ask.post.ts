import * as z from 'zod'
import { householdParams } from '../../../../http/params'
import { route } from '../../../../http/route'
import { askForecast } from '../../../../services/weather'

export default route(
  {
    summary: 'Ask the forecast service now',
    params: householdParams,
    answers: z.object({ written: z.int() }),
    meaning: 'How many days were written',
    refuses: [404, 503],
  },
  ({ params, act, principal }) => askForecast(principal, params.householdId, act),
)
