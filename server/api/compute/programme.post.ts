import * as z from 'zod'
import { figures } from '../../http/figures'
import { computeRoute } from '../../threads/compute-route'

export default computeRoute('programme', {
  summary: 'A feeding schedule to its days, and whether they keep up',
  answers: z.looseObject({ events: z.array(z.looseObject({ day: z.int() })), figures }),
  meaning:
    'The feeds by days after emergence, what a plant wants and is given by then, and what is needed in all',
})
