import * as z from 'zod'
import { bodyOf, stored } from '#shared/collections'
import { findHousehold, list, listEntries } from '../../../../services/reading'
import { collectionParams, pageQuery } from '../../../../http/params'
import { collectionRoute } from '../../../../http/route'

export default collectionRoute(
  (collection) => ({
    summary: `All ${collection}`,
    params: collectionParams,
    query: pageQuery,
    answers: z.array(stored(bodyOf(collection))),
    meaning:
      collection === 'entries'
        ? 'Newest first, `limit` of them written before the one numbered `before`'
        : 'Oldest first, all of them',
  }),
  async ({ params: { collection, householdId }, query }) => {
    await findHousehold(householdId)
    return collection === 'entries' ? listEntries(householdId, query) : list(collection, householdId)
  },
)
