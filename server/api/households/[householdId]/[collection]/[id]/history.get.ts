import { history } from '../../../../../services/reading'
import { recordParams } from '../../../../../http/params'
import { route } from '../../../../../http/route'

export default route({ params: recordParams }, ({ params }) =>
  history(params.collection, params.householdId, params.id),
)
