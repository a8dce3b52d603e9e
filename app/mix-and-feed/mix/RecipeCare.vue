<script setup lang="ts">
/** Keeping recipes: keep what was adjusted, rename, duplicate, compare with another, remove. */
const household = useHousehold()
const mix = useMixDraft()
const undoing = useUndo()
const remove = useRemoval()
const { saving, save, dismiss } = useSaving('recipes')
const { note } = useNotes()

const own = computed(() => household.recipes.find(({ id }) => id === mix.draft.recipeId))
const blocked = computed(() => mix.problems.some(({ path }) => path[0] === 'parts' || path[0] === 'extras'))
const making = () => {
  const { parts, extras, preparations } = mix.draft
  return JSON.parse(JSON.stringify({ parts, extras, preparations })) as Pick<
    typeof mix.draft,
    'parts' | 'extras' | 'preparations'
  >
}

async function keep(asNew: boolean) {
  const base = asNew ? undefined : own.value
  const name = base?.body.name ?? `${mix.recipe?.name ?? 'Mix'}, ours`
  const kept = await save(base?.id ?? newId(), base?.version ?? 0, {
    name,
    reasoning: mix.recipe?.reasoning ?? '',
    ...making(),
    worksIn: [],
    homeTests: base?.body.homeTests ?? [],
  })
  if (!kept) return
  mix.change('recipe', (draft) => (draft.recipeId = kept.stored.id))
  note(`Saved as ${kept.stored.body.name}.`, { name: 'Undo', run: () => undoing.takeBack(kept.opposite) })
}

/** As it stands on the bench, kept or not. */
const sharing = ref(false)
const shared = computed(() => ({
  name: own.value?.body.name ?? mix.recipe?.name ?? 'A mix',
  reasoning: own.value?.body.reasoning ?? mix.recipe?.reasoning ?? '',
  ...making(),
  worksIn: [],
  homeTests: [],
}))
const naming = ref<string | null>(null)
async function rename() {
  const { value } = own
  if (!value || naming.value === null) return
  if (await save(value.id, value.version, { ...value.body, name: naming.value })) naming.value = null
}
async function removeOwn() {
  if (own.value && (await remove('recipes', own.value)))
    mix.change('recipe', (draft) => (draft.recipeId = null))
}
</script>

<template>
  <div class="stack">
    <ShareCard v-if="sharing" kind="recipe" :body="shared" @close="sharing = false" />
    <Button v-if="mix.adjusted" :disabled="blocked" @click="keep(false)">Save this recipe</Button>
    <SaveProblem
      v-if="naming === null || saving.state !== 'refused'"
      :saving="saving"
      @later="dismiss"
      @settled="dismiss"
    />
    <FoldAway title="This recipe: why, share, versions, compare">
      <p v-if="mix.recipe?.reasoning">{{ mix.recipe.reasoning }}</p>
      <div class="buttons">
        <Button :disabled="blocked" @click="sharing = true">Share</Button>
        <NuxtLink class="button" to="/shared">Paste a recipe</NuxtLink>
        <Button :disabled="blocked" @click="keep(true)">Duplicate</Button>
        <template v-if="own">
          <Button @click="naming = own.body.name">Rename</Button>
          <Button @click="removeOwn">Delete</Button>
        </template>
      </div>
      <form v-if="naming !== null" class="rename" @submit.prevent="rename">
        <TextField
          v-model="naming"
          label="New name"
          :problem="saving.state === 'refused' ? saving.message : undefined"
        />
        <Button type="submit" class="main">Save</Button>
      </form>
      <RecipeHistory v-if="own" :recipe="own" @restored="mix.chooseRecipe($event.id)" />
      <MixCompare />
    </FoldAway>
  </div>
</template>

<style scoped>
.rename {
  display: grid;
  grid-template-columns: 1fr auto;
  align-items: end;
  gap: 0.5rem;
}
</style>
