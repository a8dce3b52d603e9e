import { HOUSEHOLD, stored } from '#shared/records/collections'
import { bringHouseholdBack } from '../../../services/household-removal'
import { householdParams } from '../../../http/params'
import { route } from '../../../http/route'

export default route(
  {
    summary: 'Bring back a household that was removed lately',
    params: householdParams,
    answers: stored(HOUSEHOLD),
    meaning: 'As it was',
  },
  ({ params, act, principal }) => bringHouseholdBack(principal, params.householdId, act),
)
