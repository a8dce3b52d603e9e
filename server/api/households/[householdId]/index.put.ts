import { HOUSEHOLD, write } from '#shared/collections'
import { saveHousehold } from '../../../services/keeping'
import { householdParams } from '../../../http/params'
import { route } from '../../../http/route'

export default route({ params: householdParams, body: write(HOUSEHOLD) }, ({ params, body }) =>
  saveHousehold(params.householdId, body.version, body.body),
)
