import { everything } from '../../../services/reading'
import { householdParams } from '../../../http/params'
import { route } from '../../../http/route'

export default route({ params: householdParams }, ({ params }) => everything(params.householdId))
