import { remove } from '../../../../services/keeping'
import { recordParams, versionQuery } from '../../../../http/params'
import { route } from '../../../../http/route'

export default route({ params: recordParams, query: versionQuery }, ({ params, query }) =>
  remove(params.collection, params.householdId, params.id, query.version),
)
