<script setup lang="ts">
import { present } from '#core/present'
import { area, curveStepAfter } from 'd3-shape'
import { scaleLinear } from 'd3-scale'
import { addDays } from '#core/calendar/day'
import { printNumber } from '#core/units/format'
import { layersOf } from '#shared/drawings/layers'
import type { DemandPanels, SeasonScale } from '#shared/drawings/season-scale'
import { textureFill } from '#shared/drawings/textures'

const { roughVolume } = useMeasures()

/** What the sowings ask for day by day, under their axis: flats in each place, mix, feed. */
const props = defineProps<{ scale: SeasonScale; top: number; panels: DemandPanels }>()
const season = useSeason()
const context = useContext()

const mixFoot = computed(() => props.top + props.panels.flats + props.panels.gap + props.panels.mix)
const feedFoot = computed(() => mixFoot.value + props.panels.gap + props.panels.feed)
const steps = (values: readonly number[], clip: (value: number) => [number, number]) =>
  area<number>()
    .x((_, i) => props.scale.x(addDays(present(season.load).from, i)))
    .y0((value) => clip(value)[0])
    .y1((value) => clip(value)[1])
    .curve(curveStepAfter)([...values]) ?? ''
const places = computed(() =>
  season.crowded.map((place, i) => {
    const flats = present(season.load).places.get(place.id) ?? []
    const top = props.top + i * (props.panels.place + props.panels.gap)
    const y = scaleLinear(
      [0, Math.max(place.flats ?? 0, ...flats) * 1.08 || 1],
      [top + props.panels.place, top],
    )
    const full = y(place.flats ?? 0)
    return {
      place,
      top,
      full,
      standing: steps(flats, (value) => [y(0), y(value)]),
      over: steps(flats, (value) => [full, Math.min(full, y(value))]),
      overflows: season.overflowing
        .filter((days) => days.place.id === place.id)
        .map(({ from, most }) => ({
          from,
          most,
          x: Math.min(props.scale.x(from), props.scale.right - 60),
          y: Math.max(top + 10, y(most) - 6),
        })),
    }
  }),
)

const mostMix = computed(() => Math.max(1, ...season.mixes.map(({ looseL }) => looseL)))
const mixBars = computed(() => {
  const y = scaleLinear([0, mostMix.value], [0, props.panels.mix - 16])
  return season.mixes.map((demand) => {
    const high = y(demand.looseL)
    return {
      demand,
      x: props.scale.x(demand.on),
      high,
      layers: layersOf(context.recipes.get(demand.recipeId)?.parts ?? []).map(
        ({ materialId, from, share }) => ({
          materialId,
          y: mixFoot.value - high * (from + share),
          high: high * share,
        }),
      ),
    }
  })
})
/** Labels that would run into a larger neighbour's are left out; its bar still stands. */
const labelled = computed(() => {
  const kept: { x: number; looseL: number }[] = []
  for (const { x, demand } of [...mixBars.value].sort((a, b) => b.demand.looseL - a.demand.looseL))
    if (kept.every((other) => Math.abs(other.x - x) > 46)) kept.push({ x, looseL: demand.looseL })
  return new Set(kept.map(({ x }) => x))
})
const mostFeed = computed(() => Math.max(1, ...season.feeds.map(({ solutionL }) => solutionL)))
const feedBars = computed(() =>
  season.feeds.map((demand) => ({
    demand,
    x: props.scale.x(demand.on),
    high: Math.max(2, ((props.panels.feed - 14) * demand.solutionL) / mostFeed.value),
  })),
)
</script>

<template>
  <g>
    <clipPath id="season-span">
      <rect :x="scale.left" y="0" :width="scale.right - scale.left" :height="top + panels.high" />
    </clipPath>
    <pattern id="over" width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
      <path d="M0 0V7" stroke="var(--beet)" stroke-width="4" />
    </pattern>
    <g class="demand" pointer-events="none">
      <g v-for="one in places" :key="one.place.id">
        <text font-weight="650" :x="8" :y="one.top - 8">Trays: {{ one.place.name }}</text>
        <path fill="var(--line)" :d="one.standing" clip-path="url(#season-span)" />
        <path
          :d="one.over"
          fill="url(#over)"
          class="over"
          stroke="var(--beet)"
          clip-path="url(#season-span)"
        />
        <template v-if="one.place.flats !== null">
          <path class="full" :d="`M${scale.left} ${one.full}H${scale.right}`" />
          <text :x="scale.right + 6" :y="one.full + 5">{{ printNumber(one.place.flats) }} fit</text>
        </template>
        <text
          v-for="days in one.overflows"
          :key="days.from"
          fill="var(--beet)"
          font-weight="700"
          :x="days.x"
          :y="days.y"
        >
          {{ Math.ceil(days.most) }}
        </text>
      </g>

      <text font-weight="650" :x="8" :y="mixFoot - panels.mix - 8">Mix to make</text>
      <path stroke="var(--line-strong)" :d="`M${scale.left} ${mixFoot}H${scale.right}`" />
      <g v-for="bar in mixBars" :key="bar.demand.id">
        <rect
          v-for="layer in bar.layers"
          :key="layer.materialId"
          :x="bar.x - 6"
          :y="layer.y"
          width="13"
          :height="layer.high"
          :fill="textureFill(layer.materialId)"
        />
        <rect
          fill="none"
          stroke="var(--ink)"
          stroke-opacity="0.55"
          :x="bar.x - 6"
          :y="mixFoot - bar.high"
          width="13"
          :height="bar.high"
        />
        <text
          v-if="labelled.has(bar.x)"
          font-size="13px"
          :x="bar.x"
          :y="mixFoot - bar.high - 4"
          text-anchor="middle"
        >
          {{ roughVolume(bar.demand.looseL) }}
        </text>
      </g>

      <text font-weight="650" :x="8" :y="feedFoot - panels.feed - 8">Feed to mix</text>
      <path stroke="var(--line-strong)" :d="`M${scale.left} ${feedFoot}H${scale.right}`" />
      <rect
        v-for="(bar, i) in feedBars"
        :key="i"
        class="feed"
        :x="bar.x - 2"
        :y="feedFoot - bar.high"
        width="4"
        :height="bar.high"
      />
      <text :x="scale.right + 6" :y="feedFoot - panels.feed + 18">{{ roughVolume(mostFeed) }}</text>
    </g>
  </g>
</template>

<style scoped>
/* Numbers are read over the hatching. */
text {
  stroke: var(--paper);
  stroke-width: 4;
  paint-order: stroke;
}

.full {
  stroke: var(--ink);
  stroke-width: 1.6;
}

.feed {
  fill: var(--water);
}
</style>
