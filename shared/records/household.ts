import * as z from 'zod'
import { waterProblems } from '#core/feed/water'
import { amount, name, ruled } from '../rules'
import { seasonFrame } from './season-frame'

export const household = z.object({
  name,
  place: z.string().max(200).default(''),
  kitchen: z.enum(['metric', 'us', 'imperial']).describe('What a bare cup, spoon or gallon means'),
  water: ruled(
    z.object({
      ecMsPerCm: amount.describe('mS/cm'),
      alkalinityMgPerL: amount.describe('As calcium carbonate, mg/L'),
    }),
    (value) => waterProblems(value, 0),
  )
    .nullable()
    .default(null)
    .describe('What comes out of the tap; null when nobody measured'),
  season: seasonFrame.nullable().default(null).describe('Frosts, shelf and schools; null until they are set'),
})
export type HouseholdRecord = z.output<typeof household>
