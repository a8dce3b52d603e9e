import * as z from 'zod'
import { dayAt } from '#core/season/day'
import { COLLECTION_NAMES } from '#shared/collections'
import { day, id } from '#shared/rules'

export const householdParams = z.object({ householdId: id })
export const collectionParams = householdParams.extend({ collection: z.enum(COLLECTION_NAMES) })
export const recordParams = collectionParams.extend({ id })
const HIGHEST = 2 ** 31 - 2
export const versionQuery = z.object({ version: z.coerce.number().int().min(1).max(HIGHEST) })
/** The day on the server's clock, in UTC; a household's own day is what its browser says. */
export const dayQuery = z.object({
  on: day.default(() => dayAt(new Date())),
})
export const pageQuery = z.object({
  before: z.coerce.number().int().min(1).max(HIGHEST).optional(),
  limit: z.coerce.number().int().min(1).max(500).default(200),
})
