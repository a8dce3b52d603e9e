<script setup lang="ts">
import { last as lastOf } from '#core/numeric/at'
import { max } from 'd3-array'
import { scaleLinear } from 'd3-scale'
import { area, curveStepAfter, line } from 'd3-shape'
import { printShare } from '#core/units/format'
import type { Curve } from '#shared/reckoning/year'

/** Share that is up by days since sowing, with the 95 % interval; one is chosen, the rest stand behind it. */
const props = defineProps<{ curves: readonly Curve[] }>()
const [HEIGHT, LEFT] = [290, 52]
const width = useDrawnWidth('chart', 720)
const chosen = ref('0')
const one = computed(() => props.curves[Number(chosen.value)] ?? props.curves[0])
const days = computed(() => Math.max(7, max(props.curves, ({ points }) => points.at(-1)?.day) ?? 7) + 2)
const x = computed(() =>
  scaleLinear()
    .domain([0, days.value])
    .range([LEFT, width.value - 14]),
)
const y = scaleLinear()
  .domain([0, 1])
  .range([HEIGHT - 44, 12])
type Point = Curve['points'][number]
const held = ({ points }: Curve): Point[] => [...points, { ...lastOf(points), day: days.value }]
const path = (curve: Curve) =>
  line<Point>()
    .x((p) => x.value(p.day))
    .y((p) => y(p.up))
    .curve(curveStepAfter)(held(curve)) ?? ''
const band = (curve: Curve) =>
  area<Point>()
    .x((p) => x.value(p.day))
    .y0((p) => y(p.low))
    .y1((p) => y(p.high))
    .curve(curveStepAfter)(held(curve).filter(({ day }) => day > 0)) ?? ''
const said = computed(() => {
  const last = one.value?.points.at(-1)
  return one.value && last
    ? `${one.value.name}: ${printShare(last.up)} up after ${last.day} days, between ${printShare(last.low)} and ${printShare(last.high)}, of ${one.value.of}`
    : ''
})
const rounded = (value: number) => printShare(Math.round(value * 100) / 100)
</script>

<template>
  <div v-if="one" class="curves stack">
    <ChoiceField
      v-if="curves.length > 1"
      v-model="chosen"
      class="no-print"
      label="In front"
      :choices="curves.map(({ name }, i) => ({ value: String(i), name }))"
    />
    <svg ref="chart" class="drawn" :viewBox="`0 0 ${width} ${HEIGHT}`" role="img" :aria-label="said">
      <g v-for="share in [0, 0.25, 0.5, 0.75, 1]" :key="share" class="axis">
        <line :x1="LEFT" :x2="width - 14" :y1="y(share)" :y2="y(share)" />
        <text :x="LEFT - 8" :y="y(share) + 5" text-anchor="end">{{ printShare(share) }}</text>
      </g>
      <g v-for="day in spaced(x.ticks(8), x, 30)" :key="day" class="axis">
        <text :x="x(day)" :y="HEIGHT - 24" text-anchor="middle">{{ day }}</text>
      </g>
      <text :x="width - 14" :y="HEIGHT - 3" text-anchor="end" class="unit">days after sowing</text>
      <path v-for="(curve, i) in curves" :key="i" :d="path(curve)" class="behind" />
      <path :d="band(one)" class="band" />
      <path :d="path(one)" fill="none" stroke="var(--enamel)" stroke-width="3.5" />
    </svg>
    <p>
      {{ one.name }}: {{ rounded(lastOf(one.points).up) }} of {{ one.of }}; if it were sown again so, between
      {{ rounded(lastOf(one.points).low) }} and {{ rounded(lastOf(one.points).high) }}.
    </p>
  </div>
</template>

<style scoped>
.curves {
  max-width: 52rem;
}

text {
  fill: var(--ink-soft);
  font-size: 13px;
}

.behind {
  fill: none;
  stroke: var(--line-strong);
  stroke-width: 1.2;
}

.band {
  fill: var(--water-wash);
}
</style>
