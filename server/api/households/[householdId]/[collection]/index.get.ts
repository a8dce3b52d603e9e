import { last } from '#core/numeric/at'
import { setResponseHeader } from 'h3'
import * as z from 'zod'
import { bodyOf, stored, type Stored } from '#shared/records/collections'
import { inHousehold } from '../../../../db/door'
import { listEntries, listPage } from '../../../../services/read-records'
import { cached } from '../../../../services/response-cache'
import { collectionParams, pageQuery } from '../../../../http/params'
import { collectionRoute } from '../../../../http/route'

export default collectionRoute(
  (collection) => ({
    summary: `A page of ${collection}`,
    params: collectionParams,
    query: pageQuery,
    answers: z.array(stored(bodyOf(collection))),
    meaning:
      collection === 'entries'
        ? 'Newest first, `limit` of them written before the one numbered `before`'
        : 'Oldest or newest first, `limit` of them after the one with the id `from`; the header `link` names the next page',
  }),
  async ({ params: { collection, householdId }, query, event, principal }) => {
    const page = await cached<Stored<unknown>[]>(
      principal,
      householdId,
      `${collection} ${JSON.stringify(query)}`,
      () =>
        inHousehold<Stored<unknown>[]>(principal, householdId, (tx) =>
          collection === 'entries'
            ? listEntries(householdId, query, tx)
            : listPage(collection, householdId, { ...query, newest: query.newest === 'true' }, tx),
        ),
    )
    if (collection === 'entries') return page
    if (page.length === query.limit) {
      const next = new URLSearchParams({
        from: last(page).id,
        newest: query.newest,
        limit: `${query.limit}`,
      })
      setResponseHeader(event, 'link', `<?${next}>; rel="next"`)
    }
    return page
  },
)
