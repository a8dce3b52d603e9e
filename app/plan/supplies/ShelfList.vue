<script setup lang="ts">
import { unitById } from '#core/units/unit-table'
import { Plus } from '@lucide/vue'
import { goodsUnit, packHolds, type Goods } from '#core/supplies/goods'
import type { Stored } from '#shared/records/collections'
import type { StockRecord } from '#shared/records/stock'

/** Everything on the shelf, as it stands there. */
const household = useHousehold()
const context = useContext()
const remove = useRemoval()
const { printAmount } = useShopping()
const { money } = useMoney()

const editing = ref<Stored<StockRecord> | 'new' | null>(null)
/** What prices are compared by. */
const WHOLE = {
  metric: { volume: 'L', mass: 'kg' },
  us: { volume: 'us-gal', mass: 'lb' },
  imperial: { volume: 'imp-gal', mass: 'lb' },
} as const
const priceText = (goods: Goods, price: number) => {
  const unit = goodsUnit(goods)
  const whole = unitById(WHOLE[household.units][unit === 'g' ? 'mass' : 'volume'])
  // A price is by the litre, gram or millilitre; a base unit is a litre or a gram.
  const inBase = unit === 'mL' ? 1000 : 1
  return `${money(price * inBase * whole.factor)} per ${whole.symbol}`
}
const rows = computed(() =>
  household.stocks
    .map((stock) => {
      const goods = context.goods(stock.body.kind, stock.body.goodsId)
      const holds = goods && packHolds(stock.body.size, goods).value
      return {
        id: stock.id,
        name: stock.body.name,
        packs: stock.body.packs,
        price: stock.body.price,
        stock,
        goods,
        left:
          stock.body.packs === 0
            ? 'none'
            : goods && holds !== undefined
              ? printAmount(goods, holds * stock.body.packs)
              : '',
        perUnit:
          goods && holds && stock.body.price !== null ? priceText(goods, stock.body.price / holds) : '',
      }
    })
    .sort((a, b) => (a.stock.body.goodsId < b.stock.body.goodsId ? -1 : 1)),
)
</script>

<template>
  <div>
    <SuppliesTable
      id="shelf-title"
      title="In stock"
      :rows="rows"
      :columns="[
        { field: 'packs', header: 'Packs', sortable: true },
        { field: 'left', header: 'Left' },
        { field: 'price', header: 'Price', sortable: true },
      ]"
    >
      <template #add>
        <Button @click="editing = 'new'"> <Plus aria-hidden="true" /> Add a pack </Button>
      </template>
      <template #name="{ row }">
        <button type="button" class="name" @click="editing = row.stock">{{ row.name }}</button>
      </template>
      <template #packs="{ row }">
        <PackRow
          :packs="row.packs"
          :material-id="row.goods?.kind === 'material' ? row.stock.body.goodsId : null"
        />
      </template>
      <template #price="{ row }">{{ row.perUnit || 'no price' }}</template>
      <template #act="{ row }">
        <DeleteButton :of="row.name" @click="remove('stocks', row.stock)" />
      </template>
      <template #empty>
        Nothing yet. Add the bags you have, opened ones too, and the shopping list lists the rest.
      </template>
    </SuppliesTable>
    <StockForm v-if="editing" v-bind="editing === 'new' ? {} : { stock: editing }" @close="editing = null" />
  </div>
</template>
