import { getRequestHeader } from 'h3'
import * as z from 'zod'
import { householdParams } from '../../../../http/params'
import { readJson } from '../../../../http/read-json'
import { route } from '../../../../http/route'
import { checksum } from '../../../../services/commands'
import { withFile } from '../../../../services/idempotency'
import { takeReadings } from '../../../../services/device-readings'

const SENML = 'application/senml+json'

export default route(
  {
    summary:
      'Readings of a device as SenML (RFC 8428), with the device’s own key: Authorization: Bearer <key>',
    params: householdParams,
    answers: z.object({
      kept: z.int(),
      duplicates: z.int(),
      ignored: z.int(),
      impossible: z.array(z.object({ name: z.string(), message: z.string() })),
      skewS: z.int(),
    }),
    meaning: 'How many were kept; of a quantity one a second is',
    refuses: [400, 401, 404, 413, 415, 422, 429],
  },
  async ({ params, event, principal, act }) => {
    const said = getRequestHeader(event, 'authorization') ?? ''
    const key = /^Bearer (\S+)$/i.exec(said)?.[1] ?? null
    const pack = await readJson(event, SENML)
    return takeReadings(principal, params.householdId, key, pack, withFile(act, checksum(pack)))
  },
)
