import { HOUSEHOLD, stored, write } from '#shared/collections'
import { saveHousehold } from '../../../services/keeping'
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
  ({ params, body, act, principal }) =>
    saveHousehold(principal, params.householdId, body.version, body.body, act),
)
