<script setup lang="ts">
import type { FeedRecord } from '#shared/records/feed'
import { asFeed } from '#shared/records/as-feed'

const saying = useSaying()

/** The label as it stands on the bottle: three numbers, always in this order. */
defineProps<{ label: FeedRecord; problemAt: (field: string) => string | undefined }>()
const household = useHousehold()
const emit = defineEmits<{ set: [key: keyof FeedRecord, value: FeedRecord[keyof FeedRecord]] }>()

const NUMBERS = [
  ['nPercent', 'N', 'nitrogen'],
  ['p2o5Percent', 'P₂O₅', 'phosphate'],
  ['k2oPercent', 'K₂O', 'potash'],
] as const
/** What is taken where the label does not say, and what that may do to a dose. */
const ASSUMED = {
  powder: '0.95 assumed; a spoonful may be 16 % off',
  liquid: '1.15 assumed; a dose in mL may be 13 % off',
} as const
const MORE = [
  ['caPercent', 'Ca calcium'],
  ['mgPercent', 'Mg magnesium'],
  ['sPercent', 'S sulphur'],
  ['fePercent', 'Fe iron'],
  ['clPercent', 'Cl chloride'],
] as const
</script>

<template>
  <div class="label stack-l">
    <div class="numbers">
      <template v-for="([key, symbol, name], index) in NUMBERS" :key="key">
        <span v-if="index" class="dash" aria-hidden="true">–</span>
        <div class="number">
          <TypedField
            :model-value="label[key]"
            :label="`${symbol} ${name}`"
            :problem-id="problemAt(`feed.${key}`) && `label-${key}`"
            @update:model-value="emit('set', key, $event ?? 0)"
          />
        </div>
      </template>
    </div>
    <p v-for="[key] in NUMBERS" v-show="problemAt(`feed.${key}`)" :key="key" class="problem" role="alert">
      {{ problemAt(`feed.${key}`) }}
    </p>
    <div class="pair">
      <ChoiceField
        :model-value="label.form"
        label="It is a"
        :choices="[
          { value: 'powder', name: 'powder' },
          { value: 'liquid', name: 'liquid' },
        ]"
        @update:model-value="emit('set', 'form', $event)"
      />
      <TypedField
        :model-value="label.densityGPerMl"
        optional
        :label="label.form === 'powder' ? 'Bulk density' : 'Density'"
        unit="g/mL"
        :hint="label.densityGPerMl === null ? ASSUMED[label.form] : 'yours'"
        :problem="problemAt('feed.densityGPerMl')"
        @update:model-value="emit('set', 'densityGPerMl', $event)"
      />
      <TypedField
        :model-value="label.labelRatePerL"
        optional
        label="Label rate"
        hint="as it says: 1 tbsp per gal, 5 ml/l …"
        :reading="rateReading(asFeed('', label), household.units)"
        :problem="problemAt('feed.labelRatePerL')"
        @update:model-value="emit('set', 'labelRatePerL', $event)"
      />
      <CheckField :model-value="label.organic" @update:model-value="emit('set', 'organic', $event)"
        >Organic: little of it is available at once</CheckField
      >
    </div>
    <LabelDoubts :label="label" @set="(key, value) => emit('set', key, value)" />
    <FoldAway title="Calcium, magnesium, sulphur, iron, salts">
      <div class="three">
        <TypedField
          v-for="[key, name] in MORE"
          :key="key"
          :model-value="label[key]"
          :label="name"
          unit="%"
          :problem="problemAt(`feed.${key}`)"
          @update:model-value="emit('set', key, $event ?? 0)"
        />
        <TypedField
          :model-value="label.ecSlopeMsPerCm"
          optional
          :label="`EC at 100 ${saying.nitrogenUnit}`"
          unit="mS/cm"
          hint="if it says one"
          :problem="problemAt('feed.ecSlopeMsPerCm')"
          @update:model-value="emit('set', 'ecSlopeMsPerCm', $event)"
        />
      </div>
    </FoldAway>
  </div>
</template>

<style scoped>
.numbers {
  display: flex;
  align-items: flex-end;
  gap: 0.4rem;
}

.number {
  flex: 1;
}

.number :deep(.input) {
  min-height: 3.4rem;
  font: 720 1.9rem/1 var(--heading);
  text-align: center;
}

.number :deep(label) {
  white-space: nowrap;
}

.dash {
  padding-bottom: 0.7rem;
  font: 720 1.6rem/1 var(--heading);
}

.organic {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 0.5rem;
  padding-top: 1.6rem;
  line-height: 1.25;
  cursor: pointer;
}
</style>
