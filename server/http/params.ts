import * as z from 'zod'
import { COLLECTION_NAMES } from '#shared/records/collection-names'
import { day, id } from '#shared/records/rules'

export const householdParams = z.object({ householdId: id })
export const collectionParams = householdParams.extend({ collection: z.enum(COLLECTION_NAMES) })
export const recordParams = collectionParams.extend({ id })
const HIGHEST = 2 ** 31 - 2
export const versionQuery = z.object({ version: z.coerce.number().int().min(1).max(HIGHEST) })
/** A yes or no behind the `?`. */
const yes = z
  .enum(['true', 'false'])
  .default('false')
  .transform((said) => said === 'true')
export const removalQuery = versionQuery.extend({
  anyway: yes.describe('Also where the log, a guided job or a photo is about it'),
})
/** The day that is asked for; else today, where the household is. */
export const dayQuery = z.object({ on: day.optional() })
/** A page of a list: entries go by their number, everything else by the id that was seen last. */
export const pageQuery = z.object({
  before: z.coerce
    .number()
    .int()
    .min(1)
    .max(Number.MAX_SAFE_INTEGER)
    .optional()
    .describe('Entries: those before this number'),
  from: id.optional().describe('Others: those that follow this one'),
  newest: z.enum(['true', 'false']).default('false').describe('Others: the newest first'),
  limit: z.coerce.number().int().min(1).max(500).default(500),
})
