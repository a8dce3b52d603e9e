import { find } from '../../../../services/reading'
import { recordParams } from '../../../../http/params'
import { route } from '../../../../http/route'

export default route({ params: recordParams }, ({ params }) =>
  find(params.collection, params.householdId, params.id),
)
