<script setup lang="ts">
import { X } from '@lucide/vue'
import Toast from 'primevue/toast'
import { useToast } from 'primevue/usetoast'

/** Short notes at the foot of the page; one with something to do stays longer. */
const { notes, current } = useNotes()
const toast = useToast()
function show() {
  toast.removeAllGroups()
  if (notes.value) toast.add({ detail: notes.value, life: notes.value.action ? 12_000 : 6_000 })
}
watch(current, show)
// The first note is what it was loaded for.
onMounted(show)

function act(note: Note, close: () => void) {
  close()
  void note.action?.run()
}
</script>

<template>
  <Toast position="bottom-center">
    <template #container="{ message, closeCallback }">
      <div class="note no-print">
        <span>{{ message.detail.text }}</span>
        <Button v-if="message.detail.action" class="act" @click="act(message.detail, closeCallback)">
          {{ message.detail.action.name }}
        </Button>
        <Button text aria-label="Close this note" @click="closeCallback()"><X aria-hidden="true" /></Button>
      </div>
    </template>
  </Toast>
</template>

<style scoped>
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
  border-color: currentcolor;
  background: none;
  color: inherit;
}

.icon-button {
  color: inherit;
}

.icon-button:hover {
  color: var(--ink);
}
</style>
