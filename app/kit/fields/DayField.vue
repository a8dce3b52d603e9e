<script setup lang="ts">
import DatePicker from 'primevue/datepicker'
import { dayFrom, type Day } from '#core/calendar/day'

/** A calendar day, typed or picked in the reader's own order of day, month and year. */
const props = defineProps<{
  modelValue: Day | null
  label: string
  hideLabel?: boolean
  optional?: boolean
  problem?: string | undefined
  hint?: string | undefined
}>()
const emit = defineEmits<{ 'update:modelValue': [day: Day | null] }>()
const id = useId()
const { dayOrder } = useDates()

/** A day has no time zone; the picker's own clock stands at noon so that none can move it. */
const at = computed(() => (props.modelValue ? new Date(`${props.modelValue}T12:00`) : null))
function change(value: unknown) {
  if (value === null) return props.optional ? emit('update:modelValue', null) : undefined
  if (!(value instanceof Date) || Number.isNaN(value.getTime())) return
  const two = (number: number) => String(number).padStart(2, '0')
  emit(
    'update:modelValue',
    dayFrom(
      `${String(value.getFullYear()).padStart(4, '0')}-${two(value.getMonth() + 1)}-${two(value.getDate())}`,
    ),
  )
}
</script>

<template>
  <FieldFrame :id="id" :label="label" :hide-label="hideLabel ?? false" :hint="hint" :problem="problem">
    <DatePicker
      :input-id="id"
      :model-value="at"
      :date-format="dayOrder"
      :show-on-focus="false"
      show-icon
      icon-display="input"
      :show-clear="optional ?? false"
      :invalid="!!problem"
      :aria-describedby="problem ? `${id}-problem` : hint ? `${id}-hint` : undefined"
      @update:model-value="change"
    />
  </FieldFrame>
</template>
