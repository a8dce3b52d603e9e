<script setup lang="ts">
/** Somebody’s name: anybody’s can be typed, those of the household are offered. */
defineProps<{ modelValue: string; label: string }>()
defineEmits<{ 'update:modelValue': [name: string] }>()
const id = useId()
const household = useHousehold()
</script>

<template>
  <TextField
    :model-value="modelValue"
    :label="label"
    maxlength="80"
    :list="household.record?.people.length ? id : undefined"
    @update:model-value="$emit('update:modelValue', $event)"
  />
  <datalist v-if="household.record?.people.length" :id="id">
    <option v-for="who in household.record.people" :key="who" :value="who" />
  </datalist>
</template>
