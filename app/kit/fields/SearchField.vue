<script setup lang="ts" generic="Value extends string | null">
import { present } from '#core/present'
import AutoComplete from 'primevue/autocomplete'

/** One of a long list, found by typing any of its words; what is not on the list is never taken. */
const props = defineProps<{
  inputId: string
  modelValue: Value | undefined
  label: string
  choices: Choice<Value>[] | ChoiceGroup<Value>[]
  placeholder?: string
}>()
const emit = defineEmits<{ 'update:modelValue': [value: Value] }>()

const isGroups = (choices: typeof props.choices): choices is ChoiceGroup<Value>[] =>
  choices.length > 0 && 'group' in present(choices[0])
const grouped = computed(() => isGroups(props.choices))
const all = computed(() =>
  isGroups(props.choices) ? props.choices.flatMap(({ choices }) => choices) : props.choices,
)
const chosen = computed(() => all.value.find(({ value }) => value === props.modelValue) ?? null)

/** What stands in the field: a choice, or what is being typed. */
const shown = ref<Choice<Value> | string | null>(null)
watch(chosen, (choice) => (shown.value = choice), { immediate: true })
const suggestions = ref<typeof props.choices>([])
const typed = computed(() => typeof shown.value === 'string' && shown.value.trim() !== '')

function suggest(query: string) {
  // The name that stands there already is no search.
  const words = query === chosen.value?.name ? [] : query.toLowerCase().split(/\s+/).filter(Boolean)
  const matches = ({ name }: Choice<Value>) => words.every((word) => name.toLowerCase().includes(word))
  suggestions.value = isGroups(props.choices)
    ? props.choices
        .map(({ group, choices }) => ({ group, choices: choices.filter(matches) }))
        .filter(({ choices }) => choices.length > 0)
    : props.choices.filter(matches)
}
function take(entered: Choice<Value> | string | null) {
  shown.value = entered
  if (entered && typeof entered === 'object') emit('update:modelValue', entered.value)
}

const field = ref<{ show: () => void; overlayVisible: boolean }>()
function unfold(event: Event) {
  const input = event.target
  if (!(input instanceof HTMLInputElement) || field.value?.overlayVisible) return
  input.select()
  suggest(chosen.value?.name ?? '')
  field.value?.show()
}
</script>

<template>
  <AutoComplete
    ref="field"
    :input-id="inputId"
    :model-value="shown"
    :suggestions="suggestions"
    option-label="name"
    :option-group-label="grouped ? 'group' : undefined"
    :option-group-children="grouped ? 'choices' : undefined"
    :placeholder="placeholder"
    :aria-label="label"
    :delay="0"
    auto-option-focus
    dropdown
    scroll-height="none"
    :empty-search-message="typed ? 'Nothing here is called that.' : ' '"
    @complete="suggest($event.query)"
    @update:model-value="take"
    @blur="shown = chosen"
    @click="unfold"
    @keydown.down="unfold"
    @keydown.enter="unfold"
  />
</template>
