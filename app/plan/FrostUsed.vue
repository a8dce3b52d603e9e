<script setup lang="ts">
import { frostAtRisk, frostRiskOf, type Frosts } from '#core/calendar/frost'
import { printShare } from '#core/units/format'

/** What follows from frosts: the first day for tender plants, and the risk of a later frost. */
const props = defineProps<{ frosts: Frosts }>()
const { printDay } = useDates()
const from = computed(() => {
  const { lastFrost } = props.frosts
  return lastFrost && frostAtRisk({ ...props.frosts, lastFrost })
})
/** `1 year in 10`, where it is so. */
const risk = computed(() => {
  const share = frostRiskOf(props.frosts)
  const years = share > 0 ? 1 / share : 0
  return share > 0 && Math.abs(years - Math.round(years)) < 1e-6 && years <= 50
    ? `1 year in ${Math.round(years)}`
    : `${printShare(share)} of years`
})
</script>

<template>
  <span v-if="from">
    Tender plants can go out from <strong>{{ printDay(from) }}</strong> ({{ risk }} has a later frost).
  </span>
</template>
