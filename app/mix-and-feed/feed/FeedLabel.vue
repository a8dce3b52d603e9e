<script setup lang="ts">
import { feed as feedSchema, type FeedRecord } from '#shared/records/feed'
import { asFeed } from '#shared/records/as-feed'

const saying = useSaying()

/** The label as it stands on the bottle: three numbers, always in this order. */
const props = defineProps<{ label: FeedRecord; problemAt: (field: string) => string | undefined }>()
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
const MORE = ['caPercent', 'mgPercent', 'sPercent', 'fePercent', 'clPercent']
provideRecordDraft({
  draft: computed(() => props.label),
  schema: feedSchema,
  words: 'feeds',
  problemAt: (path) => props.problemAt(`feed.${path}`),
  change: (path, next) => {
    const key = path as keyof FeedRecord
    emit('set', key, (next as FeedRecord)[key])
  },
})
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
      <RecordField at="form" />
      <RecordField
        at="densityGPerMl"
        :label="label.form === 'powder' ? 'Bulk density' : 'Density'"
        :hint="label.densityGPerMl === null ? ASSUMED[label.form] : 'yours'"
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
      <RecordField at="organic" />
    </div>
    <LabelDoubts :label="label" @set="(key, value) => emit('set', key, value)" />
    <FoldAway title="Calcium, magnesium, sulphur, iron, salts">
      <div class="three">
        <RecordField v-for="key in MORE" :key="key" :at="key" />
        <RecordField at="ecSlopeMsPerCm" :label="`EC at 100 ${saying.nitrogenUnit}`" />
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
</style>
