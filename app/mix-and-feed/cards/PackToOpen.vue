<script setup lang="ts">
import { present } from '#core/present'
import { drawFrom } from '#core/supplies/draw'
import { packsOf } from '#core/supplies/pack-said'
import type { MaterialLine } from '#core/media/batch'

/** Which packs a material comes out of: those on the shelf where they are written down, else the usual ones. */
const props = defineProps<{ line: MaterialLine }>()
const context = useContext()

const fromShelf = computed(() => {
  const { material, looseL, sieve } = props.line
  const shelves = context.shelves('material', material.id)
  const { drawn, short } = drawFrom(shelves, (sieve ? sieve.bagL : looseL).value)
  if (!drawn.length || short > 0) return null
  return drawn
    .map(({ id, packs }) => packsOf(packs, present(shelves.find((shelf) => shelf.id === id)).name))
    .join(', ')
})
</script>

<template>
  <span v-if="fromShelf">{{ fromShelf }}</span>
  <FigureValue v-else :figure="line.packs" :digits="packsOf(line.packs.value, line.pack.name)" />
</template>
