import * as z from 'zod'
import type { Feed } from '#core/feed/feed'
import { feedProblems } from '#core/feed/feed'
import { amount, name, ruled } from '../rules'

export const feedFields = z.object({
  name,
  form: z.enum(['powder', 'liquid']),
  nPercent: amount.describe('Nitrogen N, per cent by mass'),
  p2o5Percent: amount.describe('Phosphate P₂O₅, per cent by mass'),
  k2oPercent: amount.describe('Potash K₂O, per cent by mass'),
  densityGPerMl: amount
    .nullable()
    .describe('Density of a liquid, bulk density of a powder, g/mL; null when unknown'),
  labelRatePerL: amount
    .nullable()
    .describe('The label’s own rate: g/L of a powder, mL/L of a liquid; null when unknown'),
  organic: z.boolean(),
})

export const feed = ruled(feedFields, (value) => feedProblems(asFeed('', value)))
export type FeedRecord = z.output<typeof feedFields>

export const asFeed = (id: string, record: FeedRecord): Feed => ({ id, ...record })
