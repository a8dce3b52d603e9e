import { setResponseHeader } from 'h3'
import * as z from 'zod'
import { id } from '#shared/records/rules'
import { householdParams } from '../../../../http/params'
import { route } from '../../../../http/route'
import { inHousehold } from '../../../../db/door'
import { asSenml, readingsOf } from '../../../../services/device-readings'

const SENML = 'application/senml+json'

export default route(
  {
    summary: 'Readings that were kept, as SenML',
    params: householdParams,
    query: z.object({
      device: id.optional(),
      from: z.iso.datetime({ offset: true }).optional(),
      to: z.iso.datetime({ offset: true }).optional(),
      limit: z.coerce.number().int().min(1).max(5000).default(500).describe('Of each quantity, the latest'),
    }),
    answers: z.array(z.record(z.string(), z.unknown())),
    meaning: 'A SenML pack; after a month a record is the mean of five minutes',
    type: SENML,
    refuses: [404],
  },
  async ({ params, query, event, principal }) => {
    const found = await inHousehold(principal, params.householdId, (tx) =>
      readingsOf(tx, params.householdId, {
        deviceId: query.device,
        fromMs: query.from === undefined ? undefined : Date.parse(query.from),
        toMs: query.to === undefined ? undefined : Date.parse(query.to),
        limit: query.limit,
      }),
    )
    setResponseHeader(event, 'content-type', SENML)
    return asSenml(found)
  },
)
