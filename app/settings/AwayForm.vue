<script setup lang="ts">
import { present } from '#core/present'
import type { AwaySaid } from '#core/language/away'
import type { Day } from '#core/calendar/day'
import type { HouseholdRecord } from '#shared/records/household'

/** Days nobody is at the bench, typed or read from a calendar of one's own. */
type Away = HouseholdRecord['away']
const household = useHousehold()
const today = useToday()
const { printLongDay } = useDates()
const { note } = useNotes()
const { saving, save, dismiss } = useHouseholdAnswer<{ away: Away }>(
  'days away',
  ({ away }) => ({ away }),
  (whole, { away }) => ({ ...whole, away }),
)
const away = computed(() =>
  [...(household.record?.away ?? [])]
    .filter(({ to }) => to >= today.value)
    .sort((a, b) => (a.from < b.from ? -1 : 1)),
)
const from = ref<Day | null>(null)
const to = ref<Day | null>(null)
const name = ref('')
const problem = computed(() =>
  from.value && to.value && from.value > to.value ? 'It ends before it begins.' : undefined,
)
const AWAY_LIKE = 'away 3 to 10 May, or: back on Sunday'
const text = ref('')
const { say } = useSayAnew(text)
const { shown, meaning, reading, settled } = useReader<AwaySaid>('away', text)
async function addSaid() {
  await settled()
  const said = meaning.value?.[0]
  if (!said) return
  if (await save({ away: [...present(household.record).away, { ...said, name: '', uid: '' }] }))
    text.value = ''
}
async function add() {
  if (!from.value || !to.value || problem.value) return
  const next = { from: from.value, to: to.value, name: name.value.trim(), uid: '' }
  if (await save({ away: [...present(household.record).away, next] })) {
    from.value = to.value = null
    name.value = ''
  }
}
const remove = (one: Away[number]) =>
  save({ away: present(household.record).away.filter((other) => other !== one) })

const found = ref<{ away: Away; left: string[] } | null>(null)
const busy = ref(false)
async function read(file: File) {
  busy.value = true
  try {
    found.value = await $fetch<{ away: Away; left: string[] }>(`/api/households/${household.id}/calendar`, {
      method: 'POST',
      body: await file.arrayBuffer(),
      headers: { 'content-type': 'text/calendar' },
      retry: 0,
    })
  } catch (error) {
    note(whyNot(error))
  }
  busy.value = false
}
/** What was read from a calendar before gives way to what it says now. */
async function take() {
  const said = present(found.value).away
  const uids = new Set(said.map(({ uid }) => uid))
  const kept = present(household.record).away.filter(({ uid }) => !uid || !uids.has(uid))
  if (await save({ away: [...kept, ...said] })) found.value = null
}
</script>

<template>
  <div class="away stack">
    <ul v-if="away.length" aria-label="Days away">
      <li v-for="one in away" :key="`${one.from} ${one.name}`" class="row">
        <span
          >{{ printLongDay(one.from)
          }}<template v-if="one.to !== one.from"> to {{ printLongDay(one.to) }}</template
          ><template v-if="one.name">: {{ one.name }}</template></span
        >
        <Button text @click="remove(one)"
          >Remove<span class="unseen"> {{ one.name || printLongDay(one.from) }}</span></Button
        >
      </li>
    </ul>
    <p v-else class="soft">None yet. Jobs that fall on them are brought forward.</p>
    <form @submit.prevent="addSaid">
      <TextField v-model="text" label="When are you away?" :placeholder="AWAY_LIKE" />
      <Button type="submit" class="main" :disabled="!(meaning?.length || reading)">Add</Button>
    </form>
    <SaidBack v-if="shown" :read="shown" @say="say" />
    <form @submit.prevent="add">
      <DayField v-model="from" label="From" optional />
      <DayField v-model="to" label="To, the last day" optional :problem="problem" />
      <TextField v-model="name" label="What it is, if you like" />
      <Button type="submit" :disabled="!from || !to || !!problem">Add</Button>
    </form>
    <FileField
      label="Read an .ics file of your own calendar"
      accept=".ics,text/calendar"
      :disabled="busy"
      @choose="read"
    />
    <div v-if="found" class="found stack" role="status">
      <p>
        {{
          found.away.length
            ? 'Whole days, and times over more than a day, found in it:'
            : 'No day away was found in it.'
        }}
      </p>
      <ul>
        <li v-for="one in found.away" :key="`${one.uid} ${one.from}`" class="row">
          {{ printLongDay(one.from) }} to {{ printLongDay(one.to)
          }}<template v-if="one.name">: {{ one.name }}</template>
        </li>
      </ul>
      <p v-if="found.left.length" class="soft">Left out: {{ found.left.join('; ') }}</p>
      <div class="buttons">
        <Button v-if="found.away.length" class="main" @click="take">These are days away</Button>
        <Button @click="found = null">Cancel</Button>
      </div>
    </div>
    <SaveProblem :saving="saving" @settled="dismiss" @later="dismiss" />
  </div>
</template>

<style scoped>
form {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(100%, 12rem), 1fr));
  gap: 0.6rem;
  align-items: end;
}
</style>
