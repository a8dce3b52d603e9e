<script setup lang="ts">
import { HOT_DAY_C } from '#core/water/climate'
import { Play } from '@lucide/vue'
import { counted } from '#core/text/plurals'

/** Which trays want water today, how much and how; which tomorrow; which want to be lifted; which to be left. */
const water = useWater()
const groups = useGuidedJobs()
const { aboutVolume: volume } = useMeasures()
const { printDay } = useDates()
const { short } = useWaterWords()
const round = computed(() => water.round)
const today = computed(() => round.value.today)
const fed = computed(() => round.value.fed)
const reservoirs = computed(() => round.value.reservoirs)
const hotC = computed(() => round.value.hotC)
const all = computed(() => today.value.reduce((sum, one) => sum + one.water.outlook.pourL.value, 0))
const nameOf = (one: (typeof today.value)[number]) =>
  one.tray.body.groups.map(({ name }) => name).join(', ') || one.tray.body.name
const start = () =>
  groups.start(
    'water',
    `Water ${counted(today.value.length, 'tray')}`,
    today.value.map(({ tray }) => ({ what: 'trays' as const, id: tray.id, stage: null })),
  )
const done = () =>
  water.write(
    'watered',
    `Watered: ${counted(today.value.length, 'tray')}`,
    today.value.map(({ tray, water: { outlook } }) => ({ trayId: tray.id, how: outlook.way.how })),
  )
const { temperature } = useMeasures()
</script>

<template>
  <section v-if="water.all.length" class="round stack" aria-labelledby="round-title">
    <h2 id="round-title">Water</h2>
    <p v-if="hotC !== null && hotC >= HOT_DAY_C" class="hot">
      {{ temperature(hotC) }} forecast: trays outside dry sooner. Water in the morning and shade at noon.
    </p>
    <template v-if="today.length">
      <p class="sum">
        <strong>{{ counted(today.length, 'tray') }}, {{ volume(all) }}</strong>
      </p>
      <ul>
        <li v-for="one in today" :key="one.tray.id">
          <NuxtLink :to="`/trays/${one.tray.id}`">Tray {{ one.tray.number }}</NuxtLink>
          <span>{{ nameOf(one) }}</span>
          <span class="soft">{{ one.water.place.name }}: {{ short(one.water) }}</span>
        </li>
      </ul>
      <div class="buttons no-print">
        <Button class="main" @click="start"><Play aria-hidden="true" /> Start watering</Button>
        <Button @click="done">All watered</Button>
      </div>
    </template>
    <p v-else>No trays need water today.</p>
    <p v-if="fed.length" class="soft">
      Fed today, so no extra water: {{ fed.map(({ tray }) => `tray ${tray.number}`).join(', ') }}.
    </p>
    <div v-if="round.toLook.length" class="stack-s">
      <p>Not checked lately. Lift to feel the weight:</p>
      <ul>
        <li v-for="one in round.toLook" :key="one.tray.id">
          <NuxtLink :to="`/trays/${one.tray.id}`">Tray {{ one.tray.number }}</NuxtLink>
          <span>{{ nameOf(one) }}</span>
          <span class="buttons no-print" role="group" :aria-label="`Tray ${one.tray.number} by lift`">
            <Button
              v-for="feels in ['light', 'middling', 'heavy'] as const"
              :key="feels"
              @click="
                water.write('felt', `Lifted: tray ${one.tray.number}, ${feels}`, [
                  { trayId: one.tray.id, feels },
                ])
              "
              >{{ feels === 'middling' ? 'medium' : feels }}</Button
            >
          </span>
        </li>
      </ul>
    </div>
    <p v-if="round.tomorrow.length" class="soft">
      Tomorrow:
      <template v-for="(one, i) in round.tomorrow" :key="one.tray.id"
        ><template v-if="i">, </template
        ><NuxtLink :to="`/trays/${one.tray.id}`">tray {{ one.tray.number }}</NuxtLink></template
      >.
    </p>
    <p v-for="one in round.toDry" :key="one.tray.id" class="wet">
      <NuxtLink :to="`/trays/${one.tray.id}`">Tray {{ one.tray.number }}</NuxtLink
      >: wet on {{ Math.round(one.water.outlook.wetDays) }} of the last 7 days. Let it dry until it is light
      to lift.
    </p>
    <p v-for="one in reservoirs" :key="one.place.id">
      {{ one.place.name }}: fill the reservoir with {{ volume(one.reservoir.fillL.value)
      }}<template v-if="one.refillOn">; next about {{ printDay(one.refillOn) }}</template
      >.
      <Button
        text
        @click="
          water.write(
            'watered',
            `Filled: ${one.place.name}`,
            one.trays.map(({ id }) => ({ trayId: id, how: 'below' as const })),
          )
        "
        >Filled today</Button
      >
    </p>
  </section>
</template>

<style scoped>
.round {
  padding: 0.9rem 1rem;
  border-left: 5px solid var(--water);
  background: var(--paper-raised);
}

.sum {
  font-size: 1.2rem;
}

li {
  display: flex;
  flex-wrap: wrap;
  gap: 0.1rem 0.7rem;
  align-items: center;
  padding: 0.35rem 0;
  border-top: 1px solid var(--line);
}

.hot,
.wet {
  padding: 0.4rem 0.7rem;
  border-left: 4px solid var(--marigold);
  background: var(--marigold-wash);
}
</style>
