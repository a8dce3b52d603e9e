import type { Recipe } from '#shared/records/recipe'

/**
 * What a grower says of the mix on the bench is kept with its recipe: with their own where it is one and unaltered, else
 * with a new one of theirs.
 */
export function useOwnRecipe() {
  const household = useHousehold()
  const mix = useMixDraft()
  const { saving, save, dismiss } = useSaving('recipes')
  const { note } = useNotes()

  /** The household's own recipe the bench holds just as it is kept. */
  const own = () => (mix.adjusted ? undefined : household.recipes.find(({ id }) => id === mix.draft.recipeId))

  async function say(what: (before: Recipe) => Partial<Recipe>): Promise<boolean> {
    const base = own()
    const { parts, extras, preparations } = copyOf(mix.draft)
    const name = `${mix.recipe?.name ?? 'Mix'}, ours`
    const before: Recipe = base?.body ?? {
      ...{ name, reasoning: '', parts, extras, preparations },
      ...{ worksIn: [], homeTests: [] },
    }
    const kept = await save(base?.id ?? newId(), base?.version ?? 0, { ...before, ...what(before) })
    if (!kept) return false
    mix.change('recipe', (draft) => (draft.recipeId = kept.stored.id))
    if (!base) note(`Kept as ${kept.stored.body.name}.`)
    return true
  }
  return { own, say, saving, dismiss }
}
