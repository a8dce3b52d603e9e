<script setup lang="ts">
import { isScale, TOOL_HABITS, type Tool } from '#core/feed/tool'

/** Something the household measures with. */
const props = defineProps<{ tool?: Tool }>()
defineEmits<{ close: [] }>()

const household = useHousehold()
const stored = computed(() => household.everything?.tools.find(({ id }) => id === props.tool?.id))
</script>

<template>
  <RecordForm
    v-slot="{ draft }"
    collection="tools"
    :header="tool ? 'Your tool' : 'A tool you own'"
    :stored="stored"
    :first="{ name: '', kind: 'spoon', capacityMl: 5 }"
    @close="$emit('close')"
  >
    <RecordField v-first-focus at="name" />
    <RecordField
      at="kind"
      :hint="TOOL_HABITS[draft.kind].source.cite"
      @change="isScale(draft.kind) && (draft.capacityMl = null)"
    />
    <RecordField v-if="!isScale(draft.kind)" at="capacityMl" />
  </RecordForm>
</template>
