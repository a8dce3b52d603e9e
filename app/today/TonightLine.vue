<script setup lang="ts">
import { Moon } from '@lucide/vue'
import { nightAhead } from '#shared/derived/season'
import { tonightOf } from '#shared/derived/tonight'
import { sayTonight } from '#shared/messages/tonight'

const ForecastFields = defineAsyncComponent(() => import('~/today/ForecastFields.vue'))
/** Tonight in one line, where it matters; and the forecast it goes by, which can be typed over. */
const bench = useBench()
const season = useSeason()
const context = useContext()
const saying = useSaying()
const tonight = computed(() => tonightOf(bench))
const nightC = computed(() => {
  // With the weather that came in beside it.
  const { frame } = context.whole
  return frame && nightAhead(frame, season.today)
})
const line = computed(() => {
  if (tonight.value) return sayTonight(tonight.value, saying.value)
  return nightC.value === null
    ? 'No forecast for tonight'
    : `Tonight ${saying.value.temperature(nightC.value)}`
})
const open = ref(false)
</script>

<template>
  <section class="tonight" :class="{ cold: tonight?.bringIn.length }" aria-label="Tonight">
    <p class="row nowrap">
      <Moon aria-hidden="true" /> <strong>{{ line }}</strong>
    </p>
    <Button text :aria-expanded="open" @click="open = !open">{{ open ? 'Close' : 'Edit forecast' }}</Button>
    <ForecastFields v-if="open" />
  </section>
</template>

<style scoped>
.tonight {
  display: flex;
  flex-wrap: wrap;
  gap: 0.3rem 1rem;
  align-items: center;
  justify-content: space-between;
  padding: 0.35rem 0.9rem;
  border-left: 5px solid var(--water);
  background: var(--water-wash);
}

.cold {
  border-left-color: var(--marigold);
  background: var(--marigold-wash);
}

p {
  flex: 1 1 12rem;
}

svg {
  flex: none;
  width: 1.2em;
  height: 1.2em;
}
</style>
