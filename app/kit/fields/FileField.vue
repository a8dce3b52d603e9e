<script setup lang="ts">
import { FileUp } from '@lucide/vue'

/** A file that is chosen; the same one can be chosen again. */
defineProps<{ label: string; accept: string; hint?: string; disabled?: boolean }>()
const emit = defineEmits<{ choose: [file: File] }>()
const id = useId()
function choose(event: Event) {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  input.value = ''
  if (file) emit('choose', file)
}
</script>

<template>
  <div class="file stack-s">
    <input
      :id="id"
      type="file"
      class="unseen"
      :accept="accept"
      :disabled="disabled"
      :aria-describedby="hint ? `${id}-hint` : undefined"
      @change="choose"
    />
    <label :for="id" class="button" :class="{ disabled }"><FileUp aria-hidden="true" /> {{ label }}</label>
    <p v-if="hint" :id="`${id}-hint`" class="soft small">{{ hint }}</p>
  </div>
</template>

<style scoped>
.file {
  justify-items: start;
  position: relative;
}

input:focus-visible + label {
  outline: 3px solid var(--water);
  outline-offset: 2px;
}

.disabled {
  opacity: 0.6;
}
</style>
