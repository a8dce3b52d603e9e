import { planBatch } from '#core/media/batch'
import { asBatchRequest, batchToCompute, shedOf } from '#shared/records/batch'
import { route } from '../../http/route'

export default route({ body: batchToCompute }, ({ body }) => planBatch(asBatchRequest(body, shedOf(body))))
