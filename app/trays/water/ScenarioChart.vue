<script setup lang="ts">
import { first } from '#core/numeric/at'
import { curveStepAfter, line } from 'd3-shape'
import { scaleLinear } from 'd3-scale'
import type { WaterScenario, ScenarioRequest } from '#core/water/water-scenario'
import { printNumber } from '#core/units/format'

/** Four small charts under one axis of days: water, air, salts and food of two trays. */
const props = defineProps<{ groups: readonly WaterScenario[]; stores: readonly ScenarioRequest[] }>()
const chart = useChart({ most: 620, height: 190, pad: { left: 46, right: 10, top: 26, bottom: 28 } })

const days = computed(() => first(props.groups).days.length)
const x = computed(() => scaleLinear([0, days.value], chart.across))
const charts = computed(() =>
  [
    {
      name: 'Water that is easily had, % left',
      of: props.groups.map((group) => group.days.map(({ gone }) => Math.max(0, 100 * (1 - gone)))),
      mark: 55,
      says: 'water again',
      top: 100,
    },
    {
      name: 'Air in the mix, %',
      of: props.groups.map((group) => group.days.map(({ air }) => 100 * air)),
      mark: null,
      says: '',
      top: null,
    },
    {
      name: 'Salts in its water, mS/cm',
      of: props.groups.map((group) => group.days.map(({ ecMsPerCm }) => ecMsPerCm)),
      mark: 2,
      says: 'seedlings bear',
      top: null,
    },
    {
      name: 'Nitrogen within reach, mg',
      of: props.groups.map((group) => group.days.map(({ nitrogenMg }) => nitrogenMg)),
      mark: null,
      says: '',
      top: null,
    },
  ].map((one) => {
    const most = one.top ?? Math.max(...one.of.flat(), one.mark ?? 0, 0.01) * 1.08
    const y = scaleLinear([0, most], chart.up)
    const path = line<number>((_, day) => x.value(day + 1), y).curve(curveStepAfter)
    return {
      ...one,
      y,
      paths: one.of.map((values) => path(values) ?? ''),
      text: `${one.name}: ${one.of.map((values, i) => `${i === 0 ? 'the first' : 'the other'} from ${printNumber(Math.min(...values), 2)} to ${printNumber(Math.max(...values), 2)}`).join(', ')}`,
    }
  }),
)
const weeks = computed(() =>
  marksOf(
    x.value,
    Array.from({ length: Math.floor(days.value / 7) + 1 }, (_, week) => week * 7),
    Number,
    22,
  ),
)
const up = computed(() => props.stores.map(({ upAfterDays }) => upAfterDays))
</script>

<template>
  <div class="charts">
    <ChartDrawing
      v-for="one in charts"
      :key="one.name"
      :chart="chart"
      :label="one.text"
      :x="weeks"
      :y="marksOf(one.y, 4, Number)"
      :y-title="one.name"
      plain="x"
    >
      <g v-if="one.mark !== null" class="mark">
        <path :d="`M${chart.left} ${one.y(one.mark)}H${chart.right}`" />
        <text :x="chart.left + 4" :y="one.y(one.mark) - 4">{{ one.says }}</text>
      </g>
      <path v-if="up[0]" class="up" :d="`M${x(up[0])} ${chart.top}V${chart.bottom}`" />
      <path
        v-for="(path, i) in one.paths"
        :key="i"
        :class="i === 0 ? 'a' : 'b'"
        fill="none"
        stroke-width="2.5"
        :d="path"
      />
    </ChartDrawing>
  </div>
</template>

<style scoped>
.charts {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 24rem), 1fr));
  gap: 0.8rem 1.6rem;
}

.mark path {
  stroke: var(--ink-soft);
  stroke-dasharray: 2 5;
}

.up {
  stroke: var(--ink-soft);
  stroke-width: 1.5;
}

.a {
  stroke: var(--water);
}

.b {
  stroke: var(--marigold-ink);
  stroke-dasharray: 7 4;
}
</style>
