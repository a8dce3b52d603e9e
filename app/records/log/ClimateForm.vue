<script setup lang="ts">
import { present } from '#core/present'
import { at, last, first as firstOf } from '#core/numeric/at'
import Papa from 'papaparse'
import { counted } from '#core/text/plurals'
import { columnOf, dateOrder, LOGGER_COLUMNS, readLogger, type LoggerColumn } from '#core/readings/logger'
import type { Day } from '#core/calendar/day'
import { withOutside } from '#core/season/schedule/stays'

/** The air of a place: low and high by hand, or from the file of a logger. */
const emit = defineEmits<{ close: [] }>()
const season = useSeason()
const { perform, noteDone } = useCommands()
const { printDay, monthFirst } = useDates()
const { temperature } = useMeasures()
const { first: unreadable } = provideUnreadable()

const places = computed(() => withOutside(season.frame?.places ?? []))
const placeId = ref(places.value[0]?.id ?? 'outside')
const on = ref<Day | null>(season.today)
const lowC = ref<number | null>(null)
const highC = ref<number | null>(null)
const lightMol = ref<number | null>(null)

const table = shallowRef<{ name: string; rows: string[][]; heading: string[] } | null>(null)
const columns = ref<LoggerColumn[]>([])
const order = ref<'day first' | 'month first'>('day first')
const settled = ref<'day first' | 'month first' | null>(null)
const problem = ref('')
/** A season of a reading a minute is some ten megabytes. */
const MAX_BYTES = 30 * 1024 * 1024

async function open(event: Event) {
  const file = (event.target as HTMLInputElement).files?.[0]
  problem.value = ''
  table.value = null
  if (!file) return
  if (file.size > MAX_BYTES) {
    problem.value = 'A file of a logger has at most 30 MB. Export fewer days, or a reading every few minutes.'
    return
  }
  const text = await file.text()
  if (['\0', '\uFFFD'].some((odd) => text.slice(0, 20_000).includes(odd))) {
    problem.value = 'This is no table of text. Export it from the logger as CSV.'
    return
  }
  const { data } = Papa.parse<string[]>(text, { skipEmptyLines: 'greedy' })
  // Some loggers write a few lines about themselves before the heading.
  const head = data
    .slice(0, 30)
    .findIndex((row) => row.length > 1 && row.some((cell) => columnOf(cell) === 'time'))
  if (head < 0 || data.length - head < 2) {
    problem.value = 'No heading with a date or time was found. The first line must name the columns.'
    return
  }
  const heading = present(data[head])
  table.value = { name: file.name, heading, rows: data.slice(head + 1) }
  columns.value = heading.map((cell, i) => {
    const meant = columnOf(cell)
    return heading.slice(0, i).some((one) => columnOf(one) === meant) ? 'nothing' : meant
  })
  const timeAt = columns.value.indexOf('time')
  settled.value = dateOrder(table.value.rows.map((row) => row[timeAt] ?? ''))
  order.value = settled.value ?? (monthFirst.value ? 'month first' : 'day first')
}
const read = computed(() =>
  table.value ? readLogger(table.value.rows, columns.value, order.value, 2) : null,
)
const NAMES: Record<LoggerColumn, string> = {
  time: 'date and time',
  celsius: 'air, °C',
  fahrenheit: 'air, °F',
  humidity: 'humidity, %',
  lux: 'light, lux',
  ppfd: 'light, µmol/m²/s',
  nothing: 'skip',
}
const columnChoices = LOGGER_COLUMNS.map((value) => ({ value, name: NAMES[value] }))
const setColumn = (i: number, to: LoggerColumn) =>
  (columns.value = columns.value.map((one, j) =>
    j === i ? to : one === to && to !== 'nothing' ? 'nothing' : one,
  ))

const handProblem = computed(() =>
  lowC.value !== null && highC.value !== null && lowC.value > highC.value
    ? 'The low is no higher than the high.'
    : undefined,
)
const ahead = computed(() => (on.value && on.value > season.today ? 'That day is still to come.' : undefined))
const days = computed(() =>
  read.value
    ? read.value.days.filter((one) => one.on <= season.today).slice(-800)
    : lowC.value !== null && highC.value !== null && on.value && !handProblem.value && !ahead.value
      ? [
          {
            on: on.value,
            lowC: lowC.value,
            highC: highC.value,
            meanC: null,
            lightMol: lightMol.value,
            humidity: null,
          },
        ]
      : [],
)
const blocked = computed(() => days.value.length === 0 || !!unreadable.value)
const PAGE = 800
async function keep() {
  if (blocked.value) return
  problem.value = ''
  const name = places.value.find(({ id }) => id === placeId.value)?.name ?? 'a place'
  try {
    const title = `Air of ${name}: ${days.value.length === 1 ? printDay(firstOf(days.value).on) : counted(days.value.length, 'day')}`
    const { act } = await perform(title, [
      {
        name: 'write down',
        title,
        kind: 'climate',
        on: last(days.value).on,
        subjects: [],
        placeId: placeId.value,
        climate: days.value.slice(-PAGE).map((one) => ({ ...one })),
      },
    ])
    noteDone('Temperature and humidity logged.', act)
    emit('close')
  } catch (error) {
    problem.value = whyNot(error)
  }
}
</script>

<template>
  <Dialog
    visible
    modal
    class="wide"
    header="The air of a place"
    :draggable="false"
    @update:visible="emit('close')"
  >
    <form class="air stack-l" @submit.prevent="keep">
      <ChoiceField
        v-model="placeId"
        label="Place"
        :choices="places.map(({ id, name }) => ({ value: id, name }))"
      />
      <template v-if="!table">
        <div class="three">
          <DayField v-model="on" label="Day" :problem="ahead" />
          <TypedField v-model="lowC" optional label="Lowest" dimension="temperature" :problem="handProblem" />
          <TypedField v-model="highC" optional label="Highest" dimension="temperature" />
        </div>
        <TypedField
          v-model="lightMol"
          optional
          label="Light that day"
          unit="mol/m²"
          hint="if a meter sums it"
        />
      </template>
      <label class="file stack-s strong">
        <span>Or the file of a logger (CSV)</span>
        <input type="file" accept=".csv,.txt,.tsv,text/csv,text/plain" @change="open" />
      </label>
      <div v-if="table && read" class="read stack">
        <p>
          <b>{{ table.name }}</b>: {{ read.readings }} readings, {{ counted(read.days.length, 'day') }}
          <template v-if="read.days.length"
            >, {{ printDay(firstOf(read.days).on) }} to {{ printDay(last(read.days).on) }},
            {{ temperature(Math.min(...read.days.map(({ lowC: low }) => low))) }} to
            {{ temperature(Math.max(...read.days.map(({ highC: high }) => high))) }}</template
          >.
        </p>
        <div class="columns">
          <ChoiceField
            v-for="(heading, i) in table.heading"
            :key="i"
            :model-value="at(columns, i)"
            :label="heading || `column ${i + 1}`"
            :choices="columnChoices"
            @update:model-value="setColumn(i, $event)"
          />
        </div>
        <ChoiceField
          v-if="settled === null"
          v-model="order"
          label="Dates are written"
          hint="every date of the file can be read both ways"
          :choices="[
            { value: 'day first', name: 'day before month' },
            { value: 'month first', name: 'month before day' },
          ]"
        />
        <details v-if="read.bad.length">
          <summary>{{ counted(read.bad.length, 'line') }} left out</summary>
          <ul class="small">
            <li v-for="one in read.bad.slice(0, 20)" :key="one.line">line {{ one.line }}: {{ one.why }}</li>
          </ul>
        </details>
      </div>
      <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
      <div class="buttons">
        <Button type="submit" class="main" :disabled="blocked">
          {{ days.length > 1 ? `Keep ${counted(days.length, 'day')}` : 'Keep' }}
        </Button>
        <Button @click="emit('close')">Cancel</Button>
      </div>
    </form>
  </Dialog>
</template>

<style scoped>
.three,
.columns {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(9rem, 1fr));
  gap: 0.6rem;
}

.read {
  padding: 0.7rem 0.9rem;
  border-left: 4px solid var(--enamel);
  background: var(--paper-deep);
}
</style>
