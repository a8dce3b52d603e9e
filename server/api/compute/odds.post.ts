import * as z from 'zod'
import { computeRoute } from '../../threads/compute-route'

export default computeRoute('odds', {
  summary: 'Plants wanted to the cells that give them, and a count to its interval',
  answers: z.object({
    chance: z.number(),
    cells: z.int(),
    plants: z.int(),
    interval: z.object({ low: z.number(), high: z.number() }).nullable(),
  }),
  meaning:
    'The chance that a cell gives a plant, the fewest cells for that many plants with that certainty, the plants that so many cells then give; Wilson’s interval of 95 %',
})
