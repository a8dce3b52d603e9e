<script setup lang="ts">
import type { Container } from '#core/containers/container'
import { pressedPores, pressedWater } from '#core/media/pressing'
import { waterAtHeight, type Blend } from '#core/media/blend'
import type { LowerBlend } from '#core/media/container-physics'

/**
 * A container cut open after draining, to scale: at every height how much is solid, how much water, how much air.
 * The wet foot shows as the place where water takes nearly all the room.
 */
const props = defineProps<{
  container: Container
  blend: Blend
  /** Litres of mix in a litre of it; 1 where it is not pressed. */
  pressing?: number
  /** The mix below, where the container is filled in layers. */
  lower?: LowerBlend | null
  /** px per mm. */
  scale: number
}>()

const SLICES = 28

const size = computed(() => {
  const { shape } = props.container
  const top = shape.form === 'round' ? shape.topDiameterMm : shape.topWidthMm
  const base = shape.form === 'round' ? shape.baseDiameterMm : shape.baseWidthMm
  return { top: top * props.scale, base: base * props.scale, depth: shape.depthMm * props.scale }
})

const slices = computed(() => {
  const { depthMm } = props.container.shape
  const slicesOf = (blend: Blend) => {
    const litres = props.pressing ?? 1
    const pores = pressedPores(litres, waterAtHeight(blend, 0))
    return (t: number) => ({
      t,
      solids: 1 - pores,
      water: pressedWater(litres, waterAtHeight(blend, (t * depthMm) / 10), pores),
    })
  }
  const upper = slicesOf(props.blend)
  const heights = Array.from({ length: SLICES + 1 }, (_, i) => i / SLICES)
  if (!props.lower) return heights.map(upper)
  const below = slicesOf(props.lower)
  const edge = props.lower.heightMm / depthMm
  return [
    ...heights.filter((t) => t < edge).map(below),
    below(edge),
    upper(edge),
    ...heights.filter((t) => t > edge).map(upper),
  ]
})

/** x of a fraction across the section at a height, px. */
function x(t: number, fraction: number): number {
  const { top, base } = size.value
  const width = base + (top - base) * t
  return 3 + top / 2 - width / 2 + fraction * width
}
const y = (t: number) => size.value.depth * (1 - t) + 2

function band(
  from: (slice: (typeof slices.value)[number]) => number,
  to: (slice: (typeof slices.value)[number]) => number,
) {
  const up = slices.value.map((slice) => `${x(slice.t, from(slice)).toFixed(1)} ${y(slice.t).toFixed(1)}`)
  const down = [...slices.value]
    .reverse()
    .map((slice) => `${x(slice.t, to(slice)).toFixed(1)} ${y(slice.t).toFixed(1)}`)
  return `M${[...up, ...down].join('L')}Z`
}
const solids = computed(() =>
  band(
    () => 0,
    (slice) => slice.solids,
  ),
)
const water = computed(() =>
  band(
    (slice) => slice.solids,
    (slice) => slice.solids + slice.water,
  ),
)
const air = computed(() =>
  band(
    (slice) => slice.solids + slice.water,
    () => 1,
  ),
)
</script>

<template>
  <svg :width="size.top + 6" :height="size.depth + 6" aria-hidden="true">
    <path :d="solids" class="solids" />
    <path :d="water" class="water" />
    <path :d="air" class="air" />
    <path
      v-if="lower"
      class="edge"
      :d="`M${x(lower.heightMm / container.shape.depthMm, 0)} ${y(lower.heightMm / container.shape.depthMm)}H${x(lower.heightMm / container.shape.depthMm, 1)}`"
    />
    <path
      fill="none"
      stroke="var(--ink)"
      stroke-width="2"
      stroke-linejoin="round"
      :d="`M${x(1, 0)} 2L${x(0, 0)} ${y(0)}H${x(0, 1)}L${x(1, 1)} 2`"
    />
  </svg>
</template>

<style scoped>
svg {
  display: block;
  overflow: visible;
}

.solids {
  fill: var(--soil);
}

.water {
  fill: var(--water);
}

.air {
  fill: var(--water-wash);
  stroke: var(--paper);
}

.edge {
  stroke: var(--ink);
  stroke-dasharray: 4 3;
}
</style>
