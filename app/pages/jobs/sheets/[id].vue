<script setup lang="ts">
import { present } from '#core/present'
import { GUIDED_JOB_NAMES } from '#core/jobs/guided-job'
import { guidedJobPlan } from '#shared/derived/guided-job-plan'

/** A job on paper: the same steps; for several pairs of hands one sheet each, amounts split, cautions on every sheet. */
const route = useRoute()
const guidedJobs = useGuidedJobs()
const bench = useBench()
const guidedJob = computed(() => guidedJobs.find(String(route.params.id)))
useHead({ title: () => `On paper: ${guidedJob.value?.body.name ?? 'guidedJob'}` })
const whole = computed(() => (guidedJob.value ? guidedJobPlan(bench, guidedJob.value) : null))
const all = computed(() => whole.value?.steps.flatMap(({ cautions }) => cautions ?? []) ?? [])
const sheets = computed(() => {
  const { hands } = present(guidedJob.value).body
  if (hands <= 1)
    return whole.value ? [{ title: present(guidedJob.value).body.name, steps: whole.value.steps }] : []
  return Array.from({ length: hands }, (_, index) => ({
    title: `${present(guidedJob.value).body.name}, station ${index + 1} of ${hands}`,
    steps: guidedJobPlan(bench, present(guidedJob.value), { index, of: hands })?.steps ?? [],
  })).filter(({ steps }) => steps.length)
})
</script>

<template>
  <p v-if="!guidedJob || !sheets.length">
    There is nothing to print for this job. <NuxtLink to="/jobs">All jobs</NuxtLink>
  </p>
  <div v-else class="sheets">
    <BenchCard
      v-for="sheet in sheets"
      :key="sheet.title"
      :title="sheet.title"
      :kicker="GUIDED_JOB_NAMES[guidedJob.body.kind]"
      :cautions="all"
      :back="`/jobs/${guidedJob.id}`"
      back-label="To the job"
    >
      <h2 class="unseen">Steps</h2>
      <StepList :steps="sheet.steps" boxes />
    </BenchCard>
  </div>
</template>

<style scoped>
.sheets {
  display: grid;
  gap: 2rem;
}

.sheets > :deep(* + * .bar) {
  display: none;
}

@media print {
  .sheets > :deep(* + *) {
    break-before: page;
  }
}
</style>
