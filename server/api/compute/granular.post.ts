import * as z from 'zod'
import { figures, place } from '../../http/figures'
import { computeRoute } from '../../threads/compute-route'

export default computeRoute('granular', {
  summary: 'A granular feed mixed in to grams and spoons for a pot',
  answers: z.looseObject({ perPotG: place, figures }),
  meaning: 'For one pot, by weight and by volume, and the nitrogen it lets go',
})
