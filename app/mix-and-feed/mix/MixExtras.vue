<script setup lang="ts">
import { at, first } from '#core/numeric/at'
import { X } from '@lucide/vue'
import { PREPARATIONS, type Preparation } from '#core/media/recipe'
import { SANITATION_METHODS, type SanitationMethod } from '#core/media/sanitation'

/** What goes in by the gram, and what is done before measuring. */
const context = useContext()
const household = useHousehold()
const mix = useMixDraft()

/** Beside the method of hot water, which is one choice. */
const WHAT: Record<Exclude<Preparation, 'hot water' | 'hot soak'>, string> = {
  wash: 'wash trays and tools first',
  disinfect: 'disinfect them, by the label',
  'scald tools': 'boiling water over the tools',
  sieve: 'sieve through 6 mm (¼ in) first',
  'fine sieve': 'sieve through 3 mm (⅛ in), for dust-like seed',
  moisten: 'moisten before stirring',
}
const choices = computed(() =>
  [...context.amendments, ...context.media.filter(({ nitrogenPercent }) => nitrogenPercent >= 1.2)]
    .filter(({ id }) => !mix.draft.extras.some(({ materialId }) => materialId === id))
    .map(({ id, name }) => ({ value: id, name })),
)
const method = computed(
  () =>
    SANITATION_METHODS.find(({ id }) => id !== 'none' && mix.draft.preparations.includes(id)) ??
    first(SANITATION_METHODS),
)
const chooseMethod = (id: SanitationMethod['id']) =>
  mix.change('preparation', (draft) => {
    draft.preparations = PREPARATIONS.filter((one) =>
      SANITATION_METHODS.some((it) => it.id === one) ? one === id : draft.preparations.includes(one),
    )
  })
const readingOf = (id: string) =>
  extraReading(context.materials.get(id)?.dryBulkDensityGPerL ?? 1000, household.units)
const adding = ref<string>()
function add(materialId: string) {
  mix.change('extra', (draft) => draft.extras.push({ materialId, gPerL: 1 }))
  adding.value = materialId
  void nextTick(() => (adding.value = undefined))
}
function toggle(preparation: Preparation, on: boolean) {
  mix.change('preparation', (draft) => {
    draft.preparations = PREPARATIONS.filter((one) =>
      one === preparation ? on : draft.preparations.includes(one),
    )
  })
}
</script>

<template>
  <FoldAway
    class="extras"
    :open="mix.draft.extras.length + mix.draft.preparations.length > 0"
    title="Extras and preparation"
  >
    <ul>
      <li v-for="(extra, index) in mix.draft.extras" :key="extra.materialId">
        <span>{{ context.materials.get(extra.materialId)?.name ?? 'No longer here' }}</span>
        <TypedField
          :model-value="extra.gPerL"
          :label="`Grams of ${context.materials.get(extra.materialId)?.name ?? 'it'} a litre`"
          hide-label
          unit="g/L"
          :reading="readingOf(extra.materialId)"
          :problem="mix.problemAt(`extras[${index}].gPerL`)"
          @update:model-value="
            (value) => mix.change(`extra-${index}`, (draft) => (at(draft.extras, index).gPerL = value ?? 0))
          "
        />
        <Button
          text
          :aria-label="`Leave out ${context.materials.get(extra.materialId)?.name ?? 'it'}`"
          @click="mix.change('extra', (draft) => draft.extras.splice(index, 1))"
        >
          <X aria-hidden="true" />
        </Button>
      </li>
    </ul>
    <ChoiceField
      :model-value="adding"
      label="Add an extra"
      hide-label
      :choices="choices"
      placeholder="Lime, rock dust, castings …"
      @update:model-value="add"
    />
    <ChoiceField
      :model-value="method.id"
      label="Against damping-off and gnats"
      :choices="SANITATION_METHODS.map(({ id, name }) => ({ value: id, name }))"
      :hint="`${method.why} ${method.cost}`"
      @update:model-value="chooseMethod"
    />
    <CheckField
      v-for="(words, one) in WHAT"
      :key="one"
      :model-value="mix.draft.preparations.includes(one)"
      @update:model-value="toggle(one, $event)"
      >{{ words }}</CheckField
    >
  </FoldAway>
</template>

<style scoped>
li {
  display: grid;
  grid-template-columns: 1fr 7rem auto;
  align-items: center;
  gap: 0.5rem;
  padding: 0.15rem 0;
}

.check {
  display: flex;
  align-items: center;
  gap: 0.6rem;
  min-height: 2rem;
  cursor: pointer;
}
</style>
