import * as z from 'zod'
import { COLLECTION_NAMES } from '#shared/records/collection-names'
import { id } from '#shared/records/rules'
import { inHousehold } from '../../../db/door'
import { removedLately } from '../../../services/read-records'
import { householdParams } from '../../../http/params'
import { route } from '../../../http/route'

export default route(
  {
    summary: 'What was removed or taken back in the last 90 days',
    params: householdParams,
    answers: z.array(
      z.object({
        collection: z.enum(COLLECTION_NAMES),
        id,
        version: z.int(),
        name: z.string(),
        removedAt: z.iso.datetime(),
      }),
    ),
    meaning: 'The last first',
  },
  ({ params, principal }) =>
    inHousehold(principal, params.householdId, (tx) => removedLately(params.householdId, tx)),
)
