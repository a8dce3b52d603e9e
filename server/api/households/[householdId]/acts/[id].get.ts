import * as z from 'zod'
import { id } from '#shared/records/rules'
import { inHousehold } from '../../../../db/door'
import { householdParams } from '../../../../http/params'
import { route } from '../../../../http/route'
import { actOf } from '../../../../services/idempotency'

export default route(
  {
    summary: 'Who did what with which commands',
    params: householdParams.extend({ id }),
    answers: z.object({
      id,
      at: z.iso.datetime(),
      by: z.string(),
      commands: z.array(z.string()),
      records: z.int().describe('How many records it wrote'),
      undoes: id.nullable().describe('The act that it undoes'),
      undoneBy: id.nullable(),
    }),
    meaning: 'The act',
    refuses: [404],
  },
  ({ params, principal }) =>
    inHousehold(principal, params.householdId, (tx) => actOf(tx, params.householdId, params.id)),
)
