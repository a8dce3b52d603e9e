<script setup lang="ts">
import type { FeedRecord } from '#shared/records/feed'

/** The label as it stands on the bottle: three numbers, always in this order. */
defineProps<{ label: FeedRecord; problemAt: (field: string) => string | undefined }>()
const emit = defineEmits<{ set: [key: keyof FeedRecord, value: FeedRecord[keyof FeedRecord]] }>()

const NUMBERS = [
  ['nPercent', 'N', 'nitrogen'],
  ['p2o5Percent', 'P₂O₅', 'phosphate'],
  ['k2oPercent', 'K₂O', 'potash'],
] as const
</script>

<template>
  <div class="label">
    <div class="numbers">
      <template v-for="([key, symbol, name], index) in NUMBERS" :key="key">
        <span v-if="index" class="dash" aria-hidden="true">–</span>
        <div class="number">
          <NumberField
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
      <NumberField
        :model-value="label.densityGPerMl"
        optional
        :label="label.form === 'powder' ? 'Bulk density' : 'Density'"
        unit="g/mL"
        :hint="
          label.densityGPerMl === null ? `${label.form === 'powder' ? '0.95' : '1.15'} assumed` : 'yours'
        "
        :problem="problemAt('feed.densityGPerMl')"
        @update:model-value="emit('set', 'densityGPerMl', $event)"
      />
      <NumberField
        :model-value="label.labelRatePerL"
        optional
        label="Label rate"
        :unit="label.form === 'powder' ? 'g/L' : 'mL/L'"
        hint="if it says one"
        :problem="problemAt('feed.labelRatePerL')"
        @update:model-value="emit('set', 'labelRatePerL', $event)"
      />
      <label class="organic">
        <input
          type="checkbox"
          :checked="label.organic"
          @change="emit('set', 'organic', ($event.target as HTMLInputElement).checked)"
        />
        Organic: little of it is available at once
      </label>
    </div>
  </div>
</template>

<style scoped>
.label {
  display: grid;
  gap: 0.8rem;
}

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
