<script setup lang="ts">
import { useMeasures } from '~/composables/useMeasures'
import { definePageMeta } from '#imports'
import CheckField from '~/components/fields/CheckField.vue'
import FoldAway from '~/components/fields/FoldAway.vue'
import TypedField from '~/components/fields/TypedField.vue'
import { computed, ref } from 'vue'
import { provideUnreadable } from '~/composables/useUnreadable'
import { useContext } from '~/state/context'
import { BLEND_ELEMENTS, blendFeeds, perGram, type BlendElement } from '#core/feed/blend'
import { cautions } from '#core/cautions/caution'
import { printNumber } from '#core/units/format'

const { mass } = useMeasures()

definePageMeta({ place: { title: 'Several feeds', what: 'blended to what is wanted', parent: '/feed' } })

const context = useContext()
provideUnreadable()

/** Nitrogen for growing on, the rest in the ratios young plants take it up [handbook, from memory]. */
const wanted = ref<Record<BlendElement, number>>({ N: 100, P: 15, K: 100, Ca: 60, Mg: 20 })
const ticked = ref(['calcium-nitrate', 'potassium-nitrate', 'monopotassium-phosphate', 'magnesium-sulphate'])
const volumeL = ref<number | null>(9)

const choices = computed(() => context.feedList.filter(({ use }) => use !== 'mixed in'))
const feeds = computed(() => choices.value.filter(({ id }) => ticked.value.includes(id)))
const problem = computed(() =>
  feeds.value.length === 0
    ? 'Tick at least one feed.'
    : BLEND_ELEMENTS.every((element) => wanted.value[element] <= 0)
      ? 'Want something above 0.'
      : BLEND_ELEMENTS.some((element) => !(wanted.value[element] >= 0 && wanted.value[element] <= 1000))
        ? 'Wants lie between 0 and 1000 mg/L.'
        : null,
)
const blend = computed(() => (problem.value ? null : blendFeeds(feeds.value, wanted.value)))
const NAMES: Record<BlendElement, string> = {
  N: 'Nitrogen',
  P: 'Phosphorus',
  K: 'Potassium',
  Ca: 'Calcium',
  Mg: 'Magnesium',
}
const off = (element: BlendElement) => (blend.value ? blend.value.gives[element] - wanted.value[element] : 0)
/** A want that none of the ticked feeds holds at all. */
const missing = computed(() =>
  BLEND_ELEMENTS.filter(
    (element) => wanted.value[element] > 0 && feeds.value.every((feed) => perGram(feed)[element] === 0),
  ),
)
const caution = cautions(['concentrates', 'fertiliser'])
</script>

<template>
  <div class="blend">
    <header class="whole">
      <h1>Several feeds at once</h1>
      <p class="soft">
        Say what is wanted, tick what there is: the nearest blend, and which bottles must not meet.
      </p>
    </header>
    <section class="column" aria-labelledby="wanted-title">
      <h2 id="wanted-title">Wanted, mg/L</h2>
      <div class="three">
        <TypedField
          v-for="element in BLEND_ELEMENTS"
          :key="element"
          :model-value="wanted[element]"
          :label="`${element} ${NAMES[element].toLowerCase()}`"
          @update:model-value="wanted = { ...wanted, [element]: $event ?? 0 }"
        />
      </div>
      <TypedField v-model="volumeL" dimension="volume" label="For so much water" />
      <fieldset>
        <legend>From</legend>
        <CheckField v-for="feed in choices" :key="feed.id" v-model="ticked" :value="feed.id">{{
          feed.name
        }}</CheckField>
      </fieldset>
    </section>
    <section class="column slip" aria-labelledby="blend-title">
      <h2 id="blend-title">The blend</h2>
      <p v-if="problem" class="problem" role="status">{{ problem }}</p>
      <template v-else-if="blend">
        <table class="figures">
          <thead>
            <tr>
              <th scope="col">Feed</th>
              <th scope="col">A litre</th>
              <th scope="col">In all</th>
              <th scope="col">Bottle</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="{ feed, gPerL } in blend.lines" :key="feed.id">
              <th scope="row">{{ feed.name }}</th>
              <td>{{ printNumber(gPerL) }} g</td>
              <td>{{ mass(gPerL * (volumeL ?? 0)) }}</td>
              <td>
                {{
                  blend.concentrates.b.length === 0 ? 'any' : blend.concentrates.a.includes(feed) ? 'A' : 'B'
                }}
              </td>
            </tr>
          </tbody>
        </table>
        <table class="figures">
          <thead>
            <tr>
              <th scope="col">mg/L</th>
              <th scope="col">Wanted</th>
              <th scope="col">Given</th>
              <th scope="col">Off</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="element in BLEND_ELEMENTS" :key="element">
              <th scope="row">{{ NAMES[element] }}</th>
              <td>{{ printNumber(wanted[element]) }}</td>
              <td>{{ printNumber(Number(blend.gives[element].toFixed(2))) }}</td>
              <td :class="{ far: Math.abs(off(element)) > 0.1 * Math.max(10, wanted[element]) }">
                {{
                  Math.abs(off(element)) < 0.05
                    ? 'right'
                    : `${off(element) > 0 ? '+' : '−'}${printNumber(Math.abs(off(element)), 2)}`
                }}
              </td>
            </tr>
          </tbody>
        </table>
        <p v-if="missing.length" class="problem">
          Nothing ticked holds {{ missing.map((element) => NAMES[element].toLowerCase()).join(' or ') }}.
        </p>
        <p v-if="blend.concentrates.b.length" class="conflict" role="status">
          <strong>Two concentrates.</strong> {{ blend.concentrates.a.map(({ name }) => name).join(', ') }} in
          A, {{ blend.concentrates.b.map(({ name }) => name).join(', ') }} in B: undiluted, calcium sets to
          grit with sulphate or phosphate. In the full can they may meet.
        </p>
        <p v-else class="soft">These may share one concentrate.</p>
      </template>
      <ul class="cautions" aria-label="Cautions">
        <li v-for="one in caution" :key="one.id" class="caution">
          <FoldAway
            ><template #title>
              <strong>{{ one.title }}</strong>
            </template>
            <p>{{ one.text }}</p>
          </FoldAway>
        </li>
      </ul>
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

.whole {
  grid-column: 1 / -1;
}

.column {
  display: grid;
  gap: 0.9rem;
  min-width: 0;
}

fieldset {
  columns: 2;
  min-width: 0;
  padding: 0;
  margin: 0;
  border: 0;
}

legend {
  padding: 0 0 0.3rem;
  font-weight: 600;
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

.far {
  color: var(--beet);
  font-weight: 700;
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
