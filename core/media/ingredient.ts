import { at } from '../numeric/at'
import { derive, given, total, type Figure } from '../working/figure'
import { yours } from '../working/source'
import { materialIn, type Material, type MaterialLibrary } from './material'
import type { Part } from './recipe'
import { retentionOf, waterAt } from './retention'

/** A material with its share of the loose volume, a figure from 0 to 1; shares add up to 1. */
export interface Ingredient {
  readonly material: Material
  readonly share: Figure
}

/**
 * The recipe's shares, with workings.
 *
 * @throws RangeError for a material nobody knows
 * @example sharesOf([{ materialId: 'coir', parts: 3 }, { materialId: 'perlite', parts: 1 }], BUILT_IN)[0].share.value // 0.75
 */
export function sharesOf(parts: readonly Part[], materials: MaterialLibrary): Ingredient[] {
  const source = yours('parts of the recipe')
  const amounts = parts.map((part) =>
    given(`Parts of ${materialIn(materials, part.materialId).name}`, part.parts, 'parts', source),
  )
  const all = total('All parts', 'parts', amounts)
  return parts.map((part, index) => {
    const material = materialIn(materials, part.materialId)
    return {
      material,
      share: derive(
        `Share of ${material.name}`,
        'share',
        'p / all',
        { p: at(amounts, index), all },
        ({ p, all: sum }) => p / sum,
      ),
    }
  })
}

/**
 * Water held by a blend at a suction, a fraction of its volume. Retention points are of settled material, so what loose
 * volumes lose on mixing is not charged to the air.
 */
export const waterOf = (ingredients: readonly Ingredient[], suctionCm: number): number =>
  ingredients.reduce(
    (water, { material, share }) => water + share.value * waterAt(retentionOf(material), suctionCm),
    0,
  )
