<script setup lang="ts">
import { sayWaterOfDay } from '#shared/messages/water'
import { weekOf } from '#core/season/today/week'

/** The week on paper: a line for each job, with a box to tick in pencil. */
const season = useSeason()
const water = useWater()
const { printDay } = useDates()
const { words, dangerText } = useJobWords()

const days = computed(() => weekOf(season.jobs, season.today))
const watering = computed(() => water.round.days)
</script>

<template>
  <section class="sheet" aria-labelledby="sheet-title">
    <h2 id="sheet-title">The week from {{ printDay(season.today) }}</h2>
    <div v-for="{ day, jobs } in days" :key="day" class="day">
      <h3>{{ printDay(day) }}</h3>
      <ul>
        <li v-for="job in jobs" :key="job.id">
          <span class="box" aria-hidden="true" />
          <span>
            <strong>{{ words(job).title }}</strong> {{ words(job).detail
            }}<template v-if="job.danger">. {{ dangerText(job.danger) }}</template>
          </span>
        </li>
        <li v-if="watering.get(day)">
          <span class="box" aria-hidden="true" />
          <strong>{{ sayWaterOfDay(watering.get(day) ?? []) }}</strong>
        </li>
        <li v-else-if="!jobs.length" class="soft">nothing due</li>
      </ul>
    </div>
  </section>
</template>

<style scoped>
.sheet {
  display: none;
}

@media print {
  .sheet {
    display: block;
  }

  .day {
    display: grid;
    grid-template-columns: 7rem 1fr;
    gap: 0.5rem;
    padding: 0.35rem 0;
    border-top: 1px solid var(--line);
    break-inside: avoid;
  }

  li {
    display: grid;
    grid-template-columns: 1rem 1fr;
    gap: 0.5rem;
    padding: 0.1rem 0;
  }

  li.soft {
    display: block;
  }

  .box {
    width: 0.9rem;
    height: 0.9rem;
    margin-top: 0.15rem;
    border: 1.5px solid var(--ink);
  }
}
</style>
