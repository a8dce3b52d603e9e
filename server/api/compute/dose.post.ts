import { planDose } from '#core/feed/dose'
import { asDoseRequest, doseToCompute } from '#shared/records/feeding'
import { route } from '../../http/route'

export default route({ body: doseToCompute }, ({ body }) => planDose(asDoseRequest(body)))
