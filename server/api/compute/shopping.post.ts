import * as z from 'zod'
import { computeRoute } from '../../threads/compute-route'

export default computeRoute('shopping', {
  summary: 'What is short to the cheapest whole packs that cover it',
  answers: z.object({
    purchase: z.looseObject({ packs: z.array(z.object({ id: z.string(), count: z.int() })) }).nullable(),
  }),
  meaning: 'Whole packs, what they cost and what is left over; null where nothing is on offer',
})
