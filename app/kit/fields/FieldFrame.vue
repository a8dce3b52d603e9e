<script setup lang="ts">
defineProps<{ id: string; label: string; hideLabel?: boolean; hint?: string; problem?: string }>()
const { said } = useMeasures()
</script>

<template>
  <div class="field">
    <label :for="id" :class="{ unseen: hideLabel }">{{ label }}</label>
    <slot />
    <p v-if="problem" :id="`${id}-problem`" class="problem" role="alert">{{ said(problem) }}</p>
    <p v-else-if="hint" :id="`${id}-hint`" class="hint">{{ hint }}</p>
  </div>
</template>

<style scoped>
.field {
  display: grid;
  gap: 0.2rem;
  align-content: start;
  grid-template-columns: minmax(0, 1fr);
  min-width: 0;
}

label {
  font-size: 0.9375rem;
  font-weight: 600;
}

.hint {
  color: var(--ink-soft);
  font-size: 0.9375rem;
  line-height: 1.25;
}

.problem {
  color: var(--beet);
  font-size: 0.9375rem;
  font-weight: 600;
  line-height: 1.25;
}
</style>
