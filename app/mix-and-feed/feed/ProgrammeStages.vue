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
        <ChoiceField
          :model-value="stage.growthStageId"
          :label="`Stage ${index + 1}`"
          :choices="stageChoices"
          @update:model-value="programme.setStage(index, 'growthStageId', $event)"
        />
        <TypedField
          :model-value="stage.days"
          label="Lasts"
          unit="days"
          :problem="programme.problemAt(`stages[${index}].days`)"
          @update:model-value="programme.setStage(index, 'days', $event ?? 0)"
        />
        <ChoiceField
          :model-value="stage.containerId"
          label="Container"
          :choices="containerChoices"
          :problem="programme.problemAt(`stages[${index}].containerId`)"
          @update:model-value="programme.setStage(index, 'containerId', $event)"
        />
        <ChoiceField
          :model-value="stage.recipeId"
          label="Mix"
          placeholder="the batch’s mix"
          :choices="mixChoices"
          :problem="programme.problemAt(`stages[${index}].recipeId`)"
          @update:model-value="programme.setStage(index, 'recipeId', $event)"
        />
        <TypedField
          :model-value="stage.nMgPerL"
          label="Strength"
          :unit="saying.litreUnit"
          :hint="`${growthStageById(stage.growthStageId).lowNMgPerL}–${growthStageById(stage.growthStageId).highNMgPerL} suits it`"
          :problem="programme.problemAt(`stages[${index}].nMgPerL`)"
          @update:model-value="programme.setStage(index, 'nMgPerL', $event ?? 0)"
        />
        <TypedField
          :model-value="stage.everyDays"
          label="Feed every"
          unit="days"
          hint="0: at potting up"
          :problem="programme.problemAt(`stages[${index}].everyDays`)"
          @update:model-value="programme.setStage(index, 'everyDays', $event ?? 0)"
        />
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
