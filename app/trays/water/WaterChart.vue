<script setup lang="ts">
import { at as elementAt, first as firstOf } from '#core/numeric/at'
import { area, line } from 'd3-shape'
import { scaleLinear } from 'd3-scale'
import { pathIfWatered } from '#core/water/ahead'
import { weightAt, type Point } from '#core/water/follow'
import { dayOf, hourOf, type Moment } from '#core/water/watering-events'
import { waterAgainAt, wetAbove } from '#core/water/tray-store'
import type { TrayWater } from '#shared/derived/water'

/**
 * What the tray weighs, day by day: computed, with its band, weighed as points, watered and fed as drops. The drop of the
 * next watering is dragged, and what it does is seen.
 */
const props = defineProps<{ water: TrayWater; name: string }>()
const { printDay } = useDates()
const { mass } = useMeasures()

const chart = useChart({
  most: 1240,
  least: 330,
  height: 340,
  pad: { left: 88, right: 16, top: 26, bottom: 44 },
})
const BACK_H = 12 * 24
const AHEAD_H = 7 * 24

const followed = computed(() => props.water.followed)
const now = computed(() => followed.value.now.at)
const until = computed(() => now.value + AHEAD_H)
/** When it is watered next, as the hand has it; when it is time, until then. */
const dragged = ref<Moment | null>(null)
const next = computed(() => {
  const due = dragged.value ?? props.water.outlook.dueAt ?? until.value
  return Math.round(Math.min(until.value - 6, Math.max(now.value, due)))
})
/** Before anything was written down of it nobody knows: that is not drawn. */
const from = computed(() => {
  const first = Math.min(...props.water.wateringEvents.map((one) => one.at))
  const known = Number.isFinite(first) ? first : now.value - BACK_H
  return Math.min(now.value - 24, Math.max(now.value - BACK_H, known))
})
const path = computed(() => {
  // Of one hour the last counts at the beginning: what it was before the first watering nobody knew.
  const past = followed.value.path.filter(
    ({ at }, i, all) => at >= from.value && at <= now.value && !(at === from.value && all[i + 1]?.at === at),
  )
  return [...past, ...pathIfWatered(followed.value, props.water.conditionsAt, next.value, until.value)]
})
const grams = (point: Point) => weightAt(followed.value, point)
const x = computed(() =>
  scaleLinear([Math.max(firstOf(path.value).at, from.value), until.value], chart.across),
)
/** Weight at a height of water, with the plants of now. */
const at = (waterL: number) => grams({ ...followed.value.now, waterL })
const lines = computed(() => [
  { name: 'full', y: at(followed.value.store.capacityL.value) },
  { name: 'wet above', y: at(wetAbove(followed.value.store)) },
  { name: 'water again', y: at(waterAgainAt(followed.value.store).value) },
])
const weighed = computed(() =>
  props.water.wateringEvents.flatMap((one, i) =>
    one.kind === 'weighed' && one.moment !== 'dry' && one.at >= firstOf(x.value.domain())
      ? [{ at: one.at, grams: one.grams, doubted: followed.value.doubted.includes(i) }]
      : [],
  ),
)
const drops = computed(() =>
  props.water.wateringEvents.flatMap((one) =>
    one.kind === 'watered' && one.at >= firstOf(x.value.domain())
      ? [{ at: one.at, fed: one.nMgPerL > 0 }]
      : [],
  ),
)
const y = computed(() => {
  const all = [
    ...path.value.map(grams),
    ...weighed.value.map((one) => one.grams),
    ...lines.value.map((one) => one.y),
  ]
  const [low, high] = [Math.min(...all), Math.max(...all)]
  return scaleLinear([low - (high - low) * 0.12, high + (high - low) * 0.1], chart.up).nice(4)
})
const curve = computed(
  () =>
    line<Point>(
      ({ at: hour }) => x.value(hour),
      (point) => y.value(grams(point)),
    )(path.value) ?? '',
)
/** Four times out of five it lies in the band. */
const BAND = 1.2816
const band = computed(
  () =>
    area<Point>(
      ({ at: hour }) => x.value(hour),
      (point) =>
        Math.min(chart.bottom, y.value(grams({ ...point, waterL: point.waterL - BAND * point.sdL }))),
      (point) => y.value(grams({ ...point, waterL: point.waterL + BAND * point.sdL })),
    )(path.value) ?? '',
)
/** So many days between two marks that their words have room. */
const days = computed(() => {
  const [from, to] = x.value.domain() as [number, number]
  const first = Math.ceil(from / 24)
  const count = Math.floor(to / 24) - first + 1
  const every = Math.max(1, Math.ceil((count * 56) / (chart.width - chart.left)))
  return marksOf(
    x.value,
    Array.from({ length: count }, (_, i) => (first + i) * 24).filter((_, i) => i % every === 0),
    (day) => printDay(dayOf(day)).replace(/^\S+ /, ''),
  )
})
const saidAt = (moment: Moment) =>
  `${printDay(dayOf(moment))}, ${String(Math.floor(hourOf(moment))).padStart(2, '0')}:00`
const text = computed(
  () =>
    `${props.name} weighs about ${mass(grams(followed.value.now))} now; full it is ${mass(firstOf(lines.value).y)}, and it needs water at ${mass(elementAt(lines.value, 2).y)}${props.water.outlook.dueAt ? `, about ${saidAt(props.water.outlook.dueAt)}` : ''}.`,
)
/** What it weighs just before it is watered, as the hand has it. */
const before = computed(() => path.value.find((point) => point.at >= next.value - 1e-6) ?? followed.value.now)
const lightest = computed(
  () =>
    before.value.waterL < waterAgainAt(followed.value.store).value - 0.25 * followed.value.store.easyL.value,
)

const latest = computed(() => until.value - 6)
</script>

<template>
  <div>
    <ChartDrawing
      :chart="chart"
      :label="text"
      :x="days"
      :y="marksOf(y, 4, mass)"
      y-title="weight with its tray"
      plain="y"
      interactive
    >
      <path class="band" :d="band" />
      <g v-for="one in lines" :key="one.name" class="mark" :class="one.name.replace(' ', '-')">
        <path :d="`M${chart.left} ${y(one.y)}H${chart.right}`" />
        <text :x="chart.right" :y="one.name === 'full' ? y(one.y) - 5 : y(one.y) + 15" text-anchor="end">
          {{ one.name }}
        </text>
      </g>
      <path class="now" :d="`M${x(now)} ${chart.top}V${chart.bottom}`" />
      <text class="now" :x="x(now) - 5" :y="chart.top + 12" text-anchor="end">now</text>
      <path class="curve" :d="curve" />
      <g v-for="(one, i) in drops" :key="`d${i}`" :class="{ fed: one.fed }" class="drop">
        <path :d="`M${x(one.at)} ${chart.bottom - 22}c-6 8-8 11-8 15a8 8 0 0 0 16 0c0-4-2-7-8-15Z`" />
        <text v-if="one.fed" :x="x(one.at)" :y="chart.bottom - 3" text-anchor="middle">N</text>
      </g>
      <circle
        v-for="(one, i) in weighed"
        :key="`w${i}`"
        :class="{ doubted: one.doubted }"
        class="weighed"
        :cx="x(one.at)"
        :cy="y(one.grams)"
        r="5"
      />
      <DragHandle
        class="next"
        label="Next watering"
        :value="next"
        :min="Math.round(now)"
        :max="Math.round(latest)"
        :says="saidAt(next)"
        :step="1"
        :page="24"
        :at="({ x: px }) => x.invert(px)"
        @move="dragged = $event"
      >
        <path class="stem" :d="`M${x(next)} ${chart.top + 18}V${chart.bottom}`" />
        <path
          class="head"
          :d="`M${x(next)} ${chart.top - 8}c-11 14-15 20-15 27a15 15 0 0 0 30 0c0-7-4-13-15-27Z`"
        />
        <rect
          :x="x(next) - 22"
          :y="chart.top - 12"
          width="44"
          :height="chart.bottom - chart.top + 12"
          fill="transparent"
        />
      </DragHandle>
    </ChartDrawing>
    <p class="soft">
      Drag the drop: watered {{ saidAt(next) }}, it weighs about {{ mass(grams(before)) }} before<template
        v-if="lightest"
        >, <strong class="problem">lighter than it should come</strong></template
      >.
    </p>
  </div>
</template>

<style scoped>
.band {
  fill: var(--water);
  opacity: 0.2;
}

.curve {
  fill: none;
  stroke: var(--water-ink);
  stroke-width: 2.5;
}

.mark path {
  stroke: var(--ink-soft);
  stroke-dasharray: 2 5;
}

.mark.water-again path {
  stroke: var(--marigold);
  stroke-width: 2;
  stroke-dasharray: 8 4;
}

.mark text {
  fill: var(--ink-soft);
}

path.now {
  stroke: var(--ink);
  stroke-width: 1.5;
}

.weighed {
  fill: var(--ink);
  stroke: var(--paper);
  stroke-width: 2;
}

.weighed.doubted {
  fill: var(--paper);
  stroke: var(--beet);
}

.drop path {
  fill: var(--water);
  stroke: var(--paper);
}

.drop text {
  fill: var(--paper);
  font-size: 12px;
  font-weight: 700;
}

.next {
  cursor: ew-resize;
}

.next .head {
  fill: var(--enamel);
  stroke: var(--paper);
  stroke-width: 2;
}

.next .stem {
  stroke: var(--enamel);
  stroke-width: 2;
  stroke-dasharray: 4 4;
}

.next:focus-visible .head {
  stroke: var(--marigold);
  stroke-width: 4;
}
</style>
