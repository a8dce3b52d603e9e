import { findHousehold, list } from '../../../../services/reading'
import { collectionParams } from '../../../../http/params'
import { route } from '../../../../http/route'

export default route({ params: collectionParams }, async ({ params }) => {
  await findHousehold(params.householdId)
  return list(params.collection, params.householdId)
})
