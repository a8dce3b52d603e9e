import * as z from 'zod'
import { COLLECTION_NAMES, COLLECTIONS } from '#shared/collections'
import { reference } from '#shared/rules'
import { replace } from '../../../../../services/keeping'
import { recordParams } from '../../../../../http/params'
import { collectionRoute } from '../../../../../http/route'

export default collectionRoute(
  (collection) => ({
    summary: `Put another in the place of one ${COLLECTIONS[collection].one} wherever it is used, and remove it`,
    params: recordParams,
    body: z.object({
      version: z
        .int()
        .min(1)
        .max(2 ** 31 - 2),
      with: reference,
    }),
    answers: z.object({
      version: z.int(),
      changed: z.array(
        z.object({ collection: z.enum(COLLECTION_NAMES), before: z.looseObject({}), version: z.int() }),
      ),
    }),
    meaning: 'The version it was removed at, and what was changed, as it was before',
    refuses: [409],
  }),
  ({ params, body, act, principal }) =>
    replace(principal, params.collection, params.householdId, params.id, body.version, body.with, act),
)
