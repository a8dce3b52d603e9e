<script setup lang="ts">
import { last as lastOf } from '#core/numeric/at'
import { max } from 'd3-array'
import { scaleLinear, scalePoint } from 'd3-scale'
import { printShare } from '#core/units/format'

/** Batch after batch: what was used against what was predicted, in per cent; the band is the aim of five. */
const props = defineProps<{
  batches: readonly {
    readonly id: string
    readonly name: string
    readonly on: string
    readonly predicted: number
    readonly used: number
  }[]
}>()
const { printDay } = useDates()
const { volume } = useMeasures()
const [WIDTH, HEIGHT] = [720, 220]
const AIM = 0.05
const off = computed(() => props.batches.map((one) => ({ ...one, off: one.used / one.predicted - 1 })))
const reach = computed(() => Math.max(0.15, (max(off.value, (one) => Math.abs(one.off)) ?? 0) * 1.15))
const x = computed(() =>
  scalePoint<string>()
    .domain(props.batches.map(({ id }) => id))
    .range([100, WIDTH - 30])
    .padding(0.5),
)
const y = computed(() =>
  scaleLinear()
    .domain([-reach.value, reach.value])
    .range([HEIGHT - 24, 14]),
)
const path = computed(() =>
  off.value.map((one, i) => `${i ? 'L' : 'M'}${x.value(one.id)},${y.value(one.off)}`).join(''),
)
const last = computed(() => lastOf(off.value))
const verdict = computed(() => {
  const n = off.value.length
  const lies = `The last lies ${signed(last.value.off)} off`
  if (n < 3) return `${lies}. Record what was left over three times and it should come within 5 %.`
  return Math.abs(last.value.off) <= AIM
    ? `${lies}: within the 5 % that are aimed for.`
    : `${lies}. Look at the measurements below: one may be wild, or the containers measured wrongly.`
})
const signed = (value: number) => `${value > 0 ? '+' : value < 0 ? '−' : ''}${printShare(Math.abs(value))}`
</script>

<template>
  <figure class="stack-s">
    <svg
      class="drawn"
      :viewBox="`0 0 ${WIDTH} ${HEIGHT}`"
      role="img"
      :aria-label="`Used against predicted. ${verdict}`"
    >
      <rect :x="92" :width="WIDTH - 102" :y="y(AIM)" :height="y(-AIM) - y(AIM)" class="aim" />
      <line :x1="92" :x2="WIDTH - 10" :y1="y(0)" :y2="y(0)" stroke="var(--ink-soft)" />
      <text :x="86" :y="y(0) + 5" text-anchor="end">as planned</text>
      <text :x="86" :y="y(AIM) + 2" text-anchor="end">+5 %</text>
      <text :x="86" :y="y(-AIM) + 8" text-anchor="end">−5 %</text>
      <path :d="path" fill="none" stroke="var(--enamel)" stroke-width="2" />
      <g v-for="one in off" :key="one.id">
        <circle :cx="x(one.id)" :cy="y(one.off)" r="6" :class="{ far: Math.abs(one.off) > AIM }" />
        <text :x="x(one.id)" :y="y(one.off) - 11" text-anchor="middle">{{ signed(one.off) }}</text>
        <text :x="x(one.id)" :y="HEIGHT - 5" text-anchor="middle" fill="var(--ink-soft)">
          {{ printDay(one.on) }}
        </text>
      </g>
    </svg>
    <figcaption>{{ verdict }}</figcaption>
    <details class="no-print">
      <summary>As a table</summary>
      <FigureTable :columns="['Batch', 'day', 'estimated', 'used', 'off by']">
        <tr v-for="one in off" :key="one.id">
          <th scope="row">{{ one.name }}</th>
          <td>{{ printDay(one.on) }}</td>
          <td>{{ volume(one.predicted) }}</td>
          <td>{{ volume(one.used) }}</td>
          <td>{{ signed(one.off) }}</td>
        </tr>
      </FigureTable>
    </details>
  </figure>
</template>

<style scoped>
svg {
  max-width: 52rem;
}

.aim {
  fill: var(--water-wash);
}

circle {
  fill: var(--enamel);
}

.far {
  fill: var(--marigold);
  stroke: var(--ink);
}

text {
  font-size: 13px;
}
</style>
