<script setup lang="ts">
import { computed } from 'vue'
import Dialog from 'primevue/dialog'
import { provideUnreadable } from '~/composables/useUnreadable'
import type { Collection } from '#shared/collections'
import type { Saving } from '~/composables/useSaving'

/** A dialog with fields, kept or cancelled. */
const props = defineProps<{
  header: string
  wrong: boolean
  saving: Saving<Collection>
  keepLabel?: string
}>()
const emit = defineEmits<{ keep: []; close: [] }>()
const { first: unreadable } = provideUnreadable()
const blocked = computed(() => props.wrong || !!unreadable.value || props.saving.state === 'busy')
</script>

<template>
  <Dialog visible modal :header="header" :draggable="false" @update:visible="emit('close')">
    <form @submit.prevent="emit('keep')">
      <slot />
      <p v-if="'message' in saving" class="problem" role="alert">{{ saving.message }}</p>
      <div class="buttons">
        <button type="submit" class="button main" :disabled="blocked">{{ keepLabel ?? 'Keep it' }}</button>
        <slot name="more" />
        <button type="button" class="button" @click="emit('close')">Cancel</button>
      </div>
    </form>
  </Dialog>
</template>

<style scoped>
form {
  display: grid;
  gap: 0.85rem;
}
</style>
