<script setup lang="ts">
import { present } from '#core/present'
import { last as lastOf } from '#core/numeric/at'
import { area, line } from 'd3-shape'
import { scaleLinear, scaleSqrt } from 'd3-scale'
import type { ProgrammePlan, ProgrammeRequest } from '#core/feed/programme'
import { growthStageById } from '#core/feed/growth-stage'
import { printNumber } from '#core/units/format'

/** Weeks from emergence: what a plant wants, what it has been given, each feed, and where it goes hungry. */
const props = defineProps<{ plan: ProgrammePlan; request: ProgrammeRequest }>()

const chart = useChart({ most: 860, height: 380, pad: { left: 56, right: 14, top: 34, bottom: 78 } })

const last = computed(() => props.plan.wantedMg.length - 1)
const x = computed(() => scaleLinear([0, last.value], chart.across))
/** Growth is steep at the end: the root keeps the first weeks readable. */
const y = computed(() =>
  scaleSqrt([0, Math.max(lastOf(props.plan.wantedMg), lastOf(props.plan.suppliedMg)) * 1.05], chart.up),
)
const path = (values: readonly number[]) =>
  line<number>(
    (_, day) => x.value(day),
    (value) => y.value(value),
  )([...values]) ?? ''
const wanted = computed(() => path(props.plan.wantedMg))
const supplied = computed(() => path(props.plan.suppliedMg))
/** Where what it wants lies above what it was given. */
const hunger = computed(
  () =>
    area<number>(
      (_, day) => x.value(day),
      (value, day) => y.value(Math.min(value, present(props.plan.suppliedMg[day]))),
      (value) => y.value(value),
    )([...props.plan.wantedMg]) ?? '',
)
const stages = computed(() => {
  let day = 0
  return props.request.stages.map(({ growthStageId, days }, index) => {
    const from = day
    day += days
    return {
      index,
      name: growthStageById(growthStageId).name,
      x: x.value(from),
      width: x.value(day) - x.value(from),
    }
  })
})
const weeks = computed(() =>
  marksOf(
    x.value,
    Array.from({ length: Math.floor(last.value / 7) + 1 }, (_, week) => week * 7),
    (day) => day / 7,
    22,
  ),
)
const text = computed(() => {
  const { events, hungryFrom } = props.plan
  const given = events.filter(({ notYet }) => !notYet)
  return (
    `Over ${Math.round(last.value / 7)} weeks a plant wants ${printNumber(lastOf(props.plan.wantedMg))} mg of nitrogen and gets ${printNumber(lastOf(props.plan.suppliedMg))} mg, in ${given.length} feeds. ` +
    (hungryFrom === null ? 'It never goes hungry.' : `It goes hungry on day ${hungryFrom}.`)
  )
})
</script>

<template>
  <ChartDrawing
    :chart="chart"
    :label="text"
    :x="weeks"
    :y="marksOf(y, 5, Number)"
    x-title="weeks from emergence"
    y-title="mg of nitrogen in one plant"
  >
    <defs>
      <pattern id="hunger" width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <path d="M0 0V7" class="hatch" />
      </pattern>
    </defs>
    <g v-for="stage in stages" :key="stage.index" class="stage">
      <rect
        :x="stage.x + 1"
        :y="chart.bottom + 26"
        :width="Math.max(0, stage.width - 2)"
        height="24"
        rx="4"
      />
      <text :x="stage.x + stage.width / 2" :y="chart.bottom + 43" text-anchor="middle">
        {{ stage.width > 78 ? stage.name : stage.index + 1 }}
      </text>
    </g>
    <path :d="hunger" fill="url(#hunger)" />
    <path class="supplied" :d="supplied" />
    <path class="wanted" :d="wanted" />
    <g v-for="event in plan.events" :key="event.day" :class="{ not: event.notYet }" class="feed">
      <path
        :d="`M${x(event.day)} ${y(present(plan.suppliedMg[event.day])) - 6}c-5-6-8-9-8-13a8 8 0 0 1 16 0c0 4-3 7-8 13Z`"
      />
    </g>
    <g class="key" :transform="`translate(${chart.left + 14} ${chart.top + 6})`">
      <path class="supplied" d="M0 6H26" />
      <text x="34" y="11">given: seed, mix and feed</text>
      <path class="wanted" d="M0 28H26" />
      <text x="34" y="33">wanted</text>
      <rect y="42" width="26" height="14" fill="url(#hunger)" class="box" />
      <text x="34" y="54">hungry</text>
    </g>
  </ChartDrawing>
</template>

<style scoped>
.stage rect {
  fill: var(--paper-deep);
  stroke: var(--line-strong);
}

.supplied,
.wanted {
  fill: none;
  stroke-width: 3;
}

.supplied {
  stroke: var(--water);
}

.wanted {
  stroke: var(--ink);
  stroke-dasharray: 7 5;
}

.hatch {
  stroke: var(--beet);
  stroke-width: 3;
}

.box {
  stroke: var(--line-strong);
}

.feed path {
  fill: var(--water);
  stroke: var(--paper);
}

.feed.not path {
  fill: var(--paper);
  stroke: var(--ink-soft);
  stroke-dasharray: 2 2;
}
</style>
