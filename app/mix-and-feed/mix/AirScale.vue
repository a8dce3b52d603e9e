<script setup lang="ts">
import { scaleLinear } from 'd3-scale'
import type { AirWanted } from '#core/media/air-wanted'
import { printShare } from '#core/units/format'
import type { Figure } from '#core/working/figure'

/** Air on one scale: the band a root wants in a cell of this size, and where the mix stands, shallower and deeper. */
const props = defineProps<{
  wanted: AirWanted
  beside: readonly { id: string; name: string; air: Figure }[]
}>()

const WIDTH = 360
const HEIGHT = 46
/** Room for half a tick's words at either end. */
const PAD = 20
const MOST = 0.4
const x = scaleLinear()
  .domain([0, MOST])
  .range([PAD, WIDTH - PAD])
  .clamp(true)
const band = computed(() => ({
  from: x(props.wanted.least),
  width: x(props.wanted.comfortable) - x(props.wanted.least),
}))
const words = computed(
  () =>
    `Air wanted in this size: ${printShare(props.wanted.least)} to ${printShare(props.wanted.comfortable)}. ` +
    props.beside.map(({ name, air }) => `${name}: ${printShare(air.value)}`).join(', '),
)
</script>

<template>
  <svg class="scale" :viewBox="`0 0 ${WIDTH} ${HEIGHT}`" role="img" :aria-label="words">
    <rect class="band" :x="band.from" y="12" :width="band.width" height="14" />
    <text class="label" :x="band.from + band.width / 2" y="9">wanted in this size</text>
    <path stroke="var(--ink-soft)" :d="`M${PAD} 26H${WIDTH - PAD}`" />
    <g v-for="tick in [0, 0.1, 0.2, 0.3, 0.4]" :key="tick" :transform="`translate(${x(tick)} 26)`">
      <path stroke="var(--ink-soft)" d="M0 0V4" />
      <text class="tick" y="17">{{ tick * 100 }} %</text>
    </g>
    <g v-for="one in beside" :key="one.id" :transform="`translate(${x(one.air.value)} 0)`">
      <path v-if="one.id === 'this'" fill="var(--ink)" d="M0 26L-6 14H6Z" />
      <path v-else stroke="var(--ink)" stroke-width="2" d="M0 14V26" />
    </g>
  </svg>
</template>

<style scoped>
.scale {
  display: block;
  width: 100%;
  max-width: 30rem;
  overflow: visible;
}

.band {
  fill: var(--water-wash);
  stroke: var(--water);
  stroke-dasharray: 3 2;
}

text {
  fill: var(--ink-soft);
  font-size: 12.5px;
  text-anchor: middle;
}
</style>
