import type { Collection } from '#shared/records/collection-names'

/** What a page starts with reaches back some months; a page about something older brings it first. */
export default defineNuxtRouteMiddleware(async ({ path, query, params }) => {
  const asked: [Collection, unknown][] = [
    ['batches', query['batch']],
    ['feedings', query['plan']],
    ['sowings', query['sowing']],
    [
      path.startsWith('/batches/feed/') ? 'feedings' : 'batches',
      path.startsWith('/batches/') && params['id'],
    ],
  ]
  const household = useHousehold()
  await household.ready()
  for (const [collection, id] of asked) if (typeof id === 'string') await household.bring(collection, id)
})
