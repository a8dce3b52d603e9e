<script setup lang="ts">
import { shareOf, type Side } from '#core/trials/trial'
import { printShare } from '#core/units/format'

/** Sides under one another: the share with its interval, on one scale from none to all. */
const props = defineProps<{ sides: readonly Side[] }>()
const [WIDTH, ROW, LEFT] = [480, 54, 12]
const x = (share: number) => LEFT + share * (WIDTH - LEFT - 96)
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
  <svg :viewBox="`0 0 ${WIDTH} ${rows.length * ROW + 22}`" role="img" :aria-label="said" class="sides">
    <g v-for="tick in [0, 0.25, 0.5, 0.75, 1]" :key="tick" class="axis">
      <line :x1="x(tick)" :x2="x(tick)" y1="0" :y2="rows.length * ROW" />
      <text :x="x(tick)" :y="rows.length * ROW + 17" text-anchor="middle">{{ printShare(tick) }}</text>
    </g>
    <g v-for="(row, i) in rows" :key="row.code">
      <text :x="LEFT - 6" :y="i * ROW + 17" class="name strong">{{ row.name }}</text>
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
        <circle :cx="x(row.share.share)" :cy="i * ROW + 34" r="7" />
        <text :x="WIDTH - 82" :y="i * ROW + 39">{{ row.hits }} of {{ row.of }}</text>
      </template>
      <text v-else :x="x(0) + 8" :y="i * ROW + 39" class="none">not counted yet</text>
    </g>
  </svg>
</template>

<style scoped>
.sides {
  width: 100%;
  max-width: 36rem;
  height: auto;
}

.axis text,
.none {
  fill: var(--ink-soft);
  font-size: 13px;
}

text {
  font-size: 15px;
}

circle {
  fill: var(--ink);
}
</style>
