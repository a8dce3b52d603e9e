import * as z from 'zod'
import { planBatch } from '#core/media/batch'
import { asBatchRequest, batchToCompute, withOwn } from '#shared/records/batch'
import { figure } from '../../http/figure'
import { route } from '../../http/route'

export default route(
  {
    summary: 'Parts and containers to litres, scoops, packs and soak',
    body: batchToCompute,
    answers: z.looseObject({ mixL: figure, lines: z.array(z.looseObject({ looseL: figure })) }),
    meaning: 'The batch, every figure with its working',
  },
  ({ body }) => planBatch(asBatchRequest(body, withOwn(body))),
)
