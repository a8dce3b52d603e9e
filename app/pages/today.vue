<script setup lang="ts">
import { definePageMeta } from '#imports'
import TypedField from '~/components/fields/TypedField.vue'
import Button from 'primevue/button'
import { computed, ref } from 'vue'
import { NuxtLink } from '#components'
import { useDebounceFn, useEventListener } from '@vueuse/core'
import JobLine from '~/components/today/JobLine.vue'
import WeekSheet from '~/components/today/WeekSheet.vue'
import { useDates } from '~/composables/useDates'
import { useJobWords } from '~/composables/useJobWords'
import SaveProblem from '~/components/records/SaveProblem.vue'
import { useToday } from '~/composables/useToday'
import { useHouseholdAnswer } from '~/state/saving'
import { usePreferences } from '~/state/preferences'
import { useSeason } from '~/state/season'
import { Printer } from '@lucide/vue'
import type { Day } from '#core/season/day'
import type { Job } from '#core/season/today/job'
import { nightAhead } from '#shared/season'

definePageMeta({
  place: {
    title: 'Today',
    what: 'what is due, late or in danger',
    words: 'jobs harden prick out pot up water week due',
    order: 1,
    key: 't',
  },
})

useToday()
const season = useSeason()
const { printDay } = useDates()
const { words } = useJobWords()
const preferences = usePreferences()

const GROUPS: { state: Job['state']; name: string }[] = [
  { state: 'danger', name: 'In danger' },
  { state: 'late', name: 'Late' },
  { state: 'due', name: 'Due today' },
  { state: 'done', name: 'Done today' },
  { state: 'coming', name: 'This week' },
]
const groups = computed(() =>
  GROUPS.map((group) => ({
    ...group,
    jobs: season.jobs.filter(({ state }) => state === group.state),
  })).filter(({ jobs }) => jobs.length),
)
/** What presses stands on the left, the week ahead beside it. */
const sides = computed(() => [
  { key: 'now', groups: groups.value.filter(({ state }) => state !== 'coming') },
  { key: 'week', groups: groups.value.filter(({ state }) => state === 'coming') },
])
const list = computed(() => groups.value.flatMap(({ jobs }) => jobs))
const current = ref<string | null>(null)
const lines = new Map<string, { focus: () => void }>()
const hold = (id: string, line: unknown) => {
  if (line) lines.set(id, line as { focus: () => void })
  else lines.delete(id)
}
const at = computed(
  () => list.value.find(({ id }) => id === current.value) ?? list.value.find(({ state }) => state !== 'done'),
)

const done = (job: Job) => season.mark(job, words(job).title)
const undo = (job: Job) => season.undoJob(job)
const snooze = (job: Job, until: Day) => season.mark(job, words(job).title, until)

function step(by: number) {
  const index = list.value.findIndex(({ id }) => id === (current.value ?? at.value?.id))
  const next = list.value[Math.min(list.value.length - 1, Math.max(0, index + by))]
  if (!next) return
  current.value = next.id
  lines.get(next.id)?.focus()
}
// One key: d does what is at hand, u takes the last one back.
useEventListener('keydown', (event: KeyboardEvent) => {
  const target = event.target as HTMLElement
  if (event.ctrlKey || event.metaKey || event.altKey || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName))
    return
  if (document.querySelector('[role="dialog"]')) return
  if (event.key === 'ArrowDown' || event.key === 'ArrowUp') {
    event.preventDefault()
    return step(event.key === 'ArrowDown' ? 1 : -1)
  }
  if (!preferences.letterKeys) return
  if (event.key === 'd' && at.value && at.value.state !== 'done') void done(at.value)
  if (event.key === 'u') void season.undoLast()
})

const nightC = computed(() => season.frame && nightAhead(season.frame, season.today))
const { saving, save, dismiss } = useHouseholdAnswer<{ nightC: number | null; nightSaidOn: Day | null }>(
  'the coldest night',
  ({ season }) => season && { nightC: season.nightC, nightSaidOn: season.nightSaidOn ?? null },
  (whole, night) => ({ ...whole, season: whole.season && { ...whole.season, ...night } }),
)
const setNight = useDebounceFn(
  (value: number | null) => save({ nightC: value, nightSaidOn: value === null ? null : season.today }),
  600,
)
const print = () => window.print()
</script>

<template>
  <div class="today">
    <header class="no-print">
      <div>
        <h1>{{ printDay(season.today) }}</h1>
        <p v-if="list.length && preferences.letterKeys" class="soft keys">
          Arrow keys move, <kbd>d</kbd> ticks off, <kbd>u</kbd> takes back.
        </p>
      </div>
      <div v-if="season.kept.length" class="tools">
        <TypedField
          v-if="season.frame"
          class="night"
          :model-value="nightC"
          dimension="temperature"
          optional
          label="Coldest night ahead"
          hint="by the forecast, for three days"
          @update:model-value="setNight"
        />
        <Button @click="print"> <Printer aria-hidden="true" /> The week on paper </Button>
      </div>
    </header>
    <SaveProblem :saving="saving" @settled="dismiss" @later="dismiss" />
    <div v-if="!season.frame || !season.kept.length" class="empty">
      <p>Nothing is sown yet. Say what you will raise, and its days stand here.</p>
      <NuxtLink to="/season" class="button main">Plan the season</NuxtLink>
    </div>
    <p v-else-if="!groups.some(({ state }) => state !== 'coming')" class="quiet">Nothing is due today.</p>
    <div v-for="side in sides" :key="side.key" class="now">
      <section
        v-for="group in side.groups"
        :key="group.state"
        class="group no-print"
        :class="group.state"
        :aria-labelledby="`jobs-${group.state}`"
      >
        <h2 :id="`jobs-${group.state}`">{{ group.name }}</h2>
        <ul>
          <JobLine
            v-for="job in group.jobs"
            :key="job.id"
            :ref="(line) => hold(job.id, line)"
            :job="job"
            :current="at?.id === job.id"
            @focusin="current = job.id"
            @done="done(job)"
            @undo="undo(job)"
            @snooze="(until) => snooze(job, until)"
            @again="season.sowAgain(job.of[0]!.sowingId)"
          />
        </ul>
      </section>
    </div>
    <WeekSheet />
  </div>
</template>

<style scoped>
.today {
  display: grid;
  grid-template-columns: minmax(0, 1.5fr) minmax(0, 1fr);
  gap: 1.2rem 2.4rem;
  align-items: start;
}

header,
.quiet,
.empty {
  grid-column: 1 / -1;
}

.now {
  container-type: inline-size;
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 1.2rem;
}

header {
  display: flex;
  flex-wrap: wrap;
  align-items: start;
  justify-content: space-between;
  gap: 0.8rem 2rem;
}

.tools {
  display: flex;
  flex-wrap: wrap;
  align-items: start;
  gap: 0.8rem;
}

.tools .night {
  width: 11rem;
}

.tools .button {
  margin-top: 1.5rem;
}

kbd {
  padding: 0 0.35em;
  border: 1px solid var(--line-strong);
  border-radius: 0.25rem;
  background: var(--paper-raised);
  font: inherit;
}

/* Nobody has keys at hand on a phone. */
@media (pointer: coarse), (max-width: 40rem) {
  .keys {
    display: none;
  }
}

@media (max-width: 60rem) {
  .today {
    grid-template-columns: minmax(0, 1fr);
  }
}

.group h2 {
  padding-bottom: 0.3rem;
}

.danger h2 {
  color: var(--beet);
}

.late h2 {
  color: var(--marigold-ink);
}

.quiet {
  font: 640 1.4rem/1.2 var(--heading);
}

.empty {
  display: grid;
  gap: 0.8rem;
  justify-items: start;
  padding: 2rem 0;
}
</style>
