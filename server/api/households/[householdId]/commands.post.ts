import * as z from 'zod'
import { HOUSEHOLD, stored } from '#shared/records/collections'
import { COLLECTION_NAMES } from '#shared/records/collection-names'
import { isAlone } from '#shared/commands/alone'
import { sentCommands } from '#shared/commands/commands'
import { id } from '#shared/records/rules'
import { addressOf } from '../../../http/address'
import { householdParams } from '../../../http/params'
import { route } from '../../../http/route'
import { performAlone } from '../../../services/alone'
import { checksum, perform } from '../../../services/commands'
import { invalid } from '../../../services/refusal'

const MAX_BYTES = 8 * 1024 * 1024

export default route(
  {
    summary:
      'What somebody does: one command, or several that belong together, in one transaction, all or nothing. The act’s id is its key: sent again it is done once',
    params: householdParams,
    body: sentCommands,
    mostBytes: MAX_BYTES,
    answers: z.object({
      act: id,
      wrote: z.array(z.object({ collection: z.string(), id, after: z.int() })),
      changed: z.array(
        z.object({ collection: z.enum(COLLECTION_NAMES), id, record: z.looseObject({}).nullable() }),
      ),
      household: stored(HOUSEHOLD).nullable(),
      told: z.looseObject({}).optional().describe('What is told once beside it'),
    }),
    meaning: 'The act, what it wrote, and every record that changed with it as it stands now',
    refuses: [404, 409, 422, 429],
  },
  ({ params, body, act, event, principal }) => {
    const { act: own, ...press } = body
    const key = own ? { id: own, asked: checksum(press) } : act
    const alone = press.commands.find(isAlone)
    if (alone) {
      if (press.commands.length > 1)
        throw invalid([{ path: ['commands'], message: `“${alone.name}” is sent alone.` }])
      return performAlone(principal, params.householdId, key, alone, addressOf(event))
    }
    return perform(principal, params.householdId, key, press)
  },
)
