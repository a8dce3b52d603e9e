import * as z from 'zod'
import { bodyOf, stored } from '#shared/records/collections'
import { householdParams } from '../../../../http/params'
import { route } from '../../../../http/route'
import { cached } from '../../../../services/response-cache'
import { inHousehold } from '../../../../db/door'
import { yearRecords } from '../../../../services/year'

export default route(
  {
    summary: 'Everything that happened in a year, and what it happened to',
    params: householdParams.extend({ year: z.coerce.number().int().min(1990).max(2099) }),
    answers: z.object({
      entries: z.array(stored(bodyOf('entries'))),
      sowings: z.array(stored(bodyOf('sowings'))),
      trays: z.array(stored(bodyOf('trays'))),
      batches: z.array(stored(bodyOf('batches'))),
      photos: z.array(stored(bodyOf('photos'))),
      movedSince: z.array(z.object({ id: z.string(), by: z.number() })),
    }),
    meaning: 'Entries in the order they were written',
  },
  ({ params: { householdId, year }, principal }) =>
    cached(principal, householdId, `year ${year}`, () =>
      inHousehold(principal, householdId, (tx) => yearRecords(tx, householdId, year)),
    ),
)
