<script setup lang="ts">
import type { Day } from '#core/calendar/day'
import type { PlannedRow } from '#shared/derived/planned-row'
import { layersOf } from '#shared/drawings/layers'
import { textureFill } from '#shared/drawings/textures'
import type { SeasonScale } from '#shared/drawings/season-scale'

/** One sowing as a staircase of stages, each a section through its mix; dragged whole, or by the edge between two stages. */
const props = defineProps<{
  row: PlannedRow
  scale: SeasonScale
  y: number
  height: number
  labels: boolean
  selected: boolean
  sown: boolean
  today: Day
  thought: boolean
  printDay: (day: Day) => string
}>()
defineEmits<{
  press: [event: PointerEvent, edge: number | null]
  key: [event: KeyboardEvent]
}>()

const context = useContext()
const STEP = 7
const FIRST = 13

const bars = computed(() =>
  props.row.planned.stages
    .filter(({ kind }) => kind !== 'set in')
    .map((stage, i) => {
      const high = Math.min(props.height - 7, FIRST + i * STEP)
      const x = props.scale.x(stage.from)
      const width = Math.max(2, props.scale.x(stage.until) - x - 1)
      const top = props.y + props.height - 3 - high
      return { stage, x, width, top, high, layers: layersOf(partsIn(i)) }
    }),
)
/** Plants stay in their mix until another is filled in. */
function partsIn(index: number) {
  const recipeId = props.row.planned.stages.slice(0, index + 1).findLast((stage) => stage.recipeId)?.recipeId
  return (recipeId && context.recipes.get(recipeId)?.parts) || []
}
const end = computed(() => props.scale.x(props.row.planned.outOn))
const soil = computed(() => props.y + props.height - 3)
const text = computed(() => {
  const { sowOn, outOn, stages } = props.row.planned
  const steps = stages
    .slice(1)
    .map(({ kind, from, container }) =>
      kind === 'harden'
        ? `harden off from ${props.printDay(from)}`
        : `${kind} into ${container.name} on ${props.printDay(from)}`,
    )
  return `${props.row.name}: sow ${props.printDay(sowOn)}, ${steps.join(', ')}, out ${props.printDay(outOn)}`
})
</script>

<template>
  <g
    class="row"
    :class="{ selected, thought }"
    role="slider"
    tabindex="0"
    :aria-label="row.name"
    :aria-valuenow="Math.round(end)"
    :aria-valuemin="Math.round(scale.left)"
    :aria-valuemax="Math.round(scale.right)"
    :aria-valuetext="text"
    @keydown="$emit('key', $event)"
  >
    <rect
      class="ground"
      :x="0"
      :y="y"
      :width="scale.right"
      :height="height"
      @pointerdown="$emit('press', $event, null)"
    />
    <text v-if="labels" class="name strong" :x="8" :y="y + height / 2 + 5">{{ row.name }}</text>
    <text v-else class="name strong" :x="8" :y="y + 14">{{ row.name }}</text>
    <path
      v-if="row.planned.treatOn"
      stroke="var(--water)"
      stroke-width="3"
      stroke-dasharray="2 4"
      :d="`M${scale.x(row.planned.treatOn)} ${soil - 5}H${scale.x(row.planned.sowOn)}`"
    />
    <g
      v-for="{ stage, x, width, top, high, layers } in bars"
      :key="stage.index"
      class="stage"
      :class="{ fixed: sown && stage.index === 0 }"
      @pointerdown="$emit('press', $event, null)"
    >
      <rect
        v-if="stage.kind === 'harden'"
        class="harden"
        :x="x"
        :y="top"
        :width="width"
        :height="high"
        fill="url(#harden)"
      />
      <template v-else>
        <rect
          v-for="layer in layers"
          :key="layer.materialId"
          :x="x"
          :y="top + high * (1 - layer.from - layer.share)"
          :width="width"
          :height="high * layer.share"
          :fill="textureFill(layer.materialId)"
        />
        <rect class="outline" :x="x" :y="top" :width="width" :height="high" />
      </template>
    </g>
    <circle
      v-if="row.planned.emergeOn"
      fill="var(--paper)"
      stroke="var(--ink)"
      stroke-width="1.6"
      :cx="scale.x(row.planned.emergeOn)"
      :cy="soil - FIRST - 4"
      r="3.5"
    />
    <path
      class="out"
      :d="`M${end} ${soil}v-17m0 8c-6 0-8-3.500-8-7 5 0 8 2 8 7Zm0-3c0-5 3-7 8-7 0 4-3 7-8 7Z`"
    />
    <text class="date" :x="end + 12" :y="soil - 3">{{ printDay(row.planned.outOn) }}</text>
    <g v-for="{ stage, x, width, top, high } in bars" :key="`edge-${stage.index}`">
      <rect
        v-if="stage.until > today"
        class="edge"
        :x="x + width - 5"
        :y="top"
        width="11"
        :height="high"
        @pointerdown.stop="$emit('press', $event, stage.index)"
      />
    </g>
  </g>
</template>

<style scoped>
.row {
  outline: none;
  cursor: grab;
}

.ground {
  fill: transparent;
}

.row:hover .ground,
.row.selected .ground {
  fill: var(--paper-deep);
}

.row:focus-visible .ground {
  stroke: var(--marigold);
  stroke-width: 3;
}

text {
  font-size: 15px;
  pointer-events: none;
}

.date {
  fill: var(--ink-soft);
  font-size: 13px;
}

.outline {
  fill: none;
  stroke: var(--ink);
  stroke-opacity: 0.55;
}

.thought .outline,
.thought .harden {
  stroke: var(--enamel);
  stroke-width: 2;
  stroke-dasharray: 5 3;
  stroke-opacity: 1;
}

.harden {
  stroke: var(--line-strong);
}

.out {
  fill: var(--enamel);
  stroke: var(--enamel);
  stroke-width: 1.6;
}

.edge {
  fill: transparent;
  cursor: ew-resize;
}

.edge:hover {
  fill: var(--enamel);
  opacity: 0.55;
}

.row.selected .edge {
  fill: var(--enamel);
  opacity: 0.3;
}

@media (forced-colors: active) {
  .row.selected .ground {
    stroke: Highlight;
  }
}
</style>
