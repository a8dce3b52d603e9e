<script setup lang="ts">
import { messageAt } from '#shared/messages/refusals'
import { present } from '#core/present'
import { first } from '#core/numeric/at'
import { soakIn, solutionFor, vesselsToCarry } from '#core/feed/drink'
import { injectorProblems, planInjector } from '#core/feed/injector'
import { physicsIn } from '#core/media/container-physics'
import { blendOf } from '#core/media/blend'
import { recipeProblems } from '#core/media/recipe'
import { STARTING_RECIPES } from '#core/media/recipes'
import { derive, given } from '#core/working/figure'
import { yours } from '#core/working/source'

/** How much solution the trays drink, what that is in cans, and what to do with the rest. */
const household = useHousehold()
const context = useContext()
const feed = useFeedDraft()

const batch = computed(() => household.batches.find(({ id }) => id === feed.draft.batchId))
const containerId = ref('tray-72')
const count = ref<number | null>(1)
watch(
  batch,
  (now) => {
    const fill = now?.body.fills[0]
    if (!fill) return
    containerId.value = fill.containerId
    count.value = fill.count
  },
  { immediate: true },
)
const containerChoices = computed(() => context.containerList.map(({ id, name }) => ({ value: id, name })))
const solution = computed(() => {
  const container = context.containers.get(containerId.value)
  const parts = batch.value?.body.parts ?? first(STARTING_RECIPES).parts
  if (!container || !count.value || count.value < 1 || recipeProblems(parts, context.materials).length)
    return null
  return solutionFor(
    container,
    count.value,
    physicsIn(container, blendOf(parts, context.materials, context.whole.homeTests)),
  )
})
const vesselL = computed(() =>
  given(feed.draft.vessel.name, feed.draft.vessel.volumeL, 'L', yours('your vessel')),
)
const soak = computed(() => {
  const container = context.containers.get(containerId.value)
  return solution.value && container && soakIn(container, present(count.value))
})
const back = computed(
  () =>
    soak.value &&
    derive('Comes back', 'L', 'max(0, s - d)', { s: soak.value, d: present(solution.value) }, ({ s, d }) =>
      Math.max(0, s - d),
    ),
)
const cans = computed(() => soak.value && feed.plan && vesselsToCarry(soak.value, vesselL.value))

const ratio = ref<number | null>(null)
const ratioProblem = computed(() =>
  ratio.value === null ? undefined : messageAt(injectorProblems(ratio.value), 'ratio'),
)
const injector = computed(() =>
  ratio.value !== null && !ratioProblem.value && solution.value && feed.plan
    ? planInjector(feed.plan.concentrationGPerL, solution.value, ratio.value)
    : null,
)
</script>

<template>
  <FoldAway class="volumes" title="How much for my trays">
    <div class="pair">
      <ChoiceField v-model="containerId" label="Container" :choices="containerChoices" />
      <TypedField v-model="count" label="How many" />
    </div>
    <p v-if="solution && cans">
      They drink <strong><FigureValue :figure="solution" /></strong>. To soak them from below, let
      <strong><FigureValue :figure="present(soak)" /></strong> stand in their trays (<FigureValue
        :figure="cans"
      />
      × {{ feed.draft.vessel.name.toLowerCase() }}): after half an hour about
      <FigureValue :figure="present(back)" /> comes back to the can, for the next tray. Leftovers go onto a
      bed or a hedge, never into a drain.
    </p>
    <p v-else class="soft">Say for how many.</p>
    <TypedField
      v-model="ratio"
      optional
      label="Through an injector or hose-end bottle, 1 in"
      hint="leave empty for a can"
      :problem="ratioProblem"
    />
    <p v-if="injector">
      <FigureValue :figure="injector.concentrateL" /> of concentrate at
      <FigureValue :figure="injector.concentrateGPerL" />.
      <span v-if="!injector.dissolves && feed.feed.form === 'powder'" class="problem"
        >So much does not dissolve: use a smaller ratio.</span
      >
    </p>
  </FoldAway>
</template>
