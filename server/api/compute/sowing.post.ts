import * as z from 'zod'
import { figures } from '../../http/figures'
import { computeRoute } from '../../threads/compute-route'

export default computeRoute('sowing', {
  summary: 'A sowing to its cells, seeds, stages and dates',
  answers: z.looseObject({
    cells: z.int(),
    seeds: z.int(),
    sowOn: z.string(),
    outOn: z.string(),
    stages: z.array(z.looseObject({ from: z.string(), looseL: z.number() })),
    figures,
  }),
  meaning: 'The sowing planned alone, its trays not shared; notices say what to know before it is sown',
})
