<script setup lang="ts">
import { Check } from '@lucide/vue'

/** One card of the first hour; what was answered gives something at once. */
defineProps<{ number: number; title: string; done?: boolean }>()
const id = useId()
</script>

<template>
  <section class="step stack" :aria-labelledby="id" :class="{ done }">
    <h2 :id="id" class="row nowrap">
      <span class="number" aria-hidden="true"
        ><Check v-if="done" /><template v-else>{{ number }}</template></span
      >
      {{ title }}<span v-if="done" class="unseen"> (answered)</span>
    </h2>
    <slot />
    <div v-if="$slots.changed" class="changed stack-s" role="status"><slot name="changed" /></div>
  </section>
</template>

<style scoped>
.step {
  padding: 1rem 1.1rem 1.2rem;
  border-radius: 0.3rem;
  background: var(--paper-raised);
  box-shadow: var(--shade);
}

.number {
  display: grid;
  place-items: center;
  flex: none;
  width: 2rem;
  height: 2rem;
  border: 2px solid var(--enamel);
  border-radius: 50%;
  color: var(--enamel);
  font-size: 1rem;
}

.done .number {
  background: var(--enamel);
  color: var(--on-enamel);
}

.number svg {
  width: 1.2rem;
}

.changed {
  padding-left: 0.8rem;
  border-left: 4px solid var(--enamel);
}
</style>
