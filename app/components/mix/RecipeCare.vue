<script setup lang="ts">
import { computed, ref, useId } from 'vue'
import RecipeBar from '~/components/bench/RecipeBar.vue'
import ChoiceField from '~/components/fields/ChoiceField.vue'
import FieldFrame from '~/components/fields/FieldFrame.vue'
import RecipeHistory from '~/components/mix/RecipeHistory.vue'
import SaveProblem from '~/components/shell/SaveProblem.vue'
import { useNotes } from '~/composables/useNotes'
import { useRemoval } from '~/composables/useRemoval'
import { useSaving } from '~/composables/useSaving'
import { useHousehold } from '~/state/household'
import { useMixDraft } from '~/state/mixDraft'
import { saidInParts } from '#core/media/recipe'

/** Keeping recipes: keep what was adjusted, rename, duplicate, compare with another, remove. */
const household = useHousehold()
const mix = useMixDraft()
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
  const stored = await save(base?.id ?? crypto.randomUUID(), base?.version ?? 0, {
    name,
    reasoning: mix.recipe?.reasoning ?? '',
    ...making(),
  })
  if (!stored) return
  mix.change('recipe', (draft) => (draft.recipeId = stored.id))
  note(`Kept as ${stored.body.name}.`)
}

/** Somebody else changed the recipe meanwhile: ours over it, or theirs into the draft. */
async function keepMine() {
  if (saving.value.state === 'stale') await saving.value.again()
}
function takeTheirs() {
  if (saving.value.state !== 'stale' || !saving.value.current) return
  household.put('recipes', saving.value.current)
  mix.chooseRecipe(saving.value.current.id)
  dismiss()
}

const naming = ref<string | null>(null)
const nameId = useId()
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
    name: household.library.get(id)?.name ?? 'No longer here',
    here: share(mix.draft.parts, id),
    there: share(other.value!.parts, id),
  }))
})
</script>

<template>
  <div class="care">
    <button v-if="mix.adjusted" type="button" class="button" :disabled="blocked" @click="keep(false)">
      Keep this recipe
    </button>
    <SaveProblem
      v-if="naming === null || saving.state !== 'refused'"
      :saving="saving"
      :say="(body) => `${body.name}, ${saidInParts(body.parts)}`"
      @mine="keepMine"
      @theirs="takeTheirs"
      @later="dismiss"
    />
    <details>
      <summary>Versions, duplicate, rename, compare</summary>
      <div class="buttons">
        <button type="button" class="button" :disabled="blocked" @click="keep(true)">Duplicate</button>
        <template v-if="own">
          <button type="button" class="button" @click="naming = own.body.name">Rename</button>
          <button type="button" class="button" @click="removeOwn">Remove</button>
        </template>
      </div>
      <form v-if="naming !== null" class="rename" @submit.prevent="rename">
        <FieldFrame
          :id="nameId"
          label="Its new name"
          :problem="saving.state === 'refused' ? saving.message : undefined"
        >
          <input :id="nameId" v-model="naming" class="input" autocomplete="off" />
        </FieldFrame>
        <button type="submit" class="button main">Save</button>
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
    </details>
  </div>
</template>

<style scoped>
.care {
  display: grid;
  gap: 0.6rem;
}

details[open] {
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
