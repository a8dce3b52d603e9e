<script setup lang="ts" generic="Value extends string | null">
import { present } from '#core/present'

const SearchField = defineAsyncComponent(() => import('~/kit/fields/SearchField.vue'))
/** Longer lists are searched by typing; shorter ones are seen at a glance. */
const AT_A_GLANCE = 9

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
const grouped = computed(() => props.choices.length > 0 && 'group' in present(props.choices[0]))
const long = computed(
  () =>
    props.choices.reduce((count, one) => count + ('group' in one ? one.choices.length : 1), 0) > AT_A_GLANCE,
)
</script>

<template>
  <FieldFrame :id="id" :label="label" :hide-label="hideLabel ?? false" :hint="hint" :problem="problem">
    <!-- Drawn anew only when it changed: a page that moves has many of these standing still. -->
    <SearchField
      v-if="long"
      v-memo="[id, modelValue, choices, placeholder, label]"
      :input-id="id"
      :model-value="modelValue"
      :label="label"
      :choices="choices"
      :placeholder="placeholder"
      @update:model-value="$emit('update:modelValue', $event)"
    />
    <Select
      v-else
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
      @update:model-value="$emit('update:modelValue', $event)"
    />
  </FieldFrame>
</template>
