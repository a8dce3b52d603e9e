<script setup lang="ts">
import { computed, ref, useId } from 'vue'
import ChoiceField from '~/components/fields/ChoiceField.vue'
import DialogForm from '~/components/fields/DialogForm.vue'
import FieldFrame from '~/components/fields/FieldFrame.vue'
import NumberField from '~/components/fields/NumberField.vue'
import QuantityField from '~/components/fields/QuantityField.vue'
import FigureValue from '~/components/figures/FigureValue.vue'
import { copyOf } from '~/composables/copyOf'
import { useProblemAt } from '~/composables/useProblemAt'
import { useSaving } from '~/composables/useSaving'
import { useHousehold } from '~/state/household'
import { comesPressed, goodsUnit, packHolds, packProblems, type PackMeasure } from '#core/stores/goods'
import { fullAndOpen } from '#core/stores/draw'
import { stockProblems, type StockRecord } from '#shared/records/stock'
import type { Stored } from '#shared/collections'

/** A kind of pack on the shelf: what is in it, how much, what it costs, and how many there are. */
const props = defineProps<{ stock?: Stored<StockRecord> }>()
const emit = defineEmits<{ close: [] }>()

const household = useHousehold()
const { saving, save } = useSaving('stocks')
const nameId = useId()

const draft = ref<StockRecord>(
  props.stock
    ? copyOf(props.stock.body)
    : {
        name: '',
        kind: 'material',
        goodsId: 'perlite',
        size: { measure: 'loose', amount: 10 },
        price: null,
        packs: 1,
      },
)
const goods = computed(() => household.goods(draft.value.kind, draft.value.goodsId))
const problems = computed(() =>
  stockProblems(draft.value, { materials: household.library, feeds: household.ownFeeds }),
)
const problemAt = useProblemAt(() => problems.value, saving)

const choices = computed(() => [
  {
    group: 'Materials',
    choices: [...household.library.values()].map(({ id, name }) => ({ value: `material ${id}`, name })),
  },
  { group: 'Feeds', choices: household.feeds.map(({ id, name }) => ({ value: `feed ${id}`, name })) },
])
function choose(value: string) {
  const [kind, goodsId] = value.split(/ (.*)/) as [StockRecord['kind'], string]
  Object.assign(draft.value, { kind, goodsId })
  const found = goods.value
  if (found && packProblems(draft.value.size, found).length) setMeasure('loose')
}

const measures = computed(() => [
  { value: 'loose' as const, name: goods.value?.kind === 'feed' ? 'by volume' : 'loose, by volume' },
  ...(goods.value && comesPressed(goods.value) ? [{ value: 'pressed' as const, name: 'pressed bale' }] : []),
  { value: 'mass' as const, name: 'by weight' },
])
function setMeasure(measure: PackMeasure) {
  if ((measure === 'mass') !== (draft.value.size.measure === 'mass'))
    draft.value.size.amount = measure === 'mass' ? 1000 : 10
  draft.value.size.measure = measure
}
const holds = computed(() =>
  goods.value && !problems.value.length ? packHolds(draft.value.size, goods.value) : null,
)
/** Worth saying where the label and the bench count differently. */
const turnsInto = computed(() =>
  holds.value && (draft.value.size.measure !== 'loose' || (goods.value && goodsUnit(goods.value) === 'g'))
    ? holds.value
    : null,
)

const split = computed(() => fullAndOpen(draft.value.packs))
const setPacks = (full: number, open: number) => (draft.value.packs = full + Math.min(open, 0.999))

async function keep() {
  const body = { ...draft.value, name: draft.value.name.trim() || suggested.value }
  if (await save(props.stock?.id ?? crypto.randomUUID(), props.stock?.version ?? 0, body)) emit('close')
}
const suggested = computed(() => {
  const { measure, amount } = draft.value.size
  const size =
    measure === 'mass' ? `${amount >= 1000 ? `${amount / 1000} kg` : `${amount} g`}` : `${amount} L`
  const name = goods.value?.kind === 'material' ? goods.value.material.name : goods.value?.feed.name
  return `${size} ${name?.split(',')[0]?.toLowerCase() ?? ''}`.trim()
})
</script>

<template>
  <DialogForm
    :header="stock ? stock.body.name : 'A pack in the stores'"
    :wrong="problems.length > 0"
    :saving="saving"
    @keep="keep"
    @close="emit('close')"
  >
    <ChoiceField
      :model-value="`${draft.kind} ${draft.goodsId}`"
      label="What is in it"
      :choices="choices"
      :problem="problemAt('goodsId')"
      @update:model-value="choose"
    />
    <div class="pair">
      <ChoiceField
        :model-value="draft.size.measure"
        label="The label counts"
        :choices="measures"
        :problem="problemAt('size.measure')"
        @update:model-value="setMeasure"
      />
      <QuantityField
        :key="draft.size.measure === 'mass' ? 'mass' : 'volume'"
        :model-value="draft.size.amount"
        :dimension="draft.size.measure === 'mass' ? 'mass' : 'volume'"
        :assume="draft.size.measure === 'mass' ? 'g' : 'L'"
        label="A full pack"
        :problem="problemAt('size.amount')"
        @update:model-value="draft.size.amount = $event ?? 0"
      />
    </div>
    <p v-if="turnsInto" class="soft">That is <FigureValue :figure="turnsInto" /> to measure out.</p>
    <div class="three">
      <NumberField
        :model-value="split.full"
        label="Full packs"
        :problem="problemAt('packs')"
        @update:model-value="setPacks(Math.max(0, Math.floor($event ?? 0)), split.open)"
      />
      <NumberField
        :model-value="split.open"
        percent
        label="In the open one"
        hint="0 when none is open"
        @update:model-value="setPacks(split.full, Math.max(0, $event ?? 0))"
      />
      <NumberField
        v-model="draft.price"
        optional
        label="Price of a pack"
        hint="your currency"
        :problem="problemAt('price')"
      />
    </div>
    <FieldFrame :id="nameId" label="What you call it" :problem="problemAt('name')">
      <input :id="nameId" v-model="draft.name" class="input" autocomplete="off" :placeholder="suggested" />
    </FieldFrame>
  </DialogForm>
</template>
