<script setup lang="ts">
import { definePageMeta } from '#imports'
import RadioButton from 'primevue/radiobutton'
import TypedField from '~/components/fields/TypedField.vue'
import { computed, ref } from 'vue'
import ChoiceField from '~/components/fields/ChoiceField.vue'
import { provideUnreadable } from '~/composables/useUnreadable'
import { useMeasures } from '~/composables/useMeasures'
import { useContext } from '~/state/context'
import { useHousehold } from '~/state/household'
import { airWanted } from '#core/media/air-wanted'
import { insideOf } from '#core/media/inside'
import { lowerIn, planBatch } from '#core/media/batch'
import { ecOfFeed, EC_LIMITS_MS_PER_CM } from '#core/feed/ec'
import { causesOf, SIGNS, type BenchRecord, type SignId } from '#core/feed/signs'
import { STAGES, stageById } from '#core/feed/stage'
import { concentrationFor } from '#core/feed/strength'
import { elements } from '#core/feed/feed'
import { printNumber } from '#core/units/format'
import { given } from '#core/working/figure'
import { yours } from '#core/working/source'
import { asBatchRequest, batchRecordProblems } from '#shared/records/batch'

definePageMeta({
  place: {
    title: 'Signs',
    what: 'pale, burnt, purple: what is likely',
    words: 'yellow leggy burnt gnats flies mould crust wilting',
    parent: '/feed',
  },
})

const household = useHousehold()
const { said } = useMeasures()
const context = useContext()
provideUnreadable()

const sign = ref<SignId>('pale')
const batchId = ref<string | null>(household.batches[0]?.id ?? null)
const stageId = ref('true-leaves')
const daysUp = ref<number | null>(14)
const coldestC = ref<number | null>(null)

const batchChoices = computed(() => [
  { value: null, name: 'no batch' },
  ...household.batches.map(({ id, number, body }) => ({
    value: id as string | null,
    name: `${number} · ${body.name}`,
  })),
])
const batch = computed(() => household.batches.find(({ id }) => id === batchId.value))
/** The last feed that was given to this batch, else to any. */
const lastFeed = computed(() => {
  const given = household.entries.filter(({ body }) => body.kind === 'feed given')
  const planOf = (one: (typeof given)[number]) => one.body.about[0]!.id
  const plans = new Set(
    household.feedings.filter(({ body }) => body.batchId === batchId.value).map(({ id }) => id),
  )
  const ofBatch = given.filter((one) => plans.has(planOf(one)))
  const use = (batchId.value ? ofBatch : given).at(-1)
  const plan = use && household.feedings.find(({ id }) => id === planOf(use))
  return use && plan
    ? {
        name: use.body.name,
        nMgPerL: use.body.facts.find(({ what }) => what === 'Nitrogen')?.amount ?? null,
        feed: context.feeds.get(plan.body.feedId),
      }
    : null
})

const record = computed((): BenchRecord => {
  const stage = stageById(stageId.value)
  const water = household.record?.water ?? null
  const ofBatch = readBatch()
  const strength = lastFeed.value?.nMgPerL ?? null
  const feed = lastFeed.value?.feed
  const feedEc =
    strength !== null && feed && feed.nPercent > 0
      ? ecOfFeed(feed, concentrationFor(given('Last feed', strength, 'mg/L', yours()), elements(feed).n))
          .value
      : null
  return {
    lastNMgPerL: strength,
    band: [stage.lowNMgPerL, stage.highNMgPerL],
    ecMsPerCm: feedEc === null ? null : feedEc + (water?.ecMsPerCm ?? 0),
    ecLimitMsPerCm: EC_LIMITS_MS_PER_CM[stageId.value] ?? 1.5,
    alkalinityMgPerL: water?.alkalinityMgPerL ?? null,
    coldestC: coldestC.value,
    ...ofBatch,
  }
})
function readBatch() {
  const unknown = {
    daysPastFood: null,
    air: null,
    airLeast: airWanted(57).least,
    ph: null,
    saltsMsPerCm: null,
  }
  if (!batch.value || batchRecordProblems(batch.value.body, context.whole).length) return unknown
  const plan = planBatch(asBatchRequest(batch.value.body, context.whole))
  const { container, plants } = plan.fills[0]!.fill
  const { physics, daysOfFood } = insideOf(container, plan, plan.chemistry, {
    lower: lowerIn(plan, 0),
    press: batch.value.body.allowances.blockCompression,
    plants: plants ?? 1,
  })
  return {
    daysPastFood: daysUp.value === null ? null : Math.round(daysUp.value - daysOfFood.value),
    air: physics.airSpace.value,
    airLeast: physics.airWanted.least,
    ph: plan.chemistry.ph.value,
    saltsMsPerCm: plan.chemistry.saltsMsPerCm.value,
  }
}
const causes = computed(() => causesOf(sign.value, record.value))
const LIKELY = (weight: number) =>
  weight === 0 ? 'not known' : weight > 0.6 ? 'likely' : weight > 0.25 ? 'possible' : 'less likely'
</script>

<template>
  <div class="signs">
    <header class="whole">
      <h1>Signs</h1>
      <p class="soft">What you see, and what your own record makes likely. No record, no verdict.</p>
    </header>
    <section class="column" aria-labelledby="see-title">
      <h2 id="see-title">What you see</h2>
      <div class="choices" role="radiogroup" aria-labelledby="see-title">
        <label v-for="one in SIGNS" :key="one.id" :class="{ on: sign === one.id }">
          <RadioButton v-model="sign" name="sign" :value="one.id" /> {{ one.name }}
        </label>
      </div>
      <ChoiceField v-model="batchId" label="On the plants of" :choices="batchChoices" />
      <div class="pair">
        <ChoiceField
          v-model="stageId"
          label="Stage"
          :choices="STAGES.map(({ id, name }) => ({ value: id, name }))"
        />
        <TypedField v-model="daysUp" optional label="Up since" unit="days" />
        <TypedField
          v-model="coldestC"
          optional
          label="Coldest the mix gets"
          dimension="temperature"
          hint="if you know"
        />
      </div>
      <p class="soft small">
        {{
          lastFeed
            ? `Last feed on record: ${lastFeed.name}, ${printNumber(lastFeed.nMgPerL ?? 0)} mg/L.`
            : 'No feed is on record for them.'
        }}
      </p>
    </section>
    <section class="column" aria-labelledby="why-title" aria-live="polite">
      <h2 id="why-title">What the record makes likely</h2>
      <ol v-if="causes.length">
        <li v-for="cause in causes" :key="cause.id" :class="{ first: cause.weight > 0.6 }">
          <h3>
            {{ cause.name }} <span class="how">{{ LIKELY(cause.weight) }}</span>
          </h3>
          <p>{{ said(cause.because) }}.</p>
          <p class="then">{{ cause.then }}</p>
        </li>
      </ol>
      <p v-else class="slip">
        Nothing on record speaks for it: strength, salts, food and air are all as they should be. Look at
        warmth, light, roots and small animals.
      </p>
    </section>
  </div>
</template>

<style scoped>
.signs {
  display: grid;
  grid-template-columns: minmax(19rem, 0.8fr) minmax(22rem, 1.2fr);
  gap: 1.2rem clamp(1rem, 2.6vw, 2.8rem);
  align-items: start;
}

.whole {
  grid-column: 1 / -1;
}

.column {
  display: grid;
  gap: 0.9rem;
  min-width: 0;
}

.choices {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0.5rem;
}

.choices label {
  display: flex;
  gap: 0.6rem;
  align-items: center;
  min-height: 3rem;
  padding: 0.3rem 0.8rem;
  border: 1.5px solid var(--line-strong);
  border-radius: 0.5rem;
  font-weight: 600;
  cursor: pointer;
}

.choices .on {
  border-color: var(--enamel);
  background: var(--water-wash);
}

ol li {
  padding: 0.7rem 0 0.7rem 1rem;
  border-left: 4px solid var(--line-strong);
  margin-bottom: 0.7rem;
}

ol .first {
  border-color: var(--beet);
}

.how {
  margin-left: 0.4rem;
  padding: 0 0.5em;
  border: 1.5px solid var(--line-strong);
  border-radius: 1em;
  color: var(--ink-soft);
  font: 500 0.9375rem/1.5 var(--text);
}

.then {
  font-weight: 600;
}

@media (max-width: 52rem) {
  .signs {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
