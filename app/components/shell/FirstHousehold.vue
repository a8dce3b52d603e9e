<script setup lang="ts">
import TextField from '~/components/fields/TextField.vue'
import Button from 'primevue/button'
import { navigateTo } from '#imports'
import { onMounted, ref } from 'vue'
import { KITCHEN_CHOICES } from '~/components/fields/kitchens'
import ChoiceField from '~/components/fields/ChoiceField.vue'
import { readProblem } from '~/composables/whyNot'
import { useHousehold } from '~/state/household'
import { useExample } from '~/state/example'
import { kitchenOfRegion } from '#core/units/region'
import { newHousehold, type HouseholdRecord } from '#shared/records/household'

const household = useHousehold()
const name = ref('')
/** A guess by the browser’s region; it is shown, and changed here or later. */
const kitchen = ref<HouseholdRecord['kitchen']>('metric')
const region = ref<string | null>(null)
onMounted(() => {
  const guess = kitchenOfRegion(navigator.languages)
  kitchen.value = guess.kitchen
  region.value = guess.region
})
const example = useExample()
const problem = ref<string>()
const busy = ref(false)

async function begin() {
  busy.value = true
  problem.value = undefined
  try {
    await household.begin({
      ...newHousehold(kitchen.value),
      name: name.value.trim() || 'My bench',
      timeZone: Intl.DateTimeFormat().resolvedOptions().timeZone,
    })
    await navigateTo('/first')
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
    <TextField v-model="name" label="Name of the household" hint="or leave it empty" :problem="problem" />
    <ChoiceField
      v-model="kitchen"
      label="Kitchen measures"
      :choices="KITCHEN_CHOICES"
      :hint="region ? `guessed from your browser, which says ${region}` : undefined"
    />
    <Button type="submit" class="main" :disabled="busy">Begin</Button>
    <Button text type="button" :disabled="example.opening" @click="example.openExample()">
      {{ example.opening ? 'Setting it up …' : 'Look at an example first' }}
    </Button>
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
