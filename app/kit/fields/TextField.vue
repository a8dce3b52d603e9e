<script setup lang="ts">
/** A name, a note: words that are kept as they are typed. */
defineOptions({ inheritAttrs: false })
defineProps<{
  modelValue: string | null | undefined
  label: string
  hideLabel?: boolean
  problem?: string | undefined
  hint?: string
}>()
defineEmits<{ 'update:modelValue': [value: string] }>()
const id = useId()
</script>

<template>
  <FieldFrame :id="id" :label="label" :hide-label="hideLabel ?? false" :hint="hint" :problem="problem">
    <InputText
      :id="id"
      v-bind="$attrs"
      autocomplete="off"
      :model-value="modelValue ?? ''"
      :aria-invalid="problem ? 'true' : undefined"
      :aria-describedby="problem ? `${id}-problem` : hint ? `${id}-hint` : undefined"
      @update:model-value="$emit('update:modelValue', $event ?? '')"
    />
  </FieldFrame>
</template>
