<script setup lang="ts">
import { ref } from 'vue'
import Message from 'primevue/message'
import { useNotes } from '~/composables/useNotes'
import { whyNot } from '~/composables/whyNot'
import { useHousehold } from '~/state/household'
import { counted } from '#core/bench/wording'

/** Weather as a table or JSON, in the plain shape of docs/formats.md. */
const household = useHousehold()
const { note } = useNotes()
const problem = ref<string>()
const busy = ref(false)
async function read(event: Event) {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  input.value = ''
  if (!file) return
  busy.value = true
  problem.value = undefined
  try {
    const isJson = /\.json$/i.test(file.name)
    const { written } = await $fetch<{ written: number }>(
      `/api/households/${household.id}/weather${isJson ? '' : '.csv'}`,
      {
        method: 'POST',
        body: await file.text(),
        headers: { 'content-type': isJson ? 'application/json' : 'text/csv' },
        retry: 0,
      },
    )
    await household.load()
    note(`${counted(written, 'day')} of weather written.`)
  } catch (error) {
    problem.value = whyNot(error)
  }
  busy.value = false
}
</script>

<template>
  <div class="weather">
    <p class="buttons">
      <a class="button" :href="`/api/households/${household.id}/weather.csv`" download="weather.csv"
        >Weather as CSV</a
      >
      <a class="button" :href="`/api/households/${household.id}/weather`" download="weather.json"
        >Weather as JSON</a
      >
    </p>
    <label class="file">
      <span>A CSV with <code>on</code>, <code>low_c</code> and <code>high_c</code>, or JSON of the same</span>
      <input type="file" accept=".csv,.json,text/csv,application/json" :disabled="busy" @change="read" />
    </label>
    <Message v-if="problem" severity="error">{{ problem }} Nothing was written.</Message>
  </div>
</template>

<style scoped>
.weather,
.file {
  display: grid;
  gap: 0.5rem;
}
</style>
