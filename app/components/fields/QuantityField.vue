<script setup lang="ts">
import { computed, useId } from 'vue'
import FieldFrame from '~/components/fields/FieldFrame.vue'
import { useTypedText } from '~/composables/useTypedText'
import { useHousehold } from '~/state/household'
import { printBoth, printQuantity } from '#core/units/format'
import { parseQuantity } from '#core/units/parse'
import type { Dimension } from '#core/units/unit'

/** A field that takes what people say (`1 1/2 gal`, `2 tbsp`) and shows it in both systems. */
const props = defineProps<{
  /** In L, mm, g or °C, or as `unitInBase` says; null for nothing said. */
  modelValue: number | null
  /** Base units in one unit of the value: 0.001 for a value in mL. */
  unitInBase?: number
  dimension: Dimension
  label: string
  hideLabel?: boolean
  optional?: boolean
  /** Unit for a bare number. */
  assume?: string
  problem?: string | undefined
  hint?: string
}>()
const emit = defineEmits<{ 'update:modelValue': [value: number | null] }>()

const id = useId()
const household = useHousehold()
const inBase = computed(() => props.unitInBase ?? 1)

const { text, message, type } = useTypedText<number | null>({
  id,
  label: () => props.label,
  value: () => props.modelValue,
  print: (value) =>
    value === null ? '' : printQuantity(value * inBase.value, props.dimension, household.kitchen),
  read: (written) => {
    if (!written.trim() && props.optional) return { ok: true, value: null }
    const read = parseQuantity(written, {
      dimension: props.dimension,
      kitchen: household.kitchen,
      ...(props.assume ? { assume: props.assume } : {}),
    })
    return read.ok ? { ok: true, value: read.base / inBase.value } : read
  },
  change: (value) => emit('update:modelValue', value),
  also: () => household.kitchen,
})

const problem = computed(() => message.value ?? props.problem)
const both = computed(() =>
  props.modelValue === null || props.modelValue === 0
    ? props.hint
    : printBoth(props.modelValue * inBase.value, props.dimension, household.kitchen).join(' · '),
)
</script>

<template>
  <FieldFrame :id="id" :label="label" :hide-label="hideLabel ?? false" :hint="both" :problem="problem">
    <input
      :id="id"
      class="input"
      type="text"
      autocomplete="off"
      :value="text"
      :aria-invalid="problem ? 'true' : undefined"
      :aria-describedby="problem ? `${id}-problem` : both ? `${id}-hint` : undefined"
      @input="type(($event.target as HTMLInputElement).value)"
    />
  </FieldFrame>
</template>
