<script setup lang="ts">
/** A chart with its grid and the words of its axes; what is drawn into it lies in the slot. */
const { chart, plain } = defineProps<{
  chart: Chart
  /** All of it in words. */
  label: string
  x?: readonly Mark[]
  y?: readonly Mark[]
  xTitle?: string
  yTitle?: string
  /** Axes without lines across the chart. */
  plain?: 'x' | 'y'
  /** With something in it that is moved. */
  interactive?: boolean
}>()
const drawnIn = (svg: unknown) => chart.drawnIn(svg as SVGSVGElement | null)
</script>

<template>
  <svg
    :ref="drawnIn"
    class="drawn"
    :viewBox="`0 0 ${chart.width} ${chart.height}`"
    :style="{ maxWidth: `${chart.most}px` }"
    :role="interactive ? 'group' : 'img'"
    :aria-label="label"
  >
    <g class="axis" :aria-hidden="interactive || undefined">
      <g v-for="mark in y" :key="mark.at">
        <path v-if="plain !== 'y'" :d="`M${chart.left} ${mark.at}H${chart.right}`" />
        <text :x="chart.left - 7" :y="mark.at + 5" text-anchor="end">{{ mark.says }}</text>
      </g>
      <g v-for="mark in x" :key="mark.at">
        <path v-if="plain !== 'x'" :d="`M${mark.at} ${chart.top}V${chart.bottom}`" />
        <text :x="mark.at" :y="chart.bottom + 18" text-anchor="middle">{{ mark.says }}</text>
      </g>
      <text v-if="yTitle" x="4" y="15" class="strong">↑ {{ yTitle }}</text>
      <text v-if="xTitle" :x="chart.right" :y="chart.height - 4" text-anchor="end" class="strong">
        {{ xTitle }} →
      </text>
    </g>
    <slot />
  </svg>
</template>
