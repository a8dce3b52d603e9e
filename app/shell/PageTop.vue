<script setup lang="ts">
import { useUndo } from '~/household/undo'
import Button from 'primevue/button'
import { Redo2, Undo2 } from '@lucide/vue'

/** Head of a page on which a draft is made: its name, undo and redo, and what else there is to press. */
defineProps<{ title: string; hint: string }>()
const undoing = useUndo()
</script>

<template>
  <header class="top">
    <div>
      <h1>{{ title }}</h1>
      <p class="soft">{{ hint }}</p>
    </div>
    <div class="tools no-print">
      <Button
        text
        aria-label="Undo"
        title="Undo (Ctrl Z)"
        :disabled="!undoing.canUndo"
        @click="undoing.undo()"
      >
        <Undo2 aria-hidden="true" />
      </Button>
      <Button
        text
        aria-label="Redo"
        title="Redo (Ctrl Shift Z)"
        :disabled="!undoing.canRedo"
        @click="undoing.redo()"
      >
        <Redo2 aria-hidden="true" />
      </Button>
      <slot />
    </div>
  </header>
</template>

<style scoped>
.top {
  grid-column: 1 / -1;
  display: flex;
  align-items: end;
  justify-content: space-between;
  gap: 1rem;
  min-width: 0;
}

.tools {
  display: flex;
  gap: 0.3rem;
}

@media (max-width: 52rem) {
  .top,
  .tools {
    flex-wrap: wrap;
  }

  .top .soft {
    display: none;
  }
}
</style>
