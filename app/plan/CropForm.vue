<script setup lang="ts">
import type { Crop } from '#core/sowing/crop'
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
  'weeks[0]',
  'weeks[1]',
  'weeksBeforeFrost',
  'outAfterFrostWeeks',
  'depthMm',
  'warmthC',
  'lowestNightC',
  'germination',
  'seedsPerCell',
  'emergence.factor',
]

async function back() {
  if (!stored) return
  const { id, version, body } = stored
  if (await attempt(body.name, [{ name: 'remove record', collection: 'crops', id, version }])) emit('close')
}
const inBook = BUILT_IN_CROPS.has(props.crop.id)
</script>

<template>
  <RecordForm
    collection="crops"
    :header="asNew ? `A crop like ${crop.name.toLowerCase()}` : crop.name"
    :stored="stored"
    :first="first"
    @close="emit('close')"
  >
    <RecordField at="name" />
    <div class="three">
      <RecordField v-for="key in NUMBERS" :key="key" :at="`figures.${key}`" />
    </div>
    <div class="pair">
      <RecordField at="figures.emergence.like" />
      <RecordField at="figures.light" />
      <RecordField at="figures.appetite" />
      <RecordField
        at="figures.scheduleId"
        :choices="SCHEDULES.map(({ id, name }) => ({ value: id, name }))"
      />
    </div>
    <RecordField at="figures.clump" />
    <RecordField at="figures.buryStem" />
    <RecordField at="figures.autumn" />
    <template #more>
      <Button v-if="stored && inBook" @click="back">Reset to standard</Button>
    </template>
  </RecordForm>
</template>
