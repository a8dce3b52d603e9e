<script setup lang="ts">
import type { Found } from '#core/media/finder'
import { saidInParts, type Part } from '#core/media/recipe'
import { printNumber } from '#core/units/format'
import { printTrait } from '#shared/drawings/traits'

/** A mix that was found: what it is made of, how it does, and how surely. */
defineProps<{ found: Found; known: string; parts: readonly Part[]; chosen: boolean }>()
defineEmits<{ choose: []; use: [] }>()
const context = useContext()
const saying = useSaying()

/** A chance as it is said, never surer than the draws are. */
const inTen = (chance: number) => {
  const n = Math.round(chance * 10)
  return chance > 0.97 ? 'nearly always' : n === 0 ? 'less than 1 time in 10' : `${n} times in 10`
}
const nameOf = (id: string) => context.materials.get(id)?.name.split(',')[0] ?? 'No longer here'
</script>

<template>
  <li :class="{ chosen }">
    <button type="button" class="pick stack-s" :aria-pressed="chosen" @click="$emit('choose')">
      <span v-if="known" class="known">{{ known }}</span>
      <RecipeBar :parts="parts" :height="30" />
      <span
        ><strong>{{ saidInParts(parts) }}</strong>
        {{ parts.map(({ materialId }) => nameOf(materialId)).join(', ') }}</span
      >
      <span class="small">
        {{ printTrait('air', found.traits.air) }} air · pH {{ printTrait('ph', found.traits.ph)
        }}<template v-if="found.traits.food >= 1">
          · {{ printNumber(Math.round(found.traits.food)) }} {{ saying.nitrogenUnit }}</template
        ><template v-if="found.miss === 0"> · meets your limits {{ inTen(found.chance) }}</template>
      </span>
    </button>
    <Button @click="$emit('use')">Use it</Button>
  </li>
</template>

<style scoped>
li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 0.8rem;
  align-items: center;
  padding: 0.7rem 0.5rem;
  border-top: 1px solid var(--line);
}

.chosen {
  background: var(--water-wash);
}

.pick {
  text-align: left;
}

.known {
  font: 640 1.05rem/1.1 var(--heading);
}
</style>
