import * as z from 'zod'
import { planBatch } from '#core/media/batch'
import { asBatchRequest } from '#shared/reckoning/batch-request'
import { batchToCompute, withOwn } from '#shared/computations/batch'
import { figures, place, tabled } from '../../http/figures'
import { route } from '../../http/route'

export default route(
  {
    summary: 'Parts and containers to litres, scoops, packs and soak',
    body: batchToCompute,
    answers: z.looseObject({
      mixL: place,
      lines: z.array(z.looseObject({ looseL: place })),
      figures,
    }),
    meaning: 'The batch; each figure is its place in the table `figures`, where its working stands',
  },
  ({ body }) => tabled(planBatch(asBatchRequest(body, withOwn(body)))),
)
