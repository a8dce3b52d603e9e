<script setup lang="ts">
import { fullAndOpen } from '#core/supplies/draw'
import { printShare } from '#core/units/format'
import { textureFill } from '#shared/drawings/textures'

/** Packs drawn as they stand on the shelf: the full ones, and the open one as full as it is. */
const props = defineProps<{ packs: number; materialId: string | null }>()

const MAX_DRAWN = 5
const W = 20
const H = 28
const GAP = 5

const state = computed(() => fullAndOpen(props.packs))
const drawn = computed(() => [
  ...Array.from({ length: Math.min(state.value.full, MAX_DRAWN) }, () => 1),
  ...(state.value.open > 0 ? [state.value.open] : []),
])
const fill = computed(() => (props.materialId ? textureFill(props.materialId) : 'var(--water)'))
/** `2 full, 1 opened (55 % left)`. */
const words = computed(() => {
  const { full, open } = state.value
  if (!full && !open) return 'none left'
  const left = open && `1 opened, ${printShare(Math.round(open * 100) / 100)} left`
  return [full && `${full} full`, left].filter(Boolean).join(', ')
})
</script>

<template>
  <span class="packs row nowrap">
    <svg :width="Math.max(1, drawn.length) * (W + GAP)" :height="H + 2" aria-hidden="true">
      <g v-for="(level, index) in drawn" :key="index" :transform="`translate(${index * (W + GAP) + 1} 1)`">
        <rect :y="H - H * level" :width="W" :height="H * level" :fill="fill" />
        <path class="bag" :d="`M0 0V${H}H${W}V0${level === 1 ? 'Z' : ''}`" />
      </g>
      <path v-if="!drawn.length" class="bag none" :d="`M1 1V${H}H${W}V1`" />
    </svg>
    <span :class="{ soft: drawn.length > 0, out: drawn.length === 0 }">{{ words }}</span>
  </span>
</template>

<style scoped>
svg {
  flex: none;
}

.bag {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.5;
  stroke-linejoin: round;
}

.none {
  stroke: var(--line-strong);
  stroke-dasharray: 3 3;
}

.out {
  color: var(--beet);
  font-weight: 650;
}
</style>
