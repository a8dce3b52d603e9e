<script setup lang="ts">
import { first } from '#core/numeric/at'
import { curveStepAfter, line } from 'd3-shape'
import { scaleLinear } from 'd3-scale'
import type { WaterScenario, ScenarioRequest } from '#core/water/water-scenario'
import { printNumber } from '#core/units/format'

/** Four small charts under one axis of days: water, air, salts and food of two trays. */
const props = defineProps<{ groups: readonly WaterScenario[]; stores: readonly ScenarioRequest[] }>()
const WIDTH = 430
const HEIGHT = 190
const PAD = { left: 46, right: 10, top: 26, bottom: 28 }

const days = computed(() => first(props.groups).days.length)
const x = computed(() => scaleLinear([0, days.value], [PAD.left, WIDTH - PAD.right]))
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
    const y = scaleLinear([0, most], [HEIGHT - PAD.bottom, PAD.top])
    const path = line<number>((_, day) => x.value(day + 1), y).curve(curveStepAfter)
    return {
      ...one,
      y,
      paths: one.of.map((values) => path(values) ?? ''),
      text: `${one.name}: ${one.of.map((values, i) => `${i === 0 ? 'the first' : 'the other'} from ${printNumber(Math.min(...values), 2)} to ${printNumber(Math.max(...values), 2)}`).join(', ')}`,
    }
  }),
)
const up = computed(() => props.stores.map(({ upAfterDays }) => upAfterDays))
</script>

<template>
  <div class="charts">
    <svg
      v-for="chart in charts"
      :key="chart.name"
      class="drawn"
      :viewBox="`0 0 ${WIDTH} ${HEIGHT}`"
      role="img"
      :aria-label="chart.text"
    >
      <text class="name" x="2" y="15">{{ chart.name }}</text>
      <g v-for="tick in chart.y.ticks(4)" :key="tick" class="axis">
        <path :d="`M${PAD.left} ${chart.y(tick)}H${WIDTH - PAD.right}`" />
        <text :x="PAD.left - 6" :y="chart.y(tick) + 4" text-anchor="end">{{ tick }}</text>
      </g>
      <g v-for="week in Math.floor(days / 7) + 1" :key="`w${week}`" class="axis">
        <text :x="x((week - 1) * 7)" :y="HEIGHT - 9" text-anchor="middle">{{ (week - 1) * 7 }}</text>
      </g>
      <g v-if="chart.mark !== null" class="mark">
        <path :d="`M${PAD.left} ${chart.y(chart.mark)}H${WIDTH - PAD.right}`" />
        <text :x="PAD.left + 4" :y="chart.y(chart.mark) - 4">{{ chart.says }}</text>
      </g>
      <path v-if="up[0]" class="up" :d="`M${x(up[0])} ${PAD.top}V${HEIGHT - PAD.bottom}`" />
      <path
        v-for="(path, i) in chart.paths"
        :key="i"
        :class="i === 0 ? 'a' : 'b'"
        fill="none"
        stroke-width="2.5"
        :d="path"
      />
    </svg>
  </div>
</template>

<style scoped>
.charts {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 24rem), 1fr));
  gap: 0.8rem 1.6rem;
}

text {
  fill: var(--ink-soft);
  font-size: 13px;
  font-variant-numeric: tabular-nums;
}

.name {
  fill: var(--ink);
  font-size: 14px;
  font-weight: 650;
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
