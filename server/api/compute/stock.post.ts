import * as z from 'zod'
import { figures, place } from '../../http/figures'
import { computeRoute } from '../../threads/compute-route'

export default computeRoute('stock', {
  summary: 'A dose too small for the tools to the stock solution it is measured through',
  answers: z.looseObject({ stock: z.looseObject({ stockL: place }).nullable(), figures }),
  meaning: 'The stock with the least error; null where no tool at hand makes one',
})
