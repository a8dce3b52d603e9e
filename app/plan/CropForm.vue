<script setup lang="ts">
import type { Crop } from '#core/sowing/crop'
import { EMERGENCE_DAYS } from '#core/sowing/emergence'
import { SCHEDULES } from '#core/season/schedule/schedules'
import type { CropRecord } from '#shared/records/crop'
import { cropRecordOf } from '#shared/records/as-crop'
import { BUILT_IN_CROPS } from '#core/sowing/crops'

/** A crop put right for this place, or one of the household's own after the likeness of another. */
const props = defineProps<{ crop: Crop; asNew: boolean }>()
const emit = defineEmits<{ close: [] }>()
const household = useHousehold()
const { attempt } = useCommands()

const stored = household.crops.find(
  ({ id, body }) => !props.asNew && (id === props.crop.id || body.basedOn === props.crop.id),
)
const first: CropRecord = props.asNew
  ? { ...cropRecordOf(props.crop), basedOn: null, name: '' }
  : cropRecordOf(props.crop)
const NUMBERS = [
  { key: 'outAfterFrostWeeks', label: 'Out, weeks after frost', hint: 'negative: before it' },
  { key: 'depthMm', label: 'Depth', dimension: 'length', typical: 5 },
  { key: 'warmthC', label: 'Warmth', dimension: 'temperature' },
  { key: 'lowestNightC', label: 'Lowest night', dimension: 'temperature' },
  { key: 'germination', label: 'Germination', percent: true },
  { key: 'seedsPerCell', label: 'Seeds in a cell' },
] as const
const same = <Value extends string>(...values: Value[]) => values.map((value) => ({ value, name: value }))
const kin = same(...Object.keys(EMERGENCE_DAYS))

async function back() {
  if (!stored) return
  const { id, version, body } = stored
  if (await attempt(body.name, [{ name: 'remove record', collection: 'crops', id, version }])) emit('close')
}
const inBook = BUILT_IN_CROPS.has(props.crop.id)
const { said } = useMeasures()
</script>

<template>
  <RecordForm
    collection="crops"
    :header="asNew ? `A crop like ${crop.name.toLowerCase()}` : crop.name"
    :stored="stored"
    :first="first"
    @close="emit('close')"
  >
    <template #default="{ draft, problemAt }">
      <TextField v-model="draft.name" label="Name" :problem="problemAt('name')" />
      <div class="three">
        <TypedField
          :model-value="draft.figures.weeks[0]"
          label="Weeks, from"
          :problem="problemAt('figures.weeks[0]')"
          @update:model-value="draft.figures.weeks[0] = $event ?? 0"
        />
        <TypedField
          :model-value="draft.figures.weeks[1]"
          label="to"
          hint="before planting out"
          :problem="problemAt('figures.weeks[1]')"
          @update:model-value="draft.figures.weeks[1] = $event ?? 0"
        />
        <TypedField
          v-model="draft.figures.weeksBeforeFrost"
          optional
          label="Wants outside, weeks"
          hint="before the first frost; empty for hardy"
          :problem="problemAt('figures.weeksBeforeFrost')"
        />
        <TypedField
          v-for="{ key, ...field } in NUMBERS"
          :key="key"
          v-bind="field"
          :model-value="draft.figures[key]"
          :problem="problemAt(`figures.${key}`)"
          @update:model-value="draft.figures[key] = $event ?? 0"
        />
        <TypedField
          :model-value="draft.figures.emergence.factor"
          label="Days, times those of"
          :problem="problemAt('figures.emergence.factor')"
          @update:model-value="draft.figures.emergence.factor = $event ?? 0"
        />
      </div>
      <div class="pair">
        <ChoiceField v-model="draft.figures.emergence.like" label="Comes up as" :choices="kin" />
        <ChoiceField
          v-model="draft.figures.light"
          label="Light"
          :choices="same('wants light', 'wants dark', 'either')"
        />
        <ChoiceField
          v-model="draft.figures.appetite"
          label="Appetite"
          :choices="same('light', 'medium', 'heavy')"
        />
        <ChoiceField
          v-model="draft.figures.scheduleId"
          label="Usual schedule"
          :choices="SCHEDULES.map(({ id, name }) => ({ value: id, name }))"
        />
      </div>
      <CheckField v-model="draft.figures.clump" label="stays together as a clump" />
      <CheckField v-model="draft.figures.buryStem" label="roots from a buried stem" />
      <CheckField v-model="draft.figures.autumn" :label="said('also sown for autumn')" />
    </template>
    <template #more>
      <Button v-if="stored && inBook" @click="back">Reset to standard</Button>
    </template>
  </RecordForm>
</template>
