<script setup lang="ts">
import TextField from '~/kit/fields/TextField.vue'
import Button from 'primevue/button'
import { navigateTo } from '#imports'
import { computed, onMounted, ref } from 'vue'
import { UNIT_SYSTEM_CHOICES } from '~/kit/fields/unit-systems'
import ChoiceField from '~/kit/fields/ChoiceField.vue'
import { readProblem } from '~/household/whyNot'
import { useHousehold } from '~/household/household'
import { useExample } from '~/household/example'
import { unitsOfRegion } from '#core/units/region'
import type { Stored } from '#shared/records/collections'
import { newHousehold, type HouseholdRecord } from '#shared/records/household'

const MOST = 200
const MANY = 12

const household = useHousehold()
const name = ref('')
/** A guess by the browser’s region; it is shown, and changed here or later. */
const units = ref<HouseholdRecord['units']>('metric')
const region = ref<string | null>(null)
onMounted(() => {
  const guess = unitsOfRegion(navigator.languages)
  units.value = guess.units
  region.value = guess.region
})
const example = useExample()
/** Those on this machine: nobody is led into one that they did not choose. */
const here = ref<Stored<HouseholdRecord>[]>([])
onMounted(async () => {
  here.value = await $fetch<Stored<HouseholdRecord>[]>('/api/households', { query: { limit: MOST } }).catch(
    () => [],
  )
})
const named = ref('')
const shown = computed(() =>
  here.value.filter(({ body }) => body.name.toLowerCase().includes(named.value.trim().toLowerCase())),
)
const problem = ref<string>()
const busy = ref(false)

async function begin() {
  busy.value = true
  problem.value = undefined
  try {
    await household.begin({
      ...newHousehold(units.value),
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
  <section v-if="here.length" class="first" aria-labelledby="here">
    <h1 id="here">Which household?</h1>
    <TextField v-if="here.length > MANY" v-model="named" label="Find by name" />
    <ul class="plain here">
      <li v-for="one in shown" :key="one.id">
        <Button @click="household.moveTo(one.id)">
          <span
            >{{ one.body.name }}<small v-if="one.body.place"> {{ one.body.place }}</small></span
          >
        </Button>
      </li>
    </ul>
  </section>
  <form class="first" @submit.prevent="begin">
    <component :is="here.length ? 'h2' : 'h1'">{{
      here.length ? 'A new household' : 'Whose bench is this?'
    }}</component>
    <p class="soft">A household keeps its recipes, tools, containers and feeds together.</p>
    <TextField v-model="name" label="Name of the household" hint="or leave it empty" :problem="problem" />
    <ChoiceField
      v-model="units"
      label="Kitchen measures"
      :choices="UNIT_SYSTEM_CHOICES"
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

.here {
  display: grid;
  gap: 0.5rem;
  max-height: 60vh;
  overflow: auto;
}

.here button {
  width: 100%;
  justify-content: flex-start;
  text-align: left;
}

.here small {
  display: block;
  color: var(--ink-soft);
}
</style>
