import { find } from '../../../../services/keeping'
import { recordParams } from '../../../../http/params'
import { route } from '../../../../http/route'

export default route({ params: recordParams }, ({ params }) =>
  find(params.collection, params.householdId, params.id),
)
