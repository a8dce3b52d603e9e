import * as z from 'zod'
import { computeRoute } from '../../threads/compute-route'

export default computeRoute('season', {
  summary: 'A season to its dates, shared trays, mix, feed and shelf',
  answers: z.object({
    sowings: z.array(
      z.looseObject({
        id: z.string(),
        sowOn: z.string(),
        stages: z.array(z.looseObject({ trays: z.number().nullable(), sharesWith: z.array(z.string()) })),
      }),
    ),
    mixes: z.array(z.looseObject({ recipeId: z.string(), on: z.string(), looseL: z.number() })),
    feeds: z.array(z.looseObject({ on: z.string(), nMgPerL: z.number(), solutionL: z.number() })),
    flats: z.object({
      from: z.string(),
      byDay: z.record(z.string(), z.array(z.number())).describe('By the place’s id'),
    }),
    overflows: z.array(z.looseObject({ placeId: z.string(), most: z.number() })),
  }),
  meaning:
    'Everything is worked out from the sowings; of a shared tray a sowing has its part of the cells in use',
})
