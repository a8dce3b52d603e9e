<script setup lang="ts">
import TextField from '~/components/fields/TextField.vue'
import Button from 'primevue/button'
import { ref } from 'vue'
import ChoiceField from '~/components/fields/ChoiceField.vue'
import { readProblem } from '~/composables/whyNot'
import { useHousehold } from '~/state/household'
import type { HouseholdRecord } from '#shared/records/household'

const household = useHousehold()
const name = ref('')
const kitchen = ref<HouseholdRecord['kitchen']>('metric')
const problem = ref<string>()
const busy = ref(false)

async function begin() {
  busy.value = true
  problem.value = undefined
  try {
    await household.begin({
      name: name.value,
      place: '',
      kitchen: kitchen.value,
      timeZone: Intl.DateTimeFormat().resolvedOptions().timeZone,
      water: null,
      learning: null,
      clock: null,
      away: [],
      people: [],
      formats: null,
      season: null,
    })
  } catch (error) {
    problem.value =
      readProblem(error)?.errors[0]?.message ?? 'The server does not answer. Try again in a moment.'
  }
  busy.value = false
}
</script>

<template>
  <form class="first" @submit.prevent="begin">
    <h1>Whose bench is this?</h1>
    <p class="soft">A household keeps its recipes, tools, containers and feeds together.</p>
    <TextField v-model="name" label="Name of the household" :problem="problem" />
    <ChoiceField
      v-model="kitchen"
      label="Kitchen measures"
      :choices="[
        { value: 'metric', name: 'Metric: litres, 5 mL teaspoons' },
        { value: 'us', name: 'US: cups, US gallons' },
        { value: 'imperial', name: 'Imperial: pints, imperial gallons' },
      ]"
    />
    <Button type="submit" class="main" :disabled="busy">Begin</Button>
  </form>
</template>

<style scoped>
.first {
  display: grid;
  gap: 1rem;
  justify-items: stretch;
  max-width: 28rem;
  padding-top: 2.5rem;
}
</style>
