<script setup lang="ts">
import { computed } from 'vue'
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
const [WIDTH, ROW, LEFT] = [820, 32, 250]
const x = computed(() =>
  scaleLinear()
    .domain([0, max(props.bars, ({ value }) => value) || 1])
    .range([0, WIDTH - LEFT - 190]),
)
const short = (text: string) => (text.length > 30 ? `${text.slice(0, 29)}…` : text)
const said = computed(
  () => `${props.label}. ${props.bars.map(({ name, says }) => `${name}: ${says}`).join('. ')}`,
)
</script>

<template>
  <div class="scroll" role="region" :aria-label="label" tabindex="0">
    <svg :viewBox="`0 0 ${WIDTH} ${bars.length * ROW + 6}`" role="img" :aria-label="said">
      <g v-for="(bar, i) in bars" :key="bar.id" :transform="`translate(0 ${i * ROW})`">
        <text :x="LEFT - 10" y="21" text-anchor="end">{{ short(bar.name) }}</text>
        <rect :x="LEFT" y="6" :width="Math.max(2, x(bar.value))" height="20" rx="3" />
        <text :x="LEFT + x(bar.value) + 10" y="21">{{ bar.says }}</text>
      </g>
    </svg>
  </div>
</template>

<style scoped>
.scroll {
  overflow-x: auto;
}

svg {
  width: 100%;
  min-width: 38rem;
  max-width: 56rem;
  height: auto;
}

rect {
  fill: var(--enamel);
}

text {
  fill: var(--ink);
  font-size: 14px;
}
</style>
