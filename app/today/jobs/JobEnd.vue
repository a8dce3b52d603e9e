<script setup lang="ts">
import { SHARE_KEY } from '#core/jobs/mix-outcome'
import { answerKey, openSteps } from '#core/jobs/guided-job'
import type { Stored } from '#shared/records/collections'
import { guidedJobOutcomes } from '#shared/commands/guided-job-outcome'
import type { GuidedJobRecord } from '#shared/records/guided-job'
import type { GuidedJobPlan } from '#shared/derived/guided-job-plan'

/** The end of a job, early or late: what is written down of it, and nothing that was not done. */
const props = defineProps<{ guidedJob: Stored<GuidedJobRecord>; plan: GuidedJobPlan | null }>()
const emit = defineEmits<{ close: []; ended: [] }>()
const guidedJobs = useGuidedJobs()
const bench = useBench()

const stands = computed(() => guidedJobs.stands(props.guidedJob))
const list = computed(() => guidedJobOutcomes(bench, props.guidedJob))
const left = computed(() => (props.plan ? openSteps(props.plan.steps, stands.value).length : 0))
/** Who stops in the middle says how much was measured out: supplies lose no more. */
const asksShare = computed(
  () => props.guidedJob.body.kind === 'mix' && left.value > 0 && list.value.length > 0,
)
const share = computed(() => stands.value.answers.get(answerKey('measure', SHARE_KEY)) ?? 1)
const setShare = (value: number | null) =>
  value !== null &&
  value >= 0 &&
  value <= 10 &&
  guidedJobs.answer(props.guidedJob, 'measure', SHARE_KEY, value)
const by = ref(props.guidedJob.body.by)
const busy = ref(false)

async function end() {
  if (busy.value) return
  busy.value = true
  // As it is now: once it is written down there is nothing left to write.
  const said = list.value.map(({ words }) => words).join('; ')
  const ended = await guidedJobs.end(
    props.guidedJob,
    by.value,
    said ? `Recorded: ${said}.` : 'Finished; nothing recorded.',
  )
  busy.value = false
  if (ended) emit('ended')
}
async function pause() {
  if (await guidedJobs.change(props.guidedJob, { status: 'paused', by: by.value })) emit('ended')
}
</script>

<template>
  <Dialog visible modal header="End this job" :draggable="false" @update:visible="emit('close')">
    <div class="end stack-l">
      <p v-if="left" class="soft">
        {{ left }} {{ left === 1 ? 'step is' : 'steps are' }} still open. What was not ticked took nothing.
      </p>
      <TypedField
        v-if="asksShare"
        :model-value="share"
        label="How much of it was measured out"
        percent
        hint="of the batch as planned; the supplies lose no more"
        @update:model-value="setShare"
      />
      <div>
        <h2>What will be recorded</h2>
        <ul v-if="list.length" class="stack-s">
          <li v-for="one in list" :key="one.words">{{ one.words }}</li>
        </ul>
        <p v-else class="soft">Nothing: no step was done that moves anything.</p>
      </div>
      <WhoField v-model="by" label="Done by" />
      <div class="buttons">
        <Button class="main" :disabled="busy" @click="end">{{
          list.length ? 'Save and finish' : 'Finish'
        }}</Button>
        <Button :disabled="busy" @click="pause">Pause, go on later</Button>
        <Button @click="emit('close')">Back to the job</Button>
      </div>
    </div>
  </Dialog>
</template>

<style scoped>
.end {
  max-width: 34rem;
}

ul {
  padding-left: 1.1rem;
  list-style: disc;
}
</style>
