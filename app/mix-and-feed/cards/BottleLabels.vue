<script setup lang="ts">
import { bottleLabels } from '#core/feed/bottle'
import type { Feed } from '#core/feed/feed'
import type { StockPlan } from '#core/feed/stock'
import { printNumber } from '#core/units/format'

/** Labels to cut out for the bottles a feed stands in: what is in it, how strong, since when, for which stage. */
const props = defineProps<{ feed: Feed; nMgPerL: number; stock: StockPlan | null }>()
const today = useToday()
const saying = useSaying()
const { printDate } = useDates()

const labels = computed(() =>
  bottleLabels(props, today.value, (value) => printNumber(value), saying.value.strength),
)
const { said } = useMeasures()
</script>

<template>
  <ul class="labels row-l" aria-label="Labels for the bottles">
    <li v-for="label in labels" :key="label.title" class="stack-s">
      <strong>{{ label.title }}</strong>
      <span>{{ label.contents }}</span>
      <span class="strength strong">{{ said(label.strength) }}</span>
      <span v-if="label.growthStages.length"
        >For: {{ label.growthStages.map(({ name }) => name.toLowerCase()).join(', ') }}</span
      >
      <span
        >Mixed {{ printDate(label.madeOn) }}; keep until {{ printDate(label.keepUntil) }}, dark and cool</span
      >
      <span class="small">Not for drinking. Away from children and pets.</span>
    </li>
  </ul>
</template>

<style scoped>
.labels li {
  width: 19rem;
  max-width: 100%;
  padding: 0.6rem 0.8rem;
  border: 1.5px dashed var(--ink);
  line-height: 1.25;
  break-inside: avoid;
}

.labels strong {
  font: 720 1.15rem/1.2 var(--heading);
}
</style>
