<script setup lang="ts" generic="Value extends number | null">
import { unitShown } from '#core/units/format'
import type { Dimension } from '#core/units/unit'
import { unitById } from '#core/units/unit-table'

/**
 * A field that takes what people say and keeps what it means: a bare number (fractions and decimal commas included), a
 * quantity where it has a dimension (`1 1/2 gal`, `2 tbsp`), or whatever a reading of its own makes of it.
 */
const props = defineProps<{
  /** In L, mm, g or °C, or as `unitInBase` says, where it has a dimension; null for nothing said. */
  modelValue: Value
  label: string
  hideLabel?: boolean
  optional?: boolean
  dimension?: Dimension
  /** Base units in one unit of the value: 0.001 for a value in mL. */
  unitInBase?: number
  /** About how much it is, in L, mm or g: a bare number in an empty field means the unit of that size. */
  typical?: number
  /** Shown behind a bare number. */
  unit?: string
  /** The value is a fraction 0–1, shown and typed as per cent. */
  percent?: boolean
  /** Another way to read and print, such as a rate. */
  reading?: Reading
  problem?: string | undefined
  /** Id of a message that says what is wrong, where it stands elsewhere. */
  problemId?: string | undefined
  hint?: string
}>()
const emit = defineEmits<{ 'update:modelValue': [value: Value] }>()

const id = useId()
const household = useHousehold()
const units = computed(() => (props.dimension === 'temperature' ? household.thermometer : household.units))
const reading = computed(
  (): Reading =>
    props.reading ??
    (props.dimension
      ? quantityReading(props.dimension, units.value, props.unitInBase ?? 1, () => bare.value)
      : numberReading(props.percent ? 100 : 1)),
)

/** What is shown while nothing is there: spoonfuls in a jug, centimetres in a tray. */
const TYPICAL: Record<Dimension, number> = { volume: 5, length: 20, mass: 100, temperature: 20 }
function unitNow(): string {
  if (!props.dimension) return ''
  const shown = props.modelValue ? props.modelValue * (props.unitInBase ?? 1) : props.typical
  return unitShown(shown ?? TYPICAL[props.dimension], props.dimension, units.value)
}
/** The unit a bare number means; it stays the same while somebody types. */
const bare = ref(unitNow())
const isBare = computed(() => !!props.dimension && !/[^\s\d.,+/⁄½¼¾⅓⅔⅛⅜⅝⅞−-]/.test(text.value))
function begin() {
  bare.value = unitNow()
}
/** A bare number that was understood gets its unit, so that the next one means the same. */
function settle() {
  if (isBare.value && !message.value && props.modelValue !== null)
    text.value = reading.value.print(props.modelValue)
}
watch(
  () => units.value,
  () => (bare.value = unitNow()),
  { flush: 'sync' },
)

const { text, message, type } = useTypedText<number | null>({
  id,
  label: () => props.label,
  value: () => props.modelValue,
  print: (value) => (value === null ? '' : reading.value.print(value)),
  read: (written) =>
    !written.trim() && props.optional ? { ok: true, value: null } : reading.value.read(written),
  // Nothing is taken from a field that may not stay empty.
  change: (value) => emit('update:modelValue', value as Value),
  also: () => units.value,
})

const problem = computed(() => message.value ?? props.problem)
const hint = computed(() =>
  props.modelValue === null || props.modelValue === 0
    ? props.hint
    : (reading.value.both?.(props.modelValue) ?? props.hint),
)
const suffix = computed(() =>
  props.percent ? '%' : (props.unit ?? (isBare.value ? unitById(bare.value).symbol : undefined)),
)
</script>

<template>
  <FieldFrame :id="id" :label="label" :hide-label="hideLabel ?? false" :hint="hint" :problem="problem">
    <span class="with-unit">
      <InputText
        :id="id"
        type="text"
        :inputmode="dimension || props.reading ? 'text' : 'decimal'"
        autocomplete="off"
        :model-value="text"
        :aria-invalid="problem || problemId ? 'true' : undefined"
        :aria-describedby="
          problem ? `${id}-problem` : problemId ? problemId : hint ? `${id}-hint` : undefined
        "
        @focus="begin"
        @blur="settle"
        @update:model-value="type($event ?? '')"
      />
      <span v-if="suffix" class="unit">{{ suffix }}</span>
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
