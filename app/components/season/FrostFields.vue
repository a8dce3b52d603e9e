<script setup lang="ts">
import { computed } from 'vue'
import CheckField from '~/components/fields/CheckField.vue'
import DayField from '~/components/fields/DayField.vue'
import TypedField from '~/components/fields/TypedField.vue'
import { useDates } from '~/composables/useDates'
import { dayFrom } from '#core/season/day'
import { frostAtRisk, frostRiskOf, frostSpreadOf, isFrostFree, type Frosts } from '#core/season/frost'
import { printShare } from '#core/units/format'

/** When it freezes there, how far that scatters, and how much risk is lived with; or that it never does. */
const frosts = defineModel<Frosts>({ required: true })
const props = defineProps<{ year: number; problemAt: (field: string) => string | undefined }>()
const { printDay } = useDates()

const change = (more: Partial<Frosts>) => (frosts.value = { ...frosts.value, ...more })
const frostFree = computed({
  get: () => isFrostFree(frosts.value),
  set: (free) =>
    free
      ? change({
          lastFrost: null,
          firstFrost: null,
          nights: frosts.value.nights ?? {
            coldestC: 10,
            warmestC: 22,
            coldestOn: dayFrom(`${props.year}-01-20`),
          },
        })
      : change({
          lastFrost: dayFrom(`${props.year}-05-10`),
          firstFrost: dayFrom(`${props.year}-10-10`),
          nights: null,
        }),
})
const nights = computed(() => frosts.value.nights)
const setNights = (more: Partial<NonNullable<Frosts['nights']>>) =>
  nights.value && change({ nights: { ...nights.value, ...more } })
const reckoned = computed(() => {
  const { lastFrost } = frosts.value
  return lastFrost && !props.problemAt('frostRisk') && !props.problemAt('frostSpreadDays')
    ? frostAtRisk({ ...frosts.value, lastFrost })
    : null
})
</script>

<template>
  <fieldset class="frosts">
    <legend>Frost</legend>
    <CheckField v-model="frostFree"
      >It never freezes here: plants go out by the warmth of the nights</CheckField
    >
    <div v-if="!frostFree" class="four">
      <DayField
        :model-value="frosts.lastFrost"
        label="Last frost of spring"
        hint="on average, where you are"
        :problem="problemAt('lastFrost')"
        @update:model-value="change({ lastFrost: $event })"
      />
      <DayField
        :model-value="frosts.firstFrost"
        label="First frost of autumn"
        hint="on average"
        :problem="problemAt('firstFrost')"
        @update:model-value="change({ firstFrost: $event })"
      />
      <TypedField
        :model-value="frostSpreadOf(frosts)"
        label="It comes earlier or later by"
        unit="days"
        hint="two springs in three lie within"
        :problem="problemAt('frostSpreadDays')"
        @update:model-value="change({ frostSpreadDays: $event })"
      />
      <TypedField
        :model-value="frostRiskOf(frosts)"
        percent
        label="Risk of a later frost"
        hint="that you live with"
        :problem="problemAt('frostRisk')"
        @update:model-value="change({ frostRisk: $event })"
      />
    </div>
    <div v-else-if="nights" class="four">
      <TypedField
        :model-value="nights.coldestC"
        dimension="temperature"
        label="Coldest nights of the year"
        :problem="problemAt('nights.coldestC')"
        @update:model-value="setNights({ coldestC: $event ?? 0 })"
      />
      <TypedField
        :model-value="nights.warmestC"
        dimension="temperature"
        label="Warmest nights"
        :problem="problemAt('nights.warmestC')"
        @update:model-value="setNights({ warmestC: $event ?? 0 })"
      />
      <DayField
        :model-value="nights.coldestOn"
        label="The coldest are about"
        hint="nights in between follow one wave a year"
        @update:model-value="$event && setNights({ coldestOn: $event })"
      />
    </div>
    <p v-if="reckoned" class="soft">
      What frost harms goes out from {{ printDay(reckoned) }} on at the earliest: a later frost in
      {{ printShare(frostRiskOf(frosts)) }} of springs.
    </p>
  </fieldset>
</template>

<style scoped>
.frosts {
  display: grid;
  gap: 0.6rem;
  min-width: 0;
}

.four {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(10rem, 1fr));
  gap: 0.6rem 0.9rem;
}
</style>
