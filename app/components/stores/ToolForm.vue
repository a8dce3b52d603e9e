<script setup lang="ts">
import { computed, ref, useId } from 'vue'
import ChoiceField from '~/components/fields/ChoiceField.vue'
import DialogForm from '~/components/fields/DialogForm.vue'
import FieldFrame from '~/components/fields/FieldFrame.vue'
import QuantityField from '~/components/fields/QuantityField.vue'
import { useProblemAt } from '~/composables/useProblemAt'
import { useSaving } from '~/composables/useSaving'
import { useHousehold } from '~/state/household'
import { isScale, TOOL_HABITS, toolProblems, type Tool } from '#core/feed/tool'
import { asTool, type ToolRecord } from '#shared/records/tool'

/** Something the household measures with. */
const props = defineProps<{ tool?: Tool }>()
const emit = defineEmits<{ close: [] }>()

const household = useHousehold()
const { saving, save } = useSaving('tools')
const nameId = useId()
const stored = computed(() => household.everything?.tools.find(({ id }) => id === props.tool?.id))
const draft = ref<ToolRecord>(
  props.tool
    ? { name: props.tool.name, kind: props.tool.kind, capacityMl: props.tool.capacityMl }
    : { name: '', kind: 'spoon', capacityMl: 5 },
)
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
const problems = computed(() => toolProblems(asTool('', draft.value)))
const problemAt = useProblemAt(() => problems.value, saving)
function setKind(kind: Tool['kind']) {
  draft.value.kind = kind
  if (isScale(kind)) draft.value.capacityMl = null
}
async function keep() {
  if (await save(stored.value?.id ?? crypto.randomUUID(), stored.value?.version ?? 0, draft.value))
    emit('close')
}
</script>

<template>
  <DialogForm
    :header="tool ? 'Your tool' : 'A tool you own'"
    :wrong="problems.length > 0"
    :saving="saving"
    @keep="keep"
    @close="emit('close')"
  >
    <FieldFrame :id="nameId" v-first-focus label="What you call it" :problem="problemAt('name')">
      <input :id="nameId" v-model="draft.name" class="input" autocomplete="off" />
    </FieldFrame>
    <ChoiceField
      :model-value="draft.kind"
      label="Kind"
      :choices="[...KINDS]"
      :hint="TOOL_HABITS[draft.kind].source.cite"
      @update:model-value="setKind"
    />
    <QuantityField
      v-if="!isScale(draft.kind)"
      v-model="draft.capacityMl"
      dimension="volume"
      assume="mL"
      :unit-in-base="0.001"
      label="It holds"
      :problem="problemAt('capacityMl')"
    />
  </DialogForm>
</template>
