<script setup lang="ts">
import { last as lastOf, first } from '#core/numeric/at'
import { scaleLinear, scaleUtc } from 'd3-scale'
import { area, line } from 'd3-shape'
import type { AirOfDay } from '#core/readings/air-of-day'

/** The air of a place day by day: the band from low to high, and degree days summed up over it. */
const props = defineProps<{ days: readonly (AirOfDay & { readonly sum: number })[]; name: string }>()
const { printDay, printDate } = useDates()
const { temperature } = useMeasures()
const [HEIGHT, LEFT, RIGHT] = [240, 60, 60]
const width = useDrawnWidth('chart', 820)
const at = (day: string) => new Date(`${day}T12:00Z`)
const x = computed(() =>
  scaleUtc()
    .domain([at(first(props.days).on), at(lastOf(props.days).on)])
    .range([LEFT, width.value - RIGHT]),
)
const y = computed(() =>
  scaleLinear()
    .domain([
      Math.min(...props.days.map(({ lowC }) => lowC)) - 1,
      Math.max(...props.days.map(({ highC }) => highC)) + 1,
    ])
    .range([HEIGHT - 30, 12]),
)
const sums = computed(() =>
  scaleLinear()
    .domain([0, Math.max(1, lastOf(props.days).sum)])
    .range([HEIGHT - 30, 12]),
)
type Point = (typeof props.days)[number]
const band = computed(
  () =>
    area<Point>()
      .x(({ on }) => x.value(at(on)))
      .y0(({ lowC }) => y.value(lowC))
      .y1(({ highC }) => y.value(highC))([...props.days]) ?? '',
)
const path = computed(
  () =>
    line<Point>()
      .x(({ on }) => x.value(at(on)))
      .y(({ sum }) => sums.value(sum))([...props.days]) ?? '',
)
const said = computed(() => {
  const last = lastOf(props.days)
  return `${props.name}, ${printDay(first(props.days).on)} to ${printDay(last.on)}: ${temperature(Math.min(...props.days.map(({ lowC }) => lowC)))} to ${temperature(Math.max(...props.days.map(({ highC }) => highC)))}, ${Math.round(last.sum)} degree days`
})
</script>

<template>
  <svg ref="chart" class="drawn" :viewBox="`0 0 ${width} ${HEIGHT}`" role="img" :aria-label="said">
    <g v-for="tick in y.ticks(5)" :key="tick" class="axis">
      <line :x1="LEFT" :x2="width - RIGHT" :y1="y(tick)" :y2="y(tick)" />
      <text :x="LEFT - 8" :y="y(tick) + 5" text-anchor="end">{{ temperature(tick) }}</text>
    </g>
    <text
      v-for="tick in spaced(x.ticks(6), x, 76)"
      :key="+tick"
      :x="x(tick)"
      :y="HEIGHT - 8"
      text-anchor="middle"
    >
      {{ printDate(tick.toISOString()) }}
    </text>
    <path :d="band" class="band" />
    <path :d="path" class="sum" />
    <text :x="width - RIGHT + 6" :y="sums(lastOf(days).sum) + 5" class="total">
      {{ Math.round(lastOf(days).sum) }}
    </text>
  </svg>
</template>

<style scoped>
svg {
  max-width: 56rem;
}

text {
  fill: var(--ink-soft);
  font-size: 13px;
}

.band {
  fill: var(--water);
  opacity: 0.45;
}

.sum {
  fill: none;
  stroke: var(--marigold);
  stroke-width: 3;
}

.total {
  fill: var(--ink);
  font-weight: 600;
}
</style>
