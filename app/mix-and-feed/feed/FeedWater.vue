<script setup lang="ts">
import { messageAt } from '#shared/messages/refusals'
import { ecOfFeed, EC_LIMITS_MS_PER_CM } from '#core/feed/ec'
import { ALKALINITY_MOST_MG_PER_L, blendWithRain, rainForAlkalinity, waterProblems } from '#core/feed/water'
import { printNumber, printShare } from '#core/units/format'
import { derive } from '#core/working/figure'

const saying = useSaying()

/** Salts in all: the household's water, rain in it, and the feed. */
const household = useHousehold()
const feed = useFeedDraft()
const { note } = useNotes()
const rainShare = ref(0)
const draft = ref({
  ...(household.record?.water ?? { ecMsPerCm: 0.5, alkalinityMgPerL: 150 }),
})
const kept = computed(() => household.record?.water ?? null)
const problems = computed(() => waterProblems(draft.value, rainShare.value))
const problemAt = (field: string) => messageAt(problems.value, field)
const changed = computed(() => JSON.stringify(kept.value) !== JSON.stringify(draft.value))

const salts = computed(() => {
  if (!feed.plan || problems.value.length) return null
  const water = blendWithRain(draft.value, rainShare.value)
  const ofFeed = ecOfFeed(feed.feed, feed.plan.concentrationGPerL)
  const all = derive(
    'EC in the can',
    'mS/cm',
    'w + f',
    { w: water.ecMsPerCm, f: ofFeed },
    ({ w, f }) => w + f,
  )
  const limit = EC_LIMITS_MS_PER_CM[feed.draft.growthStageId] ?? 1.5
  return { water, ofFeed, all, limit, over: ofFeed.value > limit }
})
const rainWanted = computed(() => rainForAlkalinity(draft.value))
const DRIFT = {
  up: 'It drives the pH of small cells up.',
  steady: 'It keeps the pH where it is.',
  down: 'So soft that the pH drifts down over weeks.',
} as const

const { saving, save, dismiss } = useHouseholdPart('water', 'your water')
async function keep() {
  if (await save({ ...draft.value })) note('Your water is kept.')
}
</script>

<template>
  <FoldAway class="water"
    ><template #title>
      Salts<template v-if="salts">: {{ printNumber(salts.all.value, 2) }} mS/cm in the can</template>
    </template>
    <p v-if="salts" :class="{ over: salts.over }">
      <FigureValue :figure="salts.ofFeed" /> from the feed over
      <FigureValue :figure="salts.water.ecMsPerCm" /> of the water; {{ salts.over ? 'above' : 'below' }} the
      {{ salts.limit }} mS/cm this stage stands.
    </p>
    <div class="pair">
      <TypedField
        v-model="draft.ecMsPerCm"
        label="EC of your water"
        unit="mS/cm"
        :problem="problemAt('ecMsPerCm')"
      />
      <TypedField
        v-model="draft.alkalinityMgPerL"
        label="Its alkalinity"
        :unit="saying.litreUnit"
        hint="as CaCO₃, from the supplier"
        :problem="problemAt('alkalinityMgPerL')"
      />
      <TypedField v-model="rainShare" percent label="Rain in it" :problem="problemAt('rainShare')" />
    </div>
    <p v-if="salts" class="soft small">
      Alkalinity <FigureValue :figure="salts.water.alkalinityMgPerL" />. {{ DRIFT[salts.water.drift] }}
      <template v-if="salts.water.drift === 'up' && rainWanted > rainShare">
        {{ printShare(Math.ceil(rainWanted * 20) / 20) }} of rain brings it below
        {{ ALKALINITY_MOST_MG_PER_L }}.
      </template>
    </p>
    <SaveProblem :saving="saving" @settled="dismiss" @later="dismiss" />
    <Button v-if="changed && !problems.length" @click="keep"> Keep our water </Button>
  </FoldAway>
</template>

<style scoped>
.over {
  padding-left: 0.7rem;
  border-left: 4px solid var(--beet);
}
</style>
