<script setup lang="ts">
import TypedField from '~/kit/fields/TypedField.vue'
import Button from 'primevue/button'
import { computed } from 'vue'
import ChoiceField from '~/kit/fields/ChoiceField.vue'
import { useProgrammeDay } from '~/mix-and-feed/feed/useProgrammeDay'
import { useContext } from '~/household/context'
import { useHousehold } from '~/household/household'
import { useProgrammeDraft } from '~/mix-and-feed/feed/programmeDraft'
import { Plus, X } from '@lucide/vue'
import { STAGES, stageById } from '#core/feed/stage'
import { printNumber, printQuantity } from '#core/units/format'

/** The ladder of feeds rung by rung: how long, in what, how strong and how often; and what comes of it. */
const household = useHousehold()
const context = useContext()
const programme = useProgrammeDraft()
const dayText = useProgrammeDay()

const stageChoices = STAGES.filter(({ highNMgPerL }) => highNMgPerL > 0).map(({ id, name }) => ({
  value: id,
  name,
}))
const containerChoices = computed(() => context.containerList.map(({ id, name }) => ({ value: id, name })))
const mixChoices = computed(() => [
  ...(programme.draft.batchId ? [{ value: null, name: 'the batch’s mix' }] : []),
  ...context.mixChoices,
])
/** Feeds of one rung that follow each other are said as one line. */
const calendar = computed(() =>
  programme.draft.rungs.map((rung, index) => {
    const events = programme.plan?.events.filter((event) => event.rung === index) ?? []
    const given = events.filter(({ notYet }) => !notYet)
    return { rung, index, given, waiting: events.length - given.length }
  }),
)
const volume = (ml: number) => printQuantity(ml / 1000, 'volume', household.kitchen)
</script>

<template>
  <section class="rungs" aria-labelledby="rungs-title">
    <h2 id="rungs-title">The rungs</h2>
    <ol>
      <li v-for="{ rung, index, given, waiting } in calendar" :key="index">
        <ChoiceField
          :model-value="rung.stageId"
          :label="`Stage ${index + 1}`"
          :choices="stageChoices"
          @update:model-value="programme.setRung(index, 'stageId', $event)"
        />
        <TypedField
          :model-value="rung.days"
          label="For"
          unit="days"
          :problem="programme.problemAt(`rungs[${index}].days`)"
          @update:model-value="programme.setRung(index, 'days', $event ?? 0)"
        />
        <ChoiceField
          :model-value="rung.containerId"
          label="In"
          :choices="containerChoices"
          :problem="programme.problemAt(`rungs[${index}].containerId`)"
          @update:model-value="programme.setRung(index, 'containerId', $event)"
        />
        <ChoiceField
          :model-value="rung.recipeId"
          label="Of"
          placeholder="the batch’s mix"
          :choices="mixChoices"
          :problem="programme.problemAt(`rungs[${index}].recipeId`)"
          @update:model-value="programme.setRung(index, 'recipeId', $event)"
        />
        <TypedField
          :model-value="rung.nMgPerL"
          label="Strength"
          unit="mg/L"
          :hint="`${stageById(rung.stageId).lowNMgPerL}–${stageById(rung.stageId).highNMgPerL} liked`"
          :problem="programme.problemAt(`rungs[${index}].nMgPerL`)"
          @update:model-value="programme.setRung(index, 'nMgPerL', $event ?? 0)"
        />
        <TypedField
          :model-value="rung.everyDays"
          label="Every"
          unit="days"
          hint="0: at potting up"
          :problem="programme.problemAt(`rungs[${index}].everyDays`)"
          @update:model-value="programme.setRung(index, 'everyDays', $event ?? 0)"
        />
        <Button text :aria-label="`Take away rung ${index + 1}`" @click="programme.removeRung(index)">
          <X aria-hidden="true" />
        </Button>
        <p class="said">
          <template v-if="given.length"
            >{{ given.length }} {{ given.length === 1 ? 'feed' : 'feeds' }} of
            {{ printNumber(rung.nMgPerL) }} mg/L, {{ volume(given[0]!.mlPerPlant) }} a plant, the first on
            {{ dayText(given[0]!.day) }}</template
          ><template v-else>plain water</template
          ><template v-if="waiting">; {{ waiting }} left out while the mix still feeds them</template>.
        </p>
      </li>
    </ol>
    <Button @click="programme.addRung"> <Plus aria-hidden="true" /> Add a rung </Button>
  </section>
</template>

<style scoped>
.rungs {
  display: grid;
  gap: 0.6rem;
  justify-items: start;
}

.rungs ol {
  width: 100%;
}

.rungs ol > li {
  display: grid;
  grid-template-columns: 1.3fr 6.2rem 1.2fr 1.3fr 7rem 6.4rem auto;
  gap: 0.3rem 0.7rem;
  align-items: start;
  padding: 0.6rem 0;
  border-top: 1px solid var(--line);
}

.rungs .icon-button {
  margin-top: 1.6rem;
}

.said {
  grid-column: 1 / -1;
  color: var(--ink-soft);
}

@media (max-width: 64rem) {
  .rungs ol > li {
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  }
}
</style>
