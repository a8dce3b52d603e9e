<script setup lang="ts">
import { first } from '#core/numeric/at'
import { useEventListener } from '@vueuse/core'
import { counted } from '#core/text/plurals'
import { FileText, Play, Printer } from '@lucide/vue'
import type { Day } from '#core/calendar/day'
import type { Job } from '#core/season/today/job'
import { walkOf, type Stop } from '#core/season/today/walk'
import { sayStage } from '#shared/messages/jobs'
import { nextUp } from '#shared/derived/next-up'

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
const bench = useBench()
const saying = useSaying()
const trays = useTrays()
const guidedJobs = useGuidedJobs()
const { printDay } = useDates()
const { words } = useJobWords()
const { planBatch } = usePlannedCard()
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
  const ids = job.of.map(({ sowingId }) => sowingId)
  if (job.kind === 'stage' && job.stageKind === 'sow' && ids.every(trays.isLaidOut))
    await trays.sowAll(ids, season.today, `Done: ${title}.`)
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

/** What comes next, where nothing is due. */
const next = computed(() => (todo.value.length ? null : nextUp(bench)))
const nextMix = computed(() =>
  season.mixes.find(({ of }) => of.some(({ sowingId }) => sowingId === next.value?.sowingId)),
)
const print = () => window.print()
</script>

<template>
  <div class="today">
    <header class="no-print">
      <div>
        <h1>{{ printDay(season.today) }}</h1>
        <p class="soft small">{{ household.record?.name }}</p>
      </div>
      <NuxtLink v-if="guidedJobs.open.length" to="/jobs" class="button"
        ><Play aria-hidden="true" /> {{ counted(guidedJobs.open.length, 'guided job') }} in progress</NuxtLink
      >
    </header>
    <TonightLine v-if="season.frame && season.kept.length" class="no-print" />
    <AwayNotice class="no-print" />
    <LogReminders class="no-print" />
    <section v-if="!season.frame || !season.kept.length" class="next stack" aria-label="Next">
      <p class="big">{{ season.frame ? 'Nothing planned yet.' : 'Welcome.' }}</p>
      <p class="soft">Tell Blastomix what you want to grow; what to do each day follows here.</p>
      <p class="buttons">
        <NuxtLink :to="season.frame ? '/plan' : '/first'" class="button main">{{
          season.frame ? 'Plan your sowings' : 'Get started'
        }}</NuxtLink>
      </p>
    </section>
    <section v-else-if="!todo.length" class="next stack" aria-label="Next">
      <p class="big">
        Nothing due today.<template v-if="next">
          Next: {{ sayStage(next.kind, next.name, saying) }}, {{ printDay(next.on) }}</template
        >
      </p>
      <template v-if="next">
        <SowStrip v-if="next.stage === 0" :sowing-ids="[next.sowingId]" />
        <p class="buttons">
          <Button v-if="nextMix" @click="planBatch(nextMix)"><FileText aria-hidden="true" /> Mix card</Button>
          <NuxtLink :to="`/plan?sowing=${next.sowingId}`" class="button">See the plan</NuxtLink>
        </p>
      </template>
    </section>
    <ol v-if="stops.length" class="walk no-print">
      <li v-for="stop in stops" :key="stop.key">
        <section class="stop stack" :aria-labelledby="`stop-${stop.key}`">
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
        </section>
      </li>
    </ol>
    <div class="aside no-print">
      <WaterRound />
      <section v-if="coming.length" class="now stack-l" aria-labelledby="jobs-coming">
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
      <p v-if="season.kept.length" class="buttons">
        <Button @click="print"> <Printer aria-hidden="true" /> Print week </Button>
        <a v-if="season.frame" class="button" :href="`/api/households/${household.id}/papers/week`">PDF</a>
      </p>
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
.tonight,
.next {
  grid-column: 1 / -1;
}

.aside {
  display: grid;
  gap: 1.6rem;
  grid-template-columns: minmax(0, 1fr);
}

.now {
  container-type: inline-size;
}

header {
  display: flex;
  flex-wrap: wrap;
  align-items: start;
  justify-content: space-between;
  gap: 0.8rem 2rem;
}

@media (max-width: 60rem) {
  .today {
    grid-template-columns: minmax(0, 1fr);
  }

  /* On a phone the can comes first: it is carried every day. */
  .aside {
    display: contents;
  }

  header,
  .tonight {
    order: -2;
  }

  .aside > :deep(.round) {
    order: -1;
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
}

.next {
  justify-items: start;
  padding: 0.9rem 0;
}

.big {
  font: 640 1.4rem/1.2 var(--heading);
}
</style>
