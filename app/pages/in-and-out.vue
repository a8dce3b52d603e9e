<script setup lang="ts">
definePageMeta({
  place: {
    title: 'Import and export',
    what: 'everything as one file, and back; weather; calendar',
    words: 'in out export import archive backup zip csv json calendar ics weather',
    parent: '/settings',
    tab: 3,
  },
})
const household = useHousehold()
/** It is written whole before the browser hears of it. */
const asked = ref(false)
const home = computed(() => `/api/households/${household.id}`)
</script>

<template>
  <div class="in-and-out">
    <PageTop title="Import and export" />
    <section aria-labelledby="out-title">
      <h2 id="out-title">Export</h2>
      <p>One zip file with every record as JSON and all photos. A readme is included.</p>
      <p>
        <a class="button main" :href="`${home}/archive`" download @click="asked = true">Export everything</a>
      </p>
      <p v-if="asked" role="status" class="soft">
        Preparing the file; your browser saves it when it is ready.
      </p>
    </section>
    <section aria-labelledby="in-title">
      <h2 id="in-title">Import</h2>
      <p>You see what would change before anything is saved.</p>
      <ArchiveIn />
    </section>
    <section aria-labelledby="tables-title">
      <h2 id="tables-title">Tables</h2>
      <p><NuxtLink class="button" to="/tables">Spreadsheet tables</NuxtLink></p>
    </section>
    <section aria-labelledby="calendar-title">
      <h2 id="calendar-title">Calendar</h2>
      <p>
        Subscribe to your season: <a :href="`${home}/calendar.ics`">calendar</a>, or
        <a :href="`${home}/calendar.ics?alarms=morning`">with a reminder each morning</a>.
      </p>
    </section>
    <section aria-labelledby="weather-title">
      <h2 id="weather-title">Weather</h2>
      <WeatherInOut />
    </section>
  </div>
</template>

<style scoped>
.in-and-out {
  display: grid;
  gap: 2rem;
  max-width: 60rem;
}

section {
  display: grid;
  gap: 0.6rem;
  justify-items: start;
  overflow-wrap: anywhere;
}
</style>
