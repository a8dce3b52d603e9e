<script setup lang="ts">
import type { Dimension } from '#core/units/unit'
import { fieldWords } from '#shared/messages/fields'
import { fieldAt, valueAt, withValueAt } from '#shared/records/field-at'
import type { FieldUnit } from '#shared/records/rules'

/**
 * A field of the record that is edited: what it takes and its unit come from the record's schema, its name from the table of
 * messages, what is wrong with it from the record's rules.
 */
defineOptions({ inheritAttrs: false })
const props = defineProps<{
  /** Path into the record, `figures.depthMm`. */
  at: string
  label?: string
  hint?: string | undefined
  /** What can be chosen, where the schema takes any id. */
  choices?: readonly (Choice<string> | Choice<string | null> | ChoiceGroup<string>)[]
  /** What holds while nothing is said. */
  usual?: number | string
}>()
const emit = defineEmits<{ change: [value: unknown] }>()

const { draft, schema, words, problemAt, change } = useRecordDraft()
const { said } = useMeasures()
const field = computed(() => fieldAt(schema, props.at))
const called = computed(() => fieldWords(words, props.at))
const value = computed({
  get: () => (valueAt(draft.value, props.at) ?? props.usual ?? null) as never,
  set: (to: unknown) => {
    const empty = to === null && field.value.takes === 'number' && !field.value.optional
    const next = withValueAt(draft.value, props.at, empty ? 0 : to)
    if (change) change(props.at, next)
    else draft.value = next
    emit('change', to)
  },
})
const common = computed(() => ({
  label: said(props.label ?? called.value.label),
  hint: props.hint ?? (called.value.hint && said(called.value.hint)),
  problem: problemAt(props.at),
}))
const choices = computed(
  () =>
    (props.choices ??
      field.value.choices.map((one) => ({
        value: one,
        name: said(called.value.choices?.[one] ?? one),
      }))) as Choice<string>[],
)

/** How a unit of a record is shown: as a quantity of a dimension, or behind a bare number. */
const QUANTITIES: Partial<
  Record<FieldUnit, { dimension: Dimension; unitInBase?: number; typical?: number }>
> = {
  mm: { dimension: 'length', typical: 5 },
  cm: { dimension: 'length', unitInBase: 10 },
  mL: { dimension: 'volume', unitInBase: 0.001, typical: 0.1 },
  L: { dimension: 'volume' },
  '°C': { dimension: 'temperature' },
}
const measure = computed(() => {
  const { unit, optional } = field.value
  const shown = unit && (QUANTITIES[unit] ?? (unit === 'share' ? { percent: true } : { unit }))
  return { ...shown, optional: optional && props.usual === undefined }
})
</script>

<template>
  <ChoiceField
    v-if="props.choices || field.takes === 'choice'"
    v-model="value"
    v-bind="{ ...$attrs, ...common }"
    :choices="choices"
  />
  <TypedField
    v-else-if="field.takes === 'number'"
    v-model="value"
    v-bind="{ ...measure, ...$attrs, ...common }"
  />
  <DayField v-else-if="field.takes === 'day'" v-model="value" v-bind="{ ...$attrs, ...common }" />
  <CheckField v-else-if="field.takes === 'yes or no'" v-model="value" v-bind="$attrs" :label="common.label" />
  <TextField v-else v-model="value" v-bind="{ ...$attrs, ...common }" />
</template>
