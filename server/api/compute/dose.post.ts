import * as z from 'zod'
import { planDose } from '#core/feed/dose'
import { doseToCompute } from '#shared/computations/dose'
import { asDoseRequest } from '#shared/reckoning/dose-request'
import { figures, place, tabled } from '../../http/figures'
import { route } from '../../http/route'

export default route(
  {
    summary: 'A feed, a stage and a vessel to a dose and how to measure it',
    body: doseToCompute,
    answers: z.looseObject({ massG: place, volumeMl: place, figures }),
    meaning: 'The dose; each figure is its place in the table `figures`, where its working stands',
  },
  ({ body }) => tabled(planDose(asDoseRequest(body))),
)
