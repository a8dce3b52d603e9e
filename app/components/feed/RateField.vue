<script setup lang="ts">
import { computed, useId } from 'vue'
import FieldFrame from '~/components/fields/FieldFrame.vue'
import { useTypedText } from '~/composables/useTypedText'
import { useHousehold } from '~/state/household'
import { concentrationOf, readRate } from '#core/feed/rate'
import { density, type Feed } from '#core/feed/feed'
import { parseNumber } from '#core/units/parse'
import { printNumber } from '#core/units/format'

/** The label's own rate, in any of its spellings: a bare number is g/L of a powder and mL/L of a liquid. */
const props = defineProps<{ feed: Feed; problem?: string | undefined }>()
const emit = defineEmits<{ rate: [perL: number | null] }>()
const household = useHousehold()
const id = useId()
const unit = computed(() => (props.feed.form === 'powder' ? 'g/L' : 'mL/L'))

const { text, message, type } = useTypedText<number | null>({
  id,
  label: () => 'Label rate',
  value: () => props.feed.labelRatePerL,
  print: (value) => (value === null ? '' : printNumber(value)),
  read(written) {
    const said = written.trim()
    if (!said) return { ok: true, value: null }
    const bare = parseNumber(said)
    if (bare !== undefined) return { ok: true, value: bare }
    const read = readRate(said, props.feed.form, household.kitchen)
    if (!read.ok) return read
    if (read.rate.kind === 'label numbers')
      return {
        ok: false,
        message:
          'Three numbers say what is in the bottle, not how much to use. How much goes in how much water?',
      }
    if (read.rate.kind === 'label')
      return { ok: false, message: 'A share of what? Give the label’s own rate.' }
    const concentration = concentrationOf(read.rate, props.feed)
    if (!concentration) return { ok: false, message: 'This feed holds no nitrogen to reckon that from.' }
    return {
      ok: true,
      value: concentration.value / (props.feed.form === 'powder' ? 1 : density(props.feed).value),
    }
  },
  change: (value) => emit('rate', value),
})
const wrong = computed(() => message.value ?? props.problem)
const hint = computed(() =>
  props.feed.labelRatePerL === null
    ? 'as it says: 1 tbsp per gal, 5 ml/l …'
    : `${printNumber(props.feed.labelRatePerL)} ${unit.value}`,
)
</script>

<template>
  <FieldFrame :id="id" label="Label rate" :hint="hint" :problem="wrong">
    <input
      :id="id"
      class="input"
      type="text"
      autocomplete="off"
      :value="text"
      :aria-invalid="wrong ? 'true' : undefined"
      :aria-describedby="wrong ? `${id}-problem` : `${id}-hint`"
      @input="type(($event.target as HTMLInputElement).value)"
    />
  </FieldFrame>
</template>
