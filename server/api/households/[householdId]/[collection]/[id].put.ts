import { bodyOf, COLLECTIONS, stored, write } from '#shared/records/collections'
import { performOne } from '../../../../services/commands'
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
  async ({ params, body, act, principal }) => {
    const { collection, householdId, id } = params
    const { version, body: record } = body
    const intent = { name: 'save record', collection, id, version, body: record, onlyNew: false } as const
    return (await performOne(principal, householdId, act, intent as never)).record
  },
)
