<script setup lang="ts">
import { present } from '#core/present'
import { comesPressed, goodsUnit, packHolds, packProblems, type PackMeasure } from '#core/supplies/goods'
import { fullAndOpen } from '#core/supplies/draw'
import type { StockRecord } from '#shared/records/stock'
import { stockProblems } from '#shared/derived/shelves'
import type { Stored } from '#shared/records/collections'

const { mass, volume } = useMeasures()
const { currency } = useMoney()

/** A kind of pack on the shelf: what is in it, how much, what it costs, and how many there are. */
defineProps<{ stock?: Stored<StockRecord> }>()
const emit = defineEmits<{ close: [] }>()

const context = useContext()
const FIRST: StockRecord = {
  name: '',
  kind: 'material',
  goodsId: 'perlite',
  size: { measure: 'loose', amount: 10 },
  price: null,
  packs: 1,
}
const goodsIn = ({ kind, goodsId }: StockRecord) => context.goods(kind, goodsId)
const alsoWrong = (draft: StockRecord) => stockProblems(draft, context.whole)

const choices = computed(() => [
  {
    group: 'Materials',
    choices: [...context.materials.values()].map(({ id, name }) => ({ value: `material ${id}`, name })),
  },
  { group: 'Feeds', choices: context.feedList.map(({ id, name }) => ({ value: `feed ${id}`, name })) },
])
function choose(draft: StockRecord, value: string) {
  const [kind, goodsId] = value.split(/ (.*)/) as [StockRecord['kind'], string]
  Object.assign(draft, { kind, goodsId })
  const found = goodsIn(draft)
  if (found && packProblems(draft.size, found).length) setMeasure(draft, 'loose')
}

function measuresOf(draft: StockRecord) {
  const goods = goodsIn(draft)
  return [
    { value: 'loose' as const, name: goods?.kind === 'feed' ? 'by volume' : 'loose, by volume' },
    ...(goods && comesPressed(goods) ? [{ value: 'pressed' as const, name: 'pressed bale' }] : []),
    { value: 'mass' as const, name: 'by weight' },
  ]
}
function setMeasure(draft: StockRecord, measure: PackMeasure) {
  if ((measure === 'mass') !== (draft.size.measure === 'mass'))
    draft.size.amount = measure === 'mass' ? 1000 : 10
  draft.size.measure = measure
}
/** What a pack turns into, worth saying where the label and the bench count differently. */
function turnsInto(draft: StockRecord) {
  const goods = goodsIn(draft)
  return goods && (draft.size.measure !== 'loose' || goodsUnit(goods) === 'g')
    ? packHolds(draft.size, goods)
    : null
}

const split = (draft: StockRecord) => fullAndOpen(draft.packs)
const setPacks = (draft: StockRecord, full: number, open: number) =>
  (draft.packs = full + Math.min(open, 0.999))

function suggested(draft: StockRecord) {
  const { measure, amount } = draft.size
  const goods = goodsIn(draft)
  const size = measure === 'mass' ? mass(amount) : volume(amount)
  const name = goods?.kind === 'material' ? goods.material.name : goods?.feed.name
  return `${size} ${name?.split(',')[0]?.toLowerCase() ?? ''}`.trim()
}
const finish = (draft: StockRecord): StockRecord => ({
  ...draft,
  name: draft.name.trim() || suggested(draft),
})
</script>

<template>
  <RecordForm
    v-slot="{ draft, problemAt, problems }"
    collection="stocks"
    :header="stock ? stock.body.name : 'A pack in the supplies'"
    :stored="stock"
    :first="FIRST"
    :also-wrong="alsoWrong"
    :finish="finish"
    @close="emit('close')"
  >
    <ChoiceField
      :model-value="`${draft.kind} ${draft.goodsId}`"
      label="What is in it"
      :choices="choices"
      :problem="problemAt('goodsId')"
      @update:model-value="choose(draft, $event)"
    />
    <div class="pair">
      <ChoiceField
        :model-value="draft.size.measure"
        label="The label counts"
        :choices="measuresOf(draft)"
        :problem="problemAt('size.measure')"
        @update:model-value="setMeasure(draft, $event)"
      />
      <TypedField
        :key="draft.size.measure === 'mass' ? 'mass' : 'volume'"
        v-model="draft.size.amount"
        :dimension="draft.size.measure === 'mass' ? 'mass' : 'volume'"
        label="A full pack"
        :problem="problemAt('size.amount')"
      />
    </div>
    <p v-if="!problems.length && turnsInto(draft)" class="soft">
      That is <FigureValue :figure="present(turnsInto(draft))" /> to measure out.
    </p>
    <div class="three">
      <TypedField
        :model-value="split(draft).full"
        label="Full packs"
        :problem="problemAt('packs')"
        @update:model-value="setPacks(draft, Math.max(0, Math.floor($event ?? 0)), split(draft).open)"
      />
      <TypedField
        :model-value="split(draft).open"
        percent
        label="In the open one"
        hint="0 when none is open"
        @update:model-value="setPacks(draft, split(draft).full, Math.max(0, $event ?? 0))"
      />
      <RecordField at="price" :hint="currency ?? undefined" />
    </div>
    <RecordField at="name" :placeholder="suggested(draft)" />
  </RecordForm>
</template>
