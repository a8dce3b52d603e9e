import { listHouseholds } from '../../services/reading'
import { route } from '../../http/route'

export default route({}, () => listHouseholds())
