import * as z from 'zod'
import { figures, place } from '../../http/figures'
import { computeRoute } from '../../threads/compute-route'

export default computeRoute('dose', {
  summary: 'A feed, a stage and a vessel to a dose and how to measure it',
  answers: z.looseObject({ massG: place, volumeMl: place, figures }),
  meaning: 'The dose; each figure is its place in the table `figures`, where its working stands',
})
