<script setup lang="ts">
import { computed, ref } from 'vue'
import Button from 'primevue/button'
import Popover from 'primevue/popover'
import { CalendarClock, ChevronLeft, ChevronRight } from '@lucide/vue'
import DayField from '~/kit/fields/DayField.vue'
import ChoiceField from '~/kit/fields/ChoiceField.vue'
import SaveProblem from '~/kit/record-forms/SaveProblem.vue'
import { useDates } from '~/kit/useDates'
import { useExample } from '~/household/example'
import { useNow } from '~/household/useNow'
import { useToday } from '~/household/useToday'
import { useHousehold } from '~/household/household'
import { useHouseholdAnswer } from '~/household/saving'
import { addDays, type Day } from '#core/calendar/day'
import type { HouseholdRecord } from '#shared/records/household'

/** A demo has a day of its own: which, and how to move it. */
const household = useHousehold()
const today = useToday()
const { time } = useNow(1000)
const { printDay, printLongDay } = useDates()
type Answer = { clock: HouseholdRecord['clock'] }
const { saving, save, dismiss } = useHouseholdAnswer<Answer>(
  'the day of the demo',
  ({ clock }) => ({ clock }),
  (whole, { clock }) => ({ ...whole, clock }),
)
const clock = computed(() => household.record?.clock ?? null)
const set = (day: Day, speed = 1) => save({ clock: { day, since: new Date().toISOString(), speed } })
const example = useExample()
const panel = ref<InstanceType<typeof Popover> | null>(null)
const PACES = [
  { value: '1', name: 'stopped' },
  { value: '60', name: 'an hour a minute' },
  { value: '1440', name: 'a day a minute' },
]
</script>

<template>
  <div v-if="clock" class="own-day no-print" role="group" aria-label="Day of this demo">
    <Button text class="step" aria-label="A day back" title="A day back" @click="set(addDays(today, -1))">
      <ChevronLeft aria-hidden="true" />
    </Button>
    <Button
      text
      class="day"
      :title="`Demo, ${printLongDay(today)}: change the day`"
      @click="panel?.toggle($event)"
    >
      <CalendarClock aria-hidden="true" /><span class="unseen">Demo day: </span>{{ printDay(today)
      }}<template v-if="clock.speed > 1">, {{ time }}</template>
    </Button>
    <Button text class="step" aria-label="A day on" title="A day on" @click="set(addDays(today, 1))">
      <ChevronRight aria-hidden="true" />
    </Button>
    <Popover ref="panel">
      <div class="panel">
        <p><strong>This is a demo.</strong> It has a day of its own.</p>
        <DayField :model-value="today" label="Day" @update:model-value="$event && set($event)" />
        <ChoiceField
          :model-value="String(clock.speed)"
          label="Clock"
          :choices="PACES"
          @update:model-value="set(today, Number($event))"
        />
        <SaveProblem :saving="saving" @settled="dismiss" @later="dismiss" />
        <template v-if="example.back">
          <Button class="main" @click="example.goBack()">Back to {{ example.back.name }}</Button>
          <Button @click="example.throwAway()">Delete this demo</Button>
        </template>
      </div>
    </Popover>
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

.panel {
  display: grid;
  gap: 0.8rem;
  padding: 0.8rem;
  min-width: 15rem;
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
