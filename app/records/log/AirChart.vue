<script setup lang="ts">
import { last as lastOf, first } from '#core/numeric/at'
import { scaleLinear, scaleUtc } from 'd3-scale'
import { area, line } from 'd3-shape'
import type { AirOfDay } from '#core/readings/air-of-day'

/** The air of a place day by day: the band from low to high, and degree days summed up over it. */
const props = defineProps<{ days: readonly (AirOfDay & { readonly sum: number })[]; name: string }>()
const { printDay, printDate } = useDates()
const { temperature } = useMeasures()
const chart = useChart({ most: 820, height: 240, pad: { left: 60, right: 60, top: 12, bottom: 30 } })
const at = (day: string) => new Date(`${day}T12:00Z`)
const x = computed(() =>
  scaleUtc()
    .domain([at(first(props.days).on), at(lastOf(props.days).on)])
    .range(chart.across),
)
const y = computed(() =>
  scaleLinear()
    .domain([
      Math.min(...props.days.map(({ lowC }) => lowC)) - 1,
      Math.max(...props.days.map(({ highC }) => highC)) + 1,
    ])
    .range(chart.up),
)
const sums = computed(() =>
  scaleLinear()
    .domain([0, Math.max(1, lastOf(props.days).sum)])
    .range(chart.up),
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
  <ChartDrawing
    :chart="chart"
    :label="said"
    :x="marksOf(x, 6, (day) => printDate(day.toISOString()), 76)"
    :y="marksOf(y, 5, temperature)"
    plain="x"
  >
    <path :d="band" class="band" />
    <path :d="path" class="sum" />
    <text :x="chart.right + 6" :y="sums(lastOf(days).sum) + 5" fill="var(--ink)" font-weight="600">
      {{ Math.round(lastOf(days).sum) }}
    </text>
  </ChartDrawing>
</template>

<style scoped>
svg {
  max-width: 56rem;
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
</style>
