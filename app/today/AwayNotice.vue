<script setup lang="ts">
import { present } from '#core/present'
import { absenceAhead, dryWhileAway } from '#core/season/today/away'

/** Days away that are near: which trays would run dry, and what keeps them. */
const DAYS_AHEAD = 4
const household = useHousehold()
const season = useSeason()
const water = useWater()
const { printDay } = useDates()
const { aboutVolume } = useMeasures()
const absence = computed(() => absenceAhead(household.record?.away ?? [], season.today, DAYS_AHEAD))
const dry = computed(() =>
  absence.value
    ? water.all.flatMap(({ tray, water: { store, outlook } }) => {
        const found = dryWhileAway(present(absence.value), store.easyL.value, outlook.lossPerDayL.value)
        return found ? [{ tray, ...found }] : []
      })
    : [],
)
const litres = computed(() => dry.value.reduce((sum, one) => sum + one.litres, 0))
const gone = computed(() => absence.value !== null && absence.value.from <= season.today)
</script>

<template>
  <section v-if="absence" class="away-notice stack-s" aria-labelledby="away-title">
    <h2 id="away-title">
      Away {{ printDay(absence.from) }} to {{ printDay(absence.to)
      }}<template v-if="absence.name">: {{ absence.name }}</template>
    </h2>
    <p v-if="dry.length === 0">Every tray that is watered just before lasts until somebody is back.</p>
    <template v-else>
      <p>
        {{ gone ? 'Watered before, these' : 'Water all of them just before you go. Even so these' }} run dry
        meanwhile; about {{ aboutVolume(litres) }} have to reach them: a mat with a reservoir, or somebody who
        looks in.
      </p>
      <ul>
        <li v-for="one in dry" :key="one.tray.id">
          <NuxtLink :to="`/trays/${one.tray.id}`">Tray {{ one.tray.number }}</NuxtLink>
          from {{ printDay(one.onDay) }}, {{ aboutVolume(one.litres) }}
        </li>
      </ul>
    </template>
  </section>
</template>

<style scoped>
.away-notice {
  padding: 0.8rem 1rem;
  border-left: 4px solid var(--marigold);
  background: var(--paper-deep);
}

ul {
  display: flex;
  flex-wrap: wrap;
  gap: 0.2rem 1.4rem;
}
</style>
