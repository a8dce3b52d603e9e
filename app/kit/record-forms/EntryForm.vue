<script setup lang="ts">
import { commandOf } from '#shared/commands/log'
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
const { saving, attempt, dismiss } = useAttempt<EntryRecord>()
const { perform, noteDone } = useCommands()
const { first: unreadable } = provideUnreadable()
const blocked = computed(() => props.wrong || !!unreadable.value || saving.value.state === 'busy')
/** One form is one act, however often its button is pressed. */
const id = newId()

async function keep() {
  if (blocked.value) return
  const entry = props.entry()
  const write = () => perform(entry.name, [commandOf(entry, id)])
  const done = await attempt(entry, write, write)
  if (!done) return
  noteDone(props.done, done.act)
  emit('close')
}
</script>

<template>
  <Dialog visible modal :header="header" :draggable="false" @update:visible="emit('close')">
    <form class="entry stack-l" @submit.prevent="keep">
      <slot />
      <SaveProblem :saving="saving" @settled="emit('close')" @later="dismiss" />
      <div class="buttons">
        <Button type="submit" class="main" :disabled="blocked">{{ keepLabel }}</Button>
        <Button @click="emit('close')">Cancel</Button>
      </div>
    </form>
  </Dialog>
</template>
