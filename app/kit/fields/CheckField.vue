<script setup lang="ts" generic="Value">
/** Yes or no; or, with a `value`, one of several that can be ticked. */
defineOptions({ inheritAttrs: false })
defineProps<{ modelValue: boolean | Value[]; label?: string; value?: Value; disabled?: boolean }>()
defineEmits<{ 'update:modelValue': [value: never] }>()
const id = useId()
</script>

<template>
  <span class="check">
    <Checkbox
      v-bind="$attrs"
      :input-id="id"
      :model-value="modelValue"
      :binary="typeof modelValue === 'boolean'"
      :value="value"
      :disabled="disabled ?? false"
      @update:model-value="$emit('update:modelValue', $event as never)"
    />
    <label :for="id"
      ><slot>{{ label }}</slot></label
    >
  </span>
</template>

<style scoped>
.check {
  display: inline-flex;
  gap: 0.5rem;
  align-items: center;
  min-height: 1.75rem;
}

label {
  cursor: pointer;
}
</style>
