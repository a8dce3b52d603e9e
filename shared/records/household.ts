import * as z from 'zod'
import { name } from '../rules'

export const household = z.object({
  name,
  place: z.string().max(200).default(''),
  kitchen: z.enum(['metric', 'us', 'imperial']).describe('What a bare cup, spoon or gallon means'),
})
export type HouseholdRecord = z.output<typeof household>
