<script setup lang="ts">
import Button from 'primevue/button'
import { computed, useId } from 'vue'
import { Check } from '@lucide/vue'
import { useFirstHour } from '~/first-hour/firstHour'

/** One question of the first hour: it can be left for later, and what was answered says what it changed. */
const props = defineProps<{ step: string; title: string; why: string; done?: boolean; later: string }>()
const first = useFirstHour()
const id = useId()
const skipped = computed(() => first.skipped.includes(props.step))
</script>

<template>
  <section class="step" :aria-labelledby="id" :class="{ done, skipped }">
    <header>
      <h2 :id="id"><Check v-if="done" aria-label="answered" /> {{ title }}</h2>
      <Button v-if="!done" text @click="first.skip(step, !skipped)">{{
        skipped ? 'Say it after all' : 'Not now'
      }}</Button>
    </header>
    <p v-if="skipped && !done" class="soft">Left for later: {{ later }}</p>
    <template v-else>
      <p class="soft">{{ why }}</p>
      <slot />
      <div v-if="$slots.changed" class="changed" role="status"><slot name="changed" /></div>
    </template>
  </section>
</template>

<style scoped>
.step {
  display: grid;
  gap: 0.7rem;
  padding: 1rem 0 1.1rem;
  border-top: 2px solid var(--line);
  grid-template-columns: minmax(0, 1fr);
}

header {
  display: flex;
  flex-wrap: wrap;
  gap: 0.4rem 1rem;
  justify-content: space-between;
  align-items: center;
}

h2 {
  display: flex;
  gap: 0.5rem;
  align-items: center;
  margin: 0;
}

.changed {
  padding-left: 0.8rem;
  border-left: 4px solid var(--enamel);
}
</style>
