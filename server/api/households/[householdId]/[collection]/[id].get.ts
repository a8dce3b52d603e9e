import { bodyOf, COLLECTIONS, stored } from '#shared/records/collections'
import { inHousehold } from '../../../../db/door'
import { find } from '../../../../services/read-records'
import { recordParams } from '../../../../http/params'
import { collectionRoute } from '../../../../http/route'

export default collectionRoute(
  (collection) => ({
    summary: `One ${COLLECTIONS[collection].one}`,
    params: recordParams,
    answers: stored(bodyOf(collection)),
    meaning: 'As kept',
  }),
  ({ params, principal }) =>
    inHousehold(principal, params.householdId, (tx) =>
      find(params.collection, params.householdId, params.id, tx),
    ),
)
