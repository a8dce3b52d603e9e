<script setup lang="ts">
import { max } from 'd3-array'
import { scaleLinear } from 'd3-scale'

/** Bars from the left, each with its own words at its end. */
const props = defineProps<{
  bars: readonly {
    readonly id: string
    readonly name: string
    readonly value: number
    readonly says: string
  }[]
  label: string
}>()
const ROW = 32
const MOST_PX = 896
const width = useDrawnWidth(useTemplateRef<SVGSVGElement>('chart'), MOST_PX)
/** Room for the names, and for what is said at the ends of the bars, px. */
const left = computed(() => Math.min(250, width.value * 0.4))
const right = computed(() => Math.min(190, width.value * 0.38))
const x = computed(() =>
  scaleLinear()
    .domain([0, max(props.bars, ({ value }) => value) || 1])
    .range([0, width.value - left.value - right.value]),
)
const said = computed(
  () => `${props.label}. ${props.bars.map(({ name, says }) => `${name}: ${says}`).join('. ')}`,
)
</script>

<template>
  <div class="scroll scrolls" role="region" :aria-label="label" tabindex="0">
    <svg
      ref="chart"
      class="drawn"
      :style="{ maxWidth: `${MOST_PX}px` }"
      :viewBox="`0 0 ${width} ${bars.length * ROW + 6}`"
      role="img"
      :aria-label="said"
    >
      <g v-for="(bar, i) in bars" :key="bar.id" :transform="`translate(0 ${i * ROW})`">
        <text :x="left - 10" y="21" text-anchor="end">{{ shortened(bar.name, left) }}</text>
        <rect :x="left" y="6" :width="Math.max(2, x(bar.value))" height="20" rx="3" />
        <text :x="left + x(bar.value) + 10" y="21">{{ bar.says }}</text>
      </g>
    </svg>
  </div>
</template>

<style scoped>
rect {
  fill: var(--enamel);
}
</style>
