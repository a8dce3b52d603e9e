<script setup lang="ts">
import { definePageMeta } from '#imports'
import { computed, ref } from 'vue'
import ArchiveIn from '~/records/in-and-out/ArchiveIn.vue'
import WeatherInOut from '~/records/in-and-out/WeatherInOut.vue'
import PageTop from '~/shell/PageTop.vue'
import { useHousehold } from '~/household/household'

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
      <h2 id="out-title">Everything out</h2>
      <p>
        One file: every record as JSON, a line each, and the photos as they are. It says itself how to read
        it.
      </p>
      <p>
        <a class="button main" :href="`${home}/archive`" download @click="asked = true">Write the archive</a>
      </p>
      <p v-if="asked" role="status" class="soft">
        It is being written, and your browser saves it once it is whole: a moment for a season, half a minute
        for twenty years.
      </p>
    </section>
    <section aria-labelledby="in-title">
      <h2 id="in-title">Everything in</h2>
      <p>
        It is looked at first. What it would change is shown before anything is written, then all of it or
        nothing.
      </p>
      <ArchiveIn />
    </section>
    <section aria-labelledby="tables-title">
      <h2 id="tables-title">Tables</h2>
      <p>
        Materials, containers, feeds, crops, packets, supplies, sowings, trays and the log as a spreadsheet
        reads them; and yours, pasted or as CSV.
      </p>
      <p><NuxtLink class="button" to="/tables">Tables, out and in</NuxtLink></p>
    </section>
    <section aria-labelledby="calendar-title">
      <h2 id="calendar-title">Calendar</h2>
      <p>
        The season as a calendar to subscribe to:
        <a :href="`${home}/calendar.ics`">{{ home }}/calendar.ics</a>. Events keep their names when their day
        moves. With a reminder on the morning of each:
        <a :href="`${home}/calendar.ics?alarms=morning`">{{ home }}/calendar.ics?alarms=morning</a>.
      </p>
      <p class="soft">Your own days away come in under Settings, Days away.</p>
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
