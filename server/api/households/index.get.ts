import * as z from 'zod'
import { HOUSEHOLD, stored } from '#shared/records/collections'
import { listHouseholds } from '../../services/households'
import { route } from '../../http/route'

export default route(
  {
    summary: 'Households',
    query: z.object({
      limit: z.coerce.number().int().min(1).max(1000).default(1000),
      named: z.string().max(200).default('').describe('Words that stand in the name'),
    }),
    answers: z.array(stored(HOUSEHOLD)),
    meaning: 'The households, oldest first',
  },
  ({ query }) => listHouseholds(query.limit, query.named),
)
