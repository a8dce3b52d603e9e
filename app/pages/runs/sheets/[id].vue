<script setup lang="ts">
import { useHead, useRoute } from '#imports'
import { NuxtLink } from '#components'
import { computed } from 'vue'
import BenchCard from '~/mix-and-feed/cards/BenchCard.vue'
import StepList from '~/mix-and-feed/cards/StepList.vue'
import { useBench } from '~/trays/water/useBench'
import { useRunStore } from '~/today/jobs/guided-jobs'
import { RUN_NAMES } from '#core/jobs/run'
import { cautions, type CautionId } from '#core/cautions/caution'
import { runPlan } from '#shared/reckoning/run-plan'

/** A run on paper: the same steps; for several pairs of hands one sheet each, amounts split, cautions on every sheet. */
const route = useRoute()
const runs = useRunStore()
const bench = useBench()
const run = computed(() => runs.find(String(route.params.id)))
useHead({ title: () => `On paper: ${run.value?.body.name ?? 'run'}` })
const whole = computed(() => (run.value ? runPlan(bench, run.value) : null))
const all = computed(() =>
  cautions(new Set(whole.value?.steps.flatMap(({ cautions: ids }) => ids ?? []) as CautionId[])),
)
const sheets = computed(() => {
  const { hands } = run.value!.body
  if (hands <= 1) return whole.value ? [{ title: run.value!.body.name, steps: whole.value.steps }] : []
  return Array.from({ length: hands }, (_, index) => ({
    title: `${run.value!.body.name}, station ${index + 1} of ${hands}`,
    steps: runPlan(bench, run.value!, { index, of: hands })?.steps ?? [],
  })).filter(({ steps }) => steps.length)
})
</script>

<template>
  <p v-if="!run || !sheets.length">
    There is nothing to print for this run. <NuxtLink to="/runs">All runs</NuxtLink>
  </p>
  <div v-else class="sheets">
    <BenchCard
      v-for="sheet in sheets"
      :key="sheet.title"
      :title="sheet.title"
      :kicker="RUN_NAMES[run.body.kind]"
      :cautions="all"
      :back="`/runs/${run.id}`"
      back-label="To the run"
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
