<script setup lang="ts">
import { computed } from 'vue'
import FigureValue from '~/components/figures/FigureValue.vue'
import { useContext } from '~/state/context'
import { drawFrom } from '#core/stores/draw'
import { printNumber } from '#core/units/format'
import type { MaterialLine } from '#core/media/batch'

/** Which packs a material comes out of: those on the shelf where they are written down, else the usual ones. */
const props = defineProps<{ line: MaterialLine }>()
const context = useContext()

/** `2 × 50 L bag`, `68 % of 650 g coir brick`. */
const said = (packs: number, name: string) =>
  packs < 0.995 ? `${printNumber(packs * 100, 2)} % of ${name}` : `${printNumber(packs)} × ${name}`

const fromShelf = computed(() => {
  const { material, looseL, sieve } = props.line
  const shelves = context.shelves('material', material.id)
  const { drawn, short } = drawFrom(shelves, (sieve ? sieve.bagL : looseL).value)
  if (!drawn.length || short > 0) return null
  return drawn.map(({ id, packs }) => said(packs, shelves.find((shelf) => shelf.id === id)!.name)).join(', ')
})
</script>

<template>
  <span v-if="fromShelf">{{ fromShelf }}</span>
  <FigureValue v-else :figure="line.packs" :digits="said(line.packs.value, line.pack.name)" />
</template>
