<script setup lang="ts">
import { last as lastOf } from '#core/numeric/at'
import { max } from 'd3-array'
import { scaleLinear } from 'd3-scale'
import { area, curveStepAfter, line } from 'd3-shape'
import { printShare } from '#core/units/format'
import type { Curve } from '#shared/derived/year'

/** Share that is up by days since sowing, with the 95 % interval; one is chosen, the rest stand behind it. */
const props = defineProps<{ curves: readonly Curve[] }>()
const chart = useChart({ most: 860, height: 290, pad: { left: 52, right: 14, top: 12, bottom: 44 } })
const chosen = ref('0')
const one = computed(() => props.curves[Number(chosen.value)] ?? props.curves[0])
const days = computed(() => Math.max(7, max(props.curves, ({ points }) => points.at(-1)?.day) ?? 7) + 2)
const x = computed(() => scaleLinear().domain([0, days.value]).range(chart.across))
const y = scaleLinear().domain([0, 1]).range(chart.up)
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
    <ChartDrawing
      :chart="chart"
      :label="said"
      :x="marksOf(x, 8, Number, 30)"
      :y="marksOf(y, [0, 0.25, 0.5, 0.75, 1], printShare)"
      x-title="days after sowing"
      plain="x"
    >
      <path v-for="(curve, i) in curves" :key="i" :d="path(curve)" class="behind" />
      <path :d="band(one)" class="band" />
      <path :d="path(one)" fill="none" stroke="var(--enamel)" stroke-width="3.5" />
    </ChartDrawing>
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

.behind {
  fill: none;
  stroke: var(--line-strong);
  stroke-width: 1.2;
}

.band {
  fill: var(--water-wash);
}
</style>
