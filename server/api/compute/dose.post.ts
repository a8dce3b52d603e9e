import * as z from 'zod'
import { planDose } from '#core/feed/dose'
import { asDoseRequest, doseToCompute } from '#shared/records/feeding'
import { figure } from '../../http/figure'
import { route } from '../../http/route'

export default route(
  {
    summary: 'A feed, a stage and a vessel to a dose and how to measure it',
    body: doseToCompute,
    answers: z.looseObject({ massG: figure, volumeMl: figure }),
    meaning: 'The dose, every figure with its working',
  },
  ({ body }) => planDose(asDoseRequest(body)),
)
