import type { Container } from '../containers/container'
import { COVER_IS_THE_MIX, DEFAULT_ALLOWANCES, type Fill } from '../media/batch-request'
import { demandOf, settlingOf } from '../media/filling'
import type { MaterialLibrary } from '../media/material'
import { sharesOf } from '../media/mix-plan'
import { recipeProblems, type Part } from '../media/recipe'
import { releasedBy } from '../media/released'
import type { Figure } from '../working/figure'

/** What a season is planned with: the containers and mixes a household knows, and what each mix does. */
export interface SeasonBook {
  readonly findContainer: (id: string) => Container | undefined
  readonly knowsMix: (recipeId: string) => boolean
  readonly partsOf: (recipeId: string) => readonly Part[] | undefined
  /** Loose mix for so many containers, the cover included where it is of the mix, L; 0 for a mix nobody knows. */
  readonly looseL: (recipeId: string, fill: Fill) => number
  /** Whether dry coir goes into it, which is soaked the evening before. */
  readonly wantsSoak: (recipeId: string) => boolean
  /** Nitrogen the mix lets go in 8 weeks, mg/L. */
  readonly releasedMgPerL: (recipeId: string) => number
}

/** Each mix is reckoned once, however many rungs are filled with it. */
export function seasonBook(
  findContainer: SeasonBook['findContainer'],
  partsOf: SeasonBook['partsOf'],
  materials: MaterialLibrary,
): SeasonBook {
  const settlings = new Map<string, Figure | null>()
  const releases = new Map<string, number>()
  const litres = new Map<string, number>()

  function settling(recipeId: string): Figure | null {
    const known = settlings.get(recipeId)
    if (known !== undefined) return known
    const parts = partsOf(recipeId)
    const found =
      parts && !recipeProblems(parts, materials).length ? settlingOf(sharesOf(parts, materials)) : null
    settlings.set(recipeId, found)
    return found
  }

  return {
    findContainer,
    partsOf,
    wantsSoak: (recipeId) =>
      (partsOf(recipeId) ?? []).some(({ materialId }) => materials.get(materialId)?.compressed !== undefined),
    knowsMix: (recipeId) => settling(recipeId) !== null,
    looseL(recipeId, fill) {
      const key = [recipeId, fill.container.id, fill.count, fill.coverMm, fill.coverMaterialId].join(' ')
      const known = litres.get(key)
      if (known !== undefined) return known
      const sinks = settling(recipeId)
      if (!sinks) return 0
      const { looseL, coverL } = demandOf(fill, DEFAULT_ALLOWANCES, sinks, null)
      const ofMix = coverL && fill.coverMaterialId === COVER_IS_THE_MIX ? coverL.value : 0
      litres.set(key, looseL.value + ofMix)
      return looseL.value + ofMix
    },
    releasedMgPerL(recipeId) {
      const known = releases.get(recipeId)
      if (known !== undefined) return known
      const parts = partsOf(recipeId)
      const released = parts ? releasedBy(parts, materials) : 0
      releases.set(recipeId, released)
      return released
    },
  }
}
