<script setup lang="ts">
import { CalendarClock, ChevronLeft, ChevronRight } from '@lucide/vue'
import { addDays } from '#core/calendar/day'

const OwnDayPanel = defineAsyncComponent(() => import('~/shell/OwnDayPanel.vue'))
/** A demo has a day of its own: which, and how to move it. */
const today = useToday()
const { time } = useNow(1000)
const { printDay, printLongDay } = useDates()
const { clock, set } = useDayOfDemo()
/** Where the panel hangs from, once it was asked for. */
const from = ref<HTMLElement | null>(null)
</script>

<template>
  <div v-if="clock" class="own-day no-print" role="group" aria-label="Day of this demo">
    <IconButton
      :icon="ChevronLeft"
      class="step"
      aria-label="A day back"
      title="A day back"
      @click="set(addDays(today, -1))"
    />
    <Button
      text
      class="day"
      :title="`Demo, ${printLongDay(today)}: change the day`"
      @click="from = from ? null : ($event.currentTarget as HTMLElement)"
    >
      <CalendarClock aria-hidden="true" /><span class="unseen">Demo day: </span>{{ printDay(today)
      }}<template v-if="clock.speed > 1">, {{ time }}</template>
    </Button>
    <IconButton
      :icon="ChevronRight"
      class="step"
      aria-label="A day on"
      title="A day on"
      @click="set(addDays(today, 1))"
    />
    <OwnDayPanel v-if="from" :from="from" @close="from = null" />
  </div>
</template>

<style scoped>
.own-day {
  display: flex;
  align-items: center;
  border: 1.5px dashed var(--line-strong);
  border-radius: 0.5rem;
  margin-right: 0.4rem;
}

.day {
  width: auto;
  display: inline-flex;
  gap: 0.4rem;
  align-items: center;
  height: 2.2rem;
  padding-inline: 0.4rem;
  color: var(--ink);
  font-weight: 600;
  white-space: nowrap;
}

.step {
  width: 1.9rem;
  height: 2.2rem;
}

@media (max-width: 46rem) {
  .step {
    display: none;
  }

  .own-day {
    margin-right: 0;
  }
}
</style>
