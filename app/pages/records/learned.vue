<script setup lang="ts">
import { present } from '#core/present'
import { intervalOf, WILD_AT } from '#core/learning/learning'
import type { Calibration } from '#core/learning/calibrations'
import { FACTOR } from '#core/water/follow'
import { printNumber, printShare } from '#core/units/format'
import type { Bodies, Stored } from '#shared/records/collections'

definePageMeta({
  place: {
    title: 'Your own figures',
    what: 'what your records have changed in the estimates',
    words: 'learned defaults measurements calibrate settle jug spoon germination predicted used',
    parent: '/records',
    tab: 5,
  },
})
const { rows, drop } = useLearned()
const water = useWater()
const { printDay } = useDates()
const { volume, said } = useMeasures()

const print = (calibration: Calibration) => (value: number) =>
  calibration.unit === 'share'
    ? printShare(Math.round(value * 100) / 100)
    : calibration.unit === '×'
      ? `${printNumber(value, 3)} ×`
      : said(`${printNumber(value, 3)} ${calibration.unit}`)
const measuring = ref<'jug' | 'powder density' | 'coir yield' | null>(null)
const BY_HAND = ['jug', 'powder density', 'coir yield'] as const
const byHand = (id: string) => BY_HAND.find((one) => one === id)
const known = computed(() =>
  rows.value.filter(({ things }) => things.some(({ measurements }) => measurements.length)),
)
const book = computed(() =>
  rows.value.filter(({ things }) => !things.some(({ measurements }) => measurements.length)),
)

const thirst = computed(() =>
  water.all.flatMap(({ tray, water: { followed, outlook } }) =>
    followed.factor.n
      ? [
          {
            id: tray.id,
            name: `Tray ${tray.number}, ${tray.body.groups[0]?.name ?? tray.body.name}`,
            factor: followed.factor,
            loses: outlook.lossPerDayL,
          },
        ]
      : [],
  ),
)

const { answer: made } = useRead<{ entries: Stored<Bodies['entries']>[] }>(
  () => `log?kinds=${encodeURIComponent('batch made')}&limit=200`,
)
const used = computed(() =>
  [...(made.value?.entries ?? [])].reverse().flatMap(({ id, body }) => {
    const fact = (what: string) => body.facts.find((one) => one.what === what)?.amount
    const [predicted, actual] = [fact('Estimated use'), fact('Used')]
    return predicted && actual ? [{ id, name: body.name, on: body.on, predicted, used: actual }] : []
  }),
)
</script>

<template>
  <div class="learned">
    <PageTop title="Your own figures" />

    <section aria-labelledby="used-title">
      <h2 id="used-title">Predicted against used</h2>
      <PredictedUsed v-if="used.length" :batches="used" />
      <p v-else class="slip">
        Nothing yet. Make a batch as a guided job and say what was left over: after three, the amounts should
        be within 5 %.
      </p>
    </section>

    <section
      v-for="row in known"
      :key="row.calibration.id"
      class="calibration stack"
      :aria-labelledby="`habit-${row.calibration.id}`"
    >
      <header>
        <h2 :id="`habit-${row.calibration.id}`">{{ row.calibration.name }}</h2>
        <p class="soft small">Changes {{ row.calibration.changes }}.</p>
      </header>
      <article v-for="thing in row.things" :key="thing.of">
        <h3 v-if="thing.name">{{ thing.name }}</h3>
        <div class="pair">
          <BeliefDrawing
            :book="thing.learned.prior"
            :yours="thing.learned.n ? thing.learned : null"
            :measured="thing.learned.measured"
            :print="print(row.calibration)"
            :label="`${row.calibration.name} ${thing.name}`"
          />
          <dl>
            <dt class="soft">standard</dt>
            <dd>{{ print(row.calibration)(thing.learned.prior.mean) }}</dd>
            <template v-if="thing.learned.n">
              <dt class="own soft">yours, from {{ thing.learned.n }}</dt>
              <dd class="own">
                <b>{{ print(row.calibration)(thing.learned.mean) }}</b>
                <span class="soft small">
                  {{ print(row.calibration)(intervalOf(thing.learned)[0]) }} to
                  {{ print(row.calibration)(intervalOf(thing.learned)[1]) }}</span
                >
              </dd>
            </template>
          </dl>
        </div>
        <details>
          <summary>{{ thing.measurements.length }} measured</summary>
          <ul class="measurements">
            <li v-for="one in thing.measurements" :key="one.id" :class="{ out: one.isDropped }">
              <span>{{ printDay(one.on) }}</span>
              <b>{{ print(row.calibration)(one.value) }}</b>
              <span v-if="one.n" class="soft">of {{ one.n }}</span>
              <span
                v-if="(thing.learned.measured.find((m) => m.entryId === one.entryId)?.far ?? 0) > WILD_AT"
                class="doubt"
                >far from the rest: counts for little</span
              >
              <span v-if="one.isDropped" class="soft">left out</span>
              <Button text @click="drop(one, !one.isDropped)">{{
                one.isDropped ? 'Count it again' : 'Leave it out'
              }}</Button>
            </li>
          </ul>
        </details>
      </article>
      <Button v-if="byHand(row.calibration.id)" @click="measuring = present(byHand(row.calibration.id))"
        >Measure another</Button
      >
    </section>

    <section v-if="thirst.length" class="calibration stack" aria-labelledby="thirst-title">
      <header>
        <h2 id="thirst-title">How thirsty a tray is</h2>
        <p class="soft small">Against the estimate from air, light and leaves.</p>
      </header>
      <article v-for="one in thirst" :key="one.id">
        <h3>
          <NuxtLink :to="`/trays/${one.id}`">{{ one.name }}</NuxtLink>
        </h3>
        <div class="pair">
          <BeliefDrawing
            :book="FACTOR"
            :yours="one.factor"
            :measured="[]"
            :print="(value: number) => `${printNumber(value, 2)} ×`"
            :label="`Thirst of ${one.name}`"
          />
          <dl>
            <dt class="soft">standard</dt>
            <dd>1 ×</dd>
            <dt class="own soft">yours, from {{ one.factor.n }}</dt>
            <dd class="own">
              <b>{{ printNumber(one.factor.mean, 2) }} ×</b>
              <span class="soft small">{{ volume(one.loses.value) }} a day</span>
            </dd>
          </dl>
        </div>
      </article>
    </section>

    <FoldAway :title="`Still standard (${book.length})`" kept-as="still-standard">
      <ul class="book">
        <li v-for="{ calibration } in book" :key="calibration.id">
          <b>{{ calibration.name }}</b> {{ print(calibration)(calibration.prior.mean) }}
          <span class="soft small">{{ calibration.source.cite }}. Measured by {{ calibration.by }}.</span>
          <Button v-if="byHand(calibration.id)" text @click="measuring = present(byHand(calibration.id))"
            >Measure it</Button
          >
        </li>
      </ul>
    </FoldAway>
    <FoldAway title="How your measurements count">
      <p>
        Each measurement is weighted by how much such measurements vary, against the spread of the standard
        figure. One that lies more than {{ WILD_AT }} standard deviations from it and from your others counts
        less the farther it lies; none is thrown away.
      </p>
    </FoldAway>
    <MeasureForm v-if="measuring" :what="measuring" @close="measuring = null" />
  </div>
</template>

<style scoped>
.learned {
  display: grid;
  gap: 1.4rem;
  max-width: 62rem;
}

.calibration {
  padding-top: 1rem;
  border-top: 1px solid var(--line);
}

.pair {
  display: grid;
  grid-template-columns: minmax(12rem, 24rem) minmax(12rem, 1fr);
  gap: 0.5rem 1.5rem;
  align-items: center;
}

dl {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 0.1rem 0.8rem;
}

.own b {
  margin-right: 0.6rem;
  font-size: 1.25rem;
}

.measurements li {
  display: flex;
  flex-wrap: wrap;
  gap: 0 0.8rem;
  align-items: center;
}

.out b {
  text-decoration: line-through;
}

.doubt {
  padding-left: 0.5rem;
  border-left: 3px solid var(--marigold);
}

summary {
  display: inline-block;
  min-height: 2rem;
  color: var(--enamel);
  cursor: pointer;
}

.book li {
  display: flex;
  flex-wrap: wrap;
  gap: 0 0.7rem;
  align-items: baseline;
  padding: 0.35rem 0;
  border-bottom: 1px solid var(--line);
}

@media (max-width: 52rem) {
  .pair {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
