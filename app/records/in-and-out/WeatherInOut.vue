<script setup lang="ts">
import { counted } from '#core/text/plurals'

/** Weather as a table or JSON, in the plain shape of docs/formats.md. */
const household = useHousehold()
const { note } = useNotes()
const problem = ref<string>()
const busy = ref(false)
async function read(file: File) {
  busy.value = true
  problem.value = undefined
  try {
    const isJson = /\.json$/i.test(file.name)
    const { written } = await sendWithFile<{ written: number }>(
      household.id,
      { name: 'bring in weather' },
      file,
      isJson ? 'application/json' : 'text/csv',
    )
    await household.load()
    note(`${counted(written, 'day')} of weather written.`)
  } catch (error) {
    problem.value = whyNothing(error)
  }
  busy.value = false
}
</script>

<template>
  <div class="weather stack">
    <p class="buttons">
      <a class="button" :href="`/api/households/${household.id}/weather.csv`" download="weather.csv"
        >Weather as CSV</a
      >
      <a class="button" :href="`/api/households/${household.id}/weather`" download="weather.json"
        >Weather as JSON</a
      >
    </p>
    <FileField
      label="Read weather from a file"
      accept=".csv,.json,text/csv,application/json"
      hint="a CSV with the columns on, low_c and high_c, or JSON as it is written here"
      :disabled="busy"
      @choose="read"
    />
    <Message v-if="problem" severity="error">{{ problem }}</Message>
  </div>
</template>
