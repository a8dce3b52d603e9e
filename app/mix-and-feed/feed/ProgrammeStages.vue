<script setup lang="ts">
import { printQuantity } from '#core/units/format'
import { counted } from '#core/text/plurals'
import { first } from '#core/numeric/at'
import { Plus, X } from '@lucide/vue'
import { GROWTH_STAGES, growthStageById } from '#core/feed/growth-stage'

const saying = useSaying()

/** The feeding schedule stage by stage: how long, in what, how strong and how often; and what comes of it. */
const household = useHousehold()
const context = useContext()
const programme = useProgrammeDraft()
const dayText = useProgrammeDay()

const stageChoices = GROWTH_STAGES.filter(({ highNMgPerL }) => highNMgPerL > 0).map(({ id, name }) => ({
  value: id,
  name,
}))
const containerChoices = computed(() => context.containerList.map(({ id, name }) => ({ value: id, name })))
const mixChoices = computed(() => [
  ...(programme.draft.batchId ? [{ value: null, name: 'the batch’s mix' }] : []),
  ...context.mixChoices,
])
/** Feeds of one stage that follow each other are said as one line. */
const calendar = computed(() =>
  programme.draft.stages.map((stage, index) => {
    const events = programme.plan?.events.filter((event) => event.stage === index) ?? []
    const given = events.filter(({ notYet }) => !notYet)
    return { stage, index, given, waiting: events.length - given.length }
  }),
)
const volume = (ml: number) => printQuantity(ml / 1000, 'volume', household.units)
</script>

<template>
  <section class="stages stack" aria-label="The stages">
    <ol>
      <li v-for="{ stage, index, given, waiting } in calendar" :key="index">
        <RecordField
          :at="`stages[${index}].growthStageId`"
          :label="`Stage ${index + 1}`"
          :choices="stageChoices"
        />
        <RecordField :at="`stages[${index}].days`" />
        <RecordField :at="`stages[${index}].containerId`" :choices="containerChoices" />
        <RecordField :at="`stages[${index}].recipeId`" placeholder="the batch’s mix" :choices="mixChoices" />
        <RecordField
          :at="`stages[${index}].nMgPerL`"
          :unit="saying.litreUnit"
          :hint="`${growthStageById(stage.growthStageId).lowNMgPerL}–${growthStageById(stage.growthStageId).highNMgPerL} suits it`"
        />
        <RecordField :at="`stages[${index}].everyDays`" />
        <Button text :aria-label="`Delete stage ${index + 1}`" @click="programme.removeStage(index)">
          <X aria-hidden="true" />
        </Button>
        <p class="said whole soft">
          <template v-if="given.length"
            >{{ counted(given.length, 'feed') }} of {{ saying.strength(stage.nMgPerL) }},
            {{ volume(first(given).mlPerPlant) }} a plant, the first on
            {{ dayText(first(given).day) }}</template
          ><template v-else>plain water</template
          ><template v-if="waiting">; {{ waiting }} skipped while the mix still feeds them</template>.
        </p>
      </li>
    </ol>
    <Button @click="programme.addStage"> <Plus aria-hidden="true" /> Add a stage </Button>
  </section>
</template>

<style scoped>
.stages {
  justify-items: start;
}

.stages ol {
  width: 100%;
}

.stages ol > li {
  display: grid;
  grid-template-columns: 1.3fr 6.2rem 1.2fr 1.3fr 7rem 6.4rem auto;
  gap: 0.3rem 0.7rem;
  align-items: start;
  padding: 0.6rem 0;
  border-top: 1px solid var(--line);
}

.stages .icon-button {
  margin-top: 1.6rem;
}

@media (max-width: 64rem) {
  .stages ol > li {
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  }
}
</style>
