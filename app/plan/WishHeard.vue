<script setup lang="ts">
import { useDates } from '~/kit/useDates'
import { isDay } from '#core/calendar/day'
import type { Heard, Meaning } from '#core/language/wish'

/** Every word of a wish with what it was taken for; what was not understood stands out. */
defineProps<{ heard: readonly Heard[]; unread: readonly string[]; cropName: string }>()
const { printLongDay } = useDates()

const NAMES: Record<Meaning, string> = {
  amount: '',
  crop: 'crop',
  variety: 'variety',
  season: '',
  day: '',
  repeats: '',
  container: '',
  mix: 'mix',
  place: 'place',
  kinds: '',
  count: '',
  'seeds a cell': '',
  filler: '',
}
const meaning = ({ as, means }: Heard, cropName: string) => {
  if (as === 'crop') return cropName
  if (as === 'day') return isDay(means) ? printLongDay(means) : means
  return means || NAMES[as]
}
</script>

<template>
  <ul class="heard" aria-label="How it was understood">
    <li v-for="(one, index) in heard" :key="index" :class="{ plain: one.as === 'filler' }">
      <span class="said">{{ one.text }}</span>
      <span class="means">{{ meaning(one, cropName) }}</span>
    </li>
    <li v-for="one in unread" :key="one" class="unread">
      <span class="said">{{ one }}</span>
      <span class="means">not understood</span>
    </li>
  </ul>
</template>

<style scoped>
.heard {
  display: flex;
  flex-wrap: wrap;
  gap: 0.3rem 0.7rem;
}

.heard li {
  display: grid;
  line-height: 1.2;
}

.said {
  border-bottom: 2px solid var(--enamel);
}

.plain .said {
  border-color: var(--line);
}

.means {
  color: var(--ink-soft);
  font-size: 0.9375rem;
}

.unread .said {
  border-bottom: 2px dashed var(--beet);
}

.unread .means {
  color: var(--beet);
  font-weight: 600;
}
</style>
