<script setup lang="ts">
import {
  BLEND_ELEMENTS,
  blendFeeds,
  EXACTLY,
  perGram,
  WANT_KINDS,
  type BlendElement,
  type WantKind,
  type WantKinds,
} from '#core/feed/blend'
import { printNumber } from '#core/units/format'

const saying = useSaying()

const { mass, said } = useMeasures()

definePageMeta({
  place: {
    title: 'Several feeds',
    what: 'combine feeds to reach a target',
    words: 'blend combine stock bottles',
    parent: '/mix',
  },
})

const context = useContext()
provideUnreadable()

/** Nitrogen for growing on, the rest in the ratios young plants take it up [handbook, from memory]. */
const wanted = ref<Record<BlendElement, number>>({ N: 100, P: 15, K: 100, Ca: 60, Mg: 20 })
const kinds = ref<WantKinds>({ ...EXACTLY })
const waterCa = ref<number | null>(null)
const waterMg = ref<number | null>(null)
const water = computed(() => ({ Ca: waterCa.value ?? 0, Mg: waterMg.value ?? 0 }))
const ticked = ref(['calcium-nitrate', 'potassium-nitrate', 'monopotassium-phosphate', 'magnesium-sulphate'])
const volumeL = ref<number | null>(9)

const choices = computed(() => context.feedList.filter(({ use }) => use !== 'mixed in'))
const feeds = computed(() => choices.value.filter(({ id }) => ticked.value.includes(id)))
const problem = computed(() =>
  feeds.value.length === 0
    ? 'Tick at least one feed.'
    : BLEND_ELEMENTS.every(
          (element) => wanted.value[element] <= 0 || ['any', 'at most'].includes(kinds.value[element]),
        )
      ? 'Set a target above 0.'
      : BLEND_ELEMENTS.some((element) => !(wanted.value[element] >= 0 && wanted.value[element] <= 1000))
        ? `Targets are 0 to 1000 ${saying.value.litreUnit}.`
        : null,
)
const blend = computed(() =>
  problem.value ? null : blendFeeds(feeds.value, wanted.value, kinds.value, water.value),
)
const NAMES: Record<BlendElement, string> = {
  N: 'Nitrogen',
  P: 'Phosphorus',
  K: 'Potassium',
  Ca: 'Calcium',
  Mg: 'Magnesium',
}
/** A want that none of the ticked feeds holds at all. */
const missing = computed(() =>
  BLEND_ELEMENTS.filter(
    (element) => wanted.value[element] > 0 && feeds.value.every((feed) => perGram(feed)[element] === 0),
  ),
)
/** The usual salts and what is in the supplies; the rest when it is asked for. */
const every = ref(false)
const usual = new Set(ticked.value)
const offered = computed(() =>
  choices.value.filter(
    ({ id }) =>
      every.value || usual.has(id) || ticked.value.includes(id) || context.shelves('feed', id).length > 0,
  ),
)
</script>

<template>
  <div class="blend">
    <PageTop class="whole" title="Several feeds" />
    <section class="column stack-l" aria-labelledby="wanted-title">
      <h2 id="wanted-title">Target, {{ saying.litreUnit }}</h2>
      <div v-for="element in BLEND_ELEMENTS" :key="element" class="want">
        <ChoiceField
          :model-value="kinds[element]"
          :label="`${NAMES[element]}: how it is meant`"
          hide-label
          :choices="WANT_KINDS.map((kind) => ({ value: kind, name: kind === 'any' ? 'any amount' : kind }))"
          @update:model-value="kinds = { ...kinds, [element]: $event as WantKind }"
        />
        <TypedField
          :model-value="wanted[element]"
          :label="`${element} ${NAMES[element].toLowerCase()}`"
          :hint="kinds[element] === 'any' ? 'any' : undefined"
          @update:model-value="wanted = { ...wanted, [element]: $event ?? 0 }"
        />
      </div>
      <FoldAway title="What the water brings">
        <div class="pair">
          <TypedField v-model="waterCa" optional label="Calcium in the water" :unit="saying.litreUnit" />
          <TypedField v-model="waterMg" optional label="Magnesium in the water" :unit="saying.litreUnit" />
        </div>
      </FoldAway>
      <TypedField v-model="volumeL" dimension="volume" label="Water" />
      <fieldset>
        <legend>Made from</legend>
        <CheckField v-for="feed in offered" :key="feed.id" v-model="ticked" :value="feed.id">{{
          feed.name
        }}</CheckField>
      </fieldset>
      <div>
        <Button v-if="offered.length < choices.length" @click="every = true"
          >All {{ choices.length }} feeds</Button
        >
      </div>
    </section>
    <section class="column slip stack-l" aria-labelledby="blend-title">
      <h2 id="blend-title">Weigh out</h2>
      <p v-if="problem" class="problem" role="status">{{ problem }}</p>
      <template v-else-if="blend">
        <BlendDrawing :blend="blend" :wanted="wanted" :kinds="kinds" :water="water" :names="NAMES" />
        <p v-if="missing.length" class="problem" role="status">
          Nothing ticked holds {{ missing.map((element) => NAMES[element].toLowerCase()).join(' or ') }}.
        </p>
        <ul class="doses">
          <li v-for="{ feed, gPerL } in blend.lines" :key="feed.id">
            <strong>{{ mass(gPerL * (volumeL ?? 0)) }}</strong> {{ feed.name }}
            <span class="soft">({{ printNumber(gPerL) }} g/L)</span>
          </li>
        </ul>
        <TwoJugs
          v-if="blend.concentrates.b.length || blend.concentrates.alone.length"
          :concentrates="blend.concentrates"
        />
        <p
          v-if="blend.concentrates.b.length || blend.concentrates.alone.length"
          class="conflict"
          role="status"
        >
          <strong>Never mix these two concentrates undiluted:</strong>
          {{ said('calcium and sulphate or phosphate set to grit.') }}
          <template v-if="blend.concentrates.alone.length">
            {{ blend.concentrates.alone.map(({ name }) => name).join(', ') }} holds both: keep it in a bottle
            of its own.
          </template>
          Diluted in the can they may meet.
        </p>
        <p v-else class="soft">These can share one bottle.</p>
        <FoldAway title="In numbers">
          <table class="figures">
            <thead>
              <tr>
                <th scope="col">{{ saying.litreUnit }}</th>
                <th scope="col">Wanted</th>
                <th scope="col">Given</th>
                <th v-for="{ feed } in blend.lines" :key="feed.id" scope="col">{{ feed.name }}</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="element in BLEND_ELEMENTS" :key="element">
                <th scope="row">{{ NAMES[element] }}</th>
                <td>{{ kinds[element] === 'any' ? '' : printNumber(wanted[element]) }}</td>
                <td>{{ printNumber(blend.gives[element]) }}</td>
                <td v-for="(share, n) in blend.shares" :key="n">{{ printNumber(share[element]) }}</td>
              </tr>
            </tbody>
          </table>
        </FoldAway>
      </template>
      <CautionList :cautions="['concentrates', 'fertiliser']" />
    </section>
  </div>
</template>

<style scoped>
.check {
  display: flex;
}

.blend {
  display: grid;
  grid-template-columns: minmax(20rem, 1fr) minmax(24rem, 1.2fr);
  gap: 1.2rem clamp(1rem, 2.2vw, 2.2rem);
  align-items: start;
}

fieldset {
  columns: 2;
}

fieldset label {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 0.5rem;
  padding: 0.2rem 0;
  line-height: 1.2;
  break-inside: avoid;
  cursor: pointer;
}

.want {
  display: grid;
  grid-template-columns: 9rem 1fr;
  gap: 0.6rem;
  align-items: end;
}

.doses li {
  padding: 0.2rem 0;
}

.conflict {
  padding: 0.6rem 0.9rem;
  border-left: 4px solid var(--beet);
  background: var(--beet-wash);
}

@media (max-width: 52rem) {
  .blend {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
