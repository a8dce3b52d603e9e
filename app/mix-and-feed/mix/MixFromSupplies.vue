<script setup lang="ts">
import { present } from '#core/present'
import { mostContainers } from '#core/media/capacity'
import { onShelves } from '#core/supplies/draw'
import { asBatchRequest } from '#shared/derived/batch-request'

/** The other way round: from the supplies to the most trays they fill, and what runs out first. */
const context = useContext()
const household = useHousehold()
const mix = useMixDraft()

/** What is folded away is not drawn. */
const open = ref(false)
const haveL = ref<Record<string, number | null>>({})
/** The supplies, as far as they are written down. */
function fromSupplies() {
  for (const { material } of mix.plan?.lines ?? []) {
    const shelves = context.shelves('material', material.id)
    if (shelves.length) haveL.value = { ...haveL.value, [material.id]: onShelves(shelves) }
  }
}
const inSupplies = computed(() =>
  (mix.plan?.lines ?? []).some(({ material }) => context.shelves('material', material.id).length > 0),
)
const fillIndex = ref('0')
const choices = computed(() =>
  mix.draft.fills.map(({ containerId }, index) => ({
    value: String(index),
    name: context.containers.get(containerId)?.name ?? 'No longer here',
  })),
)
const said = computed(() =>
  Object.entries(haveL.value).filter((entry): entry is [string, number] => entry[1] !== null),
)
const capacity = computed(() => {
  if (!mix.plan || said.value.length === 0) return null
  const index = Math.min(Number(fillIndex.value), mix.draft.fills.length - 1)
  return {
    index,
    ...mostContainers(asBatchRequest(mix.draft, context.whole), index, Object.fromEntries(said.value)),
  }
})
const name = computed(() => (capacity.value ? (choices.value[capacity.value.index]?.name ?? '') : ''))
const limit = computed(() => context.materials.get(capacity.value?.limitedBy ?? '')?.name.toLowerCase())
</script>

<template>
  <FoldAway v-if="mix.plan" v-model:open="open" class="supplies" title="How far does what I have go?">
    <template v-if="open">
      <Button v-if="inSupplies" @click="fromSupplies">From the supplies</Button>
      <div class="pair">
        <TypedField
          v-for="line in mix.plan.lines"
          :key="line.material.id"
          :model-value="haveL[line.material.id] ?? null"
          optional
          :reading="looseReading(line.material, household.units)"
          :label="`${line.material.name}, loose`"
          hint="enough"
          @update:model-value="haveL = { ...haveL, [line.material.id]: $event }"
        />
        <ChoiceField
          v-if="choices.length > 1"
          v-model="fillIndex"
          label="As many as possible of"
          :choices="choices"
        />
      </div>
      <p v-if="capacity" role="status" class="row">
        <strong>{{ capacity.count }} × {{ name }}</strong>
        <template v-if="limit">: then {{ limit }} runs out.</template>
        <Button
          v-if="capacity.count > 0 && capacity.count !== present(mix.draft.fills[capacity.index]).count"
          @click="mix.setCount(capacity.index, capacity.count)"
        >
          Fill that many
        </Button>
      </p>
      <p v-else class="soft">Say what there is of a material; what is left empty is taken as enough.</p>
    </template>
  </FoldAway>
</template>
