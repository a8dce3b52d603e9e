<script setup lang="ts">
import { missingFor } from '#core/season/schedule/usual-mixes'
import { first } from '#core/numeric/at'
import { printFraction } from '#core/units/fraction'
import type { MaterialLine } from '#core/media/batch'
import { inSentence } from '#core/text/plurals'
import { namesListed } from '#shared/messages/message'
import { saidInParts, type Mix } from '#core/media/recipe'

definePageMeta({
  place: {
    title: 'Mix',
    what: 'a recipe scaled to your trays and pots',
    words: 'soil compost potting media recipe',
    name: 'Mix & feed',
    order: 4,
    key: 'm',
    tab: 1,
  },
})

const route = useRoute()
const router = useRouter()
const household = useHousehold()
const context = useContext()
const mix = useMixDraft()
const { note } = useNotes()
const { volume } = useMeasures()
const { first: unreadable } = provideUnreadable()

useOnBench(mix, 'a mix', () => {
  const batch = household.batches.find(({ id }) => id === route.query.batch)
  return batch && mix.draft.id !== batch.id ? () => mix.open(batch) : null
})

const recipeChoices = computed(() => {
  const { size } = context.owned
  const fromSupplies = (recipe: Mix) => size > 0 && missingFor(recipe, context.owned).length === 0
  const group = (title: string, of: (recipe: (typeof mix.recipes)[number]) => boolean) => ({
    group: title,
    choices: mix.recipes.filter(of).map(({ id, name }) => ({ value: id, name })),
  })
  return [
    group('Your recipes', ({ own }) => own),
    group('From your supplies', (one) => !one.own && fromSupplies(one)),
    group(size ? 'Something to buy' : 'To start from', (one) => !one.own && !fromSupplies(one)),
  ].filter(({ choices }) => choices.length)
})
const materialChoices = computed(() =>
  context.media
    .filter(({ id }) => !mix.draft.parts.some(({ materialId }) => materialId === id))
    .map(({ id, name }) => ({ value: id, name })),
)
const perCent = ref(false)
const swapping = ref<string | null>(null)
const adding = ref<string>()
function addMaterial(id: string) {
  mix.addMaterial(id)
  adding.value = id
  void nextTick(() => (adding.value = undefined))
}

/** What only covers is no part of the mix. */
const isStirredIn = ({ share }: MaterialLine) => share !== null
/** How much of a material is scooped, in a word or two. */
const scoopsOf = ({ material, scoops }: MaterialLine) =>
  `${printFraction(scoops.scoops.value, 0.25)} scoops ${inSentence(first(material.name.split(',')))}`
const missing = useToBuy()
const toBuy = computed(() => missing(mix.draft))
async function save() {
  const stored = await mix.save()
  if (!stored) return
  note(`Batch ${stored.number} is planned.`, {
    name: 'Bench card',
    run: () => router.push(`/batches/${stored.id}`),
  })
  await router.replace({ query: { batch: stored.id } })
}
async function begin() {
  mix.begin()
  await router.replace({ query: {} })
}
const blocked = computed(() => {
  if (unreadable.value) return `${unreadable.value[1]} cannot be read yet.`
  return mix.problem
})
</script>

<template>
  <div class="mix">
    <PageTop :title="mix.saved ? `Batch ${mix.saved.number}` : 'New mix'">
      <Button v-if="mix.draft.version > 0" @click="begin">New batch</Button>
    </PageTop>
    <p v-if="mix.plan" class="hero">
      <strong>{{ volume(mix.plan.mixL.value) }}</strong> of mix:
      {{ mix.plan.lines.filter(isStirredIn).map(scoopsOf).join(', ') }}
    </p>

    <section class="recipe stack-l" aria-labelledby="recipe-title">
      <h2 id="recipe-title" class="unseen">The recipe</h2>
      <ChoiceField
        :model-value="mix.draft.recipeId ?? undefined"
        label="Recipe"
        :choices="recipeChoices"
        placeholder="Choose a recipe"
        @update:model-value="mix.chooseRecipe"
      />
      <p class="ratio">
        <strong>{{ saidInParts(mix.draft.parts) || 'No parts' }}</strong>
        <span v-if="mix.recipe && mix.adjusted" class="soft"> · adjusted</span>
        <CheckField v-model="perCent" :disabled="mix.draft.parts.length < 2">in per cent</CheckField>
      </p>
      <p v-if="toBuy.length" class="soft small">You would need to buy {{ namesListed(toBuy, 5) }}.</p>
      <DrawingFrame v-if="mix.draft.parts.length" file="mix" title="The mix"
        ><RecipeSection
          v-model:per-cent="perCent"
          :parts="mix.draft.parts"
          :problem-at="mix.problemAt"
          @share="mix.setShareOf"
          @parts="mix.setParts"
          @boundary="mix.dragBoundary"
          @remove="mix.removeMaterial"
          @swap="swapping = $event"
      /></DrawingFrame>
      <p v-else class="empty" role="status">{{ mix.problemAt('parts') ?? 'No materials.' }}</p>
      <ChoiceField
        :model-value="adding"
        label="Add a material"
        hide-label
        :choices="materialChoices"
        placeholder="Add a material …"
        @update:model-value="addMaterial"
      />
      <SwapForm v-if="swapping" :material-id="swapping" @close="swapping = null" />
    </section>

    <MixFills class="fills" />

    <div class="slip answer stack-l">
      <MixTally />
      <MixVerdict />
      <form class="save no-print stack-l" @submit.prevent="save">
        <MixFor />
        <div class="pair">
          <TextField
            label="Name of the batch"
            :problem="mix.problemAt('name')"
            :model-value="mix.draft.name"
            :placeholder="mix.recipe ? `${mix.recipe.name} batch` : 'Batch'"
            @update:model-value="mix.change('name', (draft) => (draft.name = $event))"
          />
          <DayField
            :model-value="mix.draft.onDate"
            optional
            label="Filled on"
            :problem="mix.problemAt('onDate')"
            @update:model-value="mix.change('date', (draft) => (draft.onDate = $event))"
          />
        </div>
        <SaveProblem :saving="mix.saving" @later="mix.dismiss()" @settled="mix.dismiss()" />
        <p v-if="blocked" class="problem">{{ blocked }}</p>
        <div class="buttons at-thumb">
          <Button
            type="submit"
            class="main"
            :disabled="!!blocked || mix.saving.state === 'busy' || !mix.unsaved"
          >
            {{
              mix.saving.state === 'busy'
                ? 'Saving …'
                : !mix.saved
                  ? 'Plan this batch'
                  : mix.unsaved
                    ? 'Save the changes'
                    : 'Saved'
            }}
          </Button>
          <NuxtLink v-if="mix.saved" class="button" :to="`/batches/${mix.saved.id}`">Bench card</NuxtLink>
          <NuxtLink v-if="mix.saved" class="button" :to="`/feed?batch=${mix.saved.id}`"
            >Plan its feed</NuxtLink
          >
        </div>
      </form>
    </div>

    <div class="folds">
      <FoldAway title="Why: air, pH and food" kept-as="mix-why"><MixAir /></FoldAway>
      <MixMeasuring />
      <MixExtras />
      <MixFromSupplies />
      <FoldAway title="Cost and what is short" kept-as="mix-cost"><MixCost /></FoldAway>
      <RecipeCare />
      <MixTest />
    </div>
  </div>
</template>

<style scoped>
.mix {
  display: grid;
  grid-template: auto auto auto 1fr / minmax(22rem, 1fr) minmax(20rem, 0.9fr) minmax(24rem, 1.15fr);
  grid-template-areas: 'top top top' 'hero hero hero' 'recipe fills answer' 'recipe folds answer';
  gap: 1rem clamp(1rem, 2vw, 2rem);
  align-items: start;
}

.hero {
  grid-area: hero;
}

.recipe {
  grid-area: recipe;
}

.fills {
  grid-area: fills;
}

.answer {
  grid-area: answer;
}

.folds {
  grid-area: folds;
  min-width: 0;
}

.ratio strong {
  margin-right: 1rem;
  font-size: 1.25rem;
}

.empty {
  display: grid;
  place-items: center;
  min-height: 12rem;
  border: 2px dashed var(--line-strong);
  border-radius: 0.5rem;
  color: var(--ink-soft);
}

.save {
  padding-top: 0.8rem;
  border-top: 1px solid var(--line);
}

.buttons .main {
  flex: 1 1 11rem;
}

@media (max-width: 72rem) {
  .mix {
    grid-template: auto / minmax(0, 1fr) minmax(0, 1fr);
    grid-template-areas: 'top top' 'hero hero' 'recipe fills' 'recipe answer' 'folds folds';
  }
}

@media (max-width: 52rem) {
  .mix {
    grid-template: auto / minmax(0, 1fr);
    grid-template-areas: 'top' 'hero' 'recipe' 'fills' 'answer' 'folds';
  }
}
</style>
