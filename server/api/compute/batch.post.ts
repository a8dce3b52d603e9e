import { planBatch } from '#core/media/batch'
import { asBatchRequest, batchToCompute, ownContainers } from '#shared/records/batch'
import { route } from '../../http/route'

export default route({ body: batchToCompute }, ({ body }) =>
  planBatch(asBatchRequest(body, ownContainers(body.containers))),
)
