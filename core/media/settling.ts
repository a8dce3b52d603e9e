import { given, weightedTotal, type Figure } from '../working/figure'
import type { Ingredient } from './ingredient'

/** How much a mix sinks when the container is tapped: its materials' settling by their shares. */
export function settlingOf(ingredients: readonly Ingredient[]): Figure {
  return weightedTotal(
    'Settling of this mix',
    'share',
    ingredients.map(({ material, share }) => ({
      figure: given(`${material.name}: settling`, material.settling, 'share', material.sources.settling),
      weight: share,
    })),
  )
}
