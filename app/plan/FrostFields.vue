<script setup lang="ts">
import type { Day } from '#core/calendar/day'
import { seasonFrame } from '#shared/records/season-frame'
import { frostRiskOf, frostSpreadOf, isFrostFree, type Frosts } from '#core/calendar/frost'

/** When it freezes there, how far that scatters, and how much risk is lived with; or that it never does. */
const frosts = defineModel<Frosts>({ required: true })
const props = defineProps<{ problemAt: (field: string) => string | undefined; onlyNights?: boolean }>()

provideRecordDraft({
  draft: frosts as Ref<object>,
  schema: seasonFrame,
  words: 'season',
  problemAt: (path) => props.problemAt(path),
})
const change = (more: Partial<Frosts>) => (frosts.value = { ...frosts.value, ...more })
/** Nothing is filled in that was not said: nights are the household’s once all three of them are. */
const free = ref(!!props.onlyNights || (isFrostFree(frosts.value) && !!frosts.value.nights))
const said = reactive<{ coldestC: number | null; warmestC: number | null; coldestOn: Day | null }>({
  coldestC: null,
  warmestC: null,
  coldestOn: null,
  ...frosts.value.nights,
})
const nights = computed(() => {
  const { coldestC, warmestC, coldestOn } = said
  return coldestC === null || warmestC === null || coldestOn === null
    ? null
    : { coldestC, warmestC, coldestOn }
})
/** Frosts that were said come back when it freezes after all. */
let before: Pick<Frosts, 'lastFrost' | 'firstFrost'> = { lastFrost: null, firstFrost: null }
const frostFree = computed({
  get: () => free.value,
  set: (now) => {
    free.value = now
    if (now) {
      before = { lastFrost: frosts.value.lastFrost, firstFrost: frosts.value.firstFrost }
      change({ lastFrost: null, firstFrost: null, nights: nights.value })
    } else change({ ...before, nights: null })
  },
})
function setNights(more: Partial<typeof said>) {
  Object.assign(said, more)
  change({ nights: nights.value })
}
</script>

<template>
  <fieldset class="frosts stack">
    <legend>{{ onlyNights ? 'Your nights' : 'Frost' }}</legend>
    <CheckField v-if="!onlyNights" v-model="frostFree"
      >It never freezes here: plants go out by the warmth of the nights</CheckField
    >
    <div v-if="!frostFree" class="four">
      <RecordField at="lastFrost" />
      <RecordField at="firstFrost" />
      <RecordField at="frostSpreadDays" :usual="frostSpreadOf(frosts)" />
      <RecordField at="frostRisk" :usual="frostRiskOf(frosts)" />
    </div>
    <template v-else>
      <div class="four">
        <TypedField
          :model-value="said.coldestC"
          optional
          dimension="temperature"
          label="Coldest nights"
          :problem="problemAt('nights.coldestC')"
          @update:model-value="setNights({ coldestC: $event })"
        />
        <TypedField
          :model-value="said.warmestC"
          optional
          dimension="temperature"
          label="Warmest nights"
          :problem="problemAt('nights.warmestC')"
          @update:model-value="setNights({ warmestC: $event })"
        />
        <DayField
          :model-value="said.coldestOn"
          label="Coldest around"
          hint="nights in between are estimated"
          @update:model-value="setNights({ coldestOn: $event })"
        />
      </div>
      <p v-if="!nights" class="soft">Say all three: nothing is assumed of your nights.</p>
    </template>
    <p v-if="!problemAt('frostRisk') && !problemAt('frostSpreadDays')" class="soft">
      <FrostUsed :frosts="frosts" />
    </p>
  </fieldset>
</template>

<style scoped>
.four {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(10rem, 1fr));
  gap: 0.6rem 0.9rem;
}
</style>
