import { present } from '#core/present'
import * as z from 'zod'
import { granularFor } from '#core/feed/granular'
import { granularToCompute } from '#shared/computations/mix-and-feed'
import { withOwn } from '#shared/computations/batch'
import { asFeed } from '#shared/records/feed'
import { figures, place, tabled } from '../../http/figures'
import { route } from '../../http/route'

export default route(
  {
    summary: 'A granular feed mixed in to grams and spoons for a pot',
    body: granularToCompute,
    answers: z.looseObject({ perPotG: place, figures }),
    meaning: 'For one pot, by weight and by volume, and the nitrogen it lets go',
  },
  ({ body }) =>
    tabled(
      granularFor(
        asFeed('feed', body.feed),
        body.gPerL,
        present(withOwn({ ...body, materials: [] }).containers.get(body.containerId)),
      ),
    ),
)
