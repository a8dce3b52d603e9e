import * as z from 'zod'
import { bodyOf, COLLECTIONS } from '#shared/records/collections'
import { inHousehold } from '../../../../../db/door'
import { history } from '../../../../../services/read-records'
import { recordParams } from '../../../../../http/params'
import { collectionRoute } from '../../../../../http/route'

export default collectionRoute(
  (collection) => ({
    summary: `What one ${COLLECTIONS[collection].one} was before each change`,
    params: recordParams,
    answers: z.array(z.object({ version: z.int(), writtenAt: z.iso.datetime(), body: bodyOf(collection) })),
    meaning: 'Newest first',
  }),
  ({ params, principal }) =>
    inHousehold(principal, params.householdId, (tx) =>
      history(params.collection, params.householdId, params.id, tx),
    ),
)
