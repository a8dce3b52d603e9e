<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { scaleLinear } from 'd3-scale'
import type { GrowthStage } from '#core/feed/growth-stage'
import { printNumber } from '#core/units/format'

const saying = useSaying()

/**
 * One scale for every feed: mg/L of nitrogen. The bands are what each stage wants, the mark is what is wanted now and
 * drags; the flags are what the label's rules come to; the bracket is what the hand will really give.
 */
const props = defineProps<{
  growthStages: readonly GrowthStage[]
  growthStageId: string
  target: number
  flags: readonly { name: string; value: number }[]
  range: { low: number; high: number; at: number } | null
}>()
const emit = defineEmits<{ target: [value: number]; growthStage: [id: string] }>()

const root = useTemplateRef<HTMLElement>('root')
const { width: measured } = useElementSize(root)
const width = computed(() => Math.max(300, measured.value || 1180))
const narrow = computed(() => width.value < 640)

const LEFT = computed(() => (narrow.value ? 12 : 190))
const ROW = computed(() => (narrow.value ? 40 : 27))
const TOP = 104
const height = computed(() => TOP + props.growthStages.length * ROW.value + 46)
const STEP = 5

const most = computed(() => {
  const wanted = Math.max(
    250,
    props.target * 1.15,
    ...props.flags.map(({ value }) => Math.min(value, 450) * 1.08),
  )
  return Math.ceil(wanted / 50) * 50
})
const x = computed(() => scaleLinear([0, most.value], [LEFT.value, width.value - 22]))
const ticks = computed(() => x.value.ticks(narrow.value ? 5 : 10))
const rows = computed(() =>
  props.growthStages.map((growthStage, index) => ({
    ...growthStage,
    y: TOP + index * ROW.value,
    here: growthStage.id === props.growthStageId,
    text: growthStage.highNMgPerL ? `${growthStage.lowNMgPerL}–${growthStage.highNMgPerL}` : 'plain water',
  })),
)

/** Flags that would cover each other are raised in turn. */
const raised = computed(() => {
  let lastX = -Infinity
  let level = 0
  return props.flags
    .filter(({ value }) => value <= most.value)
    .sort((a, b) => a.value - b.value)
    .map((flag) => {
      const at = x.value(flag.value)
      level = at - lastX < 92 ? (level + 1) % 2 : 0
      lastX = at
      return { ...flag, at, y: 12 + level * 18 }
    })
})
</script>

<template>
  <div ref="root" class="scale">
    <svg
      :width="width"
      :height="height"
      role="group"
      aria-label="Strength scale, milligrams of nitrogen per litre"
    >
      <g class="grid" aria-hidden="true">
        <g v-for="tick in ticks" :key="tick">
          <path :d="`M${x(tick)} ${TOP - 6}V${height - 40}`" />
          <text :x="x(tick)" :y="height - 23">{{ tick }}</text>
        </g>
        <text class="unit" :x="width - 22" :y="height - 6">{{ saying.litreUnit }} of nitrogen</text>
      </g>

      <g
        v-for="row in rows"
        :key="row.id"
        class="growth-stage"
        :class="{ here: row.here }"
        aria-hidden="true"
        @click="emit('growthStage', row.id)"
      >
        <rect class="row" :x="0" :y="row.y" :width="width" :height="ROW" rx="4" />
        <text class="name" :x="12" :y="row.y + (narrow ? 15 : ROW / 2 + 5)">{{ row.name }}</text>
        <rect
          class="band"
          :x="x(row.lowNMgPerL)"
          :y="row.y + (narrow ? 20 : 5)"
          :width="Math.max(5, x(row.highNMgPerL) - x(row.lowNMgPerL))"
          :height="narrow ? 15 : ROW - 9"
          rx="4"
        />
        <text class="numbers" :x="x(row.highNMgPerL) + 8" :y="row.y + (narrow ? 33 : ROW / 2 + 5)">
          {{ row.text }}
        </text>
      </g>

      <g v-for="flag in raised" :key="flag.name" class="flag" pointer-events="none" aria-hidden="true">
        <path :d="`M${flag.at} ${flag.y + 4}V${height - 40}`" />
        <text v-if="flag.at < width - 110" :x="flag.at + 5" :y="flag.y + 4">{{ flag.name }}</text>
        <text v-else class="before" :x="flag.at - 5" :y="flag.y + 4">{{ flag.name }}</text>
      </g>

      <g v-if="range" class="range" pointer-events="none" aria-hidden="true">
        <rect
          :x="x(range.low)"
          :y="TOP - 6"
          :width="Math.max(2, x(Math.min(range.high, most)) - x(range.low))"
          :height="height - 34 - TOP"
        />
        <path
          :d="`M${x(range.low)} ${height - 44}V${height - 34}H${x(Math.min(range.high, most))}V${height - 44}`"
        />
      </g>

      <DragHandle
        class="mark"
        label="Wanted strength"
        :value="Math.round(target)"
        :min="STEP"
        :max="1000"
        :says="`${printNumber(target)} milligrams of nitrogen per litre`"
        :step="STEP"
        :page="25"
        :at="(point) => Math.min(most, x.invert(point.x))"
        @move="emit('target', $event)"
      >
        <rect class="reach" :x="x(Math.min(target, most)) - 22" y="0" width="44" :height="height - 36" />
        <path class="line" :d="`M${x(Math.min(target, most))} ${TOP - 10}V${height - 36}`" />
        <g :transform="`translate(${x(Math.min(target, most))} ${TOP - 22})`">
          <path class="drop" d="M0 14C-9 3-15-3-15-11a15 15 0 0 1 30 0C15-3 9 3 0 14Z" />
          <text y="-5">{{ printNumber(target) }}</text>
        </g>
      </DragHandle>
    </svg>
    <ul class="unseen">
      <li v-for="row in rows" :key="row.id">
        {{ row.name }}: {{ row.text }} {{ row.highNMgPerL ? saying.litreUnit : '' }}
      </li>
      <li v-for="flag in flags" :key="flag.name">
        {{ flag.name }}: {{ printNumber(flag.value) }} {{ saying.litreUnit }}
      </li>
    </ul>
  </div>
</template>

<style scoped>
.scale {
  overflow: hidden;
}

/* Letters are read over the lines they cross. */
text {
  stroke: var(--paper);
  stroke-width: 4;
  paint-order: stroke;
}

.mark text {
  stroke: none;
}

.before {
  text-anchor: end;
}

svg {
  display: block;
  max-width: 100%;
}

text {
  font-size: 15px;
}

.grid text {
  text-anchor: middle;
  fill: var(--ink-soft);
}

.grid .unit {
  text-anchor: end;
}

.growth-stage {
  cursor: pointer;
}

.row {
  fill: transparent;
}

.growth-stage:hover .row {
  fill: color-mix(in srgb, var(--water) 12%, transparent);
}

.growth-stage.here .row {
  fill: var(--water-wash);
}

.growth-stage.here .name {
  font-weight: 700;
}

.band {
  fill: color-mix(in srgb, var(--line-strong) 45%, var(--paper));
}

.growth-stage.here .band {
  fill: var(--water);
}

.numbers {
  fill: var(--ink-soft);
  stroke: var(--paper);
  stroke-width: 5px;
  paint-order: stroke;
}

.growth-stage.here .numbers {
  stroke: var(--water-wash);
}

.growth-stage.here .numbers {
  fill: var(--ink);
}

.flag path {
  stroke: var(--marigold);
  stroke-width: 2;
  stroke-dasharray: 2 4;
}

.flag text {
  fill: var(--marigold-ink);
}

.range rect {
  fill: color-mix(in srgb, var(--enamel) 14%, transparent);
}

.range path {
  fill: none;
  stroke: var(--enamel);
  stroke-width: 2;
}

.mark {
  cursor: ew-resize;
}

.reach {
  fill: transparent;
}

.line {
  stroke: var(--enamel);
  stroke-width: 3;
}

.drop {
  fill: var(--enamel);
  scale: 1.25;
}

.mark text {
  text-anchor: middle;
  fill: var(--on-enamel);
  font-weight: 700;
}

.mark:focus-visible .drop {
  stroke: var(--marigold);
  stroke-width: 4;
}
</style>
