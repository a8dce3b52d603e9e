<script setup lang="ts">
import { present } from '#core/present'
import { calibrationById, type CalibrationId } from '#core/learning/calibrations'
import { printNumber } from '#core/units/format'
import { jugKey } from '#shared/derived/calibrated-catalogues'
import { newEntry } from '#shared/records/new-entry'

/** Something of the bench measured by itself: a jug by the water it holds, a spoon of powder, a soaked brick. */
const props = defineProps<{ what: Extract<CalibrationId, 'jug' | 'powder density' | 'coir yield'> }>()
const emit = defineEmits<{ close: [] }>()
const context = useContext()
const season = useSeason()
const { volume } = useMeasures()

const vessels = computed(() =>
  context.tools.filter(
    ({ kind, capacityMl }) =>
      capacityMl !== null && ['jug', 'scoop', 'squeeze bottle', 'spoon', 'cap'].includes(kind),
  ),
)
const powders = computed(() =>
  context.feedList.filter(({ form, use }) => form === 'powder' && use !== 'mixed in'),
)
const of = ref<string | null>(null)
const choices = computed(() =>
  props.what === 'jug'
    ? vessels.value.map(({ id, name, capacityMl }) => ({
        value: id as string | null,
        name: `${name}, said to hold ${volume(present(capacityMl) / 1000)}`,
      }))
    : powders.value.map(({ id, name }) => ({ value: id as string | null, name })),
)
const litres = ref<number | null>(null)
const grams = ref<number | null>(null)
const value = computed(() => {
  if (grams.value === null || grams.value <= 0) return null
  if (props.what === 'jug') {
    const vessel = vessels.value.find(({ id }) => id === of.value)
    // A gram of water is a millilitre.
    return vessel ? grams.value / present(vessel.capacityMl) : null
  }
  if (litres.value === null || litres.value <= 0) return null
  return props.what === 'powder density'
    ? grams.value / (litres.value * 1000)
    : litres.value / (grams.value / 1000)
})
const habit = computed(() => calibrationById(props.what))
const problem = computed(() =>
  value.value !== null && (value.value < habit.value.from || value.value > habit.value.to)
    ? `That comes to ${printNumber(value.value, 3)} ${habit.value.unit}, and ${habit.value.from} to ${habit.value.to} are possible. Grams or kilograms, millilitres or litres?`
    : undefined,
)
const wrong = computed(
  () => value.value === null || !!problem.value || (props.what !== 'coir yield' && of.value === null),
)
const ofKey = computed(() => {
  if (props.what !== 'jug') return props.what === 'coir yield' ? '' : (of.value ?? '')
  return jugKey(vessels.value.find(({ id }) => id === of.value)?.name ?? '')
})
const entry = () =>
  newEntry({
    name: `Measured: ${habit.value.name.toLowerCase()}${of.value ? `, ${choices.value.find(({ value: id }) => id === of.value)?.name ?? ''}` : ''}`.slice(
      0,
      120,
    ),
    kind: 'measured',
    on: season.today,
    subjects: [],
    measured: [{ what: props.what, of: ofKey.value, value: present(value.value), n: null, key: '' }],
  })
</script>

<template>
  <EntryForm
    :header="habit.name"
    keep-label="Save"
    :wrong="wrong"
    :entry="entry"
    done="Measured: plans go by it from now on."
    @close="emit('close')"
  >
    <ChoiceField
      v-if="what !== 'coir yield'"
      v-model="of"
      :label="what === 'jug' ? 'Which' : 'Which feed'"
      placeholder="choose one"
      :choices="choices"
    />
    <TypedField
      v-if="what !== 'jug'"
      v-model="litres"
      optional
      :label="what === 'coir yield' ? 'It came to, moist and loosened' : 'Level spoons, together'"
      dimension="volume"
      :typical="what === 'coir yield' ? 8 : 0.02"
      :hint="what === 'coir yield' ? undefined : 'several, weighed at once: 4 tsp'"
    />
    <TypedField
      v-model="grams"
      optional
      :label="
        what === 'jug'
          ? 'The water it holds weighs'
          : what === 'coir yield'
            ? 'The dry brick weighed'
            : 'They weigh'
      "
      dimension="mass"
      :problem="problem"
      :hint="what === 'jug' ? 'fill it as you fill it, on the scale; less the empty jug' : undefined"
    />
    <p v-if="value !== null && !problem" role="status">
      That is {{ printNumber(value, 3) }} {{ habit.unit }}.
    </p>
  </EntryForm>
</template>
