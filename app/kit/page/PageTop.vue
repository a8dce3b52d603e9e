<script setup lang="ts">
/** Head of a page: its name, a few words on it where they are needed, and what there is to press. */
defineProps<{ title: string; hint?: string }>()
</script>

<template>
  <header class="top">
    <div>
      <h1>{{ title }}</h1>
      <p v-if="hint" class="soft">{{ hint }}</p>
    </div>
    <div v-if="$slots.default" class="buttons no-print"><slot /></div>
  </header>
</template>

<style scoped>
.top {
  grid-column: 1 / -1;
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  justify-content: space-between;
  gap: 0.5rem 1rem;
  min-width: 0;
}
</style>
