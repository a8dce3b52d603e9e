import * as z from 'zod'
import { COLLECTIONS } from '#shared/collections'
import { remove } from '../../../../services/keeping'
import { recordParams, versionQuery } from '../../../../http/params'
import { collectionRoute } from '../../../../http/route'

export default collectionRoute(
  (collection) => ({
    summary: `Remove one ${COLLECTIONS[collection].one}; it can be brought back from the answered version`,
    params: recordParams,
    query: versionQuery,
    answers: z.object({ version: z.int() }),
    meaning: 'The version it was removed at',
    refuses: [409, 422],
  }),
  ({ params, query, act, principal }) =>
    remove(principal, params.collection, params.householdId, params.id, query.version, act),
)
