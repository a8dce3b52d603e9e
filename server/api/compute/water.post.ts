import * as z from 'zod'
import { blendWithRain } from '#core/feed/water'
import { waterToCompute } from '#shared/computations/mix-and-feed'
import { figures, place, tabled } from '../../http/figures'
import { route } from '../../http/route'

export default route(
  {
    summary: 'Tap and rain mixed to their salts and alkalinity',
    body: waterToCompute,
    answers: z.looseObject({ ecMsPerCm: place, drift: z.string(), figures }),
    meaning: 'Salts, alkalinity, and which way the pH of a mix drifts',
  },
  ({ body: { rainShare, ...water } }) => tabled(blendWithRain(water, rainShare)),
)
