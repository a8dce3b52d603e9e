import * as z from 'zod'
import { feedProblems } from '#core/feed/feed'
import { BUILT_IN_FEEDS } from '#core/feed/feeds'
import { amount, amountIn, basedOn, basedOnProblems, name, ruled } from './rules'
import { asFeed } from './as-feed'

const element = (what: string) => amountIn('%', `${what} as the element, per cent by mass`).default(0)

export const feedFields = z.object({
  name,
  basedOn: basedOn.describe('The generic feed whose label it corrects, or null for one of its own'),
  form: z.enum(['powder', 'liquid']),
  nPercent: amount.describe('Nitrogen N, per cent by mass'),
  p2o5Percent: amount.describe('Phosphate P₂O₅, per cent by mass'),
  k2oPercent: amount.describe('Potash K₂O, per cent by mass'),
  densityGPerMl: amountIn(
    'g/mL',
    'Density of a liquid, bulk density of a powder, g/mL; null when unknown',
  ).nullable(),
  labelRatePerL: amount
    .nullable()
    .describe('The label’s own rate: g/L of a powder, mL/L of a liquid; null when unknown'),
  organic: z.boolean(),
  caPercent: element('Calcium'),
  mgPercent: element('Magnesium'),
  sPercent: element('Sulphur'),
  fePercent: element('Iron'),
  clPercent: element('Chloride'),
  nForms: z
    .object({ nitrate: amount, ammonium: amount, urea: amount })
    .nullable()
    .default(null)
    .describe('Fractions of the nitrogen; the rest is organic. Null when unknown'),
  ecSlopeMsPerCm: amountIn('mS/cm', 'mS/cm for each 100 mg/L of nitrogen, in pure water; null when unknown')
    .nullable()
    .default(null),
  use: z.enum(['dissolved', 'mixed in']).default('dissolved'),
  strengthGuessed: z.boolean().default(false).describe('A brew whose numbers are a guess'),
})

export const feed = ruled(feedFields, (value) => [
  ...feedProblems(asFeed('', value)),
  ...basedOnProblems(value, BUILT_IN_FEEDS),
])
export type FeedRecord = z.output<typeof feedFields>
