import type { Container } from '../containers/container'
import { COVER_IS_THE_MIX, DEFAULT_ALLOWANCES, type Allowances, type Fill } from '../media/batch-request'
import { demandOf } from '../media/filling'
import type { MaterialLibrary } from '../media/material'
import { sharesOf } from '../media/ingredient'
import type { MixFood } from '../media/food'
import { foodOf } from '../media/mix-food'
import { recipeProblems, type Mix } from '../media/recipe'
import { settlingOf } from '../media/settling'
import type { Figure } from '../working/figure'

/** What a season is planned with: the containers and mixes a household knows, and what each mix does. */
export interface SeasonBook {
  readonly findContainer: (id: string) => Container | undefined
  readonly knowsMix: (recipeId: string) => boolean
  readonly mixOf: (recipeId: string) => Mix | undefined
  /** Loose mix for so many containers, the cover included where it is of the mix, L; 0 for a mix nobody knows. */
  readonly looseL: (recipeId: string, fill: Fill) => number
  /** Whether dry coir goes into it, which is soaked the evening before. */
  readonly wantsSoak: (recipeId: string) => boolean
  /** Nitrogen the mix gives; none for one nobody knows. */
  readonly foodOf: (recipeId: string) => MixFood
}

/** Each mix is computed once, however many stages are filled with it. */
export function seasonBook(
  findContainer: SeasonBook['findContainer'],
  mixOf: SeasonBook['mixOf'],
  materials: MaterialLibrary,
  allowances: Allowances = DEFAULT_ALLOWANCES,
): SeasonBook {
  const settlings = new Map<string, Figure | null>()
  const foods = new Map<string, MixFood>()
  const litres = new Map<string, number>()

  function settling(recipeId: string): Figure | null {
    const known = settlings.get(recipeId)
    if (known !== undefined) return known
    const parts = mixOf(recipeId)?.parts
    const found =
      parts && !recipeProblems(parts, materials).length ? settlingOf(sharesOf(parts, materials)) : null
    settlings.set(recipeId, found)
    return found
  }

  return {
    findContainer,
    mixOf,
    wantsSoak: (recipeId) =>
      (mixOf(recipeId)?.parts ?? []).some(
        ({ materialId }) => materials.get(materialId)?.compressed !== undefined,
      ),
    knowsMix: (recipeId) => settling(recipeId) !== null,
    looseL(recipeId, fill) {
      const key = [
        recipeId,
        fill.container.id,
        fill.count,
        fill.cells ?? '',
        fill.coverMm,
        fill.coverMaterialId,
        fill.ballMl ?? 0,
        fill.plants ?? 1,
      ].join(' ')
      const known = litres.get(key)
      if (known !== undefined) return known
      const sinks = settling(recipeId)
      if (!sinks) return 0
      const { looseL, coverL } = demandOf(fill, allowances, sinks, null)
      const ofMix = coverL && fill.coverMaterialId === COVER_IS_THE_MIX ? coverL.value : 0
      litres.set(key, looseL.value + ofMix)
      return looseL.value + ofMix
    },
    foodOf(recipeId) {
      const known = foods.get(recipeId)
      if (known) return known
      const food = foodOf(mixOf(recipeId) ?? { parts: [], extras: [] }, materials)
      foods.set(recipeId, food)
      return food
    },
  }
}
