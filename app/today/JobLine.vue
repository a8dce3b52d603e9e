<script setup lang="ts">
import { present } from '#core/present'
import { first } from '#core/numeric/at'
import {
  CalendarCheck,
  ChartNoAxesGantt,
  Check,
  Clock,
  FileText,
  Play,
  RotateCcw,
  Stethoscope,
} from '@lucide/vue'
import { addDays, type Day } from '#core/calendar/day'
import type { Job } from '#core/season/today/job'

const DoneForm = defineAsyncComponent(() => import('~/today/DoneForm.vue'))
/** A job with a large place to tick it off. */
const props = defineProps<{ job: Job; current: boolean }>()
const emit = defineEmits<{ done: []; undo: []; snooze: [until: Day]; again: [] }>()
const season = useSeason()
const trays = useTrays()
const { printDay } = useDates()
const { words, dangerText } = useJobWords()
const { planBatch, planFeed, startBatch, startFeed } = usePlannedCard()
const guidedJobs = useGuidedJobs()
const said = computed(() => words(props.job))
const isDone = computed(() => props.job.state === 'done')
/** What came up is counted, and what was done on another day is written down as of that day. */
const asking = ref(false)
const counts = computed(() => {
  const [target, ...more] = props.job.of
  if (!target || more.length) return null
  if (props.job.kind === 'look') return season.countable(target.sowingId)
  const stage = season.row(target.sowingId)?.planned.stages[target.stage]
  return props.job.kind === 'stage' && stage && stage.index > 0
    ? { what: 'plant', most: stage.plants - stage.moved }
    : null
})
/** Trays the hands go to: those it is sown in, counted in, moved from. */
const TRAY_JOBS: readonly Job['kind'][] = ['stage', 'look', 'uncover', 'thin', 'roots', 'out']
const inTrays = computed(() =>
  TRAY_JOBS.includes(props.job.kind)
    ? [...new Set(props.job.of.flatMap(({ sowingId }) => trays.ofSowing(sowingId)))].slice(0, 6)
    : [],
)
const isToSow = computed(() => !isDone.value && props.job.stageKind === 'sow')
/** The job step by step, for wet hands; null where there are no steps to it. */
const begin = computed((): (() => unknown) | null => {
  const { kind, stageKind, mix, feed, of, names } = props.job
  if (isDone.value) return null
  if (kind === 'make mix') return () => startBatch('mix', present(mix))
  if (kind === 'soak mix') return () => startBatch('soak', present(mix))
  if (kind === 'feed') return () => startFeed(present(feed))
  const [target] = of
  if (!target) return null
  const subjects = [{ what: 'sowings' as const, id: target.sowingId, stage: target.stage }]
  if (kind === 'stage' && stageKind === 'sow' && inTrays.value.length)
    return () =>
      guidedJobs.start(
        'sow',
        said.value.title,
        inTrays.value.map(({ id }) => ({ what: 'trays' as const, id, stage: null })),
      )
  if (kind === 'stage' && (stageKind === 'prick out' || stageKind === 'pot up'))
    return () => guidedJobs.start(stageKind, said.value.title, subjects)
  if (kind === 'out' && season.row(target.sowingId)?.planned.stages.at(-1)?.kind === 'set in')
    return () => guidedJobs.start('final container', `Final container: ${names[0]}`, subjects)
  return null
})
const mayHold = computed(() => props.job.kind === 'out' || props.job.stageKind === 'harden')
const press = () =>
  isDone.value ? emit('undo') : props.job.kind === 'look' ? (asking.value = true) : emit('done')
const tick = useTemplateRef<HTMLButtonElement>('tick')
defineExpose({ focus: () => tick.value?.focus() })
</script>

<template>
  <li :class="[job.state, { current }]">
    <button
      ref="tick"
      type="button"
      class="tick"
      :aria-pressed="isDone"
      :aria-label="`${said.title}: ${isDone ? 'done, undo' : 'done'}`"
      @click="press"
    >
      <Check v-if="isDone" aria-hidden="true" />
    </button>
    <div class="job">
      <div class="what">
        <p class="title">
          {{ said.title }}
          <span v-if="job.state === 'danger' || job.state === 'late'" class="state">{{
            job.state === 'danger' ? 'urgent' : 'overdue'
          }}</span>
        </p>
        <p class="soft">
          {{ said.detail
          }}<template v-if="job.state === 'late' || job.state === 'coming'">
            · {{ job.state === 'late' ? 'was due' : '' }} {{ printDay(job.dueOn) }}</template
          >
        </p>
        <p v-if="inTrays.length" class="no-print">
          <template v-for="(one, i) in inTrays" :key="one.id"
            ><template v-if="i">, </template
            ><NuxtLink :to="`/trays/${one.id}`">tray {{ one.number }}</NuxtLink></template
          >
        </p>
        <p v-if="job.away" class="away">
          {{ job.away.early ? 'Brought forward' : 'Ask somebody to check' }}: away
          {{ printDay(job.away.from) }} to {{ printDay(job.away.to)
          }}<template v-if="job.away.name">, {{ job.away.name }}</template
          >.
        </p>
        <p v-if="job.danger" class="problem">{{ dangerText(job.danger) }}</p>
      </div>
      <SowStrip v-if="isToSow" :sowing-ids="job.of.map(({ sowingId }) => sowingId)" />
      <div v-if="!isDone" class="more no-print">
        <Button v-if="begin && !isToSow" :class="{ main: current }" @click="begin()">
          <Play aria-hidden="true" /><span>Start</span>
        </Button>
        <Button v-if="job.kind === 'make mix'" @click="planBatch(present(job.mix))">
          <FileText aria-hidden="true" /><span>Card</span>
        </Button>
        <Button v-else-if="job.kind === 'feed'" @click="planFeed(present(job.feed))">
          <FileText aria-hidden="true" /><span>Card</span>
        </Button>
        <Button v-else-if="job.danger?.kind === 'no-show'" @click="$emit('again')">
          <RotateCcw aria-hidden="true" /> Resow
        </Button>
        <Button v-else-if="job.kind === 'thin'" @click="season.mark(job, `Kept both: ${job.names[0]}`)"
          >Keep both</Button
        >
        <Button
          v-else-if="job.danger?.kind === 'nights too cold' && mayHold"
          @click="season.holdOver(first(job.of).sowingId)"
          >Keep in a bigger pot</Button
        >
        <NuxtLink v-else-if="job.danger?.kind === 'shelf full'" to="/plan#over-title" class="button">
          Make room
        </NuxtLink>
        <div class="icons">
          <IconButton
            v-if="job.kind !== 'feed'"
            :icon="CalendarCheck"
            :aria-label="`Done on another day: ${said.title}`"
            title="Done on another day"
            @click="asking = true"
          />
          <IconButton
            v-if="job.state !== 'coming'"
            :icon="Clock"
            :aria-label="`Put off until tomorrow: ${said.title}`"
            title="Put off until tomorrow"
            @click="$emit('snooze', addDays(season.today, 1))"
          />
          <NuxtLink
            v-if="job.kind !== 'make mix' && job.kind !== 'soak mix'"
            :to="inTrays[0] ? `/signs?tray=${inTrays[0].id}` : '/signs'"
            class="icon-button"
            :aria-label="`${said.title}: what is wrong with my plants?`"
            title="What is wrong with my plants?"
            ><Stethoscope aria-hidden="true"
          /></NuxtLink>
          <NuxtLink
            :to="`/plan?sowing=${first(job.of).sowingId}`"
            class="icon-button"
            :aria-label="`${said.title}: see it in the plan`"
            title="See it in the plan"
            ><ChartNoAxesGantt aria-hidden="true"
          /></NuxtLink>
        </div>
      </div>
    </div>
    <DoneForm
      v-if="asking"
      :title="said.title"
      :kind="job.kind"
      :of="job.of"
      :counts="counts"
      @close="asking = false"
    />
  </li>
</template>

<style scoped>
/* In the narrow column of the week a button shows its drawing only, and leaves the words their room. */
@container (max-width: 34rem) {
  li.coming .button span {
    position: absolute;
    width: 1px;
    height: 1px;
    overflow: hidden;
    clip-path: inset(50%);
  }

  li.coming .button {
    padding-inline: 0.7rem;
  }
}

li {
  display: grid;
  grid-template-columns: auto minmax(0, 1fr);
  gap: 0.2rem 1rem;
  align-items: center;
  padding: 0.65rem 0.4rem;
  border-top: 1px solid var(--line);
}

.tick {
  display: grid;
  place-items: center;
  width: 3.1rem;
  height: 3.1rem;
  border: 2.5px solid var(--ink-soft);
  border-radius: 0.5rem;
  background: var(--paper-raised);
  cursor: pointer;
}

.tick:hover {
  border-color: var(--enamel);
}

.tick svg {
  width: 2rem;
  height: 2rem;
  stroke-width: 3;
  color: var(--enamel);
}

.danger .tick {
  border-color: var(--beet);
}

.title {
  font-size: 1.2rem;
  font-weight: 650;
  line-height: 1.25;
}

.state {
  display: inline-block;
  padding: 0 0.5em;
  border-radius: 1em;
  font-size: 0.85rem;
  font-weight: 700;
  vertical-align: 0.12em;
}

.danger .state {
  background: var(--beet-wash);
  color: var(--beet);
}

.late .state {
  background: var(--paper-deep);
  color: var(--marigold-ink);
}

.late .tick {
  border-color: var(--marigold);
}

.done .title {
  color: var(--ink-soft);
  text-decoration: line-through;
}

/* The words keep their room: where what is to be pressed does not fit beside them, it stands below. */
.job {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0.4rem 1rem;
}

.what {
  flex: 1 1 15rem;
}

.more {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0.3rem 0.4rem;
}

.icons {
  display: flex;
}

@media (max-width: 40rem) {
  li {
    column-gap: 0.6rem;
    padding-inline: 0;
  }
}
</style>
