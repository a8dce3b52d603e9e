import type { Container } from '../containers/container'
import { derive, given, type Figure } from '../working/figure'
import { standard } from '../working/source'
import type { Blend } from './blend'
import { chemistryOf, type Chemistry } from './chemistry'
import {
  mixForOne,
  partOfVolume,
  physicsIn,
  type ContainerPhysics,
  type LowerBlend,
} from './container-physics'
import { daysOfFood } from './food'
import { BLOCK_COMPRESSION } from './pressing'
import { verdictsOn, type Verdict } from './verdicts'

/** What a seedling finds in a container of a mix. */
export interface Inside {
  readonly physics: ContainerPhysics
  /** Days after emergence that seed and mix feed it, for a medium appetite. */
  readonly daysOfFood: Figure
  readonly verdicts: readonly Verdict[]
}

/**
 * Air, water and food of a mix in a container, and what they mean.
 *
 * The seed stands in the upper mix, whose pH and salts it meets; its roots reach the food of both.
 *
 * @param chemistry of the mix, its extras counted
 * @param how.plants in each cell
 * @param how.press loose litres in a pressed one, where it is a block
 */
export function insideOf(
  container: Container,
  blend: Blend,
  chemistry: Chemistry,
  {
    lower = null,
    press = BLOCK_COMPRESSION,
    plants = 1,
  }: {
    lower?: LowerBlend | null
    press?: number
    plants?: number
  } = {},
): Inside {
  const physics = physicsIn(container, blend, { lower, press })
  const food = lower ? foodOfBoth(container, chemistry, lower) : chemistry
  const days = daysOfFood(food, mixForOne(container, physics, plants), 'medium')
  return {
    physics,
    daysOfFood: days,
    verdicts: verdictsOn(container, physics, chemistry, blend.ingredients, days),
  }
}

function foodOfBoth(container: Container, upper: Chemistry, lower: LowerBlend) {
  const below = chemistryOf(lower.ingredients, lower.mixingLoss)
  const part = given(
    'Part of the volume that is the lower mix',
    partOfVolume(container.shape, 0, lower.heightMm),
    'share',
    standard('prismatoid rule'),
  )
  const both = (name: string, of: (mix: Chemistry) => Figure) =>
    derive(
      name,
      'mg/L',
      'b * s + u * (1 - s)',
      { b: of(below), u: of(upper), s: part },
      ({ b, u, s }) => b * s + u * (1 - s),
      'Roots reach down into the lower mix.',
    )
  return {
    releasedMgPerL: both('Nitrogen released in 8 weeks, both layers', (mix) => mix.releasedMgPerL),
    starterMgPerL: both('Soluble when it is mixed, both layers', (mix) => mix.starterMgPerL),
  }
}
