<script setup lang="ts">
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
    collection="devices"
    :header="device ? 'This device' : 'A device'"
    :stored="device"
    :first="FIRST"
    @close="$emit('close')"
  >
    <RecordField v-first-focus at="name" />
    <RecordField at="kind" />
    <RecordField at="placeId" :choices="places" />
  </RecordForm>
</template>
