<script setup lang="ts">
import { DEVICE_KINDS } from '#core/readings/kinds'
import { withOutside } from '#core/season/schedule/stays'
import type { Stored } from '#shared/records/collections'
import type { DeviceRecord } from '#shared/records/device'

/** Something that measures, or prints, or foretells. */
defineProps<{ device?: Stored<DeviceRecord> | undefined }>()
defineEmits<{ close: [] }>()
const context = useContext()
const places = computed(() => [
  { value: null, name: 'nowhere in particular' },
  ...withOutside(context.whole.frame?.places ?? []).map(({ id, name }) => ({
    value: id as string | null,
    name,
  })),
])
const FIRST: DeviceRecord = {
  name: '',
  kind: 'air probe',
  placeId: null,
  trayId: null,
  simulated: false,
  fault: null,
  calibratedAt: null,
}
</script>

<template>
  <RecordForm
    v-slot="{ draft, problemAt }"
    collection="devices"
    :header="device ? 'This device' : 'A device'"
    :stored="device"
    :first="FIRST"
    @close="$emit('close')"
  >
    <TextField v-model="draft.name" v-first-focus label="What you call it" :problem="problemAt('name')" />
    <ChoiceField
      v-model="draft.kind"
      label="Kind"
      :choices="DEVICE_KINDS.map((value) => ({ value, name: value }))"
      hint="what it measures is told by the units it sends"
    />
    <ChoiceField v-model="draft.placeId" label="Stands in" :choices="places" />
  </RecordForm>
</template>
