<script setup lang="ts">
import { unitsOfRegion } from '#core/units/region'
import type { Stored } from '#shared/records/collections'
import type { HouseholdRecord } from '#shared/records/household'
import { newHousehold } from '#shared/records/new-household'

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
/** Deleted here, and still to be had. */
const gone = ref<{ id: string; name: string; removedAt: string }[]>([])
onMounted(async () => {
  gone.value = await $fetch<typeof gone.value>('/api/removed').catch(() => [])
})
async function bringBack(id: string) {
  try {
    await sendCommand(id, { name: 'bring household back' })
    await household.moveTo(id)
  } catch (error) {
    problem.value = whyNot(error)
  }
}
const regionName = computed(
  () => region.value && new Intl.DisplayNames(['en'], { type: 'region' }).of(region.value),
)
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
    problem.value = readProblem(error)?.errors[0]?.message ?? 'Can’t reach the server. Try again in a moment.'
  }
  busy.value = false
}
</script>

<template>
  <div class="start">
    <ShedPicture />
    <form class="first stack-l" @submit.prevent="begin">
      <h1>Set up your seed-starting bench</h1>
      <p>
        Plan sowings, work out mixes and feeds, and follow every tray from seed to planting out. Takes about
        two minutes to set up.
      </p>
      <TextField v-model="name" label="Name (optional)" placeholder="My bench" :problem="problem" />
      <fieldset class="units">
        <legend>
          Units<span v-if="regionName" class="soft small"> guessed from your browser ({{ regionName }})</span>
        </legend>
        <label v-for="one in UNIT_SYSTEM_CHOICES" :key="one.value" class="row nowrap">
          <input v-model="units" type="radio" name="units" :value="one.value" /> {{ one.name }}
        </label>
      </fieldset>
      <div class="buttons">
        <Button type="submit" class="main" :disabled="busy">Get started</Button>
        <Button type="button" :disabled="example.opening" @click="example.openExample()">
          {{ example.opening ? 'Opening …' : 'See a demo' }}
        </Button>
      </div>
    </form>
    <section v-if="here.length" class="first stack-l" aria-labelledby="here">
      <h2 id="here">Open a household</h2>
      <TextField v-if="here.length > MANY" v-model="named" label="Search by name" />
      <ul class="here stack">
        <li v-for="one in shown" :key="one.id">
          <Button @click="household.moveTo(one.id)">
            <span
              >{{ one.body.name }}<small v-if="one.body.place"> {{ one.body.place }}</small></span
            >
          </Button>
        </li>
      </ul>
    </section>
    <section v-if="gone.length" class="first stack-l" aria-labelledby="gone">
      <h2 id="gone">Recently deleted</h2>
      <ul class="plain">
        <li v-for="one in gone" :key="one.id" class="row-l nowrap">
          {{ one.name }}
          <Button @click="bringBack(one.id)"
            >Restore<span class="unseen"> {{ one.name }}</span></Button
          >
        </li>
      </ul>
    </section>
  </div>
</template>

<style scoped>
.start {
  display: grid;
  gap: 1.6rem;
  max-width: 34rem;
  padding-top: 1rem;
}

/* Few, and seen at a glance: nothing to open. */
.units {
  display: grid;
}

.units legend {
  padding: 0;
  font-weight: 600;
}

.units legend span {
  font-weight: 400;
}

.units label {
  min-height: 2.75rem;
}

.units input {
  width: 1.3rem;
  height: 1.3rem;
  accent-color: var(--enamel);
}

.here {
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
