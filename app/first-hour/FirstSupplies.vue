<script setup lang="ts">
import { present } from '#core/present'
import { computed, ref } from 'vue'
import Button from 'primevue/button'
import CheckField from '~/kit/fields/CheckField.vue'
import TextField from '~/kit/fields/TextField.vue'
import FirstStep from '~/first-hour/FirstStep.vue'
import SayStores from '~/reading/SayStores.vue'
import { newId } from '~/kit/newId'
import { useContext } from '~/household/context'
import { useHousehold } from '~/household/household'
import { useCommands } from '~/household/commands'
import { saving } from '~/household/write-records'
import { counted } from '#core/text/plurals'
import { goodsName } from '#core/supplies/goods'
import { stirredFrom, USUAL_SHED } from '#core/supplies/usual-supplies'
import { packSaid } from '#core/supplies/pack-said'
import { goodsOf, stockProblems } from '#shared/reckoning/shelves'

/** The supplies at hand: ticked, with about how much. */
const household = useHousehold()
const context = useContext()
const { attempt } = useCommands()
const rows = computed(() =>
  USUAL_SHED.flatMap(([kind, id, like]) => {
    const goods = goodsOf({ kind, goodsId: id }, context)
    return goods ? [{ kind, id, like, name: goodsName(goods) }] : []
  }),
)
const ticked = ref<string[]>([])
const amounts = ref<Record<string, string>>({})
const stockOf = ({ kind, id, name }: (typeof rows.value)[number]) => {
  const size = packSaid(amounts.value[id] ?? '', household.units)
  return (
    size && {
      name: `${present(amounts.value[id]).trim()} of ${name.toLowerCase()}`.slice(0, 120),
      kind,
      goodsId: id,
      size,
      price: null,
      packs: 1,
    }
  )
}
const problemOf = (row: (typeof rows.value)[number]) => {
  if (!amounts.value[row.id]?.trim()) return undefined
  const stock = stockOf(row)
  return stock ? stockProblems(stock, context)[0]?.message : `Say it as ${row.like}.`
}
const ready = computed(() =>
  rows.value.filter((row) => ticked.value.includes(row.id) && stockOf(row) && !problemOf(row)),
)
const there = computed(
  () => new Set(household.stocks.filter(({ body }) => body.packs > 0).map(({ body }) => body.goodsId)),
)
const possible = computed(() => stirredFrom(context.recipes.values(), there.value))
async function keep() {
  const name = `${counted(ready.value.length, 'thing')} on the shelf`
  const kept = ready.value.map((row) => saving('stocks', newId(), 0, present(stockOf(row))))
  if (!(await attempt(name, kept, `${name}.`))) return
  ticked.value = []
  amounts.value = {}
}
</script>

<template>
  <FirstStep
    step="supplies"
    title="Your supplies"
    why="Tick it and say about how much. Batches then say what they leave, and buying asks only for the rest."
    later="under Supplies, where a whole list can be pasted too."
    :done="household.stocks.length > 0"
  >
    <SayStores />
    <ul class="supplies">
      <li v-for="row in rows" :key="row.id">
        <CheckField v-model="ticked" :value="row.id">{{ row.name }}</CheckField>
        <TextField
          v-if="ticked.includes(row.id)"
          :model-value="amounts[row.id]"
          :label="`How much ${row.name.toLowerCase()}`"
          hide-label
          :placeholder="row.like"
          :problem="problemOf(row)"
          @update:model-value="amounts = { ...amounts, [row.id]: $event }"
        />
      </li>
    </ul>
    <p v-if="ticked.length">
      <Button class="main" :disabled="ready.length < ticked.length" @click="keep">Put it on the shelf</Button>
    </p>
    <template v-if="household.stocks.length" #changed>
      <p>{{ counted(household.stocks.length, 'pack') }} on the shelf.</p>
      <p v-if="possible.length">
        You can stir {{ possible.map(({ name }) => name).join(', ') }} with nothing more to buy.
      </p>
      <p v-else>For a recipe something is missing yet: Mix says what.</p>
    </template>
  </FirstStep>
</template>

<style scoped>
.supplies {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(17rem, 1fr));
  gap: 0.3rem 1.2rem;
  list-style: none;
  margin: 0;
  padding: 0;
}

.supplies li {
  display: grid;
  gap: 0.2rem;
  align-content: start;
}
</style>
