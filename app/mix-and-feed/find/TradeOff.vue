<script setup lang="ts">
import { extent } from 'd3-array'
import { scaleLinear } from 'd3-scale'
import type { FinderTrait, Found } from '#core/media/finder'
import { printTrait, TRAITS } from '#shared/drawings/traits'

/** Two wants against each other: what one costs in the other. Filled marks meet every want. */
const props = defineProps<{
  cloud: readonly Found[]
  best: readonly Found[]
  x: FinderTrait
  y: FinderTrait
  chosen: number
}>()
const emit = defineEmits<{ choose: [index: number] }>()

const chart = useChart({ most: 608, height: 340, pad: { left: 62, right: 16, top: 32, bottom: 46 } })

const all = computed(() => [...props.cloud, ...props.best])
const scale = (trait: FinderTrait, range: [number, number]) => {
  const [low = 0, high = 1] = extent(all.value, (found) => found.traits[trait]) as [number, number]
  return scaleLinear([low, high === low ? low + 1 : high], range).nice()
}
const sx = computed(() => scale(props.x, chart.across))
const sy = computed(() => scale(props.y, chart.up))
/** All dots of a kind in one path: a thousand elements less to keep. */
const dots = computed(() => {
  const paths = { off: '', fits: '' }
  for (const { miss, traits } of props.cloud) {
    const [cx, cy] = [sx.value(traits[props.x]), sy.value(traits[props.y])]
    paths[miss ? 'off' : 'fits'] +=
      `M${(cx - 2.6).toFixed(1)} ${cy.toFixed(1)}a2.6 2.6 0 1 0 5.2 0a2.6 2.6 0 1 0 -5.2 0`
  }
  return paths
})
const tick = (trait: FinderTrait, value: number) =>
  printTrait(trait, value).replace(/ (mS\/cm|mg\/L N|a litre)$/, '')
const text = computed(() => {
  const found = props.best[props.chosen]
  return `${TRAITS[props.y].name} against ${TRAITS[props.x].name} of ${all.value.length} blends. ${found ? `The chosen one: ${printTrait(props.x, found.traits[props.x])}, ${printTrait(props.y, found.traits[props.y])}.` : ''}`
})
</script>

<template>
  <ChartDrawing
    :chart="chart"
    :label="text"
    :x="marksOf(sx, 6, (value) => tick(x, value), 64)"
    :y="marksOf(sy, 5, (value) => tick(y, value))"
    :x-title="`${TRAITS[x].name} ${TRAITS[x].unit}`"
    :y-title="TRAITS[y].name"
  >
    <path v-for="kind in ['off', 'fits'] as const" :key="kind" :d="dots[kind]" :class="kind" />
    <circle
      v-for="(found, index) in best"
      :key="`best-${index}`"
      :cx="sx(found.traits[x])"
      :cy="sy(found.traits[y])"
      :r="index === chosen ? 9 : 6"
      class="best"
      :class="{ chosen: index === chosen }"
      @click="emit('choose', index)"
    />
  </ChartDrawing>
</template>

<style scoped>
.off {
  fill: none;
  stroke: var(--line-strong);
}

.fits {
  fill: var(--water);
}

.best {
  fill: var(--paper-raised);
  stroke: var(--enamel);
  stroke-width: 2.5;
  cursor: pointer;
}

.best.chosen {
  fill: var(--enamel);
}
</style>
