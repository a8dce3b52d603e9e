<script setup lang="ts">
import type { Part } from '#core/media/recipe'
import { printShare } from '#core/units/format'
import { layersOf } from '#shared/drawings/layers'
import { textureFill } from '#shared/drawings/textures'

/** A recipe as a low bar of its bands. */
const props = withDefaults(defineProps<{ parts: readonly Part[]; height?: number }>(), { height: 34 })

const context = useContext()
const bands = computed(() =>
  layersOf(props.parts).map((layer) => ({
    ...layer,
    name: context.materials.get(layer.materialId)?.name ?? 'No longer here',
  })),
)
const text = computed(() => bands.value.map(({ name, share }) => `${name} ${printShare(share)}`).join(', '))
</script>

<template>
  <svg width="100%" :height="height" role="img" :aria-label="text">
    <rect
      v-for="band in bands"
      :key="band.materialId"
      :x="`${band.from * 100}%`"
      y="0"
      :width="`${band.share * 100}%`"
      :height="height"
      :fill="textureFill(band.materialId)"
    >
      <title>{{ band.name }}</title>
    </rect>
    <rect
      v-for="band in bands.slice(1)"
      :key="`edge-${band.materialId}`"
      :x="`${band.from * 100}%`"
      y="0"
      width="2"
      :height="height"
      fill="var(--paper)"
    />
  </svg>
</template>

<style scoped>
svg {
  display: block;
  border-radius: 4px;
}
</style>
