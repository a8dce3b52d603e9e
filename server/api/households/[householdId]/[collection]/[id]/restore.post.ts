import { bodyOf, COLLECTIONS, stored } from '#shared/records/collections'
import { performOne } from '../../../../../services/commands'
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
  async ({ params: { collection, householdId, id }, query, act, principal }) => {
    const intent = { name: 'restore record', collection, id, version: query.version } as const
    return (await performOne(principal, householdId, act, intent)).record
  },
)
