import * as z from 'zod'
import { planDose } from '#core/feed/dose'
import { planStock } from '#core/feed/stock'
import { stockToCompute } from '#shared/computations/mix-and-feed'
import { asDoseRequest } from '#shared/reckoning/dose-request'
import { figures, place, tabled } from '../../http/figures'
import { route } from '../../http/route'

export default route(
  {
    summary: 'A dose too small for the tools to the stock solution it is measured through',
    body: stockToCompute,
    answers: z.looseObject({ stock: z.looseObject({ stockL: place }).nullable(), figures }),
    meaning: 'The stock with the least error; null where no tool at hand makes one',
  },
  ({ body }) => {
    const request = asDoseRequest(body)
    const { massG, volumeMl } = planDose(request)
    return tabled({ stock: planStock(request.feed, { massG, volumeMl }, request.tools) })
  },
)
