import * as z from 'zod'
import { COLLECTION_NAMES } from '#shared/collections'
import { id } from '#shared/rules'

export const householdParams = z.object({ householdId: id })
export const collectionParams = householdParams.extend({ collection: z.enum(COLLECTION_NAMES) })
export const recordParams = collectionParams.extend({ id })
export const versionQuery = z.object({ version: z.coerce.number().int().min(1) })
