import { present } from '#core/present'
import * as z from 'zod'
import { planSowing } from '#core/season/schedule/sowing'
import { asSowingRequest } from '#shared/reckoning/sowing-request'
import { seasonKnown, sowingToCompute } from '#shared/computations/season'
import { figures, tabled } from '../../http/figures'
import { route } from '../../http/route'

export default route(
  {
    summary: 'A sowing to its cells, seeds, stages and dates',
    body: sowingToCompute,
    answers: z.looseObject({
      cells: z.int(),
      seeds: z.int(),
      sowOn: z.string(),
      outOn: z.string(),
      stages: z.array(z.looseObject({ from: z.string(), looseL: z.number() })),
      figures,
    }),
    meaning: 'The sowing planned alone, its trays not shared; notices say what to know before it is sown',
  },
  ({ body }) => {
    const known = seasonKnown(body)
    return tabled({
      ...planSowing(
        present(asSowingRequest(body.sowing, known, { notBefore: body.today })),
        known.frame,
        known.book,
      ),
    })
  },
)
