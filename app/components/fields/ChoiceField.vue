<script setup lang="ts" generic="Value extends string | null">
import { computed, useId } from 'vue'
import Select from 'primevue/select'
import FieldFrame from '~/components/fields/FieldFrame.vue'
export interface Choice<V> {
  value: V
  name: string
}
export interface ChoiceGroup<V> {
  group: string
  choices: Choice<V>[]
}

/** One of a list, which may be grouped. */
const props = defineProps<{
  modelValue: Value | undefined
  label: string
  hideLabel?: boolean
  choices: Choice<Value>[] | ChoiceGroup<Value>[]
  placeholder?: string
  problem?: string | undefined
  hint?: string
}>()
defineEmits<{ 'update:modelValue': [value: Value] }>()

const id = useId()
const grouped = computed(() => props.choices.length > 0 && 'group' in props.choices[0]!)
</script>

<template>
  <FieldFrame :id="id" :label="label" :hide-label="hideLabel ?? false" :hint="hint" :problem="problem">
    <!-- Drawn anew only when it changed: a page that moves has many of these standing still. -->
    <Select
      v-memo="[id, modelValue, choices, placeholder, label, grouped]"
      :label-id="id"
      :model-value="modelValue"
      :options="choices"
      option-label="name"
      option-value="value"
      :option-group-label="grouped ? 'group' : undefined"
      :option-group-children="grouped ? 'choices' : undefined"
      :placeholder="placeholder"
      :aria-label="label"
      scroll-height="none"
      :pt="{ hiddenFirstFocusableEl: { tabindex: -1 }, hiddenLastFocusableEl: { tabindex: -1 } }"
      @update:model-value="$emit('update:modelValue', $event)"
    />
  </FieldFrame>
</template>
