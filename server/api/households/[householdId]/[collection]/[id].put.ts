import { bodyOf, COLLECTIONS, stored, write } from '#shared/collections'
import { save } from '../../../../services/keeping'
import { recordParams } from '../../../../http/params'
import { collectionRoute } from '../../../../http/route'

export default collectionRoute(
  (collection) => ({
    summary: `Create (version 0) or change one ${COLLECTIONS[collection].one}`,
    params: recordParams,
    body: write(bodyOf(collection)),
    answers: stored(bodyOf(collection)),
    meaning: 'As kept',
    refuses: [409],
  }),
  ({ params, body, act, principal }) =>
    save(principal, params.collection, params.householdId, params.id, body.version, body.body, act),
)
