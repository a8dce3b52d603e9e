import { present } from '#core/present'
import * as z from 'zod'
import { chemistryOf, dosed } from '#core/media/chemistry'
import { blendOf } from '#core/media/blend'
import { insideOf } from '#core/media/inside'
import { mixToCompute } from '#shared/computations/mix-and-feed'
import { withOwn } from '#shared/computations/batch'
import { figures, place, tabled } from '../../http/figures'
import { route } from '../../http/route'

export default route(
  {
    summary: 'A mix in a container to air, water, pH, salts, food and what they mean',
    body: mixToCompute,
    answers: z.looseObject({
      physics: z.looseObject({ airSpace: place }),
      verdicts: z.array(z.looseObject({ text: z.string() })),
      figures,
    }),
    meaning:
      'Air and water after draining, chemistry and verdicts; each figure is its place in the table `figures`',
  },
  ({ body }) => {
    const { containers, materials } = withOwn(body)
    const container = present(containers.get(body.containerId))
    const blend = blendOf(body.parts, materials, body.homeTests)
    const chemistry = chemistryOf(blend.ingredients, blend.mixingLoss, dosed(body.extras, materials))
    const { plants, blockCompression: press } = body
    const inside = insideOf(container, blend, chemistry, { plants, press })
    return tabled({ ...inside, chemistry, mixingLoss: blend.mixingLoss })
  },
)
