<script setup lang="ts">
import { scaleLinear } from 'd3-scale'
import { shareOf, type Side } from '#core/trials/trial'
import { printShare } from '#core/units/format'

/** Sides under one another: the share with its interval, on one scale from none to all. */
const props = defineProps<{ sides: readonly Side[] }>()
const ROW = 54
const chart = useChart({
  most: 820,
  height: () => props.sides.length * ROW + 22,
  pad: { left: 12, right: 96, top: 0, bottom: 22 },
})
const x = computed(() => scaleLinear([0, 1], chart.across))
const rows = computed(() => props.sides.map((side) => ({ ...side, share: shareOf(side) })))
const said = computed(() =>
  rows.value
    .map(({ name, hits, of, share }) =>
      share
        ? `${name}: ${hits} of ${of}, ${printShare(share.low)} to ${printShare(share.high)}`
        : `${name}: not counted`,
    )
    .join('. '),
)
</script>

<template>
  <ChartDrawing :chart="chart" :label="said" :x="marksOf(x, [0, 0.25, 0.5, 0.75, 1], printShare)">
    <g v-for="(row, i) in rows" :key="row.code">
      <text :x="chart.left - 6" :y="i * ROW + 17" class="name strong">{{ row.name }}</text>
      <template v-if="row.share">
        <line
          :x1="x(row.share.low)"
          :x2="x(row.share.high)"
          :y1="i * ROW + 34"
          :y2="i * ROW + 34"
          stroke="var(--enamel)"
          stroke-width="5"
          stroke-linecap="round"
        />
        <circle :cx="x(row.share.share)" :cy="i * ROW + 34" r="7" fill="var(--ink)" />
        <text :x="chart.right + 14" :y="i * ROW + 39">{{ row.hits }} of {{ row.of }}</text>
      </template>
      <text v-else :x="x(0) + 8" :y="i * ROW + 39" class="none">not counted yet</text>
    </g>
  </ChartDrawing>
</template>
