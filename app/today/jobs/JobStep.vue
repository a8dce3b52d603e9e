<script setup lang="ts">
import { present } from '#core/present'
import { useDebounceFn } from '@vueuse/core'
import { sayCautions } from '#shared/messages/cautions'
import { answerKey } from '#core/jobs/guided-job'
import type { Ask } from '#core/jobs/step'
import type { SaidStep } from '#shared/messages/steps'
import { printNumber } from '#core/units/format'
import type { Stored } from '#shared/records/collections'
import type { GuidedJobRecord } from '#shared/records/guided-job'

/** One step alone on the screen: the amount, what the hand does, what right looks like, what if not. */
const props = defineProps<{ guidedJob: Stored<GuidedJobRecord>; step: SaidStep }>()
const emit = defineEmits<{ short: [] }>()
const guidedJobs = useGuidedJobs()
const { volume, mass } = useMeasures()
const { onScale } = useOnScale()

const stands = computed(() => guidedJobs.stands(props.guidedJob))
const dangers = computed(() => sayCautions(props.step.cautions ?? []))

// What a hand says by feel.
const chosen = computed(() =>
  props.step.test ? stands.value.chosen.get(answerKey(props.step.id, props.step.test.key)) : undefined,
)
const remedy = computed(() => props.step.test?.answers.find(({ id }) => id === chosen.value))
const choose = (id: string) =>
  guidedJobs.answer(props.guidedJob, props.step.id, present(props.step.test).key, 1, id)

// What really happened: typed once, kept when the hand rests.
const typed = ref<Record<string, number | null>>({})
const said = (key: string) =>
  key in typed.value
    ? present(typed.value[key])
    : (stands.value.answers.get(answerKey(props.step.id, key)) ?? null)
/** Answers whose keys still move, each with its step. */
const unkept = new Map<string, { step: string; value: number | null }>()
function flush() {
  for (const [key, { step, value }] of unkept)
    if ((stands.value.answers.get(answerKey(step, key)) ?? null) !== value)
      guidedJobs.answer(props.guidedJob, step, key, value)
  unkept.clear()
}
const keep = useDebounceFn(flush, 500)
function type(key: string, value: number | null) {
  typed.value = { ...typed.value, [key]: value }
  unkept.set(key, { step: props.step.id, value })
  void keep()
}
watch(
  () => props.step.id,
  () => {
    flush()
    typed.value = {}
  },
)
onBeforeUnmount(flush)
/** The size of it decides what a bare number means: cups in a tray, pounds on a scale. */
const aboutOf = ({ expected, dimension }: Ask) =>
  expected ??
  (dimension === 'mass' ? onScale.value : (props.step.asks?.find((one) => one.expected)?.expected ?? 1))
const planned = ({ expected, dimension }: Ask) =>
  expected === null
    ? 'empty if not measured'
    : `planned: ${dimension === 'volume' ? volume(expected) : dimension === 'mass' ? mass(expected) : printNumber(expected)}`

// Tapped one by one.
const tapped = computed(() => stands.value.counts.get(props.step.id) ?? 0)
const tap = (by: number) => guidedJobs.mark(props.guidedJob, props.step.id, 'count', { value: by })
const isFill = computed(() => props.guidedJob.body.kind === 'mix' && props.step.id.startsWith('fill'))
defineExpose({ tap, flush })
</script>

<template>
  <article class="step" :class="{ counts: step.count }">
    <StepPicture v-if="step.picture" :picture="step.picture" class="step-picture" />
    <div class="stack-l">
      <h1>{{ step.title }}</h1>
      <p v-if="step.count" class="amount">
        <span data-testid="tapped">{{ tapped }}</span> of {{ step.count.of }}
      </p>
      <p v-else-if="step.amount" class="amount"><SayIt :say="step.amount" /></p>
      <p class="say"><SayIt :say="step.say" /></p>
      <div v-if="step.count" class="taps row">
        <Button :disabled="tapped === 0" aria-label="One less" @click="tap(-1)">−1</Button>
        <Button class="main" aria-label="One more" @click="tap(1)">+1</Button>
        <Button aria-label="Six more" @click="tap(6)">+6</Button>
      </div>
      <p v-for="danger in dangers" :key="danger.id" class="danger">
        <strong>{{ danger.title }}.</strong> {{ danger.text }}
      </p>
      <p v-if="step.right" class="right"><strong>Right:</strong> {{ step.right }}.</p>
      <div v-if="step.test" class="test stack" role="group" :aria-label="step.test.question">
        <p>{{ step.test.question }}</p>
        <div class="answers row">
          <Button
            v-for="one in step.test.answers"
            :key="one.id"
            :class="{ main: chosen === one.id }"
            :aria-pressed="chosen === one.id"
            @click="choose(one.id)"
            >{{ one.name }}</Button
          >
        </div>
        <p v-if="remedy" class="remedy" role="status"><SayIt :say="remedy.say" /></p>
      </div>
      <div v-if="step.asks?.length" class="asks">
        <TypedField
          v-for="ask in step.asks"
          :key="`${step.id} ${ask.key}`"
          :model-value="said(ask.key)"
          :label="ask.label"
          v-bind="ask.dimension ? { dimension: ask.dimension, typical: aboutOf(ask) } : {}"
          :hint="planned(ask)"
          optional
          @update:model-value="type(ask.key, $event)"
        />
        <template v-for="ask in step.asks" :key="`${step.id} ${ask.key} live`">
          <LiveWeight v-if="ask.dimension === 'mass'" @take="type(ask.key, $event)" />
        </template>
      </div>
      <Button v-if="isFill" class="short" @click="emit('short')">The mix is short</Button>
    </div>
  </article>
</template>

<style scoped>
.step {
  display: grid;
  grid-template-columns: minmax(0, 0.8fr) minmax(0, 1.2fr);
  gap: 1rem 2.4rem;
  align-items: start;
  height: 100%;
}

.step-picture {
  position: sticky;
  top: 0;
  max-height: min(60vh, 26rem);
}

h1 {
  font-size: clamp(1.75rem, 1.4rem + 1.6vw, 2.6rem);
  line-height: 1.1;
}

.amount {
  color: var(--enamel);
  font: 760 clamp(2.4rem, 1.6rem + 4vw, 4.4rem) / 1.05 var(--heading);
  font-variant-numeric: tabular-nums;
}

.say {
  max-width: 38rem;
  font-size: clamp(1.25rem, 1.1rem + 0.6vw, 1.6rem);
  line-height: 1.35;
}

.right {
  max-width: 38rem;
  font-size: 1.25rem;
  line-height: 1.3;
}

.danger {
  max-width: 38rem;
  padding: 0.6rem 0.9rem;
  border-left: 5px solid var(--marigold);
  background: var(--marigold-wash);
  font-size: 1.15rem;
  line-height: 1.3;
}

.test {
  font-size: 1.25rem;
}

.answers :deep(.button),
.taps :deep(.button) {
  min-height: 3.4rem;
  padding-inline: 1.1rem;
  font-size: 1.15rem;
}

.taps :deep(.button) {
  min-width: 5.5rem;
  font: 700 1.6rem/1 var(--heading);
}

.remedy {
  padding: 0.5rem 0.8rem;
  border-left: 5px solid var(--water);
  background: var(--water-wash);
  color: var(--water-ink);
}

.asks {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(12rem, 16rem));
  gap: 0.8rem;
}

.short {
  justify-self: start;
}

@media (max-width: 52rem) {
  .step {
    grid-template-columns: minmax(0, 1fr);
    gap: 0.8rem;
  }

  .step-picture {
    position: static;
    max-height: 17vh;
  }
}
</style>
