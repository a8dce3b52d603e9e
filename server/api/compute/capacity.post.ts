import * as z from 'zod'
import { computeRoute } from '../../threads/compute-route'

export default computeRoute('capacity', {
  summary: 'The most containers that the supplies fill',
  answers: z.object({ count: z.int(), limitedBy: z.string().nullable() }),
  meaning: 'Whole containers, and the material that runs out first',
})
