<script setup lang="ts">
import { sayProblem } from '#shared/messages/refusals'
import { present } from '#core/present'
import { counted } from '#core/text/plurals'
import { goodsName } from '#core/supplies/goods'
import { kitchenTools, usualShed } from '#core/supplies/usual-supplies'
import { packSaid } from '#core/supplies/pack-said'
import { namesListed } from '#shared/messages/message'
import type { Stored } from '#shared/records/collections'
import type { StockRecord } from '#shared/records/stock'
import { goodsOf, stockProblems } from '#shared/derived/shelves'

/** What is at hand: ticked, with about how much, and changed where it was ticked. */
const household = useHousehold()
const context = useContext()
const first = useFirstHour()
const { attempt } = useCommands()
const rows = computed(() =>
  usualShed(household.units).flatMap(([kind, id, like, called]) => {
    const goods = goodsOf({ kind, goodsId: id }, context)
    if (!goods) return []
    const owned = household.stocks.find(({ body }) => body.kind === kind && body.goodsId === id)
    return [{ kind, id, like, name: called ?? goodsName(goods), short: goodsName(goods), owned }]
  }),
)
const groups = computed(() => [
  { title: 'Mixes and materials', rows: rows.value.filter(({ kind }) => kind === 'material') },
  { title: 'Feeds', rows: rows.value.filter(({ kind }) => kind === 'feed') },
])
const ticked = ref<string[]>([])
const amounts = ref<Record<string, string>>({})
const editing = ref<Stored<StockRecord> | null>(null)
type Row = (typeof rows.value)[number]
/** Nothing typed means the usual pack. */
const stockOf = ({ kind, id, short, like }: Row) => {
  const text = amounts.value[id]?.trim() || like
  const size = packSaid(text, household.units)
  return (
    size && {
      name: `${text} of ${short.toLowerCase()}`.slice(0, 120),
      kind,
      goodsId: id,
      size,
      price: null,
      packs: 1,
    }
  )
}
const problemOf = (row: Row) => {
  const stock = stockOf(row)
  if (!stock) return `Type an amount, such as ${row.like}.`
  const [problem] = stockProblems(stock, context)
  return problem && sayProblem(problem)
}
const toolsTicked = ref<string[]>([])
const tools = computed(() =>
  kitchenTools(household.units).map((tool) => ({
    ...tool,
    owned: context.tools.some(({ name }) => name === tool.name),
  })),
)
const chosen = computed(() => rows.value.filter(({ id }) => ticked.value.includes(id)))
const ready = computed(() => chosen.value.every((row) => !problemOf(row)))
const many = computed(() => chosen.value.length + toolsTicked.value.length)
async function keep() {
  const name = `Added to supplies: ${counted(many.value, 'item')}`
  const kept = [
    ...chosen.value.map((row) => saving('stocks', newId(), 0, present(stockOf(row)))),
    ...tools.value
      .filter(({ name: tool }) => toolsTicked.value.includes(tool))
      .map(({ name: tool, kind, capacityMl }) =>
        saving('tools', newId(), 0, { name: tool, kind, capacityMl }),
      ),
  ]
  if (!(await attempt(name, kept, `${name}.`))) return
  ticked.value = []
  toolsTicked.value = []
  amounts.value = {}
}
/** The mix it sows in, and what of it would have to be bought. */
const seedMix = computed(() => context.recipes.get(context.whole.usualMixes.seed))
const missing = useToBuy()
const toBuy = computed(() => missing(seedMix.value))
</script>

<template>
  <FirstStep
    :number="2"
    title="What do you have?"
    :done="household.stocks.length > 0 || first.places.length > 0"
  >
    <fieldset v-for="group in groups" :key="group.title">
      <legend>{{ group.title }}</legend>
      <ul class="supplies">
        <li v-for="row in group.rows" :key="row.id" class="stack-s">
          <p v-if="row.owned" class="row-s nowrap">
            <CheckField :model-value="true" disabled>{{ row.name }}</CheckField>
            <Button text :aria-label="`Edit ${row.name}`" @click="editing = row.owned">Edit</Button>
          </p>
          <template v-else>
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
          </template>
        </li>
      </ul>
    </fieldset>
    <fieldset>
      <legend>Tools</legend>
      <ul class="supplies">
        <li v-for="tool in tools" :key="tool.name" class="stack-s">
          <CheckField v-if="tool.owned" :model-value="true" disabled>{{ tool.name }}</CheckField>
          <CheckField v-else v-model="toolsTicked" :value="tool.name">{{ tool.name }}</CheckField>
        </li>
      </ul>
    </fieldset>
    <p v-if="many">
      <Button class="main" :disabled="!ready" @click="keep">Add to supplies</Button>
    </p>
    <FoldAway title="Something else: type it"><SayStores /></FoldAway>
    <FoldAway title="Where you grow"><FirstRoom /></FoldAway>
    <template v-if="household.stocks.length && seedMix" #changed>
      <p>
        Sow in <strong>{{ seedMix.name.toLowerCase() }}</strong><template v-if="toBuy.length"
          >; you would need to buy {{ namesListed(toBuy, 5) }}</template
        ><template v-else>, from what you have</template>.
        <NuxtLink to="/plan?frame=open">Choose another</NuxtLink>
      </p>
    </template>
    <StockForm v-if="editing" :stock="editing" @close="editing = null" />
  </FirstStep>
</template>

<style scoped>
.supplies {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(15rem, 1fr));
  gap: 0.2rem 1.2rem;
}

.supplies li {
  align-content: start;
}
</style>
