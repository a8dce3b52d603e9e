<script setup lang="ts">
import { present } from '#core/present'
import { computed, ref } from 'vue'
import { useDebounceFn } from '@vueuse/core'
import Button from 'primevue/button'
import { Moon } from '@lucide/vue'
import TypedField from '~/kit/fields/TypedField.vue'
import SaveProblem from '~/kit/record-forms/SaveProblem.vue'
import { useSaying } from '~/kit/useSaying'
import { useBench } from '~/trays/water/useBench'
import { useContext } from '~/household/context'
import { useHouseholdAnswer } from '~/household/saving'
import { useSeason } from '~/plan/season'
import { coldestAhead } from '#core/calendar/weather'
import type { Day } from '#core/calendar/day'
import { hotAhead, nightAhead } from '#shared/reckoning/season'
import { tonightOf } from '#shared/reckoning/tonight'
import { sayTonight } from '#shared/messages/tonight'

/** Tonight in one line, where it matters; and the forecast it goes by, which can be typed over. */
const bench = useBench()
const season = useSeason()
const context = useContext()
const saying = useSaying()
const tonight = computed(() => tonightOf(bench))
/** With the weather that came in beside it. */
const frame = computed(() => context.whole.frame)
const nightC = computed(() => frame.value && nightAhead(frame.value, season.today))
const hotC = computed(() => frame.value && hotAhead(frame.value, season.today))
const line = computed(() => {
  if (tonight.value) return sayTonight(tonight.value, saying.value)
  return nightC.value === null
    ? 'No forecast for tonight'
    : `Tonight ${saying.value.temperature(nightC.value)}`
})
const open = ref(false)

interface Forecast {
  nightC: number | null
  nightSaidOn: Day | null
  hotC: number | null
  hotSaidOn: Day | null
}
const { saving, save, dismiss } = useHouseholdAnswer<Forecast>(
  'the forecast',
  ({ season: kept }) =>
    kept && {
      nightC: kept.nightC,
      nightSaidOn: kept.nightSaidOn ?? null,
      hotC: kept.hotC ?? null,
      hotSaidOn: kept.hotSaidOn ?? null,
    },
  (whole, said) => ({ ...whole, season: whole.season && { ...whole.season, ...said } }),
)
const set = useDebounceFn((more: Partial<Forecast>) => {
  const { nightC, nightSaidOn = null, hotC = null, hotSaidOn = null } = present(season.frame)
  void save({ nightC, nightSaidOn, hotC, hotSaidOn, ...more })
}, 600)
const saidOn = (value: number | null) => (value === null ? null : season.today)
const foretold = computed(() => coldestAhead(frame.value?.weather ?? [], season.today))
const hint = computed(() =>
  foretold.value
    ? `from the forecast${foretold.value.simulated ? ' (simulated)' : ''}`
    : 'for the next 3 days',
)
</script>

<template>
  <section class="tonight" :class="{ cold: tonight?.bringIn.length }" aria-label="Tonight">
    <p>
      <Moon aria-hidden="true" /> <strong>{{ line }}</strong>
    </p>
    <Button text :aria-expanded="open" @click="open = !open">{{ open ? 'Close' : 'Edit forecast' }}</Button>
    <div v-if="open" class="fields">
      <TypedField
        :model-value="nightC"
        dimension="temperature"
        optional
        label="Lowest forecast, next 3 nights"
        :hint="hint"
        @update:model-value="(value) => set({ nightC: value, nightSaidOn: saidOn(value) })"
      />
      <TypedField
        :model-value="hotC"
        dimension="temperature"
        optional
        label="Highest forecast, next 3 days"
        hint="trays outside dry faster"
        @update:model-value="(value) => set({ hotC: value, hotSaidOn: saidOn(value) })"
      />
    </div>
    <SaveProblem :saving="saving" @settled="dismiss" @later="dismiss" />
  </section>
</template>

<style scoped>
.tonight {
  display: flex;
  flex-wrap: wrap;
  gap: 0.3rem 1rem;
  align-items: center;
  justify-content: space-between;
  padding: 0.35rem 0.9rem;
  border-left: 5px solid var(--water);
  background: var(--water-wash);
}

.cold {
  border-left-color: var(--marigold);
  background: var(--marigold-wash);
}

p {
  display: flex;
  gap: 0.5rem;
  align-items: center;
  flex: 1 1 12rem;
}

svg {
  flex: none;
  width: 1.2em;
  height: 1.2em;
}

.fields {
  display: flex;
  flex-wrap: wrap;
  gap: 0.6rem 1rem;
  width: 100%;
  padding-bottom: 0.5rem;
}

.fields > * {
  flex: 1 1 12rem;
  max-width: 17rem;
}
</style>
