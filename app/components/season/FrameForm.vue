<script setup lang="ts">
import DayField from '~/components/fields/DayField.vue'
import TypedField from '~/components/fields/TypedField.vue'
import Button from 'primevue/button'
import { computed, ref } from 'vue'
import ChoiceField from '~/components/fields/ChoiceField.vue'
import { copyOf } from '~/composables/copyOf'
import { provideUnreadable } from '~/composables/useUnreadable'
import { useContext } from '~/state/context'
import { areaReading } from '~/composables/readings'
import { useHousehold } from '~/state/household'
import { useHouseholdPart } from '~/state/saving'
import SaveProblem from '~/components/records/SaveProblem.vue'
import { useSeason } from '~/state/season'
import { FEEDS } from '#core/feed/feeds'
import { FEEDING_SCHOOLS } from '#core/feed/programme'
import { dissolvesNitrogen } from '#core/feed/feed'
import { dayFrom, yearsOn } from '#core/season/day'
import { fillHabitOf, frameProblems, shareDaysOf } from '#core/season/frame'
import { LIGHT_SCHOOLS } from '#core/season/light'
import { messageAt } from '#core/problem'
import type { SeasonFrameRecord } from '#shared/records/season-frame'

/** The household's year: frosts, shelf, lamps, schools. */
const emit = defineEmits<{ kept: [] }>()
const context = useContext()
const season = useSeason()

const year = Number(season.today.slice(0, 4)) + (season.today.slice(5) > '08-01' ? 1 : 0)
const draft = ref<SeasonFrameRecord>(
  season.frame
    ? copyOf(season.frame)
    : {
        lastFrost: dayFrom(`${year}-05-10`),
        firstFrost: dayFrom(`${year}-10-10`),
        shelfFlats: 4,
        lampM2: 0.6,
        lamp: null,
        mixC: 22,
        lightSchool: 'sixteen',
        feedingSchool: 'weak and often',
        feedId: FEEDS[0]!.id,
        tubL: 40,
        canL: 9,
        nightC: null,
      },
)
const household = useHousehold()
const { saving, save, dismiss } = useHouseholdPart('season', 'frosts and shelf')
const problems = computed(() => frameProblems(draft.value))
const problemAt = (field: string) => messageAt(problems.value, field)
const { first: unreadable } = provideUnreadable()
const lightSchool = computed(() => LIGHT_SCHOOLS.find(({ id }) => id === draft.value.lightSchool)!)
const feedingSchool = computed(() => FEEDING_SCHOOLS.find(({ id }) => id === draft.value.feedingSchool)!)
const feeds = computed(() =>
  context.feedList.filter(dissolvesNitrogen).map(({ id, name }) => ({ value: id, name })),
)
/** The same day a year on, for the next season. */
const nextYear = () => {
  draft.value.lastFrost = yearsOn(draft.value.lastFrost, 1)
  draft.value.firstFrost = yearsOn(draft.value.firstFrost, 1)
}

async function keep() {
  if (await save(draft.value)) emit('kept')
}
</script>

<template>
  <form class="frame" @submit.prevent="keep">
    <div class="pair">
      <DayField
        v-model="draft.lastFrost"
        label="Last frost of spring"
        hint="on average, where you are"
        :problem="problemAt('lastFrost')"
      />
      <DayField v-model="draft.firstFrost" label="First frost of autumn" :problem="problemAt('firstFrost')" />
    </div>
    <div class="three">
      <TypedField
        :model-value="draft.shelfFlats"
        label="Shelf holds"
        unit="flats"
        hint="of 28 × 54 cm"
        :problem="problemAt('shelfFlats')"
        @update:model-value="draft.shelfFlats = $event ?? 0"
      />
      <TypedField
        :model-value="draft.lampM2"
        label="Lamps light"
        :unit="household.kitchen === 'metric' ? 'm²' : 'sq ft'"
        :reading="areaReading(household.kitchen)"
        :problem="problemAt('lampM2')"
        @update:model-value="draft.lampM2 = $event ?? 0"
      />
      <TypedField
        :model-value="draft.mixC"
        dimension="temperature"
        label="Mix as warm as"
        :problem="problemAt('mixC')"
        @update:model-value="draft.mixC = $event ?? 0"
      />
      <TypedField
        :model-value="draft.tubL"
        dimension="volume"
        label="Tub to stir in"
        :problem="problemAt('tubL')"
        @update:model-value="draft.tubL = $event ?? 0"
      />
      <TypedField
        :model-value="draft.canL"
        dimension="volume"
        label="Can to carry feed"
        :problem="problemAt('canL')"
        @update:model-value="draft.canL = $event ?? 0"
      />
    </div>
    <div class="pair">
      <ChoiceField
        :model-value="fillHabitOf(draft)"
        label="A tray that is not full"
        :choices="[
          { value: 'tray', name: 'is filled whole' },
          { value: 'sown', name: 'only where seed goes in' },
        ]"
        @update:model-value="draft.fillHabit = $event"
      />
      <TypedField
        :model-value="shareDaysOf(draft)"
        label="Sowings share a tray within"
        unit="days"
        :problem="problemAt('shareDays')"
        @update:model-value="draft.shareDays = $event ?? 0"
      />
    </div>
    <div class="pair">
      <ChoiceField
        v-model="draft.lightSchool"
        label="Light"
        :choices="LIGHT_SCHOOLS.map(({ id, name }) => ({ value: id, name }))"
        :hint="`${lightSchool.why} ${lightSchool.cost}`"
      />
      <ChoiceField
        v-model="draft.feedingSchool"
        label="Feeding"
        :choices="FEEDING_SCHOOLS.map(({ id, name }) => ({ value: id, name }))"
        :hint="`${feedingSchool.why} ${feedingSchool.cost}`"
      />
      <ChoiceField v-model="draft.feedId" label="Feed as a rule" :choices="feeds" />
    </div>
    <SaveProblem :saving="saving" @settled="emit('kept')" @later="dismiss" />
    <div class="buttons">
      <Button type="submit" class="main" :disabled="problems.length > 0 || !!unreadable"> Keep it </Button>
      <Button v-if="season.frame" @click="nextYear">The same a year on</Button>
      <slot />
    </div>
  </form>
</template>

<style scoped>
.frame {
  display: grid;
  gap: 0.85rem;
  max-width: 46rem;
}
</style>
