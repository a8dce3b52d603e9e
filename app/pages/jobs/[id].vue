<script setup lang="ts">
import { present } from '#core/present'
import { useEventListener, useWakeLock } from '@vueuse/core'
import {
  CircleQuestionMark,
  ArrowLeft,
  ArrowRight,
  Check,
  List,
  Printer,
  Users,
  Volume2,
  VolumeX,
  X,
} from '@lucide/vue'
import JobStep from '~/today/jobs/JobStep.vue'
import { mayAskToNotify, readAloud, stopReading } from '~/today/jobs/ringing'
import { nextStep, stepStands } from '#core/jobs/guided-job'
import { plainWords } from '#shared/messages/steps'
import { printHours, printFigure } from '#core/working/print'
import { guidedJobPlan } from '#shared/derived/guided-job-plan'

definePageMeta({ bare: true, key: (route) => route.path })

const route = useRoute()
const help = useHelpOpen()
const guidedJobs = useGuidedJobs()
const household = useHousehold()
const guidedJob = computed(() => guidedJobs.find(String(route.params.id)))
const bench = useBench()
const plan = computed(() => (guidedJob.value ? guidedJobPlan(bench, guidedJob.value) : null))
const steps = computed(() => plan.value?.steps ?? [])
const stands = computed(() => guidedJob.value && guidedJobs.stands(guidedJob.value))
const workLeftOf = useWorkLeft()
const workLeft = computed(() =>
  guidedJob.value && !isEnded.value ? workLeftOf(guidedJob.value, steps.value) : null,
)
useHead({ title: () => guidedJob.value?.body.name ?? 'Guided job' })

/** The step on the screen: the first that is open, until the hand looks at another. */
const looking = ref<string | null>(null)
const step = computed(() => {
  const all = steps.value
  const found = all.find(({ id }) => id === looking.value)
  return found ?? (stands.value && nextStep(all, stands.value)) ?? all.at(-1)
})
const index = computed(() => steps.value.findIndex(({ id }) => id === step.value?.id))
const stateOf = (id: string) => stepStands(present(stands.value), id).state
const allDone = computed(
  () => !!stands.value && steps.value.length > 0 && !nextStep(steps.value, stands.value),
)
const isEnded = computed(() => guidedJob.value?.body.status === 'ended')

const ending = ref(false)
const listing = ref(false)
const skipping = ref(false)
const why = ref('')
const short = ref(false)
const handing = ref(false)

function go(to: number) {
  const target = steps.value[to]
  if (target) looking.value = target.id
}
const timerHere = computed(() => stands.value?.timers.find((timer) => timer.step === step.value?.id))
const waits = computed(() => step.value?.waitMinutes ?? 0)

/** Done, and on: a wait begins by itself, so that nobody has to think of it with wet hands. */
function done() {
  if (!guidedJob.value || !step.value) return
  const here = step.value
  view.value?.flush()
  // Where the hand was, before the tick itself moves the view on.
  const at = index.value
  if (waits.value > 0 && !timerHere.value && stateOf(here.id) === 'open')
    guidedJobs.startTimer(guidedJob.value, here.id, here.waitFor ?? here.title, waits.value)
  if (stateOf(here.id) === 'open') guidedJobs.mark(guidedJob.value, here.id, 'done')
  onward(at)
}
function skip() {
  if (!guidedJob.value || !step.value) return
  const at = index.value
  guidedJobs.mark(guidedJob.value, step.value.id, 'skipped', { note: why.value.trim() })
  skipping.value = false
  why.value = ''
  onward(at)
}
function onward(from: number) {
  if (from + 1 < steps.value.length) go(from + 1)
  else ending.value = true
}
function reopen() {
  if (guidedJob.value && step.value) guidedJobs.mark(guidedJob.value, step.value.id, 'open')
}

// A tap anywhere that is no button goes on; where something is counted it counts.
const view = useTemplateRef<InstanceType<typeof JobStep>>('view')
const scroller = useTemplateRef<HTMLElement>('scroller')
function tap(event: MouseEvent) {
  const target = event.target as HTMLElement
  if (target.closest('button, a, input, label, select, textarea, [role="dialog"], .field')) return
  if (getSelection()?.toString()) return
  act()
}
function act() {
  if (isEnded.value) return
  const count = step.value?.count
  if (count && (stands.value?.counts.get(present(step.value).id) ?? 0) < count.of) view.value?.tap(1)
  else done()
}
useEventListener('keydown', (event: KeyboardEvent) => {
  const target = event.target as HTMLElement
  if (event.ctrlKey || event.metaKey || event.altKey || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName))
    return
  if (document.querySelector('[role="dialog"]')) return
  if (event.key === ' ') {
    // On a button it presses that.
    if (/^(BUTTON|A)$/.test(target.tagName)) return
    event.preventDefault()
    act()
  } else if (event.key === 'ArrowRight') go(Math.min(steps.value.length - 1, index.value + 1))
  else if (event.key === 'ArrowLeft') go(Math.max(0, index.value - 1))
})
watch(
  () => step.value?.id,
  () => scroller.value?.scrollTo({ top: 0 }),
)

// The screen stays awake where the browser can, and the step is read aloud where somebody wants it.
const wake = useWakeLock()
onMounted(() => void wake.request('screen').catch(() => {}))
onBeforeUnmount(() => {
  void wake.release().catch(() => {})
  stopReading()
})
const aloud = ref(false)
const spoken = computed(() =>
  step.value
    ? [
        step.value.title,
        step.value.amount
          ? plainWords(step.value.amount, (figure) =>
              printFigure(figure, household.units, household.thermometer),
            )
          : '',
        plainWords(step.value.say, (figure) => printFigure(figure, household.units, household.thermometer)),
        step.value.right ? `Right: ${step.value.right}` : '',
      ]
        .filter(Boolean)
        .join('. ')
    : '',
)
watch([aloud, spoken], () => (aloud.value ? readAloud(spoken.value) : stopReading()))
const mayNotify = ref(false)
onMounted(() => (mayNotify.value = mayAskToNotify()))
async function allowNotes() {
  await Notification.requestPermission()
  mayNotify.value = mayAskToNotify()
}

const hands = ref(guidedJob.value?.body.hands ?? 1)
const by = ref(guidedJob.value?.body.by ?? '')
async function handOver() {
  if (
    guidedJob.value &&
    (await guidedJobs.change(guidedJob.value, { by: by.value.trim(), hands: hands.value, status: 'open' }))
  )
    handing.value = false
}
const saidState = { open: '', done: 'done', skipped: 'skipped' } as const
</script>

<template>
  <div v-if="!guidedJob" class="gone">
    <h1>Job not found</h1>
    <p>It was ended long ago, or belongs to another household.</p>
    <NuxtLink to="/jobs" class="button main">All jobs</NuxtLink>
  </div>
  <div v-else class="guided-job">
    <header>
      <NuxtLink to="/jobs" class="icon-button" aria-label="Close; it stays open"
        ><X aria-hidden="true"
      /></NuxtLink>
      <p class="name">
        <strong>{{ guidedJob.body.name }}</strong>
        <span v-if="steps.length" class="soft">step {{ index + 1 }} of {{ steps.length }}</span>
        <span v-if="workLeft" class="soft wide">about <FigureValue :figure="workLeft" /> left</span>
        <span v-if="guidedJob.body.by" class="soft by">{{ guidedJob.body.by }}</span>
        <span v-if="guidedJob.body.status === 'paused'" class="chip">paused</span>
        <span v-if="guidedJobs.isWaiting(guidedJob)" class="soft" role="status">not yet on the server</span>
      </p>
      <div class="tools">
        <Button
          text
          :aria-pressed="aloud"
          class="wide"
          :aria-label="aloud ? 'Stop reading aloud' : 'Read aloud'"
          title="Read aloud"
          @click="aloud = !aloud"
        >
          <VolumeX v-if="aloud" aria-hidden="true" /><Volume2 v-else aria-hidden="true" />
        </Button>
        <IconButton
          :icon="CircleQuestionMark"
          class="wide"
          aria-label="What is this page for?"
          title="What is this page for?"
          @click="help = true"
        />
        <Button text aria-label="All steps" title="All steps" @click="listing = true"
          ><List aria-hidden="true"
        /></Button>
        <Button text aria-label="Who does it" class="wide" title="Who does it" @click="handing = true"
          ><Users aria-hidden="true"
        /></Button>
        <NuxtLink
          :to="`/jobs/sheets/${guidedJob.id}`"
          class="icon-button wide"
          aria-label="On paper"
          title="On paper"
          ><Printer aria-hidden="true"
        /></NuxtLink>
        <Button v-if="!isEnded" @click="(view?.flush(), (ending = true))">End</Button>
      </div>
    </header>
    <p v-if="isEnded" class="ended row-l" role="status">
      This job is finished. Its entries are in the log.
      <NuxtLink to="/jobs">All jobs</NuxtLink>
    </p>
    <p v-else-if="!plan" class="ended row-l">
      This job is already done, or its plan has changed.
      <Button @click="ending = true">End it</Button>
    </p>
    <!-- eslint-disable-next-line vuejs-accessibility/click-events-have-key-events, vuejs-accessibility/no-static-element-interactions -- space and the buttons do the same -->
    <main v-if="step && !isEnded" ref="scroller" class="screen" @click="tap">
      <JobStep ref="view" :guided-job="guidedJob" :step="step" @short="short = true" />
    </main>
    <footer v-if="step && !isEnded">
      <Button class="huge" :disabled="index <= 0" @click="go(index - 1)"
        ><ArrowLeft aria-hidden="true" /> Back</Button
      >
      <Button v-if="stateOf(step.id) === 'open'" class="huge" @click="skipping = true">Skip</Button>
      <Button v-else class="huge" @click="reopen">Not {{ stateOf(step.id) }}</Button>
      <Button class="huge main" data-testid="next" @click="done">
        <Check v-if="stateOf(step.id) === 'open'" aria-hidden="true" />
        {{
          stateOf(step.id) !== 'open'
            ? 'Next'
            : waits > 0 && !timerHere
              ? `Done, wait ${printHours(waits / 60)}`
              : 'Done'
        }}
        <ArrowRight aria-hidden="true" />
      </Button>
    </footer>
    <p v-if="allDone && !isEnded" class="finished row-l" role="status">
      All steps are done. <Button class="main" @click="ending = true">Save</Button>
    </p>

    <Dialog v-model:visible="listing" modal header="All steps" :draggable="false">
      <p v-if="workLeft" class="soft">About <FigureValue :figure="workLeft" /> of work, plus waiting.</p>
      <ol class="all">
        <li v-for="(one, i) in steps" :key="one.id" :class="stateOf(one.id)">
          <button
            type="button"
            :aria-current="one.id === step?.id ? 'step' : undefined"
            @click="((looking = one.id), (listing = false))"
          >
            <span class="number">{{ i + 1 }}</span> {{ one.title }}
            <span class="soft">{{ saidState[stateOf(one.id)] }}</span>
          </button>
        </li>
      </ol>
      <Button text @click="((listing = false), (help = true))">What is this page for?</Button>
      <div class="buttons also">
        <Button :aria-pressed="aloud" @click="aloud = !aloud">{{
          aloud ? 'Stop reading aloud' : 'Read aloud'
        }}</Button>
        <Button @click="((handing = true), (listing = false))">Who does it</Button>
        <NuxtLink :to="`/jobs/sheets/${guidedJob.id}`" class="button">On paper</NuxtLink>
      </div>
      <p v-if="mayNotify">
        <Button class="long" @click="allowNotes">Notify me when a timer ends</Button>
      </p>
    </Dialog>
    <Dialog v-model:visible="skipping" modal header="Skip this step" :draggable="false">
      <form class="ask stack-l" @submit.prevent="skip">
        <div class="buttons">
          <Button
            v-for="reason in ['done before', 'not needed', 'something is missing', 'later']"
            :key="reason"
            :aria-pressed="why === reason"
            @click="why = reason"
            >{{ reason }}</Button
          >
        </div>
        <TextField v-model="why" label="Why" maxlength="300" />
        <div class="buttons">
          <Button type="submit" class="main">Skip it</Button>
          <Button @click="skipping = false">Cancel</Button>
        </div>
      </form>
    </Dialog>
    <Dialog v-model:visible="handing" modal header="Who does it" :draggable="false">
      <form class="ask stack-l" @submit.prevent="handOver">
        <WhoField v-model="by" label="Done by" />
        <TypedField
          :model-value="hands"
          label="People"
          hint="for a class: one sheet each, amounts split"
          @update:model-value="hands = Math.min(40, Math.max(1, Math.round($event ?? 1)))"
        />
        <div class="buttons">
          <Button type="submit" class="main">So it is</Button>
          <NuxtLink v-if="hands > 1" :to="`/jobs/sheets/${guidedJob.id}`" class="button">Sheets</NuxtLink>
        </div>
      </form>
    </Dialog>
    <ShortMix
      v-if="short && plan?.batchPlan"
      :guided-job="guidedJob"
      :plan="plan.batchPlan"
      @close="short = false"
    />
    <JobEnd
      v-if="ending"
      :guided-job="guidedJob"
      :plan="plan"
      @close="ending = false"
      @ended="navigateTo('/jobs')"
    />
  </div>
</template>

<style scoped>
.guided-job {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  grid-template-rows: auto auto 1fr auto;
  min-height: calc(100dvh - var(--timers, 0px));
}

header {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0.3rem 0.8rem;
  padding-bottom: 0.6rem;
  border-bottom: 1px solid var(--line);
}

.name {
  display: flex;
  flex: 1;
  flex-wrap: wrap;
  gap: 0.1rem 0.8rem;
  align-items: baseline;
  min-width: 12rem;
  font-size: 1.15rem;
}

.tools {
  display: flex;
  gap: 0.2rem;
}

.screen {
  grid-row: 3;
  padding-block: 1.2rem;
  cursor: pointer;
  touch-action: manipulation;
}

footer {
  position: sticky;
  bottom: 0;
  grid-row: 4;
  display: grid;
  grid-template-columns: 1fr 1fr 2.4fr;
  gap: 0.6rem;
  padding-block: 0.7rem;
  background: var(--paper);
  border-top: 1px solid var(--line);
}

.huge {
  min-height: 4.6rem;
  font: 680 1.4rem/1.1 var(--heading);
}

.ended,
.finished {
  padding-block: 0.8rem;
  font-size: 1.25rem;
}

.chip {
  padding: 0 0.6em;
  border-radius: 1em;
  background: var(--marigold-wash);
  color: var(--marigold-ink);
}

.all {
  display: grid;
  min-width: min(30rem, 80vw);
}

.all button {
  display: grid;
  grid-template-columns: 2.2rem 1fr auto;
  gap: 0.6rem;
  align-items: center;
  width: 100%;
  min-height: 3rem;
  padding: 0.4rem;
  border-bottom: 1px solid var(--line);
  text-align: left;
}

.all button[aria-current] {
  background: var(--water-wash);
}

.all .done,
.all .skipped {
  color: var(--ink-soft);
}

.number {
  font: 700 1.15rem/1 var(--heading);
}

.ask {
  min-width: min(26rem, 80vw);
}

.also {
  padding-block: 0.8rem 0.4rem;
}

@media (max-width: 40rem) {
  header {
    flex-wrap: nowrap;
  }

  .name {
    flex-wrap: nowrap;
    min-width: 0;
    gap: 0.5rem;
    overflow: hidden;
  }

  .name .by {
    display: none;
  }

  .name strong {
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }

  .name .soft {
    flex: none;
  }

  .wide {
    display: none;
  }

  footer {
    grid-template-columns: 1fr 1fr;
  }

  footer .main {
    grid-column: 1 / -1;
    grid-row: 1;
  }

  footer .huge:not(.main) {
    min-height: 3.2rem;
    font-size: 1.1rem;
  }
}
.long {
  white-space: normal;
}
</style>
