<script setup lang="ts">
import { computed } from 'vue'
import { useDates } from '~/kit/useDates'
import { frostAtRisk, frostRiskOf, type Frosts } from '#core/calendar/frost'
import { printShare } from '#core/units/format'

/** What follows from frosts: the first day for what frost harms, and the risk that is lived with. */
const props = defineProps<{ frosts: Frosts }>()
const { printDay } = useDates()
const from = computed(() => {
  const { lastFrost } = props.frosts
  return lastFrost && frostAtRisk({ ...props.frosts, lastFrost })
})
</script>

<template>
  <span v-if="from">
    What frost harms goes out from {{ printDay(from) }} on at the earliest: a later frost in
    {{ printShare(frostRiskOf(frosts)) }} of springs.
  </span>
</template>
