<script setup lang="ts">
import { sayProblemOf } from '#shared/messages/refusals'
import type { StoreSaid } from '#core/language/stores'
import { counted } from '#core/text/plurals'
import { stockFrom } from '#shared/derived/store-said'
import { stockProblems } from '#shared/derived/shelves'

/** What is in the shed, said in a sentence: `2 bricks of coir, half a 40 L bag of perlite`. */
const household = useHousehold()
const context = useContext()
const { attempt } = useCommands()
const text = ref('')
const { say } = useSayAnew(text)
const { shown, meaning, reading, settled } = useReader<StoreSaid>('stores', text)
const stocks = computed(() =>
  (meaning.value ?? []).flatMap((one) => {
    const stock = one.packs === 0 ? null : stockFrom(one, context.whole, household.units)
    return stock ? [stock] : []
  }),
)
const problem = computed(() => {
  const [found] = stocks.value.flatMap((one) => stockProblems(one, context.whole))
  return found && sayProblemOf(found, 'stocks')
})
async function keep() {
  await settled()
  if (!stocks.value.length || problem.value) return
  const name = `${counted(stocks.value.length, 'pack')} on the shelf`
  const kept = stocks.value.map((one) => saving('stocks', newId(), 0, one))
  if (await attempt(name, kept, `${name}.`)) text.value = ''
}
</script>

<template>
  <form class="say no-print" @submit.prevent="keep">
    <TextField
      v-model="text"
      label="Type what you have"
      placeholder="2 bricks of coir, half a 40 L bag of perlite"
      :problem="problem"
    />
    <Button type="submit" :disabled="!(stocks.length || reading) || !!problem">Add</Button>
    <SaidBack v-if="shown" class="said whole" :read="shown" @say="say" />
  </form>
</template>

<style scoped>
.say {
  display: grid;
  grid-template-columns: minmax(0, 34rem) auto;
  gap: 0.6rem;
  align-items: start;
}

.say > .button,
.say > button {
  justify-self: start;
  margin-top: 1.6rem;
}
</style>
