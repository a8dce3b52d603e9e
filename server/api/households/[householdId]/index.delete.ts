import * as z from 'zod'
import { removeHousehold } from '../../../services/household-removal'
import { householdParams, versionQuery } from '../../../http/params'
import { route } from '../../../http/route'

export default route(
  {
    summary: 'Remove a household, after a backup; for thirty days it can be brought back',
    params: householdParams,
    query: versionQuery,
    answers: z.object({ version: z.int() }),
    meaning: 'The version it was removed at',
    refuses: [409],
  },
  ({ params, query, act, principal }) => removeHousehold(principal, params.householdId, query.version, act),
)
