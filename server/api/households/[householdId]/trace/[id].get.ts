import * as z from 'zod'
import { bodyOf, stored } from '#shared/records/collections'
import { id } from '#shared/records/rules'
import { householdParams } from '../../../../http/params'
import { route } from '../../../../http/route'
import { inHousehold } from '../../../../db/door'
import { traceRecords } from '../../../../services/trace'

export default route(
  {
    summary:
      'A tray with all that hangs on it: its batch and the trays of that, where its plants came from and went',
    params: householdParams.extend({ id }),
    answers: z.object({
      trays: z.array(stored(bodyOf('trays'))),
      batches: z.array(stored(bodyOf('batches'))),
      entries: z.array(stored(bodyOf('entries'))),
    }),
    meaning: 'Entries in the order they were written',
    refuses: [404],
  },
  ({ params, principal }) =>
    inHousehold(principal, params.householdId, (tx) => traceRecords(tx, params.householdId, params.id)),
)
