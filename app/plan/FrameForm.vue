<script setup lang="ts">
import { present } from '#core/present'
import { FEEDING_METHODS } from '#core/feed/programme'
import { dissolvesNitrogen } from '#core/feed/feed'
import { yearsOn } from '#core/calendar/day'
import { fillHabitOf, frameProblems, shareDaysOf } from '#core/season/frame'
import type { Frosts } from '#core/calendar/frost'
import { LIGHT_METHODS } from '#core/places/light'
import { messageAt } from '#shared/messages/refusals'
import { newFrame, seasonFrame, type SeasonFrameRecord } from '#shared/records/season-frame'

/** The household's year: frosts, places, methods. */
const emit = defineEmits<{ kept: [] }>()
const context = useContext()
const season = useSeason()
const household = useHousehold()

const draft = ref<SeasonFrameRecord>(season.frame ? copyOf(season.frame) : newFrame(household.units))
const { saving, save, dismiss } = useHouseholdPart('season', 'frosts and places')
const frosts = computed({
  get: (): Frosts => draft.value,
  set: (value) => (draft.value = { ...draft.value, ...value }),
})
const problems = computed(() => frameProblems(draft.value))
const problemAt = (field: string) => messageAt(problems.value, field)
const { first: unreadable } = provideUnreadable()
provideRecordDraft({ draft, schema: seasonFrame, words: 'season', problemAt })
const lightMethod = computed(() => present(LIGHT_METHODS.find(({ id }) => id === draft.value.lightMethod)))
const feedingMethod = computed(() =>
  present(FEEDING_METHODS.find(({ id }) => id === draft.value.feedingMethod)),
)
const feeds = computed(() => context.feedList.filter(dissolvesNitrogen))
const named = (all: readonly { id: string; name: string }[]) =>
  all.map(({ id, name }) => ({ value: id, name }))
/** The recipes it sows and pots up in as long as none is chosen. */
const usual = computed(() => context.whole.usualMixes)
const mixes = computed(() => [
  { value: null as string | null, name: 'from what I have' },
  ...context.mixChoices,
])
/** The same day a year on, for the next season. */
const nextYear = () => {
  const { lastFrost, firstFrost, nights } = draft.value
  draft.value.lastFrost = lastFrost && yearsOn(lastFrost, 1)
  draft.value.firstFrost = firstFrost && yearsOn(firstFrost, 1)
  if (nights) draft.value.nights = { ...nights, coldestOn: yearsOn(nights.coldestOn, 1) }
}

async function keep() {
  if (await save(draft.value)) emit('kept')
}
</script>

<template>
  <form class="frame stack-l" @submit.prevent="keep">
    <FrostFields v-model="frosts" :problem-at="problemAt" />
    <PlacesForm v-model="draft.places" :hours="lightMethod.hours" :problem-at="problemAt" />
    <div class="pair">
      <RecordField at="tubL" />
      <RecordField at="canL" />
      <RecordField at="fillHabit" :usual="fillHabitOf(draft)" />
      <RecordField at="shareDays" :usual="shareDaysOf(draft)" />
    </div>
    <p class="soft">
      <WordMark word="method">Methods</WordMark> fill in what you leave open. Any stage can still be changed.
    </p>
    <div class="pair">
      <RecordField
        at="lightMethod"
        :choices="named(LIGHT_METHODS)"
        :hint="`${lightMethod.why} ${lightMethod.cost}`"
      />
      <RecordField
        at="feedingMethod"
        :choices="named(FEEDING_METHODS)"
        :hint="`${feedingMethod.why} ${feedingMethod.cost}`"
      />
      <RecordField at="feedId" :choices="named(feeds)" />
      <RecordField
        v-for="(id, which) in { seedMixId: usual.seed, potMixId: usual.pot }"
        :key="which"
        :at="which"
        :placeholder="context.nameOfMix(id)"
        :choices="mixes"
        :hint="draft[which] ? '' : `${context.nameOfMix(id)}, from your supplies`"
      />
    </div>
    <SaveProblem :saving="saving" @settled="emit('kept')" @later="dismiss" />
    <div class="buttons">
      <Button type="submit" class="main" :disabled="problems.length > 0 || !!unreadable"> Save </Button>
      <Button v-if="season.frame" @click="nextYear">Copy to next year</Button>
      <slot />
    </div>
  </form>
</template>

<style scoped>
.frame {
  max-width: 54rem;
}
</style>
