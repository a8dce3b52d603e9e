<script setup lang="ts">
import { growthStageById } from '#core/feed/growth-stage'
import { printNumber } from '#core/units/format'
import { sayNoWay } from '#shared/messages/feed'
import type { FeedingRecord } from '#shared/records/feeding'
import type { Stored } from '#shared/records/collections'

const saying = useSaying()

/** A planned feed on a card: what it is, how strong, and its steps. */
const props = defineProps<{ feeding: Stored<FeedingRecord>; labels?: boolean }>()
const planned = computed(() => usePlannedFeed(props.feeding))
</script>

<template>
  <section v-if="planned" class="part stack" :aria-label="feeding.body.name">
    <h2>{{ feeding.body.name }}</h2>
    <p>
      <strong>{{ planned.feed.name }}</strong>, {{ planned.feed.nPercent }}-{{ planned.feed.p2o5Percent }}-{{
        planned.feed.k2oPercent
      }}. {{ growthStageById(feeding.body.growthStageId).name }}:
      <template v-if="planned.strength">
        <FigureValue
          :figure="planned.strength.nMgPerL"
          :digits="printNumber(planned.strength.nMgPerL.value)"
        />
        {{ saying.nitrogenUnit }} (<FigureValue
          :figure="planned.strength.lowNMgPerL"
          :digits="printNumber(planned.strength.lowNMgPerL.value)"
        />–<FigureValue
          :figure="planned.strength.highNMgPerL"
          :digits="printNumber(planned.strength.highNMgPerL.value)"
        />
        by the tools, wanted {{ printNumber(feeding.body.targetNMgPerL) }}).
      </template>
      <template v-else>{{ sayNoWay(planned.plan.noWay) }}</template>
    </p>
    <StepList :steps="planned.steps" boxes />
    <BottleLabels
      v-if="labels && planned.strength"
      :feed="planned.feed"
      :n-mg-per-l="planned.strength.nMgPerL.value"
      :stock="planned.plan.stock && planned.steps[0]?.id === 'stock' ? planned.plan.stock : null"
    />
  </section>
  <p v-else class="soft">
    {{ feeding.body.name }}: its feed or tools are no longer here, so there is no dose.
  </p>
</template>

<style scoped>
.part {
  padding-top: 1rem;
  border-top: 2px solid var(--ink);
}

@media print {
  .part {
    gap: 0.35rem;
    padding-top: 0.5rem;
  }
}
</style>
