<script setup lang="ts">
import { present } from '#core/present'
import { first } from '#core/numeric/at'
import { definePageMeta } from '#imports'
import TypedField from '~/kit/fields/TypedField.vue'
import Button from 'primevue/button'
import { computed, ref } from 'vue'
import { NuxtLink } from '#components'
import { useDebounceFn, useEventListener } from '@vueuse/core'
import JobLine from '~/today/JobLine.vue'
import PlaceStrip from '~/today/PlaceStrip.vue'
import WaterRound from '~/trays/water/WaterRound.vue'
import WeekSheet from '~/today/WeekSheet.vue'
import { useDates } from '~/kit/useDates'
import { useJobWords } from '~/today/useJobWords'
import AwayNotice from '~/today/AwayNotice.vue'
import LogReminders from '~/records/log/LogReminders.vue'
import SaveProblem from '~/kit/record-forms/SaveProblem.vue'
import { useHousehold } from '~/household/household'
import { useHouseholdAnswer } from '~/household/saving'
import { usePreferences } from '~/household/preferences'
import { useGuidedJobs } from '~/today/jobs/guided-jobs'
import { counted } from '#core/text/plurals'
import { useContext } from '~/household/context'
import { useSeason } from '~/plan/season'
import { useTrays } from '~/trays/trays'
import { Printer } from '@lucide/vue'
import type { Day } from '#core/calendar/day'
import type { Job } from '#core/season/today/job'
import { walkOf, type Stop } from '#core/season/today/walk'
import { coldestAhead } from '#core/calendar/weather'
import { hotAhead, nightAhead } from '#shared/reckoning/season'

definePageMeta({
  place: {
    title: 'Today',
    what: 'what to do now, place by place',
    words: 'home jobs harden prick out pot up water week due night frost',
    order: 1,
    key: 't',
  },
})
const household = useHousehold()
const season = useSeason()
const context = useContext()
const trays = useTrays()
const guidedJobs = useGuidedJobs()
const { printDay } = useDates()
const { words } = useJobWords()
const preferences = usePreferences()

const stops = computed(() =>
  season.known ? walkOf(season.kept, season.jobs, season.done, season.known.frame.places, season.today) : [],
)
const TITLE = { 'at the bench': 'At the bench', 'in the evening': 'This evening' } as const
const titleOf = (stop: Stop) => stop.place?.name ?? TITLE[stop.when as keyof typeof TITLE]
const coming = computed(() => season.jobs.filter(({ state }) => state === 'coming'))
const todo = computed(() => stops.value.flatMap(({ jobs }) => jobs).filter(({ state }) => state !== 'done'))
const list = computed(() => [...stops.value.flatMap(({ jobs }) => jobs), ...coming.value])
const current = ref<string | null>(null)
const lines = new Map<string, { focus: () => void }>()
const hold = (id: string, line: unknown) => {
  if (line) lines.set(id, line as { focus: () => void })
  else lines.delete(id)
}
const at = computed(
  () => list.value.find(({ id }) => id === current.value) ?? list.value.find(({ state }) => state !== 'done'),
)

/** What is laid out in trays is sown there, group by group; everything else is ticked off. */
async function done(job: Job) {
  const { title } = words(job)
  const { sowingId } = first(job.of)
  if (job.kind === 'stage' && job.stageKind === 'sow' && trays.isLaidOut(sowingId))
    await trays.sowAll(sowingId, season.today, `Done: ${title}.`)
  else await season.mark(job, title)
}
/** What a line can be asked to do, wherever it stands. */
const actsOf = (job: Job) => ({
  focusin: () => (current.value = job.id),
  done: () => done(job),
  undo: () => season.undoJob(job),
  snooze: (until: Day) => season.mark(job, words(job).title, until),
  again: () => season.sowAgain(first(job.of).sowingId),
})

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

/** With the weather that came in beside it. */
const reckoned = computed(() => context.whole.frame)
const nightC = computed(() => reckoned.value && nightAhead(reckoned.value, season.today))
const hotC = computed(() => reckoned.value && hotAhead(reckoned.value, season.today))
interface Forecast {
  nightC: number | null
  nightSaidOn: Day | null
  hotC: number | null
  hotSaidOn: Day | null
}
const forecast = (frame: NonNullable<typeof season.frame>): Forecast => ({
  nightC: frame.nightC,
  nightSaidOn: frame.nightSaidOn ?? null,
  hotC: frame.hotC ?? null,
  hotSaidOn: frame.hotSaidOn ?? null,
})
const { saving, save, dismiss } = useHouseholdAnswer<Forecast>(
  'the forecast',
  (whole) => whole.season && forecast(whole.season),
  (whole, said) => ({ ...whole, season: whole.season && { ...whole.season, ...said } }),
)
const saidOn = (value: number | null) => (value === null ? null : season.today)
const setNight = useDebounceFn(
  (value: number | null) =>
    save({ ...forecast(present(season.frame)), nightC: value, nightSaidOn: saidOn(value) }),
  600,
)
const setHot = useDebounceFn(
  (value: number | null) =>
    save({ ...forecast(present(season.frame)), hotC: value, hotSaidOn: saidOn(value) }),
  600,
)
/** Where the figure comes from: typed, or from the forecast that came in. */
const typedNight = computed(
  () =>
    season.frame?.nightC != null && season.frame.nightSaidOn != null && nightC.value === season.frame.nightC,
)
const foretold = computed(() => coldestAhead(reckoned.value?.weather ?? [], season.today))
const nightHint = computed(() =>
  !typedNight.value && foretold.value
    ? `by the forecast${foretold.value.simulated ? ', simulated' : ''}; type over it`
    : 'by the forecast, for three days',
)
const print = () => window.print()
</script>

<template>
  <div class="today">
    <header class="no-print">
      <div>
        <h1>{{ printDay(season.today) }}</h1>
        <p v-if="guidedJobs.open.length" class="guided-jobs">
          <NuxtLink to="/jobs">{{ counted(guidedJobs.open.length, 'guided job') }} under way</NuxtLink>
        </p>
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
          :hint="nightHint"
          @update:model-value="setNight"
        />
        <TypedField
          v-if="season.frame"
          class="night"
          :model-value="hotC"
          dimension="temperature"
          optional
          label="Hottest day ahead"
          hint="outside; its trays dry sooner"
          @update:model-value="setHot"
        />
        <Button @click="print"> <Printer aria-hidden="true" /> The week on paper </Button>
        <a v-if="season.frame" class="button" :href="`/api/households/${household.id}/papers/week`">PDF</a>
      </div>
    </header>
    <SaveProblem :saving="saving" @settled="dismiss" @later="dismiss" />
    <AwayNotice class="no-print" />
    <LogReminders class="no-print" />
    <div v-if="!season.frame || !season.kept.length" class="empty">
      <p>Nothing is sown yet. Say what you will raise, and its days stand here.</p>
      <NuxtLink to="/plan" class="button main">Plan the season</NuxtLink>
    </div>
    <p v-else-if="!todo.length" class="quiet">Nothing is due today.</p>
    <ol v-if="stops.length" class="walk no-print">
      <li v-for="stop in stops" :key="stop.key">
        <section class="stop" :aria-labelledby="`stop-${stop.key}`">
          <h2 :id="`stop-${stop.key}`">{{ titleOf(stop) }}</h2>
          <PlaceStrip
            v-if="stop.place && stop.standing.length"
            :place="stop.place"
            :standing="stop.standing"
          />
          <ul v-if="stop.jobs.length">
            <JobLine
              v-for="job in stop.jobs"
              :key="job.id"
              :ref="(line) => hold(job.id, line)"
              :job="job"
              :current="at?.id === job.id"
              v-on="actsOf(job)"
            />
          </ul>
          <p v-else class="soft">nothing to do here</p>
        </section>
      </li>
    </ol>
    <div class="aside no-print">
      <WaterRound />
      <section v-if="coming.length" class="now" aria-labelledby="jobs-coming">
        <h2 id="jobs-coming">This week</h2>
        <ul>
          <JobLine
            v-for="job in coming"
            :key="job.id"
            :ref="(line) => hold(job.id, line)"
            :job="job"
            :current="at?.id === job.id"
            v-on="actsOf(job)"
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
.reminders,
.quiet,
.empty {
  grid-column: 1 / -1;
}

.aside {
  display: grid;
  gap: 1.6rem;
  grid-template-columns: minmax(0, 1fr);
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

  /* On a phone the can comes first: it is carried every day. */
  .aside {
    display: contents;
  }

  header {
    order: -2;
  }

  .aside > :deep(.round) {
    order: -1;
  }

  .tools .night {
    width: calc(50% - 0.4rem);
  }
}

/* One way round: a path with a stop for each place. */
.walk {
  display: grid;
  gap: 1.4rem;
  grid-template-columns: minmax(0, 1fr);
}

.walk > li {
  position: relative;
  padding-left: 1.9rem;
}

.walk > li::before {
  content: '';
  position: absolute;
  top: 0.35rem;
  left: 0.2rem;
  width: 0.85rem;
  height: 0.85rem;
  border: 3px solid var(--enamel);
  border-radius: 50%;
  background: var(--paper);
}

.walk > li:not(:last-child)::after {
  content: '';
  position: absolute;
  top: 1.5rem;
  bottom: -1.5rem;
  left: 0.65rem;
  border-left: 3px dotted var(--line-strong);
}

.stop {
  container-type: inline-size;
  display: grid;
  gap: 0.5rem;
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
