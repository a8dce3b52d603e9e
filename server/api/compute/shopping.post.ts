import * as z from 'zod'
import { cheapestPacks } from '#core/supplies/shopping'
import { shoppingToCompute } from '#shared/computations/mix-and-feed'
import { route } from '../../http/route'

export default route(
  {
    summary: 'What is short to the cheapest whole packs that cover it',
    body: shoppingToCompute,
    answers: z.object({
      purchase: z.looseObject({ packs: z.array(z.object({ id: z.string(), count: z.int() })) }).nullable(),
    }),
    meaning: 'Whole packs, what they cost and what is left over; null where nothing is on offer',
  },
  ({ body: { need, offers } }) => ({ purchase: cheapestPacks(offers, need) }),
)
