import * as z from 'zod'
import { findMixes } from '#core/media/finder'
import { asFinderRequest, findToCompute } from '#shared/computations/mix-and-feed'
import { route } from '../../http/route'

export default route(
  {
    summary: 'What is wanted of a mix to the recipes that meet it most surely',
    body: findToCompute,
    answers: z.looseObject({
      looked: z.int(),
      fitting: z.int(),
      best: z.array(z.looseObject({ parts: z.array(z.int()), chance: z.number() })),
    }),
    meaning:
      'The likeliest first: whole parts in the order of `materialIds`, and the chance that all wants are met',
  },
  ({ body }) => {
    const { looked, fitting, best, excludedBy } = findMixes(asFinderRequest(body))
    return { looked, fitting, best, excludedBy }
  },
)
