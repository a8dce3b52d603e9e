import * as z from 'zod'
import { id } from '#shared/records/rules'
import { householdParams } from '../../../../http/params'
import { route } from '../../../../http/route'
import { newDeviceKey } from '../../../../services/device-keys'

export default route(
  {
    summary: 'A new key for a device; the one before counts no more',
    params: householdParams.extend({ id }),
    answers: z.object({ key: z.string() }),
    meaning: 'The key, told once: it is kept as a checksum',
    refuses: [404],
  },
  ({ params, principal, act }) => newDeviceKey(principal, params.householdId, params.id, act),
)
