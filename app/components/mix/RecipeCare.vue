<script setup lang="ts">
import FoldAway from '~/components/fields/FoldAway.vue'
import TextField from '~/components/fields/TextField.vue'
import Button from 'primevue/button'
import { newId } from '~/composables/newId'
import { computed, ref } from 'vue'
import RecipeBar from '~/components/bench/RecipeBar.vue'
import ChoiceField from '~/components/fields/ChoiceField.vue'
import RecipeHistory from '~/components/mix/RecipeHistory.vue'
import SaveProblem from '~/components/records/SaveProblem.vue'
import { useNotes } from '~/composables/useNotes'
import { useRemoval } from '~/composables/useRemoval'
import { useSaving } from '~/state/saving'
import { useContext } from '~/state/context'
import { useHousehold } from '~/state/household'
import { useMixDraft } from '~/state/mixDraft'
import { useUndo } from '~/state/undo'
import { saidInParts } from '#core/media/recipe'

/** Keeping recipes: keep what was adjusted, rename, duplicate, compare with another, remove. */
const household = useHousehold()
const context = useContext()
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
  })
  if (!kept) return
  mix.change('recipe', (draft) => (draft.recipeId = kept.stored.id))
  note(`Kept as ${kept.stored.body.name}.`, { name: 'Undo', run: () => undoing.takeBack(kept.opposite) })
}

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

const otherId = ref<string>()
const other = computed(() => mix.recipes.find(({ id }) => id === otherId.value))
const choices = computed(() => mix.recipes.map(({ id, name }) => ({ value: id, name })))
/** Shares of both, material by material. */
const rows = computed(() => {
  const share = (parts: readonly { materialId: string; parts: number }[], id: string) => {
    const sum = parts.reduce((total, part) => total + part.parts, 0)
    return Math.round(((parts.find(({ materialId }) => materialId === id)?.parts ?? 0) / sum) * 100)
  }
  if (!other.value) return []
  const ids = new Set([...mix.draft.parts, ...other.value.parts].map(({ materialId }) => materialId))
  return [...ids].map((id) => ({
    id,
    name: context.materials.get(id)?.name ?? 'No longer here',
    here: share(mix.draft.parts, id),
    there: share(other.value!.parts, id),
  }))
})
</script>

<template>
  <div class="care">
    <Button v-if="mix.adjusted" :disabled="blocked" @click="keep(false)"> Keep this recipe </Button>
    <SaveProblem
      v-if="naming === null || saving.state !== 'refused'"
      :saving="saving"
      @later="dismiss"
      @settled="dismiss"
    />
    <FoldAway title="Versions, duplicate, rename, compare">
      <div class="buttons">
        <Button :disabled="blocked" @click="keep(true)">Duplicate</Button>
        <template v-if="own">
          <Button @click="naming = own.body.name">Rename</Button>
          <Button @click="removeOwn">Remove</Button>
        </template>
      </div>
      <form v-if="naming !== null" class="rename" @submit.prevent="rename">
        <TextField
          v-model="naming"
          label="Its new name"
          :problem="saving.state === 'refused' ? saving.message : undefined"
        />
        <Button type="submit" class="main">Save</Button>
      </form>
      <RecipeHistory v-if="own" :recipe="own" @restored="mix.chooseRecipe($event.id)" />
      <ChoiceField v-model="otherId" label="Compare with" :choices="choices" placeholder="another recipe" />
      <template v-if="other">
        <div class="bars">
          <span>this</span><RecipeBar :parts="mix.draft.parts" :height="24" /> <span>that</span
          ><RecipeBar :parts="other.parts" :height="24" />
        </div>
        <table class="figures">
          <thead>
            <tr>
              <th scope="col">Share</th>
              <th scope="col">{{ saidInParts(mix.draft.parts) }}</th>
              <th scope="col">{{ saidInParts(other.parts) }}</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="row in rows" :key="row.id">
              <th scope="row">{{ row.name }}</th>
              <td>{{ row.here }} %</td>
              <td>{{ row.there }} %</td>
            </tr>
          </tbody>
        </table>
        <p class="soft">{{ other.reasoning }}</p>
      </template>
    </FoldAway>
  </div>
</template>

<style scoped>
.care {
  display: grid;
  gap: 0.6rem;
}

.rename {
  display: grid;
  grid-template-columns: 1fr auto;
  align-items: end;
  gap: 0.5rem;
}

.bars {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 0.3rem 0.6rem;
  align-items: center;
}
</style>
