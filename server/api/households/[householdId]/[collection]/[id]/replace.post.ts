import { present } from '#core/present'
import * as z from 'zod'
import { COLLECTIONS } from '#shared/records/collections'
import { COLLECTION_NAMES } from '#shared/records/collection-names'
import { reference } from '#shared/records/rules'
import { inHousehold } from '../../../../../db/door'
import { asTheyWere } from '../../../../../services/idempotency'
import { performOne } from '../../../../../services/commands'
import { recordParams } from '../../../../../http/params'
import { collectionRoute } from '../../../../../http/route'

export default collectionRoute(
  (collection) => ({
    summary: `Put another in the place of one ${COLLECTIONS[collection].one} wherever it is used, and remove it`,
    params: recordParams,
    body: z.object({
      version: z
        .int()
        .min(1)
        .max(2 ** 31 - 2),
      with: reference,
    }),
    answers: z.object({
      version: z.int(),
      changed: z.array(
        z.object({ collection: z.enum(COLLECTION_NAMES), before: z.looseObject({}), version: z.int() }),
      ),
    }),
    meaning: 'The version it was removed at, and what was changed, as it was before',
    refuses: [409],
  }),
  async ({ params: { collection, householdId, id: recordId }, body, act, principal }) => {
    const intent = {
      name: 'replace record',
      collection,
      id: recordId,
      version: body.version,
      with: body.with,
    } as const
    const { performed } = await performOne(principal, householdId, act, intent)
    const isIt = (one: { collection: string; id: string }) =>
      one.collection === collection && one.id === recordId
    const users = performed.wrote.filter((one) => !isIt(one))
    return {
      version: present(performed.wrote.find(isIt)).after,
      changed: await inHousehold(principal, householdId, (tx) => asTheyWere(tx, householdId, users)),
    }
  },
)
