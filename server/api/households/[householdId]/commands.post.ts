import * as z from 'zod'
import { COLLECTION_NAMES, HOUSEHOLD, stored } from '#shared/collections'
import { sentCommands } from '#shared/commands/commands'
import { id } from '#shared/rules'
import { householdParams } from '../../../http/params'
import { route } from '../../../http/route'
import { checksum, perform } from '../../../services/commands'

const MOST_BYTES = 8 * 1024 * 1024

export default route(
  {
    summary:
      'What somebody does: one command, or several that belong together, in one transaction, all or nothing. The act’s id is its key: sent again it is done once',
    params: householdParams,
    body: sentCommands,
    mostBytes: MOST_BYTES,
    answers: z.object({
      act: id,
      wrote: z.array(z.object({ collection: z.string(), id, after: z.int() })),
      changed: z.array(
        z.object({ collection: z.enum(COLLECTION_NAMES), id, record: z.looseObject({}).nullable() }),
      ),
      household: stored(HOUSEHOLD).nullable(),
    }),
    meaning: 'The act, what it wrote, and every record that changed with it as it stands now',
    refuses: [404, 409, 422],
  },
  ({ params, body, act, principal }) => {
    const { act: own, ...press } = body
    const key = own ? { id: own, asked: checksum(press) } : act
    return perform(principal, params.householdId, key, press)
  },
)
