import { listHouseholds } from '../../services/keeping'
import { route } from '../../http/route'

export default route({}, () => listHouseholds())
