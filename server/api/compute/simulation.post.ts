import * as z from 'zod'
import { computeRoute } from '../../threads/compute-route'

export default computeRoute('simulation', {
  summary: 'Many seasons to how often the plants are there',
  answers: z.looseObject({
    seasons: z.int(),
    chance: z.record(z.string(), z.number()),
    chanceOfAll: z.number(),
  }),
  meaning: 'By the id of each sowing; the same seed gives the same seasons',
})
