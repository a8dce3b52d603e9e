import { chemistryOf, dosed } from './chemistry'
import type { MixFood } from './food'
import type { MaterialLibrary } from './material'
import { blendOf } from './blend'
import { extraProblems, recipeProblems, type Mix } from './recipe'

/**
 * What a mix gives of nitrogen; nothing for one that cannot be computed.
 *
 * @example foodOf({ parts: [], extras: [] }, BUILT_IN) // ({ releasedMgPerL: 0, starterMgPerL: 0 })
 */
export function foodOf({ parts, extras }: Mix, materials: MaterialLibrary): MixFood {
  if (recipeProblems(parts, materials).length || extraProblems(extras, materials).length)
    return { releasedMgPerL: 0, starterMgPerL: 0 }
  const { ingredients, mixingLoss } = blendOf(parts, materials)
  const { releasedMgPerL, starterMgPerL } = chemistryOf(ingredients, mixingLoss, dosed(extras, materials))
  return { releasedMgPerL: releasedMgPerL.value, starterMgPerL: starterMgPerL.value }
}
