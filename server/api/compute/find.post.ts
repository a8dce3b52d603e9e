import * as z from 'zod'
import { computeRoute } from '../../threads/compute-route'

export default computeRoute('find', {
  summary: 'What is wanted of a mix to the recipes that meet it most surely',
  answers: z.looseObject({
    looked: z.int(),
    fitting: z.int(),
    best: z.array(z.looseObject({ parts: z.array(z.int()), chance: z.number() })),
  }),
  meaning:
    'The likeliest first: whole parts in the order of `materialIds`, and the chance that all wants are met',
})
