<script setup lang="ts">
import { present } from '#core/present'
import DrawingFrame from '~/kit/drawings/DrawingFrame.vue'
import CheckField from '~/kit/fields/CheckField.vue'
import FoldAway from '~/kit/fields/FoldAway.vue'
import DayField from '~/kit/fields/DayField.vue'
import TextField from '~/kit/fields/TextField.vue'
import TypedField from '~/kit/fields/TypedField.vue'
import Button from 'primevue/button'
import { definePageMeta, useRoute, useRouter } from '#imports'
import { computed, nextTick, ref } from 'vue'
import { NuxtLink } from '#components'
import ChoiceField from '~/kit/fields/ChoiceField.vue'
import MixAir from '~/mix-and-feed/mix/MixAir.vue'
import MixExtras from '~/mix-and-feed/mix/MixExtras.vue'
import MixFor from '~/mix-and-feed/mix/MixFor.vue'
import MixFills from '~/mix-and-feed/mix/MixFills.vue'
import MixFromSupplies from '~/mix-and-feed/mix/MixFromSupplies.vue'
import MixTest from '~/mix-and-feed/mix/MixTest.vue'
import MixTally from '~/mix-and-feed/mix/MixTally.vue'
import RecipeCare from '~/mix-and-feed/mix/RecipeCare.vue'
import RecipeSection from '~/mix-and-feed/mix/RecipeSection.vue'
import SwapForm from '~/mix-and-feed/mix/SwapForm.vue'
import PageTop from '~/shell/PageTop.vue'
import SaveProblem from '~/kit/record-forms/SaveProblem.vue'
import { useOnBench } from '~/mix-and-feed/useOnBench'
import { useMeasures } from '~/kit/useMeasures'
import { useNotes } from '~/kit/useNotes'
import { provideUnreadable } from '~/kit/fields/useUnreadable'
import { useContext } from '~/household/context'
import { useHousehold } from '~/household/household'
import { useMixDraft } from '~/mix-and-feed/mix/mixDraft'
import { saidInParts } from '#core/media/recipe'
import { DEFAULT_ALLOWANCES } from '#core/media/batch-request'
import { FEELS } from '#core/media/hydration'
import { DAMPNESSES } from '#core/media/moisture'
import { usualScoops } from '#core/media/usual-scoop'

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

const recipeChoices = computed(() => [
  ...(household.recipes.length
    ? [
        {
          group: 'Ours',
          choices: mix.recipes.filter(({ own }) => own).map(({ id, name }) => ({ value: id, name })),
        },
      ]
    : []),
  {
    group: 'To start from',
    choices: mix.recipes.filter(({ own }) => !own).map(({ id, name }) => ({ value: id, name })),
  },
])
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

const OWN_SIZE = 'own size'
const scoopChoices = computed(() => [
  ...context.scoops.map(({ name, capacityMl }) => ({
    value: name,
    name,
    volumeL: present(capacityMl) / 1000,
  })),
  ...usualScoops(household.units).map((scoop) => ({ value: scoop.name, ...scoop })),
  { value: OWN_SIZE, name: 'Another size', volumeL: null },
])
function chooseScoop(value: string) {
  const choice = scoopChoices.value.find((candidate) => candidate.value === value)
  mix.change('scoop', (draft) => {
    draft.scoop = {
      name: value === OWN_SIZE ? ownScoop(draft.scoop.volumeL) : value,
      volumeL: choice?.volumeL ?? draft.scoop.volumeL,
    }
  })
}
/** A measure of another size is called by what it holds. */
const ownScoop = (litres: number) => `${volume(litres)} measure`
const setScoop = (litres: number) =>
  mix.change('scoop', (draft) => (draft.scoop = { name: ownScoop(litres), volumeL: litres }))
const scoopChosen = computed(() =>
  scoopChoices.value.some(
    ({ value, volumeL }) => value === mix.draft.scoop.name && volumeL === mix.draft.scoop.volumeL,
  )
    ? mix.draft.scoop.name
    : OWN_SIZE,
)
/** Ready mix comes dusty or dripping: how damp it is decides what is stirred in. */
const bagged = computed(() =>
  [...mix.draft.parts, ...mix.draft.lowerParts].some(
    ({ materialId }) => context.materials.get(materialId)?.bagged,
  ),
)
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
  return mix.problems[0]?.message
})
</script>

<template>
  <div class="mix">
    <PageTop :title="mix.saved ? `Batch ${mix.saved.number}` : 'New mix'">
      <Button v-if="mix.draft.version > 0" @click="begin">New batch</Button>
    </PageTop>

    <section class="recipe" aria-labelledby="recipe-title">
      <h2 id="recipe-title" class="unseen">The recipe</h2>
      <ChoiceField
        :model-value="mix.draft.recipeId ?? undefined"
        label="Recipe"
        :choices="recipeChoices"
        placeholder="Choose a recipe"
        @update:model-value="mix.chooseRecipe"
      />
      <div class="reason">
        <p>
          <strong>{{ saidInParts(mix.draft.parts) || 'No parts' }}</strong>
          <span v-if="mix.recipe && mix.adjusted" class="soft"> · adjusted</span>
          <CheckField v-model="perCent" :disabled="mix.draft.parts.length < 2">in per cent</CheckField>
        </p>
        <p class="soft">{{ mix.recipe?.reasoning }}</p>
      </div>
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
      <div class="add">
        <ChoiceField
          :model-value="adding"
          label="Add a material"
          hide-label
          :choices="materialChoices"
          placeholder="Add a material …"
          @update:model-value="addMaterial"
        />
      </div>
      <RecipeCare />
      <MixExtras />
      <SwapForm v-if="swapping" :material-id="swapping" @close="swapping = null" />
      <div class="pair">
        <ChoiceField
          :model-value="scoopChosen"
          label="Measure with"
          :choices="scoopChoices"
          @update:model-value="chooseScoop"
        />
        <TypedField
          :model-value="mix.draft.scoop.volumeL"
          dimension="volume"
          label="It holds"
          :problem="mix.problemAt('scoop.volumeL')"
          @update:model-value="setScoop($event ?? 0)"
        />
      </div>
      <div class="pair">
        <ChoiceField
          :model-value="mix.draft.feel"
          label="Wet it like"
          :choices="FEELS.map((feel) => ({ value: feel, name: feel }))"
          @update:model-value="(feel) => mix.change('feel', (draft) => (draft.feel = feel))"
        />
        <TypedField
          :model-value="mix.draft.tubL"
          optional
          dimension="volume"
          label="Tub to stir in"
          hint="as large as needed"
          :problem="mix.problemAt('tubL')"
          @update:model-value="(value) => mix.change('tub', (draft) => (draft.tubL = value))"
        />
      </div>
      <ChoiceField
        v-if="bagged"
        :model-value="mix.draft.dampness"
        label="How damp is the bag?"
        :choices="DAMPNESSES.map((one) => ({ value: one, name: one }))"
        @update:model-value="(one) => mix.change('dampness', (draft) => (draft.dampness = one))"
      />
      <FoldAway class="allowances" title="Spare and allowances">
        <div class="pair">
          <TypedField
            v-for="[key, label] in [
              ['spare', 'Spare'],
              ['fill', 'Filled to'],
              ['fillUnderCover', 'Filled under a cover'],
              ['mixingLossK', 'Even mix loses'],
            ] as const"
            :key="key"
            :model-value="mix.draft.allowances[key]"
            percent
            :label="label"
            :hint="mix.draft.allowances[key] === DEFAULT_ALLOWANCES[key] ? 'default' : 'yours'"
            :problem="mix.problemAt(`allowances.${key}`)"
            @update:model-value="
              (value) => mix.change(`allowance-${key}`, (draft) => (draft.allowances[key] = value ?? 0))
            "
          />
          <TypedField
            :model-value="mix.draft.allowances.blockCompression"
            label="Blocks are pressed"
            unit="×"
            :hint="
              mix.draft.allowances.blockCompression === DEFAULT_ALLOWANCES.blockCompression
                ? 'default'
                : 'yours'
            "
            :problem="mix.problemAt('allowances.blockCompression')"
            @update:model-value="
              (value) =>
                mix.change('allowance-block', (draft) => (draft.allowances.blockCompression = value ?? 0))
            "
          />
        </div>
        <div class="pair">
          <ChoiceField
            v-for="line in mix.plan?.lines.filter(({ material }) => material.packs.length > 1) ?? []"
            :key="line.material.id"
            :model-value="line.pack.id"
            :label="`${line.material.name} comes in`"
            :choices="line.material.packs.map(({ id, name }) => ({ value: id, name }))"
            @update:model-value="
              (id) => mix.change('pack', (draft) => (draft.packIds[line.material.id] = id))
            "
          />
        </div>
      </FoldAway>
    </section>

    <div class="fill-column">
      <MixFills />
      <MixAir />
    </div>

    <div class="tally-column">
      <MixTally />
      <MixFromSupplies />
      <MixTest />
      <form class="save no-print" @submit.prevent="save">
        <TextField
          label="Name of the batch"
          :problem="mix.problemAt('name')"
          :model-value="mix.draft.name"
          :placeholder="mix.recipe ? `${mix.recipe.name} batch` : 'Batch'"
          @update:model-value="mix.change('name', (draft) => (draft.name = $event))"
        />
        <MixFor />
        <DayField
          :model-value="mix.draft.onDate"
          optional
          label="Filled on"
          :problem="mix.problemAt('onDate')"
          @update:model-value="mix.change('date', (draft) => (draft.onDate = $event))"
        />
        <SaveProblem :saving="mix.saving" @later="mix.dismiss()" @settled="mix.dismiss()" />
        <p v-if="blocked" class="problem">{{ blocked }}</p>
        <div class="buttons">
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
  </div>
</template>

<style scoped>
.mix {
  display: grid;
  grid-template-columns: minmax(23rem, 1fr) minmax(23rem, 1.05fr) minmax(21rem, 1fr);
  gap: 1rem clamp(1rem, 2.2vw, 2.2rem);
  align-items: start;
}

.recipe,
.fill-column,
.tally-column {
  display: grid;
  gap: 0.9rem;
  min-width: 0;
}

.reason {
  line-height: 1.3;
  /* The drawing below must not jump while an edge is dragged. */
  min-height: 3.9em;
}

.reason strong {
  margin-right: 1rem;
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
  display: grid;
  gap: 0.7rem;
}

.buttons .main {
  flex: 1 1 11rem;
}

@media (max-width: 72rem) {
  .mix {
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  }

  .tally-column {
    grid-column: 1 / -1;
  }
}

@media (max-width: 52rem) {
  .mix {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
