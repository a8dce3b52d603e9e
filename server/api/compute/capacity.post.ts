import * as z from 'zod'
import { mostContainers } from '#core/media/capacity'
import { capacityToCompute } from '#shared/computations/mix-and-feed'
import { asBatchRequest } from '#shared/reckoning/batch-request'
import { withOwn } from '#shared/computations/batch'
import { route } from '../../http/route'

export default route(
  {
    summary: 'The most containers that the supplies fill',
    body: capacityToCompute,
    answers: z.object({ count: z.int(), limitedBy: z.string().nullable() }),
    meaning: 'Whole containers, and the material that runs out first',
  },
  ({ body: { batch, fillIndex, availableL } }) =>
    mostContainers(asBatchRequest(batch, withOwn(batch)), fillIndex, availableL),
)
