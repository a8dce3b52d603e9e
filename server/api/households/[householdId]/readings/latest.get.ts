import * as z from 'zod'
import { QUANTITY_NAMES } from '#core/readings/kinds'
import { id } from '#shared/records/rules'
import { householdParams } from '../../../../http/params'
import { route } from '../../../../http/route'
import { inHousehold } from '../../../../db/door'
import { readingsOf } from '../../../../services/device-readings'

export default route(
  {
    summary: 'The latest readings of every device, in the units they are kept in',
    params: householdParams,
    query: z.object({ limit: z.coerce.number().int().min(1).max(2000).default(120) }),
    answers: z.array(
      z.object({
        deviceId: id,
        quantity: z.enum(QUANTITY_NAMES),
        name: z.string(),
        atMs: z.number(),
        value: z.number(),
        count: z.int(),
      }),
    ),
    meaning: 'Of each device and quantity the latest, in the order of their times',
    refuses: [404],
  },
  ({ params, query, principal }) =>
    inHousehold(principal, params.householdId, (tx) =>
      readingsOf(tx, params.householdId, { limit: query.limit }),
    ),
)
