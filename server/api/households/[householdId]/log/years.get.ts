import * as z from 'zod'
import { householdParams } from '../../../../http/params'
import { route } from '../../../../http/route'
import { inHousehold } from '../../../../db/door'
import { yearsOf } from '../../../../services/year'

export default route(
  {
    summary: 'Years in which anything happened',
    params: householdParams,
    answers: z.array(z.int()),
    meaning: 'The last first',
  },
  ({ params, principal }) =>
    inHousehold(principal, params.householdId, (tx) => yearsOf(tx, params.householdId)),
)
