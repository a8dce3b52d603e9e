import * as z from 'zod'
import { figures, place } from '../../http/figures'
import { computeRoute } from '../../threads/compute-route'

export default computeRoute('mix', {
  summary: 'A mix in a container to air, water, pH, salts, food and what they mean',
  answers: z.looseObject({
    physics: z.looseObject({ airSpace: place }),
    verdicts: z.array(z.looseObject({ text: z.string() })),
    figures,
  }),
  meaning:
    'Air and water after draining, chemistry and verdicts; each figure is its place in the table `figures`',
})
