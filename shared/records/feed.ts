import * as z from 'zod'
import type { Feed } from '#core/feed/feed'
import { feedProblems } from '#core/feed/feed'
import { amount, name, ruled } from '../rules'

const element = (what: string) => amount.default(0).describe(`${what} as the element, per cent by mass`)

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
  caPercent: element('Calcium'),
  mgPercent: element('Magnesium'),
  sPercent: element('Sulphur'),
  nForms: z
    .object({ nitrate: amount, ammonium: amount, urea: amount })
    .nullable()
    .default(null)
    .describe('Fractions of the nitrogen; the rest is organic. Null when unknown'),
  ecSlopeMsPerCm: amount
    .nullable()
    .default(null)
    .describe('mS/cm for each 100 mg/L of nitrogen, in pure water; null when unknown'),
  use: z.enum(['dissolved', 'mixed in']).default('dissolved'),
  strengthGuessed: z.boolean().default(false).describe('A brew whose numbers are a guess'),
})

export const feed = ruled(feedFields, (value) => feedProblems(asFeed('', value)))
export type FeedRecord = z.output<typeof feedFields>

export const asFeed = (id: string, record: FeedRecord): Feed => ({ id, ...record })

/** A feed as a household keeps it: what a catalogue's entry says, with nothing left open. */
export const feedRecordOf = ({ id: _id, release: _release, ...label }: Feed): FeedRecord => ({
  ...label,
  caPercent: label.caPercent ?? 0,
  mgPercent: label.mgPercent ?? 0,
  sPercent: label.sPercent ?? 0,
  nForms: label.nForms ?? null,
  ecSlopeMsPerCm: label.ecSlopeMsPerCm ?? null,
  use: label.use ?? 'dissolved',
  strengthGuessed: label.strengthGuessed ?? false,
})
