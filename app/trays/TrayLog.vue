<script setup lang="ts">
import { NotebookPen } from '@lucide/vue'

/** What was last written down of a tray, and room to write more. */
const props = defineProps<{ id: string }>()
const LogLine = defineAsyncComponent(() => import('~/records/log/LogLine.vue'))
const household = useHousehold()
const writing = ref(false)
const MOST = 4
const ofTray = computed(() =>
  household.entries.filter(({ body }) => body.subjects.some(({ id }) => id === props.id)),
)
const last = computed(() => ofTray.value.slice(-MOST).reverse())
</script>

<template>
  <div class="stack">
    <ul v-if="last.length" class="plain" aria-label="Last entries">
      <LogEntry v-for="one in last" :key="one.id" :entry="one" />
    </ul>
    <LogLine v-if="writing" :subject="id" class="no-print" />
    <p class="buttons no-print">
      <Button v-if="!writing" @click="writing = true"
        ><NotebookPen aria-hidden="true" /> Write in the log</Button
      >
      <NuxtLink v-if="last.length" :to="{ path: '/records', query: { subject: id } }" class="button"
        >All entries</NuxtLink
      >
    </p>
  </div>
</template>
