<script setup lang="ts">
import { present } from '#core/present'
import { frostProblems, isFrostFree, type Frosts } from '#core/calendar/frost'
import type { FrostsSaid } from '#core/language/frosts'
import { messageAt } from '#shared/messages/refusals'

/** When it freezes, typed as it is said; or that it never does. */
const first = useFirstHour()
const household = useHousehold()
const { printDay, monthFirst } = useDates()
const text = ref('')
const { say } = useSayAnew(text)
const { shown, meaning, reading, settled } = useReader<FrostsSaid>('frosts', text)
const said = computed(() => meaning.value?.[0] ?? null)
/** Where it never freezes plants go by the nights, which are asked for. */
const nights = ref<Frosts>({ lastFrost: null, firstFrost: null, nights: null })
const never = computed(() => said.value?.kind === 'never')
const nightProblems = computed(() => frostProblems(nights.value))
const frame = computed(() => household.season)
const ready = computed(
  () => said.value?.kind === 'frosts' || (never.value && nightProblems.value.length === 0),
)
async function keep() {
  await settled()
  if (!ready.value) return
  const kept =
    said.value?.kind === 'frosts'
      ? { lastFrost: said.value.lastFrost, firstFrost: said.value.firstFrost, nights: null }
      : nights.value
  if (await first.setFrosts(kept)) text.value = ''
}
const { said: inWords } = useMeasures()
</script>

<template>
  <FirstStep :number="1" title="When is your last spring frost?" :done="frame !== null">
    <form class="line" @submit.prevent="keep">
      <TextField
        v-model="text"
        label="On average, roughly"
        :placeholder="monthFirst ? 'May 8, mid May, or: not sure' : '8 May, mid May, or: not sure'"
        :hint="inWords('the first autumn frost too, if you know it')"
      />
      <Button type="submit" class="main" :disabled="!(ready || reading)">Save</Button>
    </form>
    <p v-if="!text && !frame" class="buttons">
      <Button text @click="text = 'not sure'">Not sure</Button>
      <Button text @click="text = 'never'">It never freezes</Button>
    </p>
    <SaidBack v-if="shown" :read="shown" @say="say" />
    <FrostFields
      v-if="never"
      v-model="nights"
      only-nights
      :problem-at="(field) => messageAt(nightProblems, field)"
    />
    <template v-if="frame" #changed>
      <p v-if="isFrostFree(frame)">No frost: plants go out when nights are warm enough.</p>
      <p v-else>
        <FrostUsed :frosts="frame" />
        <span class="soft">
          Last frost {{ printDay(present(frame.lastFrost)) }}, {{ inWords('first in autumn') }}
          {{ printDay(present(frame.firstFrost)) }}.</span
        >
      </p>
    </template>
  </FirstStep>
</template>

<style scoped>
.line {
  display: grid;
  grid-template-columns: minmax(0, 30rem) auto;
  gap: 0.6rem;
  align-items: start;
}

.line > :last-child {
  justify-self: start;
  margin-top: 1.6rem;
}
</style>
