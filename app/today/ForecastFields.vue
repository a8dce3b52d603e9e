<script setup lang="ts">
import { present } from '#core/present'
import { useDebounceFn } from '@vueuse/core'
import { coldestAhead } from '#core/calendar/weather'
import type { Day } from '#core/calendar/day'
import { hotAhead, nightAhead } from '#shared/derived/season'

/** The forecast of the next nights and days, which can be typed over. */
const season = useSeason()
const context = useContext()
/** With the weather that came in beside it. */
const frame = computed(() => context.whole.frame)
const nightC = computed(() => frame.value && nightAhead(frame.value, season.today))
const hotC = computed(() => frame.value && hotAhead(frame.value, season.today))
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
  <div class="fields row-l">
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
    <SaveProblem :saving="saving" @settled="dismiss" @later="dismiss" />
  </div>
</template>

<style scoped>
.fields {
  width: 100%;
  padding-bottom: 0.5rem;
}

.fields > * {
  flex: 1 1 12rem;
  max-width: 17rem;
}
</style>
