<script setup lang="ts">
import { useMeasures } from '~/composables/useMeasures'
import TypedField from '~/components/fields/TypedField.vue'
import Button from 'primevue/button'
import { computed, ref } from 'vue'
import FigureValue from '~/components/figures/FigureValue.vue'
import { useNotes } from '~/composables/useNotes'
import { useHouseholdPart } from '~/state/saving'
import SaveProblem from '~/components/records/SaveProblem.vue'
import { useSeason } from '~/state/season'
import {
  dailyLight,
  heightFor,
  LIGHT_WANTED,
  lightSchoolById,
  lampProblems,
  ppfdAt,
  type Lamp,
} from '#core/season/light'

const { length } = useMeasures()

/** How high the lamp hangs: what it gives in a day at a height, and the height that gives what is wanted. */
const season = useSeason()
const { note } = useNotes()

const lamp = ref<Lamp>(season.frame?.lamp ? { ...season.frame.lamp } : { ppfd: 200, atCm: 30, radiusCm: 30 })
const heightCm = ref(lamp.value.atCm)
const problems = computed(() => lampProblems(lamp.value))
const problemAt = (key: string) => problems.value.find(({ path }) => path[0] === key)?.message
const hours = computed(() => lightSchoolById(season.frame!.lightSchool).hours)
const ok = computed(() => !problems.value.length && heightCm.value >= 1 && heightCm.value <= 300)
const day = computed(() => (ok.value ? dailyLight(ppfdAt(lamp.value, heightCm.value), hours.value) : null))
const stages = computed(() =>
  (['seedling', 'transplant'] as const).map((stage) => {
    const { low, high } = LIGHT_WANTED[stage]
    const at = problems.value.length ? null : heightFor(lamp.value, hours.value, (low + high) / 2)
    const here = day.value?.value ?? 0
    return {
      stage,
      low,
      high,
      at,
      verdict: here < low ? 'too little' : here > high ? 'more than they need' : 'right',
    }
  }),
)
const changed = computed(() => JSON.stringify(lamp.value) !== JSON.stringify(season.frame?.lamp))
const { saving, save, dismiss } = useHouseholdPart('season', 'the lamp')
async function keep() {
  if (await save({ ...season.frame!, lamp: { ...lamp.value } })) note('The lamp is kept.')
}
</script>

<template>
  <section class="lamp" aria-labelledby="lamp-title">
    <h2 id="lamp-title">The lamp</h2>
    <div class="three">
      <TypedField
        v-model="lamp.ppfd"
        label="It gives"
        unit="µmol"
        hint="a m² and second"
        :problem="problemAt('ppfd')"
      />
      <TypedField
        v-model="lamp.atCm"
        label="at a height of"
        dimension="length"
        :unit-in-base="10"
        :problem="problemAt('atCm')"
      />
      <TypedField
        v-model="lamp.radiusCm"
        label="Half its width"
        dimension="length"
        :unit-in-base="10"
        hint="0 for a single bulb"
        :problem="problemAt('radiusCm')"
      />
      <TypedField v-model="heightCm" label="It hangs at" dimension="length" :unit-in-base="10" />
    </div>
    <p v-if="day">
      <FigureValue :figure="day" /> a day, burning {{ hours }} h:
      <template v-for="(one, i) in stages" :key="one.stage">
        <template v-if="i"> · </template>
        <strong :class="{ problem: one.verdict === 'too little' }">{{ one.verdict }}</strong> for a
        {{ one.stage }} ({{ one.low }}–{{ one.high }})
      </template>
    </p>
    <p v-for="one in stages" :key="one.stage" class="soft">
      For a {{ one.stage }}:
      <template v-if="one.at">hang it at {{ length(one.at.value * 10) }}.</template>
      <template v-else>this lamp is too weak at any height; burn it longer or add another.</template>
    </p>
    <p class="caution small">
      <strong>Lamps near water:</strong> rated fittings, residual-current protection, a drip loop in every
      cable, clear of plastic. Local codes and an electrician’s word come first.
    </p>
    <SaveProblem :saving="saving" @settled="dismiss" @later="dismiss" />
    <Button v-if="changed" :disabled="problems.length > 0" @click="keep"> Keep this lamp </Button>
  </section>
</template>

<style scoped>
.lamp {
  display: grid;
  gap: 0.5rem;
  justify-items: start;
  align-content: start;
}

.three {
  width: 100%;
}
</style>
