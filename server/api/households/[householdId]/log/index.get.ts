import * as z from 'zod'
import { stored } from '#shared/records/collections'
import { entry, ENTRY_KINDS } from '#shared/records/entry'
import { day, id } from '#shared/records/rules'
import { householdParams } from '../../../../http/params'
import { route } from '../../../../http/route'
import { inHousehold } from '../../../../db/door'
import { logPage } from '../../../../services/log'

const query = z.object({
  subject: id.optional().describe('A tray, sowing, batch, feed plan, packet, pack or trial'),
  placeId: z.string().min(1).max(64).optional(),
  kinds: z
    .string()
    .max(400)
    .transform((text) => text.split(','))
    .pipe(z.array(z.enum(ENTRY_KINDS)).max(40))
    .optional()
    .describe('Kinds of entries, with commas between'),
  from: day.optional(),
  until: day.optional(),
  words: z.string().max(200, 'Look for at most 200 characters.').optional(),
  beforeOn: day.optional().describe('With `beforeNumber`: those before the last one seen'),
  beforeNumber: z.coerce.number().int().min(0).max(Number.MAX_SAFE_INTEGER).optional(),
  limit: z.coerce.number().int().min(1).max(200).default(40),
})

export default route(
  {
    summary: 'The log: what happened, the latest day first',
    params: householdParams,
    query,
    answers: z.object({ entries: z.array(stored(entry)), more: z.boolean() }),
    meaning: 'A page of entries, and whether there are more before them',
  },
  ({ params, query: { beforeOn, beforeNumber, ...rest }, principal }) =>
    inHousehold(principal, params.householdId, (tx) =>
      logPage(tx, params.householdId, {
        ...rest,
        before:
          beforeOn !== undefined && beforeNumber !== undefined
            ? { on: beforeOn, number: beforeNumber }
            : undefined,
      }),
    ),
)
