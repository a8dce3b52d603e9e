import * as z from 'zod'
import { id } from '#shared/records/rules'
import { route } from '../http/route'
import { householdsWithSimulated } from '../services/device-keys'

export default route(
  {
    summary: 'Households that have simulated devices: where the simulated bench sends to',
    query: z.object({
      after: id.optional().describe('The last one of the page before'),
      limit: z.coerce.number().int().min(1).max(100).default(100),
    }),
    answers: z.array(z.object({ householdId: id })),
    meaning: 'Their ids, in order; the next page begins after the last',
  },
  ({ query }) => householdsWithSimulated(query.limit, query.after),
)
