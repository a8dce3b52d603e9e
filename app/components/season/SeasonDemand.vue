<script setup lang="ts">
import { useMeasures } from '~/composables/useMeasures'
import { computed } from 'vue'
import { useContext } from '~/state/context'
import { useSeason } from '~/state/season'
import { area, curveStepAfter, line } from 'd3-shape'
import { scaleLinear } from 'd3-scale'
import { addDays } from '#core/season/day'
import { FLAT_M2 } from '#core/containers/flat'
import { printNumber } from '#core/units/format'
import { layersOf } from '~/drawings/layers'
import { DEMAND, type SeasonScale } from '~/drawings/season-scale'
import { textureFill } from '~/drawings/textures'

const { roughVolume } = useMeasures()

/** What the sowings ask for day by day, under their axis: flats and light, mix, feed. */
const props = defineProps<{ scale: SeasonScale; top: number }>()
const season = useSeason()
const context = useContext()

const mixFoot = computed(() => props.top + DEMAND.flats + DEMAND.gap + DEMAND.mix)
const feedFoot = computed(() => mixFoot.value + DEMAND.gap + DEMAND.feed)
const flatsScale = computed(() => {
  const most = Math.max(season.frame!.shelfFlats, ...season.load!.flats)
  return scaleLinear([0, most * 1.08], [props.top + DEMAND.flats, props.top])
})
const steps = (values: readonly number[], clip: (value: number) => [number, number]) =>
  area<number>()
    .x((_, i) => props.scale.x(addDays(season.load!.from, i)))
    .y0((value) => clip(value)[0])
    .y1((value) => clip(value)[1])
    .curve(curveStepAfter)([...values]) ?? ''
const standing = computed(() =>
  steps(season.load!.flats, (value) => [flatsScale.value(0), flatsScale.value(value)]),
)
const tooMany = computed(() => {
  const full = flatsScale.value(season.frame!.shelfFlats)
  return steps(season.load!.flats, (value) => [full, Math.min(full, flatsScale.value(value))])
})
/** What wants lamps, from emergence to hardening off, as flats. */
const lit = computed(
  () =>
    line<number>()
      .x((_, i) => props.scale.x(addDays(season.load!.from, i)))
      .y((m2) => flatsScale.value(m2 / FLAT_M2))
      .curve(curveStepAfter)([...season.load!.litM2]) ?? '',
)
const lampFlats = computed(() => season.frame!.lampM2 / FLAT_M2)

const mostMix = computed(() => Math.max(1, ...season.mixes.map(({ looseL }) => looseL)))
const mixBars = computed(() => {
  const y = scaleLinear([0, mostMix.value], [0, DEMAND.mix - 16])
  return season.mixes.map((run) => {
    const high = y(run.looseL)
    return {
      run,
      x: props.scale.x(run.on),
      high,
      layers: layersOf(context.recipes.get(run.recipeId)?.parts ?? []).map(({ materialId, from, share }) => ({
        materialId,
        y: mixFoot.value - high * (from + share),
        high: high * share,
      })),
    }
  })
})
/** Labels that would run into a larger neighbour's are left out; its bar still stands. */
const labelled = computed(() => {
  const kept: { x: number; looseL: number }[] = []
  for (const { x, run } of [...mixBars.value].sort((a, b) => b.run.looseL - a.run.looseL))
    if (kept.every((other) => Math.abs(other.x - x) > 46)) kept.push({ x, looseL: run.looseL })
  return new Set(kept.map(({ x }) => x))
})
const mostFeed = computed(() => Math.max(1, ...season.feeds.map(({ solutionL }) => solutionL)))
const feedBars = computed(() =>
  season.feeds.map((run) => ({
    run,
    x: props.scale.x(run.on),
    high: Math.max(2, ((DEMAND.feed - 14) * run.solutionL) / mostFeed.value),
  })),
)
</script>

<template>
  <g>
    <clipPath id="season-span">
      <rect :x="scale.left" y="0" :width="scale.right - scale.left" :height="top + DEMAND.high" />
    </clipPath>
    <pattern id="over" width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
      <path d="M0 0V7" class="over-line" />
    </pattern>
    <g class="demand" pointer-events="none">
      <text class="panel" :x="8" :y="top - 8">Flats on the shelf</text>
      <path class="standing" :d="standing" clip-path="url(#season-span)" />
      <path :d="tooMany" fill="url(#over)" class="over" clip-path="url(#season-span)" />
      <path class="full" :d="`M${scale.left} ${flatsScale(season.frame!.shelfFlats)}H${scale.right}`" />
      <text :x="scale.right + 6" :y="flatsScale(season.frame!.shelfFlats) + 5">
        {{ season.frame!.shelfFlats }} fit
      </text>
      <path class="lit" :d="lit" clip-path="url(#season-span)" />
      <template v-if="lampFlats < flatsScale.domain()[1]!">
        <path class="lamps" :d="`M${scale.left} ${flatsScale(lampFlats)}H${scale.right}`" />
        <text
          :x="scale.right + 6"
          :y="flatsScale(lampFlats) + (Math.abs(lampFlats - season.frame!.shelfFlats) < 2 ? 20 : 5)"
        >
          lit
        </text>
      </template>
      <g v-for="run in season.overflowing" :key="run.from">
        <text
          class="warn"
          :x="Math.min(scale.x(run.from), scale.right - 60)"
          :y="Math.max(top + 10, flatsScale(run.most) - 6)"
        >
          {{ printNumber(run.most) }}
        </text>
      </g>

      <text class="panel" :x="8" :y="mixFoot - DEMAND.mix - 8">Mix to make</text>
      <path class="base" :d="`M${scale.left} ${mixFoot}H${scale.right}`" />
      <g v-for="bar in mixBars" :key="bar.run.id">
        <rect
          v-for="layer in bar.layers"
          :key="layer.materialId"
          :x="bar.x - 6"
          :y="layer.y"
          width="13"
          :height="layer.high"
          :fill="textureFill(layer.materialId)"
        />
        <rect class="outline" :x="bar.x - 6" :y="mixFoot - bar.high" width="13" :height="bar.high" />
        <text
          v-if="labelled.has(bar.x)"
          class="litres"
          :x="bar.x"
          :y="mixFoot - bar.high - 4"
          text-anchor="middle"
        >
          {{ roughVolume(bar.run.looseL) }}
        </text>
      </g>

      <text class="panel" :x="8" :y="feedFoot - DEMAND.feed - 8">Feed to carry</text>
      <path class="base" :d="`M${scale.left} ${feedFoot}H${scale.right}`" />
      <rect
        v-for="(bar, i) in feedBars"
        :key="i"
        class="feed"
        :x="bar.x - 2"
        :y="feedFoot - bar.high"
        width="4"
        :height="bar.high"
      />
      <text :x="scale.right + 6" :y="feedFoot - DEMAND.feed + 18">{{ roughVolume(mostFeed) }}</text>
    </g>
  </g>
</template>

<style scoped>
text {
  fill: var(--ink);
  font-size: 14px;
}

.over-line {
  stroke: var(--beet);
  stroke-width: 4;
}

.panel {
  font-weight: 650;
}

.standing {
  fill: var(--line);
}

.over {
  stroke: var(--beet);
}

.full {
  stroke: var(--ink);
  stroke-width: 1.6;
}

.lit {
  fill: none;
  stroke: var(--marigold);
  stroke-width: 2.5;
}

.lamps {
  stroke: var(--marigold);
  stroke-width: 1.6;
  stroke-dasharray: 6 4;
}

.warn {
  fill: var(--beet);
  font-weight: 700;
}

.base {
  stroke: var(--line-strong);
}

.outline {
  fill: none;
  stroke: var(--ink);
  stroke-opacity: 0.55;
}

.litres {
  font-size: 13px;
}

.feed {
  fill: var(--water);
}
</style>
