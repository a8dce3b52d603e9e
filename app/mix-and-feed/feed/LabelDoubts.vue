<script setup lang="ts">
import { K_IN_K2O, P_IN_P2O5 } from '#core/feed/feed'
import { printNumber } from '#core/units/format'
import type { FeedRecord } from '#shared/records/feed'

/** Two things people get wrong with the three numbers, asked where the numbers look like it. */
const props = defineProps<{ label: FeedRecord }>()
const emit = defineEmits<{ set: [key: keyof FeedRecord, value: number] }>()

/** Phosphate is seldom the largest: the numbers may stand in another order. */
const order = computed(
  () => props.label.p2o5Percent > props.label.nPercent && props.label.p2o5Percent > props.label.k2oPercent,
)
const asElements = computed(() => ({
  p: props.label.p2o5Percent * P_IN_P2O5,
  k: props.label.k2oPercent * K_IN_K2O,
}))
function swap() {
  const { nPercent, p2o5Percent } = props.label
  emit('set', 'nPercent', p2o5Percent)
  emit('set', 'p2o5Percent', nPercent)
}
/** What stands there as P and K becomes the oxides that hold as much. */
function fromElements() {
  const round = (value: number) => Number(value.toFixed(2))
  emit('set', 'p2o5Percent', round(props.label.p2o5Percent / P_IN_P2O5))
  emit('set', 'k2oPercent', round(props.label.k2oPercent / K_IN_K2O))
}
</script>

<template>
  <p v-if="order" class="doubt" role="status">
    Phosphate is the largest of the three. Labels go N – P – K: is it in that order?
    <button type="button" class="link" @click="swap">Swap N and P</button>
  </p>
  <FoldAway class="doubts" title="Does the label say P and K, not P₂O₅ and K₂O?">
    <p class="small">
      Read as oxides it holds {{ printNumber(asElements.p) }} % P and {{ printNumber(asElements.k) }} % K.
      Read as elements it holds {{ printNumber(label.p2o5Percent) }} % P and
      {{ printNumber(label.k2oPercent) }} % K.
      <button type="button" class="link" @click="fromElements">They are elements</button>
    </p>
  </FoldAway>
</template>

<style scoped>
.doubt {
  padding: 0.5rem 0.8rem;
  border-left: 4px solid var(--marigold);
  background: var(--marigold-wash);
  color: var(--marigold-ink);
  line-height: 1.3;
}
</style>
