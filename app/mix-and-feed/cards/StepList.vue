<script setup lang="ts">
import { first } from '#core/numeric/at'
import type { SaidStep } from '#shared/messages/steps'
import { timetable } from '#core/jobs/timetable'
import { printHours } from '#core/working/print'

/** Steps in the order of the hands, numbered, each with a box to tick on paper. */
const props = defineProps<{
  steps: readonly SaidStep[]
  boxes?: boolean
  /** Say when each is begun, counted back from the time at which the first container is filled. */
  timed?: boolean
  onDate?: string | null
  /** When the first container is filled, minutes of the day. */
  fillsAtMin?: number
}>()

/** Nine in the morning, where nobody said. */
const fillsAt = computed(() => props.fillsAtMin ?? 9 * 60)
const { printTime } = useDates()
const context = useContext()
/** As quick as hands were here before. */
const pace = computed(() => context.whole.calibrations.of('minutes', 'mix').mean)
const times = computed(() =>
  props.timed
    ? timetable(props.steps, fillsAt.value, pace.value).map(({ startsMin }) =>
        when(Math.round(startsMin / 5) * 5),
      )
    : [],
)
function when(minutes: number) {
  if (props.onDate) return printTime(props.onDate, 0, fillsAt.value + minutes)
  const clock = fillsAt.value + minutes
  const inDay = ((clock % 1440) + 1440) % 1440
  const time = `${String(Math.floor(inDay / 60)).padStart(2, '0')}:${String(inDay % 60).padStart(2, '0')}`
  return clock < 0 ? `${time} the day before` : time
}

/** What to do where a test by hand says that it is not right; what right looks like stands only beside such a test, so that a card stays a page. */
const remedies = ({ test }: SaidStep) =>
  (test?.answers ?? [])
    .filter(({ fine }) => !fine)
    .map((one) => ({ ...one, name: first(one.name).toUpperCase() + one.name.slice(1) }))

const wait = (minutes: number) => printHours(minutes / 60)
</script>

<template>
  <ol class="stack">
    <li v-for="(step, index) in steps" :key="step.id">
      <span class="number" aria-hidden="true">{{ index + 1 }}</span>
      <div>
        <h3>
          {{ step.title }}
          <span v-if="timed" class="at">{{ times[index] }}</span>
          <span v-if="step.waitMinutes" class="wait">leave {{ wait(step.waitMinutes) }}</span>
        </h3>
        <p>
          <SayIt :say="step.say" />
          <template v-if="step.right && step.test">{{ ` Right: ${step.right}.` }}</template>
          <template v-for="one in remedies(step)" :key="one.id"
            >{{ ` ${one.name}: ` }}<SayIt :say="one.say"
          /></template>
        </p>
      </div>
      <span v-if="boxes" class="box" aria-hidden="true" />
    </li>
  </ol>
</template>

<style scoped>
li {
  display: grid;
  grid-template-columns: 2rem 1fr auto;
  gap: 0.7rem;
}

.number {
  display: grid;
  place-items: center;
  width: 2rem;
  height: 2rem;
  border: 2px solid var(--enamel);
  border-radius: 50%;
  color: var(--enamel);
  font: 720 1.05rem/1 var(--heading);
}

h3 {
  padding-top: 0.3rem;
}

.at {
  float: right;
  margin-left: 0.6rem;
  color: var(--ink-soft);
  font: 650 0.9375rem/1.5 var(--text);
  font-variant-numeric: tabular-nums;
}

.wait {
  margin-left: 0.4rem;
  padding: 0.05em 0.5em;
  border-radius: 1em;
  background: var(--water-wash);
  color: var(--water-ink);
  font: 600 0.9375rem/1.4 var(--text);
  letter-spacing: 0;
  white-space: nowrap;
}

.box {
  width: 1.4rem;
  height: 1.4rem;
  margin-top: 0.2rem;
  border: 2px solid var(--ink);
  border-radius: 0.2rem;
}
@media print {
  ol {
    gap: 0.2rem;
  }

  li {
    grid-template-columns: 1.5rem 1fr auto;
    gap: 0.5rem;
    line-height: 1.22;
    break-inside: avoid;
  }

  .number {
    width: 1.5rem;
    height: 1.5rem;
    font-size: 0.9rem;
  }

  h3 {
    padding-top: 0.1rem;
  }

  .box {
    width: 1.1rem;
    height: 1.1rem;
  }
}
</style>
