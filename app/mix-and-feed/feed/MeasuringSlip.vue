<script setup lang="ts">
import { feedSteps, strengthToExpect, wayToUse } from '#core/jobs/feed-steps'
import { sayMeasurement, sayStep } from '#shared/messages/steps'
import { inSentence } from '#core/text/plurals'
import { printNumber, printShare } from '#core/units/format'
import { given } from '#core/working/figure'
import { yours } from '#core/working/source'
import { sayNoWay } from '#shared/messages/feed'

const { said } = useMeasures()
const saying = useSaying()

/** The dose, how to measure it with the tools owned, and how far off that may be. */
const feed = useFeedDraft()

const expected = computed(() => feed.plan && strengthToExpect(feed.plan, feed.draft.toolId))
const way = computed(() => feed.plan && wayToUse(feed.plan, feed.draft.toolId))
const worst = computed(() => way.value?.worst ?? feed.plan?.stock?.worst)
const steps = computed(() =>
  feed.plan
    ? feedSteps(feed.plan, {
        feedName: feed.draft.label.name,
        vesselName: feed.draft.vessel.name,
        vesselL: given(feed.draft.vessel.name, feed.draft.vessel.volumeL, 'L', yours('your vessel')),
        toolId: feed.draft.toolId,
      }).map(sayStep)
    : [],
)
const FITS = { fair: '', rough: '', 'too small': 'too coarse', 'too many': 'too many fills' } as const
</script>

<template>
  <div class="stack-l">
    <template v-if="feed.plan">
      <p class="dose row">
        <FigureValue v-if="feed.draft.label.form === 'powder'" :figure="feed.plan.massG" />
        <FigureValue v-else :figure="feed.plan.volumeMl" />
        <span class="of">
          <template v-if="feed.draft.label.form === 'powder'"
            >· <FigureValue :figure="feed.plan.volumeMl" /> loose</template
          >
          <template v-else>· <FigureValue :figure="feed.plan.massG" /></template>
        </span>
      </p>
      <StepList v-if="steps.length" :steps="steps" />
      <p v-if="feed.plan.noWay" class="problem" role="status">{{ sayNoWay(feed.plan.noWay) }}</p>
      <p v-if="expected && worst" class="error-line">
        Gives about
        <FigureValue :figure="expected.nMgPerL" :digits="printNumber(Math.round(expected.nMgPerL.value))" />
        {{ saying.nitrogenUnit }} (<FigureValue
          :figure="expected.lowNMgPerL"
          :digits="printNumber(Math.round(expected.lowNMgPerL.value))"
        />–<FigureValue
          :figure="expected.highNMgPerL"
          :digits="printNumber(Math.round(expected.highNMgPerL.value))"
        />).
      </p>
      <fieldset v-if="feed.plan.ways.length" class="ways">
        <legend>Your tools</legend>
        <label v-if="feed.plan.stock">
          <RadioButton
            name="tool"
            :value="true"
            :model-value="!way"
            @update:model-value="feed.change('tool', (draft) => (draft.toolId = null))"
          />
          <span>a stock solution</span>
          <span class="soft">within {{ printShare(feed.plan.stock.worst.value) }}</span>
        </label>
        <label v-for="one in feed.plan.ways" :key="one.tool.id" :class="{ off: one.fit === 'too small' }">
          <RadioButton
            name="tool"
            :disabled="one.fit === 'too small'"
            :value="true"
            :model-value="way?.tool.id === one.tool.id"
            @update:model-value="feed.change('tool', (draft) => (draft.toolId = one.tool.id))"
          />
          <span>{{ one.fit === 'too small' ? inSentence(one.tool.name) : sayMeasurement(one) }}</span>
          <span class="soft">{{ FITS[one.fit] || `within ${printShare(one.worst.value)}` }}</span>
        </label>
      </fieldset>
      <p v-else class="soft"><NuxtLink to="/supplies">Add a tool in Supplies.</NuxtLink></p>
      <CautionList :cautions="feed.plan.cautions" :open="feed.plan.cautions.includes('aboveLabel')" />
    </template>
    <div v-else role="status">
      <p><strong>No dose yet.</strong></p>
      <p>{{ said(feed.problem ?? '') }}</p>
    </div>
  </div>
</template>

<style scoped>
.dose {
  align-items: baseline;
  font: 740 2.6rem/1 var(--heading);
  letter-spacing: -0.03em;
}

.of {
  font-size: 1.25rem;
  font-weight: 560;
  letter-spacing: 0;
}

.error-line {
  padding: 0.6rem 0.8rem;
  border-radius: 0.4rem;
  background: var(--water-wash);
  color: var(--water-ink);
}

.ways {
  display: grid;
  padding: 0;
  margin: 0;
  border: 0;
}

.ways legend {
  padding: 0 0 0.2rem;
  font-weight: 600;
  font-size: 0.9375rem;
}

.ways label {
  display: grid;
  grid-template-columns: auto 1fr auto;
  gap: 0.6rem;
  align-items: center;
  min-height: 2.4rem;
  border-top: 1px solid var(--line);
  cursor: pointer;
}

.ways .off {
  color: var(--ink-soft);
  cursor: default;
}
</style>
