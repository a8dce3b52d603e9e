<script setup lang="ts">
import { computed } from 'vue'
import Button from 'primevue/button'
import Dialog from 'primevue/dialog'
import SaveProblem from '~/components/records/SaveProblem.vue'
import { newId } from '~/composables/newId'
import { useNotes } from '~/composables/useNotes'
import { provideUnreadable } from '~/composables/useUnreadable'
import { useSaving } from '~/state/saving'
import { useUndo } from '~/state/undo'
import type { EntryRecord } from '#shared/records/entry'

/** Something happened: it is written down, and can be taken back. */
const props = defineProps<{
  header: string
  keepLabel: string
  wrong: boolean
  entry: () => EntryRecord
  /** What is said once it is written down. */
  done: string
}>()
const emit = defineEmits<{ close: [] }>()
const { saving, save, dismiss } = useSaving('entries')
const { note } = useNotes()
const undoing = useUndo()
const { first: unreadable } = provideUnreadable()
const blocked = computed(() => props.wrong || !!unreadable.value || saving.value.state === 'busy')
/** One form is one act, however often its button is pressed. */
const id = newId()

async function keep() {
  if (blocked.value) return
  const kept = await save(id, 0, { ...props.entry(), act: id })
  if (!kept) return
  note(props.done, { name: 'Undo', run: () => undoing.takeBack(kept.opposite) })
  emit('close')
}
</script>

<template>
  <Dialog visible modal :header="header" :draggable="false" @update:visible="emit('close')">
    <form class="entry" @submit.prevent="keep">
      <slot />
      <SaveProblem :saving="saving" @settled="emit('close')" @later="dismiss" />
      <div class="buttons">
        <Button type="submit" class="main" :disabled="blocked">{{ keepLabel }}</Button>
        <Button @click="emit('close')">Cancel</Button>
      </div>
    </form>
  </Dialog>
</template>

<style scoped>
.entry {
  display: grid;
  gap: 0.85rem;
}
</style>
