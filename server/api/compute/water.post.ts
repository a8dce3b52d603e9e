import * as z from 'zod'
import { figures, place } from '../../http/figures'
import { computeRoute } from '../../threads/compute-route'

export default computeRoute('water', {
  summary: 'Tap and rain mixed to their salts and alkalinity',
  answers: z.looseObject({ ecMsPerCm: place, drift: z.string(), figures }),
  meaning: 'Salts, alkalinity, and which way the pH of a mix drifts',
})
