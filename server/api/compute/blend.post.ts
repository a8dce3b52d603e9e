import * as z from 'zod'
import { computeRoute } from '../../threads/compute-route'

export default computeRoute('blend', {
  summary: 'Feeds and wanted nutrients to the nearest blend, and which bottles must not meet',
  answers: z.looseObject({ lines: z.array(z.object({ feed: z.string(), gPerL: z.number() })) }),
  meaning: 'g of each feed in a litre, what it comes to in mg/L, and the bottles of concentrate by name',
})
