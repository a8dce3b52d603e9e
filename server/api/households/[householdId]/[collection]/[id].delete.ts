import * as z from 'zod'
import { COLLECTIONS } from '#shared/records/collections'
import { performOne } from '../../../../services/commands'
import { recordParams, removalQuery } from '../../../../http/params'
import { collectionRoute } from '../../../../http/route'

export default collectionRoute(
  (collection) => ({
    summary: `Remove one ${COLLECTIONS[collection].one}; it can be brought back from the answered version`,
    params: recordParams,
    query: removalQuery,
    answers: z.object({ version: z.int() }),
    meaning: 'The version it was removed at',
    refuses: [409, 422],
  }),
  async ({ params: { collection, householdId, id }, query, act, principal }) => {
    const intent = { name: 'remove record', collection, id, ...query } as const
    return { version: (await performOne(principal, householdId, act, intent)).version }
  },
)
