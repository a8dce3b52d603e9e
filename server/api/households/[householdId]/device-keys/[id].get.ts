import * as z from 'zod'
import { id } from '#shared/records/rules'
import { householdParams } from '../../../../http/params'
import { route } from '../../../../http/route'
import { keysOfDevice } from '../../../../services/device-keys'

export default route(
  {
    summary: 'When a device was given its keys; the keys themselves are not kept',
    params: householdParams.extend({ id }),
    answers: z.array(z.object({ givenAt: z.iso.datetime(), replacedAt: z.iso.datetime().nullable() })),
    meaning: 'The newest first; `replacedAt` is null for the one that counts',
    refuses: [404],
  },
  ({ params, principal }) => keysOfDevice(principal, params.householdId, params.id),
)
