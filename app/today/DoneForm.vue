<script setup lang="ts">
import { present } from '#core/present'
import { counted } from '#core/text/plurals'
import type { Day } from '#core/calendar/day'
import type { JobKind, JobTarget } from '#core/season/today/job'
import { newEntry } from '#shared/records/new-entry'

/** A job that was done: on which day, how many, and a note. What came up is counted here. */
const props = defineProps<{
  title: string
  kind: JobKind
  of: readonly JobTarget[]
  /** What can be counted, and how many there could be at most; null where nothing is counted. */
  counts: { readonly what: string; readonly most: number } | null
}>()
defineEmits<{ close: [] }>()
const season = useSeason()
const { printLongDay } = useDates()

const on = ref<Day | null>(season.today)
const count = ref<number | null>(null)
const note = ref('')
/** Some were moved and the rest stays: it is asked for again. */
const restStays = ref(true)
const someLeft = computed(
  () => props.kind === 'stage' && !!props.counts && !!count.value && count.value < props.counts.most,
)
const isPart = computed(() => someLeft.value && restStays.value)
const dayProblem = computed(() =>
  on.value === null
    ? 'Which day was it?'
    : on.value > season.today
      ? `${printLongDay(on.value)} is still to come.`
      : undefined,
)
const countProblem = computed(() => {
  if (count.value === null || !props.counts) return undefined
  if (!Number.isInteger(count.value) || count.value < 0) return 'Count whole ones: 0 or more.'
  return count.value > props.counts.most
    ? `There are ${counted(props.counts.most, props.counts.what)} in all.`
    : undefined
})
</script>

<template>
  <EntryForm
    :header="title"
    keep-label="Save"
    :wrong="!!(dayProblem || countProblem)"
    :done="`Done: ${title}.`"
    :entry="
      () =>
        newEntry({
          name: title.slice(0, 120),
          kind,
          on: present(on),
          subjects: of.map(({ sowingId, stage }) => ({ what: 'sowings', id: sowingId, stage })),
          count,
          part: isPart,
          note,
        })
    "
    @close="$emit('close')"
  >
    <TypedField
      v-if="counts"
      v-model="count"
      v-first-focus
      optional
      :label="kind === 'look' ? 'How many are up' : 'How many'"
      :hint="`of ${counted(counts.most, counts.what)}; empty if not counted`"
      :problem="countProblem"
    />
    <CheckField v-if="someLeft" v-model="restStays"
      >The rest stays where it is:
      {{ counted(present(counts).most - present(count), present(counts).what) }} to move another
      day</CheckField
    >
    <DayField v-model="on" label="On" :problem="dayProblem" />
    <TextField v-model="note" label="Note" />
  </EntryForm>
</template>
