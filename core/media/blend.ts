import type { Figure } from '../working/figure'
import { measuredCurve, type HomeTest, type MeasuredCurve } from './home-test'
import { sharesOf, waterOf, type Ingredient } from './ingredient'
import type { MaterialLibrary } from './material'
import { mixingLoss, openingOf } from './mixing-loss'
import type { Part } from './recipe'

/** A mix, as far as air and water go. */
export interface Blend {
  readonly ingredients: readonly Ingredient[]
  /** What its loose volumes lose on mixing: so much heavier is a litre of it. */
  readonly mixingLoss: Figure
  /** How it was measured at home, where it was; else null. */
  readonly curve: MeasuredCurve | null
}

/**
 * The mix of a recipe.
 *
 * @param tests home tests, of this mix and of others: a mix that was measured is known by its shares
 * @param mixingLossK loss of an even mix of fine and coarse, a fraction
 */
export function blendOf(
  parts: readonly Part[],
  materials: MaterialLibrary,
  tests: readonly HomeTest[] = [],
  mixingLossK?: Figure,
): Blend {
  const ingredients = sharesOf(parts, materials)
  return {
    ingredients,
    mixingLoss: mixingLoss(ingredients, mixingLossK),
    curve: measuredCurve(parts, ingredients, tests),
  }
}

/** Water of a blend at a height above the drained base, a fraction of its volume: opened by unlike grains, as measured. */
export function waterAtHeight({ ingredients, curve }: Blend, heightCm: number): number {
  const suction = openingOf(ingredients).value * heightCm * (curve?.drains.value ?? 1)
  return (curve?.holds.value ?? 1) * waterOf(ingredients, suction)
}
