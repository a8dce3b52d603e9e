import * as z from 'zod'
import { day } from '#shared/rules'
import { seasonToday } from '../../../services/season'
import { dayQuery, householdParams } from '../../../http/params'
import { route } from '../../../http/route'

export default route(
  {
    summary: 'What is due, late or in danger on a day, and what cannot be planned',
    params: householdParams,
    query: dayQuery,
    answers: z.object({
      on: day,
      jobs: z.array(z.looseObject({ id: z.string(), kind: z.string() })),
      unplanned: z.array(z.object({ id: z.string(), name: z.string(), why: z.string() })),
    }),
    meaning: 'The jobs, most pressing first',
  },
  ({ params, query, principal }) => seasonToday(principal, params.householdId, query.on),
)
