import { derive, given, weightedTotal, type Figure } from '../working/figure'
import { byDefault, handbook, type Source } from '../working/source'
import type { Material } from './material'

/** k: an even mix of the finest and the coarsest loses a tenth of its loose volume [default]. */
export const MIXING_LOSS_K = 0.1

export const MIXING_LOSS_SOURCE: Source = byDefault(
  'an even coarse and fine mix loses 10 %; 5–20 % in handbooks',
)

/** How much further an even mix of fine and coarse drains than its parts do alone. */
export const OPENING_K = 0.45

type Ingredients = readonly { material: Material; share: Figure }[]

/**
 * How unlike the grains of a mix are: 4 · ½ · Σᵢⱼ wᵢ·wⱼ·|cᵢ − cⱼ|, with coarseness c from 0 (peat) to 1 (coarse perlite).
 * 0 for one material alone or a ready bagged mix, 1 for equal parts of the finest and the coarsest.
 *
 * @param ingredients each material with its share (fraction 0–1, together 1)
 */
export function unlikeness(ingredients: Ingredients): Figure {
  const pairs = ingredients.flatMap((one, i) =>
    ingredients.slice(i + 1).map((other) => [one, other] as const),
  )
  const apart = pairs.filter(([one, other]) => one.material.coarse !== other.material.coarse)
  const coarseness = ({ name, coarse, sources }: Material) =>
    given(`${name}: coarseness`, coarse, '', sources.coarse)
  const sum = weightedTotal(
    'Unlike grains, by pairs',
    '',
    apart.map(([one, other]) => {
      const [a, b] = [one.material.name, other.material.name]
      return {
        weight: derive(
          `${a} beside ${b}`,
          '',
          'u * v',
          { u: one.share, v: other.share },
          ({ u, v }) => u * v,
        ),
        figure: derive(
          `${a} and ${b}: grains apart`,
          '',
          'abs(c - d)',
          { c: coarseness(one.material), d: coarseness(other.material) },
          ({ c, d }) => Math.abs(c - d),
        ),
      }
    }),
  )
  return derive('Unlikeness of the grains', 'share', '4 * d', { d: sum }, ({ d }) => 4 * d)
}

/** Volume lost when fine material falls into the gaps of coarse, as a fraction of the loose volumes put in. */
export function mixingLoss(
  ingredients: Ingredients,
  k: Figure = given('Loss of an even mix', MIXING_LOSS_K, 'share', MIXING_LOSS_SOURCE),
): Figure {
  return derive(
    'Mixing loss',
    'share',
    'k * u',
    { k, u: unlikeness(ingredients) },
    ({ k: loss, u }) => loss * u,
    'Loose volumes do not add: fine fills the gaps of coarse. One material alone loses nothing.',
  )
}

/**
 * How much further a mix drains than its materials do alone, a factor on the suction: grains of unlike size hold one
 * another apart. 1 for a material alone.
 */
export function openingOf(ingredients: Ingredients): Figure {
  return derive(
    'Opened by unlike grains',
    '',
    '1 + o * u',
    {
      o: given(
        'How much an even mix of fine and coarse opens',
        OPENING_K,
        '',
        handbook(
          'fitted to published tables of air in containers: peat with vermiculite, perlite, hulls, and bark',
        ),
      ),
      u: unlikeness(ingredients),
    },
    ({ o, u }) => 1 + o * u,
    'Unlike grains hold one another apart, so that a mix drains as if its suction were so much greater.',
  )
}
