import { bodyOf, COLLECTIONS, stored } from '#shared/collections'
import { bringBack } from '../../../../../services/keeping'
import { recordParams, versionQuery } from '../../../../../http/params'
import { collectionRoute } from '../../../../../http/route'

export default collectionRoute(
  (collection) => ({
    summary: `Bring back one ${COLLECTIONS[collection].one} that was removed at this version`,
    params: recordParams,
    query: versionQuery,
    answers: stored(bodyOf(collection)),
    meaning: 'As it was',
    refuses: [409, 422],
  }),
  ({ params, query, act, principal }) =>
    bringBack(principal, params.collection, params.householdId, params.id, query.version, act),
)
