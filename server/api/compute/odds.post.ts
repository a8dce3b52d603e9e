import * as z from 'zod'
import { anyOf, cellsFor, plantsLikely, wilson } from '#core/sowing/odds'
import { oddsToCompute } from '#shared/computations/season'
import { route } from '../../http/route'

export default route(
  {
    summary: 'Plants wanted to the cells that give them, and a count to its interval',
    body: oddsToCompute,
    answers: z.object({
      chance: z.number(),
      cells: z.int(),
      plants: z.int(),
      interval: z.object({ low: z.number(), high: z.number() }).nullable(),
    }),
    meaning:
      'The chance that a cell gives a plant, the fewest cells for that many plants with that certainty, the plants that so many cells then give; Wilson’s interval of 95 %',
  },
  ({ body: { plants, germination, perCell, certainty, up, of } }) => {
    const chance = anyOf(germination, perCell)
    const cells = cellsFor(plants, chance, certainty)
    return {
      chance,
      cells,
      plants: plantsLikely(cells, chance, certainty),
      interval: up === null || of === null ? null : wilson(up, of),
    }
  },
)
