<script setup lang="ts">
import { present } from '#core/present'
import { openSteps, GUIDED_JOB_NAMES } from '#core/jobs/guided-job'
import { counted } from '#core/text/plurals'
import type { Stored } from '#shared/records/collections'
import type { GuidedJobRecord } from '#shared/records/guided-job'
import { guidedJobPlan } from '#shared/derived/guided-job-plan'

definePageMeta({
  place: {
    title: 'Guided jobs',
    what: 'jobs in progress, step by step',
    words: 'timer wet hands soak mix sow pot up clean class sheets',
    parent: '/',
  },
})

const guidedJobs = useGuidedJobs()
const trays = useTrays()
const water = useWater()
const household = useHousehold()
const bench = useBench()
const { printLongDay } = useDates()

const stateOf = (guidedJob: Stored<GuidedJobRecord>) => {
  const plan = guidedJobPlan(bench, guidedJob)
  if (!plan) return 'nothing left to do'
  const open = openSteps(plan.steps, guidedJobs.stands(guidedJob))
  return open[0] ? `next: ${open[0].title}; ${counted(open.length, 'step')} open` : 'all steps are done'
}
const workLeftOf = useWorkLeft()
const workLeft = (guidedJob: Stored<GuidedJobRecord>) =>
  workLeftOf(guidedJob, guidedJobPlan(bench, guidedJob)?.steps ?? [])
const ended = computed(() =>
  guidedJobs.all
    .filter(({ body }) => body.status === 'ended')
    .slice(-8)
    .reverse(),
)
const unsown = computed(() =>
  trays.standing.filter((tray) =>
    trays.stands(tray).groups.some(({ sown, set, cells }) => cells > 0 && sown === 0 && set === 0),
  ),
)
/** What is under way already is gone on with above. */
const isOpen = (id: string) => guidedJobs.open.some(({ body }) => body.subjects.some((one) => one.id === id))
const unmade = computed(() =>
  household.batches.filter(({ id }) => !household.making(id) && !isOpen(id)).slice(-3),
)
const subjects = (what: 'trays' | 'batches', list: readonly { id: string }[]) =>
  list.map(({ id }) => ({ what, id, stage: null }))
</script>

<template>
  <div class="guided-jobs">
    <PageTop title="Guided jobs" />
    <section v-if="guidedJobs.open.length" class="stack" aria-labelledby="open-title">
      <h2 id="open-title">Under way</h2>
      <ul>
        <li v-for="guidedJob in guidedJobs.open" :key="guidedJob.id" class="row-l nowrap">
          <NuxtLink :to="`/jobs/${guidedJob.id}`" class="button main">Go on</NuxtLink>
          <div>
            <p class="title">{{ guidedJob.body.name }}</p>
            <p class="soft">
              {{ guidedJob.body.status === 'paused' ? 'paused; ' : '' }}{{ stateOf(guidedJob)
              }}<template v-if="workLeft(guidedJob)"
                >, about <FigureValue :figure="present(workLeft(guidedJob))" /> of work</template
              >{{ guidedJob.body.by ? `; ${guidedJob.body.by}` : '' }}; begun
              {{ printLongDay(guidedJob.body.onDay) }}
            </p>
          </div>
        </li>
      </ul>
    </section>
    <p v-else class="quiet">No job is under way.</p>
    <section class="stack" aria-labelledby="begin-title">
      <h2 id="begin-title">Begin one</h2>
      <p class="soft">Today, a bench card, a tray and a feed each begin their own. From here:</p>
      <div class="buttons">
        <Button
          v-if="water.round.today.length"
          class="main"
          @click="
            guidedJobs.start(
              'water',
              `Water ${counted(water.round.today.length, 'tray')}`,
              subjects(
                'trays',
                water.round.today.map(({ tray }) => tray),
              ),
            )
          "
          >Water {{ counted(water.round.today.length, 'tray') }}</Button
        >
        <Button
          v-for="tray in unsown"
          :key="tray.id"
          @click="guidedJobs.start('sow', `Sow tray ${tray.number}`, subjects('trays', [tray]))"
          >Sow tray {{ tray.number }}</Button
        >
        <Button
          v-for="batch in unmade"
          :key="batch.id"
          @click="
            guidedJobs.start(
              'mix',
              `Mix batch ${batch.number}: ${batch.body.name}`,
              subjects('batches', [batch]),
            )
          "
          >Mix batch {{ batch.number }}</Button
        >
        <Button
          v-if="trays.standing.length"
          @click="
            guidedJobs.start('clean', 'Clean trays and tools', subjects('trays', trays.standing.slice(0, 1)))
          "
          >Clean trays and tools</Button
        >
      </div>
    </section>
    <section v-if="ended.length" class="stack" aria-labelledby="ended-title">
      <h2 id="ended-title">Ended</h2>
      <ul>
        <li v-for="guidedJob in ended" :key="guidedJob.id" class="old row-l nowrap">
          <div>
            <p>{{ GUIDED_JOB_NAMES[guidedJob.body.kind] }}: {{ guidedJob.body.name }}</p>
            <p class="soft">
              {{ printLongDay(guidedJob.body.onDay) }}{{ guidedJob.body.by ? `, ${guidedJob.body.by}` : '' }}
            </p>
          </div>
        </li>
      </ul>
    </section>
    <EarlierRecords collection="guidedJobs" :newest="15" what="jobs" />
  </div>
</template>

<style scoped>
.guided-jobs {
  display: grid;
  gap: 1.6rem;
  max-width: 52rem;
}

li {
  padding: 0.7rem 0;
  border-top: 1px solid var(--line);
}

.title {
  font-size: 1.2rem;
  font-weight: 650;
}

.quiet {
  font: 640 1.3rem/1.2 var(--heading);
}
</style>
