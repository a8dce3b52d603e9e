import * as z from 'zod'
import { chemistryOf, dosed } from '#core/media/chemistry'
import { mixForOne, physicsIn } from '#core/media/container-physics'
import { daysOfFood } from '#core/media/food'
import { sharesOf } from '#core/media/mix-plan'
import { mixingLoss } from '#core/media/mixing-loss'
import { verdictsOn } from '#core/media/verdicts'
import { mixToCompute } from '#shared/computations'
import { withOwn } from '#shared/records/batch'
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
    const container = containers.get(body.containerId)!
    const ingredients = sharesOf(body.parts, materials)
    const loss = mixingLoss(ingredients)
    const physics = physicsIn(container, ingredients, loss, null, body.blockCompression)
    const chemistry = chemistryOf(ingredients, loss, dosed(body.extras, materials))
    const food = daysOfFood(chemistry, mixForOne(container, physics, body.plants), 'medium')
    const verdicts = verdictsOn(container, physics, chemistry, ingredients, food)
    return tabled({ physics, chemistry, daysOfFood: food, mixingLoss: loss, verdicts })
  },
)
