import * as z from 'zod'
import { GROWTH_STAGES } from '#core/feed/growth-stage'
import { amount, id, name, reference } from './rules'

export const doseFields = z.object({
  growthStageId: reference.describe(
    `One of ${GROWTH_STAGES.map((growthStage) => growthStage.id).join(', ')}`,
  ),
  targetNMgPerL: amount.describe('Wanted strength, mg/L of nitrogen'),
  vessel: z.object({ name, volumeL: amount.describe('L') }),
})

/** A planned feed as a household keeps it. The tools are those it owns on the day. */
export const feeding = doseFields.extend({
  name,
  feedId: reference.describe('A generic feed, or one of the household’s own'),
  batchId: id.nullable().describe('The batch on whose bench card it stands'),
  toolId: reference.nullable().describe('The tool to measure with; null for the best at hand'),
})
export type FeedingRecord = z.output<typeof feeding>
