<script setup lang="ts">
/** Years in which anything happened, a press each. */
defineProps<{ year: number; years: readonly number[] }>()
defineEmits<{ choose: [year: number] }>()
</script>

<template>
  <div class="years no-print" role="group" aria-label="Year">
    <button
      v-for="one in years.length ? years : [year]"
      :key="one"
      type="button"
      :aria-pressed="one === year"
      @click="$emit('choose', one)"
    >
      {{ one }}
    </button>
  </div>
</template>

<style scoped>
.years {
  display: flex;
  flex-wrap: wrap;
  gap: 0.3rem 1rem;
}

button {
  min-height: 2.5rem;
  border-bottom: 3px solid transparent;
  color: var(--ink-soft);
  font: 640 1.25rem/1.2 var(--heading);
}

button[aria-pressed='true'] {
  border-color: var(--enamel);
  color: var(--ink);
}
</style>
