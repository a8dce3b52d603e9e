<script setup lang="ts">
import { computed, useId } from 'vue'
import FieldFrame from '~/components/fields/FieldFrame.vue'
import { useTypedText } from '~/composables/useTypedText'
import { parseNumber } from '#core/units/parse'

/** A bare number, fractions and decimal commas included. */
const props = defineProps<{
  modelValue: number | null
  label: string
  hideLabel?: boolean
  optional?: boolean
  unit?: string
  /** The value is a fraction 0–1, shown and typed as per cent. */
  percent?: boolean
  problem?: string | undefined
  /** Id of a message that says what is wrong, where it stands elsewhere. */
  problemId?: string | undefined
  hint?: string
}>()
const emit = defineEmits<{ 'update:modelValue': [value: number | null] }>()

const id = useId()
const scale = computed(() => (props.percent ? 100 : 1))

const { text, message, type } = useTypedText<number | null>({
  id,
  label: () => props.label,
  value: () => props.modelValue,
  print: (value) => (value === null ? '' : String(Number((value * scale.value).toFixed(3)))),
  read: (written) => {
    const trimmed = written.trim().replace(/\s*%$/, '')
    if (!trimmed && props.optional) return { ok: true, value: null }
    const value = parseNumber(trimmed)
    if (value === undefined)
      return { ok: false, message: trimmed ? `'${trimmed}' is not a number.` : 'Enter a number.' }
    return { ok: true, value: value / scale.value }
  },
  change: (value) => emit('update:modelValue', value),
})

const problem = computed(() => message.value ?? props.problem)
</script>

<template>
  <FieldFrame :id="id" :label="label" :hide-label="hideLabel ?? false" :hint="hint" :problem="problem">
    <span class="with-unit">
      <input
        :id="id"
        class="input"
        type="text"
        inputmode="decimal"
        autocomplete="off"
        :value="text"
        :aria-invalid="problem || problemId ? 'true' : undefined"
        :aria-describedby="
          problem ? `${id}-problem` : problemId ? problemId : hint ? `${id}-hint` : undefined
        "
        @input="type(($event.target as HTMLInputElement).value)"
      />
      <span v-if="percent || unit" class="unit">{{ percent ? '%' : unit }}</span>
    </span>
  </FieldFrame>
</template>

<style scoped>
.with-unit {
  position: relative;
  display: block;
}

.with-unit:has(.unit) .input {
  padding-right: 2.6rem;
}

.unit {
  position: absolute;
  right: 0.6rem;
  top: 50%;
  translate: 0 -50%;
  color: var(--ink-soft);
  pointer-events: none;
}
</style>
