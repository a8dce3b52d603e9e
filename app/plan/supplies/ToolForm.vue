<script setup lang="ts">
import { isScale, TOOL_HABITS, type Tool } from '#core/feed/tool'
import type { ToolRecord } from '#shared/records/tool'

/** Something the household measures with. */
const props = defineProps<{ tool?: Tool }>()
defineEmits<{ close: [] }>()

const household = useHousehold()
const stored = computed(() => household.everything?.tools.find(({ id }) => id === props.tool?.id))
const KINDS = [
  { value: 'spoon', name: 'Spoon, for feed' },
  { value: 'cap', name: 'Bottle cap' },
  { value: 'syringe', name: 'Syringe' },
  { value: 'kitchen scale', name: 'Kitchen scale' },
  { value: 'pocket scale', name: 'Pocket scale' },
  { value: 'scoop', name: 'Scoop or bucket, for mix' },
  { value: 'jug', name: 'Jug or can, for water' },
  { value: 'squeeze bottle', name: 'Squeeze bottle' },
] as const
function setKind(draft: ToolRecord, kind: Tool['kind']) {
  draft.kind = kind
  if (isScale(kind)) draft.capacityMl = null
}
</script>

<template>
  <RecordForm
    v-slot="{ draft, problemAt }"
    collection="tools"
    :header="tool ? 'Your tool' : 'A tool you own'"
    :stored="stored"
    :first="{ name: '', kind: 'spoon', capacityMl: 5 }"
    @close="$emit('close')"
  >
    <TextField v-model="draft.name" v-first-focus label="What you call it" :problem="problemAt('name')" />
    <ChoiceField
      :model-value="draft.kind"
      label="Kind"
      :choices="[...KINDS]"
      :hint="TOOL_HABITS[draft.kind].source.cite"
      @update:model-value="setKind(draft, $event)"
    />
    <TypedField
      v-if="!isScale(draft.kind)"
      v-model="draft.capacityMl"
      dimension="volume"
      :typical="0.1"
      :unit-in-base="0.001"
      label="It holds"
      :problem="problemAt('capacityMl')"
    />
  </RecordForm>
</template>
