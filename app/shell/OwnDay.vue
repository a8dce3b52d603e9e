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

/** An example lives on a day of its own: which, and how to move it. */
const household = useHousehold()
const today = useToday()
const { time } = useNow(1000)
const { printLongDay } = useDates()
type Answer = { clock: HouseholdRecord['clock'] }
const { saving, save, dismiss } = useHouseholdAnswer<Answer>(
  'the day of the example',
  ({ clock }) => ({ clock }),
  (whole, { clock }) => ({ ...whole, clock }),
)
const clock = computed(() => household.record?.clock ?? null)
const set = (day: Day, speed = 1) => save({ clock: { day, since: new Date().toISOString(), speed } })
const example = useExample()
const panel = ref<InstanceType<typeof Popover> | null>(null)
const PACES = [
  { value: '1', name: 'as it is: the day stays' },
  { value: '60', name: 'an hour a minute' },
  { value: '1440', name: 'a day a minute' },
]
</script>

<template>
  <aside v-if="clock" class="own-day no-print" aria-label="The day of this example">
    <p>
      <CalendarClock aria-hidden="true" />
      <span
        >An example. Its day is <strong>{{ printLongDay(today) }}</strong><template v-if="clock.speed > 1"
          >, {{ time }}</template
        >.</span
      >
    </p>
    <Button text aria-label="A day back" title="A day back" @click="set(addDays(today, -1))">
      <ChevronLeft aria-hidden="true" />
    </Button>
    <Button text aria-label="A day on" title="A day on" @click="set(addDays(today, 1))">
      <ChevronRight aria-hidden="true" />
    </Button>
    <Button text @click="panel?.toggle($event)">Move the day</Button>
    <template v-if="example.back">
      <Button text @click="example.goBack()">Back to {{ example.back.name }}</Button>
      <Button text @click="example.throwAway()">Throw it away</Button>
    </template>
    <Popover ref="panel">
      <div class="panel">
        <DayField :model-value="today" label="Its day" @update:model-value="$event && set($event)" />
        <ChoiceField
          :model-value="String(clock.speed)"
          label="Its clock runs"
          :choices="PACES"
          @update:model-value="set(today, Number($event))"
        />
        <SaveProblem :saving="saving" @settled="dismiss" @later="dismiss" />
      </div>
    </Popover>
  </aside>
</template>

<style scoped>
.own-day {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0 0.2rem;
  padding: 0.1rem clamp(0.9rem, 2vw, 2rem);
  padding-inline: max(clamp(0.9rem, 2vw, 2rem), (100% - 88rem) / 2 + clamp(0.9rem, 2vw, 2rem));
  background: var(--paper-deep);
  border-bottom: 1px dashed var(--line);
  font-size: 1rem;
}

.own-day p {
  display: flex;
  gap: 0.5rem;
  align-items: center;
  margin-right: 0.4rem;
}

.panel {
  display: grid;
  gap: 0.8rem;
  padding: 0.8rem;
  min-width: 15rem;
}
</style>
