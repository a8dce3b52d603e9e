import * as z from 'zod'
import { figures, place } from '../../http/figures'
import { computeRoute } from '../../threads/compute-route'

export default computeRoute('batch', {
  summary: 'Parts and containers to litres, scoops, packs and soak',
  answers: z.looseObject({
    mixL: place,
    lines: z.array(z.looseObject({ looseL: place })),
    figures,
  }),
  meaning: 'The batch; each figure is its place in the table `figures`, where its working stands',
})
