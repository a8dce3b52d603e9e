import { HOUSEHOLD, stored, write } from '#shared/records/collections'
import { performOne } from '../../../services/commands'
import { householdParams } from '../../../http/params'
import { route } from '../../../http/route'

export default route(
  {
    summary: 'Create (version 0) or change a household',
    params: householdParams,
    body: write(HOUSEHOLD),
    answers: stored(HOUSEHOLD),
    meaning: 'As kept',
    refuses: [409],
  },
  async ({ params, body, act, principal }) => {
    const intent = { name: 'save household', version: body.version, body: body.body } as const
    return (await performOne(principal, params.householdId, act, intent)).household
  },
)
