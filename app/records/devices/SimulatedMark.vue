<script setup lang="ts">
/** Said wherever something simulated is shown. */
</script>

<template>
  <span class="simulated">simulated</span>
</template>

<style scoped>
.simulated {
  padding: 0.05em 0.5em;
  border: 1px dashed var(--ink-soft);
  border-radius: 999px;
  font-size: 0.875rem;
  color: var(--ink-soft);
  white-space: nowrap;
}
</style>
