<script setup lang="ts">
import type { Container } from '#core/containers/container'
import { textureFill } from '#shared/drawings/textures'

/** A section through one cell to scale, with what is filled in and what covers it. */
const props = defineProps<{
  container: Container
  /** How full, 0–1, below the cover. */
  fill: number
  coverMm: number
  mixMaterialId: string
  coverMaterialId: string
  /** px per mm, the same for all in a list, so that they compare. */
  scale: number
}>()

const measures = computed(() => {
  const { shape } = props.container
  const top = shape.form === 'round' ? shape.topDiameterMm : shape.topWidthMm
  const base = shape.form === 'round' ? shape.baseDiameterMm : shape.baseWidthMm
  return { top: top * props.scale, base: base * props.scale, depth: shape.depthMm * props.scale }
})

/** Half width at a height above the base, px. */
const half = (height: number) => {
  const { top, base, depth } = measures.value
  return (base + ((top - base) * height) / depth) / 2
}

function slab(from: number, to: number): string {
  const { top, depth } = measures.value
  const x = top / 2 + 3
  return `M${x - half(from)} ${depth - from}L${x - half(to)} ${depth - to}H${x + half(to)}L${x + half(from)} ${depth - from}Z`
}

const filled = computed(() => measures.value.depth * Math.min(1, props.fill))
const covered = computed(() => Math.min(measures.value.depth, filled.value + props.coverMm * props.scale))
</script>

<template>
  <svg :width="measures.top + 6" :height="measures.depth + 4" aria-hidden="true">
    <path :d="slab(0, filled)" :fill="textureFill(mixMaterialId)" />
    <path
      v-if="coverMm > 0"
      :d="slab(filled, covered)"
      :fill="textureFill(coverMaterialId)"
      stroke="var(--ink)"
      stroke-width="1"
    />
    <path
      fill="none"
      stroke="var(--ink)"
      stroke-width="2"
      stroke-linejoin="round"
      :d="`M3 0L${measures.top / 2 + 3 - measures.base / 2} ${measures.depth}H${measures.top / 2 + 3 + measures.base / 2}L${measures.top + 3} 0`"
    />
  </svg>
</template>

<style scoped>
svg {
  display: block;
  overflow: visible;
}
</style>
