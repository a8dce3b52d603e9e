<script setup lang="ts">
import { sayApart } from '#shared/messages/readings'
import { present } from '#core/present'
import { weightAt } from '#core/water/follow'
import { dayOf } from '#core/water/watering-events'
import { disagreementG } from '#core/water/weighing'
import { sayWetRisk } from '#shared/messages/water'
import { wetRisk } from '#core/water/wet'
import { printNumber } from '#core/units/format'
import type { Stored } from '#shared/records/collections'
import type { TrayRecord } from '#shared/records/tray'

/** The water of a tray: how much is in it, when it wants more and how, what its weighings say. */
const props = defineProps<{ tray: Stored<TrayRecord> }>()
const water = useWater()
const groups = useGuidedJobs()
const { mass, temperature, aboutVolume: volume } = useMeasures()
const { printDay } = useDates()
const { verdict, doing } = useWaterWords()

const here = computed(() => water.of(props.tray))
const name = computed(() => `tray ${props.tray.number}`)
const weighing = ref(false)
const risk = computed(() => {
  if (!here.value) return null
  const { outlook, daysUp, place, physics } = here.value
  const found = wetRisk(outlook.wetDays, daysUp, (place.dayC + place.nightC) / 2, physics.airSpace.value)
  return found && sayWetRisk(found, temperature)
})
const apart = computed(() =>
  here.value
    ? disagreementG(
        here.value.wateringEvents.flatMap((one) =>
          one.kind === 'weighed' && one.moment === 'now' ? [one] : [],
        ),
      )
    : null,
)
/** How full of what is easily had, for the drawing of the store: 1 when full, 0 when all of it is gone. */
const level = computed(() => Math.max(0, Math.min(1, 1 - (here.value?.outlook.gone ?? 0))))
const factor = computed(() => here.value?.followed.factor)
const felt = (feels: 'heavy' | 'middling' | 'light') =>
  water.write('felt', `Lifted: ${name.value}, ${feels}`, [{ trayId: props.tray.id, feels }])
const looked = (feels: 'dark' | 'pale' | 'dry beneath') =>
  water.write('felt', `Looked: ${name.value}, ${feels}`, [{ trayId: props.tray.id, feels }])
const watered = () =>
  water.write('watered', `Watered: ${name.value}`, [
    { trayId: props.tray.id, how: present(here.value).outlook.way.how },
  ])
const start = () =>
  groups.start('water', `Water ${name.value}`, [{ what: 'trays', id: props.tray.id, stage: null }])
const last = computed(() => here.value?.wateringEvents.slice(-6).reverse() ?? [])
const saidOf = (one: (typeof last.value)[number]) =>
  one.kind === 'watered'
    ? `${one.nMgPerL > 0 ? 'fed' : 'watered'}${one.litres === null ? '' : `, ${volume(one.litres)}`}, ${one.how === 'below' ? 'from below' : one.how === 'above' ? 'from above' : 'a mist'}`
    : one.kind === 'weighed'
      ? `${mass(one.grams)}, ${{ now: 'as it stood', watered: 'just watered', dry: 'dry' }[one.moment]}`
      : one.feels
</script>

<template>
  <section class="water stack-l" aria-labelledby="water-title">
    <h2 id="water-title">Water</h2>
    <p v-if="!here" class="soft">Starts once something is sown.</p>
    <template v-else>
      <div class="now">
        <svg
          viewBox="0 0 60 120"
          class="store"
          role="img"
          :aria-label="`${Math.round(level * 100)} % of the easily available water is left`"
        >
          <rect
            fill="var(--paper-raised)"
            stroke="var(--ink-soft)"
            stroke-width="2"
            x="8"
            y="8"
            width="44"
            height="104"
            rx="4"
          />
          <rect class="full" x="8" :y="8 + 104 * (1 - level)" width="44" :height="104 * level" rx="4" />
          <path stroke="var(--marigold)" stroke-width="3" stroke-dasharray="5 3" d="M2 54.8H58" />
        </svg>
        <div class="stack">
          <p class="verdict">{{ verdict(here) }}</p>
          <p>{{ doing(here) }}</p>
          <FoldAway kept-as="water-why" title="Why"
            ><p class="soft">
              Holds <FigureValue :figure="here.store.capacityL" /> when full;
              <FigureValue :figure="here.store.easyL" /> before it needs water. Loses about
              <FigureValue :figure="here.outlook.lossPerDayL" /> a day and weighs about
              {{ mass(weightAt(here.followed, here.followed.now)) }} now.
              <template v-if="factor && factor.n > 0"
                >Dries {{ printNumber(factor.mean, 2) }}× as fast as estimated (from {{ factor.n }} of your
                waterings).</template
              >
              <template v-else>Estimate. Weigh or lift it twice to calibrate.</template>
              <template v-if="!here.mixKnown"> Mix not set; the usual seed mix is assumed.</template>
            </p></FoldAway
          >
          <div class="buttons no-print">
            <Button class="main" @click="start">Water it, step by step</Button>
            <Button @click="watered">Watered</Button>
            <Button @click="weighing = true">Weigh</Button>
          </div>
          <div class="feels no-print">
            <span class="row-s" role="group" aria-label="By lift">
              <span class="soft">By lift:</span>
              <Button v-for="one in ['heavy', 'middling', 'light'] as const" :key="one" @click="felt(one)">{{
                one
              }}</Button>
            </span>
            <span class="row-s" role="group" aria-label="By its surface">
              <span class="soft">Surface:</span>
              <Button
                v-for="one in ['dark', 'pale', 'dry beneath'] as const"
                :key="one"
                @click="looked(one)"
                >{{ one }}</Button
              >
            </span>
          </div>
        </div>
      </div>
      <div v-if="risk" class="risk stack-s">
        <p>{{ risk.text }}</p>
        <ul>
          <li v-for="one in risk.todo" :key="one">{{ one }}</li>
        </ul>
      </div>
      <p v-if="apart !== null" class="problem">{{ sayApart(apart, mass) }}</p>
      <p v-if="here.followed.doubted.length" class="problem">
        {{
          here.followed.doubted.length === 1
            ? 'One weighing does'
            : `${here.followed.doubted.length} weighings do`
        }}
        not agree with the rest and {{ here.followed.doubted.length === 1 ? 'is' : 'are' }} not used; take it
        back in the log where it was a slip.
      </p>
      <LiveDrain
        :tray-id="tray.id"
        :capacity-l="here.store.capacityL.value"
        :days-up="here.daysUp"
        :potted="tray.body.groups.some(({ stage }) => stage > 0)"
      />
      <DrawingFrame :file="`water-tray-${tray.number}`" title="Its water"
        ><WaterChart :water="here" :name="`Tray ${tray.number}`"
      /></DrawingFrame>
      <FoldAway title="Water history">
        <FigureTable v-if="last.length" :columns="['Day', 'What']">
          <tr v-for="(one, i) in last" :key="i">
            <td>{{ printDay(dayOf(one.at)) }}</td>
            <td>{{ saidOf(one) }}</td>
          </tr>
        </FigureTable>
        <p v-else class="soft">Nothing yet: it is taken to have been soaked on the day it was sown or set.</p>
      </FoldAway>
      <WeighForm
        v-if="weighing"
        :tray-id="tray.id"
        :name="name"
        :store="here"
        :plants-g="here.followed.now.plantsG"
        @close="weighing = false"
      />
    </template>
  </section>
</template>

<style scoped>
.now {
  display: grid;
  grid-template-columns: 4.5rem minmax(0, 1fr);
  gap: 1.2rem;
  align-items: start;
}

.store {
  width: 100%;
}

.full {
  fill: var(--water);
  opacity: 0.75;
}

.verdict {
  font: 680 1.5rem/1.15 var(--heading);
}

.feels {
  display: flex;
  flex-wrap: wrap;
  gap: 0.4rem 1.2rem;
}

.risk {
  padding: 0.6rem 0.9rem;
  border-left: 5px solid var(--marigold);
  background: var(--marigold-wash);
}

.risk ul {
  padding-left: 1.1rem;
  list-style: disc;
}

@media (max-width: 40rem) {
  .now {
    grid-template-columns: 3rem minmax(0, 1fr);
    gap: 0.8rem;
  }
}
</style>
