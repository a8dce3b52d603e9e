<script setup lang="ts">
import { first as firstOf } from '#core/numeric/at'
import { useDebounceFn } from '@vueuse/core'
import { EC_PER_MG_N } from '#core/water/balance'
import {
  WATERING_HABITS,
  kinderOf,
  type ScenarioRequest,
  type WateringHabit,
} from '#core/water/water-scenario'
import { habitOf } from '#core/feed/programme'
import { withOutside } from '#core/season/schedule/stays'
import { printNumber } from '#core/units/format'
import { scenarioFor } from '#shared/derived/water-scenario'

definePageMeta({
  place: {
    title: 'Compare watering',
    what: 'six weeks of two watering routines, side by side',
    words: 'try it simulate scenario dry wilt water',
    parent: '/trays',
    tab: 4,
  },
})

/** Two trays side by side: what differs between them is what is tried. */
const household = useHousehold()
const context = useContext()
const season = useSeason()
const { volume } = useMeasures()

const places = computed(() => withOutside(season.frame?.places ?? []))
interface Tried {
  recipeId: string
  containerId: string
  placeId: string
  habit: WateringHabit
  how: 'below' | 'above'
}
const first = (): Tried => ({
  recipeId: 'lean-and-light',
  containerId: 'tray-72',
  placeId: firstOf(places.value).id,
  habit: 'when light',
  how: 'below',
})
const tried = reactive<{ a: Tried; b: Tried; feed: 'no' | 'yes' }>({
  a: first(),
  b: { ...first(), habit: 'every day' },
  feed: 'no',
})
const DAYS = 42
const asked = computed((): ScenarioRequest[] =>
  [tried.a, tried.b].flatMap((one) => {
    const place = places.value.find(({ id }) => id === one.placeId) ?? firstOf(places.value)
    const { nMgPerL } = habitOf(season.frame?.feedingMethod ?? 'half strength', 'true-leaves')
    const request = scenarioFor(context.whole, {
      ...one,
      place,
      lampHours: 16,
      days: DAYS,
      waterEc: household.record?.water?.ecMsPerCm ?? 0.4,
      feed:
        tried.feed === 'yes'
          ? { nMgPerL, ecMsPerCm: nMgPerL * EC_PER_MG_N, everyDays: 7, fromDaysUp: 10 }
          : null,
    })
    return request ? [request] : []
  }),
)
const { answer, done, ask } = useWorkerCall('waterScenarios')
const group = useDebounceFn(() => asked.value.length === 2 && ask(asked.value), 150)
watch(asked, () => void group(), { immediate: true })
const results = computed(() => answer.value ?? [])

const SIDES = [
  { key: 'a', name: 'One' },
  { key: 'b', name: 'The other' },
] as const
const recipes = computed(() => [...context.recipes.values()].map(({ id, name }) => ({ value: id, name })))
const containers = computed(() => context.containerList.map(({ id, name }) => ({ value: id, name })))
const rows = computed(() => [
  { name: 'Times watered', of: results.value.map(({ timesWatered }) => printNumber(timesWatered)) },
  { name: 'Water given', of: results.value.map(({ givenL }) => volume(givenL)) },
  { name: 'Of it drunk', of: results.value.map(({ drunkL }) => volume(drunkL)) },
  { name: 'Days that leaves hang', of: results.value.map(({ wiltDays }) => printNumber(wiltDays)) },
  { name: 'Days that it stays wet', of: results.value.map(({ wetDays }) => printNumber(wetDays)) },
  {
    name: 'Highest EC in the mix, mS/cm',
    of: results.value.map(({ highestEc }) => printNumber(highestEc, 2)),
  },
  {
    name: 'Hungry from',
    of: results.value.map(({ hungryFrom }) => (hungryFrom === null ? 'never' : `day ${hungryFrom}`)),
  },
])
const verdict = computed(() => {
  const [a, b] = results.value
  if (!a || !b) return ''
  const kinder = kinderOf(a, b)
  if (kinder === null) return 'Both would do: neither wilts nor stays wet much longer than the other.'
  const [name, better, other] = kinder === 0 ? (['The first', a, b] as const) : (['The other', b, a] as const)
  return `${name} is kinder: ${better.wiltDays} days of hanging leaves against ${other.wiltDays}, ${better.wetDays} wet days against ${other.wetDays}.`
})
</script>

<template>
  <div class="stack-l">
    <PageTop title="Compare watering" />
    <div class="sides">
      <fieldset v-for="side in SIDES" :key="side.key" :class="side.key">
        <legend>{{ side.name }}</legend>
        <ChoiceField v-model="tried[side.key].recipeId" label="Mix" :choices="recipes" />
        <ChoiceField v-model="tried[side.key].containerId" label="Container" :choices="containers" />
        <ChoiceField
          v-model="tried[side.key].placeId"
          label="Stands"
          :choices="places.map(({ id, name }) => ({ value: id, name }))"
        />
        <ChoiceField
          v-model="tried[side.key].habit"
          label="Watered"
          :choices="WATERING_HABITS.map((value) => ({ value, name: value }))"
        />
        <ChoiceField
          v-model="tried[side.key].how"
          label="From"
          :choices="[
            { value: 'below', name: 'below' },
            { value: 'above', name: 'above' },
          ]"
        />
      </fieldset>
      <ChoiceField
        v-model="tried.feed"
        class="feed"
        label="Fed"
        :choices="[
          { value: 'no', name: 'no: what the mix gives' },
          { value: 'yes', name: 'weekly from the true leaves on' },
        ]"
      />
    </div>
    <p v-if="!results.length" class="soft" role="status">
      {{
        asked.length < 2
          ? 'One of the mixes or containers cannot be used.'
          : done === null
            ? ''
            : 'Six weeks go by …'
      }}
    </p>
    <template v-else>
      <p class="verdict" role="status">{{ verdict }}</p>
      <ScenarioChart :groups="results" :stores="asked" />
      <table class="figures">
        <thead>
          <tr>
            <th scope="col">In {{ DAYS }} days</th>
            <th v-for="side in SIDES" :key="side.key" scope="col">{{ side.name }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in rows" :key="row.name">
            <th scope="row">{{ row.name }}</th>
            <td v-for="(value, i) in row.of" :key="i">{{ value }}</td>
          </tr>
        </tbody>
      </table>
      <FoldAway title="How it is calculated">
        <p>
          Water goes as Penman–Monteith says (FAO-56, equation 3) by warmth, humidity and light of the place,
          a tenth of it under a dome; leaves take over as they close, and drink less once what is easily had
          is gone. Salts stay when water goes. Food comes from the mix as it rots and is drawn by plants that
          grow by 12–16 % a day. Defaults throughout: what your own trays weigh corrects them on their pages.
        </p>
      </FoldAway>
    </template>
  </div>
</template>

<style scoped>
.sides {
  display: grid;
  grid-template-columns: repeat(2, minmax(0, 1fr));
  gap: 1rem 2rem;
}

fieldset {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(10rem, 1fr));
  gap: 0.6rem;
  padding: 0.6rem 0.9rem 0.9rem;
  border-top: 4px solid var(--water);
  background: var(--paper-raised);
}

fieldset.b {
  border-top-color: var(--marigold);
  border-top-style: dashed;
}

legend {
  float: left;
  grid-column: 1 / -1;
  font: 680 1.2rem/1 var(--heading);
}

.feed {
  max-width: 20rem;
}

.verdict {
  font: 640 1.3rem/1.25 var(--heading);
}

@media (max-width: 46rem) {
  .sides {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
