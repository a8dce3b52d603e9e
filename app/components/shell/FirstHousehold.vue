<script setup lang="ts">
import TextField from '~/components/fields/TextField.vue'
import Button from 'primevue/button'
import { ref } from 'vue'
import { KITCHEN_CHOICES } from '~/components/fields/kitchens'
import ChoiceField from '~/components/fields/ChoiceField.vue'
import { readProblem } from '~/composables/whyNot'
import { useHousehold } from '~/state/household'
import { newHousehold, type HouseholdRecord } from '#shared/records/household'

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
      ...newHousehold(kitchen.value),
      name: name.value,
      timeZone: Intl.DateTimeFormat().resolvedOptions().timeZone,
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
    <ChoiceField v-model="kitchen" label="Kitchen measures" :choices="KITCHEN_CHOICES" />
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
