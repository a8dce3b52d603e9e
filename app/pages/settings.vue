<script setup lang="ts">
import { present } from '#core/present'
import Column from 'primevue/column'
import DataTable from 'primevue/datatable'
import { counted } from '#core/text/plurals'
import { printNumber } from '#core/units/format'
import { COLLECTIONS, COME_BACK_DAYS, REMOVED_LATELY_DAYS, type Removed } from '#shared/records/collections'
import type { HouseholdRecord } from '#shared/records/household'

definePageMeta({
  place: {
    title: 'Settings',
    what: 'units, dates, people, days away, removed items',
    words:
      'kitchen units metric us imperial celsius fahrenheit language week people away holiday backup dark theme currency',
    tab: 1,
  },
})

const household = useHousehold()
const keeping = useKeeping()
const preferences = usePreferences()
const { note } = useNotes()
const { printMoment } = useDates()

const name = ref(household.record?.name ?? '')
const place = ref(household.record?.place ?? '')
const changed = computed(
  () => name.value !== household.record?.name || place.value !== household.record?.place,
)
const { saving, attempt, dismiss } = useAttempt<HouseholdRecord>()
const problemAt = (field: string) =>
  saving.value.state === 'refused'
    ? saving.value.errors.find((one) => one.field === field)?.message
    : undefined
async function keep() {
  const body = { ...present(household.record), name: name.value.trim(), place: place.value.trim() }
  const save = (next: HouseholdRecord, version?: number) =>
    keeping.saveHousehold(next, 'the household', version)
  const kept = await attempt(
    body,
    () => save(body),
    (chosen, current) => save(chosen, current?.version),
  )
  if (kept) note('Saved.')
}

const removed = ref<Removed[] | null>(null)
const failed = ref<string>()
async function read() {
  try {
    removed.value = await keeping.removedLately()
    failed.value = undefined
  } catch (error) {
    failed.value = whyNot(error)
  }
}

interface Backups {
  kept: boolean
  last: { at: string; ok: boolean; rows?: number; bytes?: number; why?: string } | null
}
const backups = ref<Backups | null>(null)
const gone = ref<{ id: string; name: string; removedAt: string }[]>([])
async function readRest() {
  backups.value = await $fetch<Backups>('/api/backups').catch(() => null)
  gone.value = await $fetch<typeof gone.value>('/api/removed').catch(() => [])
}
onMounted(() => Promise.all([read(), readRest()]))

const ask = useAsk()
async function removeAll() {
  const { id, everything } = household
  if (!everything) return
  const said = await ask({
    header: `Delete ${everything.household.body.name}?`,
    message: `It can be restored for ${COME_BACK_DAYS} days, from the start page or from Settings.`,
    yes: 'Delete',
    no: 'Cancel',
  })
  if (!said) return
  try {
    await sendCommand(id, { name: 'remove household', version: everything.household.version })
    await household.leave()
    await navigateTo('/')
  } catch (error) {
    note(whyNot(error))
  }
}
async function bringHouseholdBack(id: string) {
  try {
    await sendCommand(id, { name: 'bring household back' })
    await household.moveTo(id)
    await navigateTo('/')
  } catch (error) {
    note(whyNot(error))
  }
}
async function bringBack(one: Removed) {
  try {
    await keeping.bringBack(one)
    note(`${one.name} is restored.`)
  } catch (error) {
    note(whyNot(error))
  }
  await read()
}
</script>

<template>
  <div class="settings">
    <h1>Settings</h1>
    <form class="household" @submit.prevent="keep">
      <h2>Household</h2>
      <div class="pair">
        <TextField v-model="name" label="Name" :problem="problemAt('name')" />
        <TextField v-model="place" label="Place" :problem="problemAt('place')" />
      </div>
      <SaveProblem :saving="saving" @settled="dismiss" @later="dismiss" />
      <div class="buttons">
        <Button type="submit" class="main" :disabled="!changed || saving.state === 'busy'">Save</Button>
      </div>
    </form>

    <section id="written">
      <h2>Units and dates</h2>
      <FormatsForm />
    </section>

    <section>
      <h2>Places and methods</h2>
      <template v-if="household.season">
        <p>
          {{ counted(household.season.places.length, 'place') }}:
          {{ household.season.places.map((one) => one.name).join(', ') }}.
        </p>
      </template>
      <p v-else class="soft">Not set up yet.</p>
      <p><NuxtLink to="/plan?frame=open">Frosts, places and methods</NuxtLink></p>
    </section>

    <section>
      <h2>People</h2>
      <PeopleForm />
    </section>

    <section>
      <h2>Days away</h2>
      <AwayForm />
    </section>

    <section>
      <h2>Keys</h2>
      <CheckField v-model="preferences.letterKeys" label="Single-letter shortcuts" />
    </section>

    <section>
      <h2>Backups</h2>
      <p v-if="!backups" class="soft" role="status">Loading …</p>
      <p v-else-if="!backups.kept" class="soft">Backed up by whoever runs this server.</p>
      <template v-else>
        <p v-if="!backups.last">The first backup is made within the hour.</p>
        <p v-else-if="backups.last.ok">
          Last backup {{ printMoment(backups.last.at) }}: {{ printNumber(backups.last.rows ?? 0) }} rows,
          {{ printNumber(Math.ceil((backups.last.bytes ?? 0) / 1024)) }} kB.
        </p>
        <Message v-else severity="error">
          The backup of {{ printMoment(backups.last.at) }} failed. {{ backups.last.why }}
        </Message>
        <p class="soft small">One a day, kept for two weeks.</p>
      </template>
    </section>

    <section>
      <h2>Recently deleted</h2>
      <Message v-if="failed" severity="error">
        {{ failed }} <button type="button" class="link" @click="read">Try again</button>
      </Message>
      <p v-else-if="removed && removed.length === 0">Nothing in the last {{ REMOVED_LATELY_DAYS }} days.</p>
      <DataTable
        v-else-if="removed"
        :value="removed"
        data-key="id"
        removable-sort
        :paginator="removed.length > 20"
        :rows="20"
      >
        <Column field="name" header="Item" sortable />
        <Column field="collection" header="Kind" sortable>
          <template #body="{ data }">{{ COLLECTIONS[(data as Removed).collection].one }}</template>
        </Column>
        <Column field="removedAt" header="Deleted" sortable>
          <template #body="{ data }">{{ printMoment((data as Removed).removedAt) }}</template>
        </Column>
        <Column>
          <template #header><span class="unseen">Actions</span></template>
          <template #body="{ data }">
            <Button @click="bringBack(data as Removed)"
              >Restore<span class="unseen"> {{ (data as Removed).name }}</span></Button
            >
          </template>
        </Column>
      </DataTable>
      <p v-else class="soft" role="status">Loading …</p>
    </section>

    <section>
      <h2>Delete this household</h2>
      <p class="soft">
        <template v-if="backups?.kept">A backup is made first. </template>It can be restored for
        {{ COME_BACK_DAYS }} days.
      </p>
      <div class="buttons">
        <Button @click="removeAll">Delete {{ household.record?.name }}</Button>
      </div>
      <ul v-if="gone.length" aria-label="Recently deleted households">
        <li v-for="one in gone" :key="one.id" class="gone row">
          {{ one.name }} <span class="soft">{{ printMoment(one.removedAt) }}</span>
          <Button @click="bringHouseholdBack(one.id)"
            >Restore<span class="unseen"> {{ one.name }}</span></Button
          >
        </li>
      </ul>
    </section>
  </div>
</template>

<style scoped>
.settings {
  display: grid;
  gap: 2rem;
  max-width: 52rem;
}

.household,
section {
  display: grid;
  gap: 0.7rem;
}

.ways {
  display: grid;
  gap: 0.4rem;
  margin: 0;
  padding: 0;
  list-style: none;
}

.ways li {
  display: flex;
  flex-wrap: wrap;
  gap: 0.2rem 0.8rem;
}
</style>
