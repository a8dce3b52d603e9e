import type { Mix } from '../../media/recipe'
import { POT_MIX, SEED_MIX, type UsualMixes } from './schedules'
import { stirredFrom } from '../../supplies/usual-supplies'

/** Recipes that can be sown in, and potted up in, in the order they are proposed [common practice]. */
export const SEED_MIXES = [
  SEED_MIX,
  'bagged-seed-mix',
  'peat-and-mineral',
  'living-coir',
  'boiled-coir',
  'farm-compost',
  'bagged-potting-mix',
] as const
export const POT_MIXES = [
  POT_MIX,
  'bagged-potting-mix',
  'wets-easily',
  'living-coir',
  'farm-compost',
  'lean-and-light',
  'bagged-seed-mix',
] as const

/**
 * The mixes a household sows and pots up in: those it chose, else the first that can be made of what it has, else the usual.
 *
 * @param there ids of the materials it keeps, full packs and empty ones: a bag that is used up is bought again
 */
export function usualMixes(
  chosen: Partial<UsualMixes>,
  recipes: ReadonlyMap<string, Pick<Mix, 'parts'>>,
  there: ReadonlySet<string>,
): UsualMixes {
  const firstOf = (ids: readonly string[], own: string | undefined, usual: string) => {
    if (own && recipes.has(own)) return own
    if (!there.size) return usual
    const known = ids.flatMap((id) => {
      const recipe = recipes.get(id)
      return recipe ? [{ id, parts: recipe.parts }] : []
    })
    return stirredFrom(known, there)[0]?.id ?? usual
  }
  return {
    seed: firstOf(SEED_MIXES, chosen.seed, SEED_MIX),
    pot: firstOf(POT_MIXES, chosen.pot, POT_MIX),
  }
}

/** What a recipe takes that is not there at all. */
export const missingFor = ({ parts }: Pick<Mix, 'parts'>, there: ReadonlySet<string>): string[] =>
  parts.map(({ materialId }) => materialId).filter((id) => !there.has(id))
