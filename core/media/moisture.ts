import { derive, given, weightedTotal, type Figure } from '../working/figure'
import { byDefault } from '../working/source'
import type { Ingredient } from './ingredient'
import type { Material } from './material'

/** How damp a bag of ready mix is when it is opened. */
export const DAMPNESS = { dusty: 0.25, damp: 0.5, wet: 0.62 } as const
export type Dampness = keyof typeof DAMPNESS
export const DAMPNESSES = Object.keys(DAMPNESS) as [Dampness, ...Dampness[]]

/** Water in a material as it is bought, a fraction of its weight; of a ready mix as the bag feels. */
export function moistureOf(material: Material, dampness: Dampness = 'damp'): Figure {
  return material.bagged && dampness !== 'damp'
    ? given(
        `${material.name}: water by weight, ${dampness}`,
        DAMPNESS[dampness],
        'share',
        byDefault('dusty 25 %, damp 50 %, wet 62 % of its weight'),
      )
    : given(`${material.name}: water by weight`, material.moisture, 'share', material.sources.moisture)
}

const dryDensity = ({ name, dryBulkDensityGPerL, sources }: Material) =>
  given(`${name}: dry bulk density`, dryBulkDensityGPerL, 'g/L', sources.dryBulkDensityGPerL)

/** What a litre of it weighs as it is bought, its water included, g/L; what is dosed by the gram is weighed as it is. */
export const densityAsBought = (material: Material): Figure =>
  material.kind === 'amendment'
    ? dryDensity(material)
    : derive(
        `${material.name}: weight of a litre as bought`,
        'g/L',
        'd / (1 - w)',
        { d: dryDensity(material), w: moistureOf(material) },
        ({ d, w }) => d / (1 - w),
        'Dry weight with its water.',
      )

/** Water in a litre of one material as it is bought, L. */
export const waterInLitre = (material: Material, dampness: Dampness): Figure =>
  derive(
    `${material.name}: water in a litre`,
    'share',
    'd * w / (1 - w) / 1000',
    { d: dryDensity(material), w: moistureOf(material, dampness) },
    ({ d, w }) => (d * w) / (1 - w) / 1000,
  )

/** Water in a litre of the loose materials as they are bought, L; what is soaked is computed apart. */
export const waterAsBought = (ingredients: readonly Ingredient[], dampness: Dampness): Figure =>
  weightedTotal(
    'Water in the materials as bought',
    'share',
    ingredients
      .filter(({ material }) => !material.compressed)
      .map(({ material, share }) => ({
        weight: share,
        figure: waterInLitre(material, dampness),
      })),
  )
