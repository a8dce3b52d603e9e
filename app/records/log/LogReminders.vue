<script setup lang="ts">
import { addDays } from '#core/calendar/day'

const LogEntry = defineAsyncComponent(() => import('~/records/log/LogEntry.vue'))
/** Notes to oneself whose day has come: for a fortnight they stand where one looks. */
const household = useHousehold()
const season = useSeason()
const STAND_DAYS = 14
const due = computed(() =>
  household.entries.filter(
    ({ body: { remindOn, on } }) =>
      remindOn !== null &&
      remindOn > on &&
      remindOn <= season.today &&
      remindOn > addDays(season.today, -STAND_DAYS),
  ),
)
</script>

<template>
  <section v-if="due.length" class="reminders" aria-labelledby="reminders-title">
    <h2 id="reminders-title">You wanted to be told</h2>
    <ul>
      <LogEntry v-for="entry in due" :key="entry.id" :entry="entry" />
    </ul>
  </section>
</template>

<style scoped>
.reminders {
  padding: 0.8rem 1rem;
  border-left: 4px solid var(--marigold);
  background: var(--paper-deep);
}
</style>
