import { chemistryOf } from './chemistry'
import type { MaterialLibrary } from './material'
import { sharesOf } from './mix-plan'
import { mixingLoss } from './mixing-loss'
import { recipeProblems, type Part } from './recipe'

/** Nitrogen that a mix lets go in 8 weeks, mg/L; 0 for one that cannot be reckoned. */
export function releasedBy(parts: readonly Part[], materials: MaterialLibrary): number {
  if (recipeProblems(parts, materials).length) return 0
  const ingredients = sharesOf(parts, materials)
  return chemistryOf(ingredients, mixingLoss(ingredients)).releasedMgPerL.value
}
