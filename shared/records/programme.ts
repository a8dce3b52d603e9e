import { wrongAt } from '#core/problem'
import * as z from 'zod'
import { FEEDING_METHODS, type ProgrammeRequest } from '#core/feed/programme'
import { amount, amountIn, day, id, name, reference, ruled } from './rules'

const METHOD_IDS = FEEDING_METHODS.map((method) => method.id) as [
  ProgrammeRequest['method'],
  ...ProgrammeRequest['method'][],
]

export const programme = ruled(
  z.object({
    name,
    feedId: reference,
    appetite: z.enum(['light', 'medium', 'heavy']),
    method: z.enum(METHOD_IDS),
    plants: z.int('Count whole plants.').describe('Plants that are fed'),
    batchId: id.nullable().default(null).describe('The batch they were sown in'),
    startOn: day.nullable().default(null).describe('The day they came up'),
    stages: z
      .array(
        z.object({
          growthStageId: reference,
          days: amountIn('days', 'How long it stays there'),
          containerId: reference,
          recipeId: reference.nullable().describe('The mix in it; null for that of the batch'),
          nMgPerL: amount.describe('Strength of a feed, mg/L of nitrogen; 0 for plain water'),
          everyDays: amountIn('days', 'Days between feeds; 0 for one at potting up only'),
        }),
      )
      .max(12, 'A schedule has at most 12 stages.'),
  }),
  (value) => (value.stages.length ? [] : [wrongAt(['stages'], 'noStage')]),
)
export type ProgrammeRecord = z.output<typeof programme>
