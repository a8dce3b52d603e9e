<script setup lang="ts">
import Button from 'primevue/button'
import { ref, watch } from 'vue'
import { useNotes } from '~/composables/useNotes'
import { X } from '@lucide/vue'

const { notes, current, dismiss } = useNotes()
const held = ref(false)
let timer: ReturnType<typeof setTimeout> | undefined

watch([current, held], () => {
  clearTimeout(timer)
  // A note with something to do stays longer, and as long as a pointer or the focus is on it.
  if (notes.value && !held.value) timer = setTimeout(dismiss, notes.value.action ? 12_000 : 6_000)
})

function act() {
  const run = notes.value?.action?.run
  dismiss()
  void run?.()
}
</script>

<template>
  <div class="place" role="status" aria-live="polite">
    <div
      v-if="notes"
      class="note no-print"
      @pointerenter="held = true"
      @pointerleave="held = false"
      @focusin="held = true"
      @focusout="held = false"
    >
      <span>{{ notes.text }}</span>
      <button v-if="notes.action" type="button" class="act" @click="act">{{ notes.action.name }}</button>
      <Button text aria-label="Close this note" @click="dismiss()">
        <X aria-hidden="true" />
      </Button>
    </div>
  </div>
</template>

<style scoped>
.place {
  position: fixed;
  inset: auto 0 1rem;
  z-index: 1200;
  display: flex;
  justify-content: center;
  padding: 0 1rem;
  pointer-events: none;
}

.note {
  display: flex;
  align-items: center;
  gap: 0.5rem 0.9rem;
  padding: 0.4rem 0.5rem 0.4rem 1.1rem;
  border-radius: 0.6rem;
  background: var(--ink);
  color: var(--paper);
  box-shadow: var(--shade);
  pointer-events: auto;
}

.act {
  min-height: 2.5rem;
  padding: 0 0.9rem;
  border: 1.5px solid currentColor;
  border-radius: 0.5rem;
  background: none;
  font-weight: 650;
  cursor: pointer;
}

.icon-button {
  color: inherit;
}

.icon-button:hover {
  color: var(--ink);
}
</style>
