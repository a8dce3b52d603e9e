<script setup lang="ts">
import Button from 'primevue/button'
import Column from 'primevue/column'
import DataTable from 'primevue/datatable'
import TextField from '~/components/fields/TextField.vue'
import { computed, ref } from 'vue'
import PackRow from '~/components/stores/PackRow.vue'
import StockForm from '~/components/stores/StockForm.vue'
import { useRemoval } from '~/composables/useRemoval'
import { useShopping } from '~/composables/useShopping'
import { useContext } from '~/state/context'
import { useHousehold } from '~/state/household'
import { Plus, Trash2 } from '@lucide/vue'
import { goodsUnit, packHolds, type Goods } from '#core/stores/goods'
import type { Stored } from '#shared/collections'
import type { StockRecord } from '#shared/records/stock'

/** Everything on the shelf, as it stands there. */
const household = useHousehold()
const context = useContext()
const remove = useRemoval()
const { printAmount } = useShopping()

const editing = ref<Stored<StockRecord> | 'new' | null>(null)
const priceText = (goods: Goods, price: number) => {
  const unit = goodsUnit(goods)
  return `${(unit === 'L' ? price : price * 1000).toFixed(2)} a ${unit === 'g' ? 'kg' : 'L'}`
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
        left: goods && holds !== undefined ? printAmount(goods, holds * stock.body.packs) : '',
        perUnit:
          goods && holds && stock.body.price !== null ? priceText(goods, stock.body.price / holds) : '',
      }
    })
    .sort((a, b) => (a.stock.body.goodsId < b.stock.body.goodsId ? -1 : 1)),
)
type Row = (typeof rows.value)[number]
const filters = ref({ global: { value: null as string | null, matchMode: 'contains' } })
</script>

<template>
  <section aria-labelledby="shelf-title">
    <div class="head">
      <h2 id="shelf-title">On the shelf</h2>
      <Button @click="editing = 'new'"> <Plus aria-hidden="true" /> Add a pack </Button>
    </div>
    <DataTable
      v-if="rows.length"
      v-model:filters="filters"
      :value="rows"
      data-key="id"
      removable-sort
      filter-display="menu"
      :global-filter-fields="['name']"
    >
      <template v-if="rows.length > 6" #header>
        <TextField
          :model-value="filters.global.value"
          label="Find on the shelf"
          hide-label
          placeholder="find on the shelf"
          @update:model-value="filters.global.value = $event || null"
        />
      </template>
      <Column field="name" header="Pack" sortable>
        <template #body="{ data }">
          <button type="button" class="name" @click="editing = (data as Row).stock">
            {{ (data as Row).name }}
          </button>
        </template>
      </Column>
      <Column field="packs" header="There" sortable>
        <template #body="{ data }">
          <PackRow
            :packs="(data as Row).packs"
            :material-id="(data as Row).goods?.kind === 'material' ? (data as Row).stock.body.goodsId : null"
          />
        </template>
      </Column>
      <Column field="left" header="Left" />
      <Column field="price" header="Price" sortable>
        <template #body="{ data }"
          ><span class="soft">{{ (data as Row).perUnit || 'no price' }}</span></template
        >
      </Column>
      <Column>
        <template #header><span class="unseen">What can be done</span></template>
        <template #body="{ data }">
          <Button
            text
            :aria-label="`Remove ${(data as Row).name}`"
            @click="remove('stocks', (data as Row).stock)"
          >
            <Trash2 aria-hidden="true" />
          </Button>
        </template>
      </Column>
    </DataTable>
    <p v-else class="empty">
      Nothing is written down yet. Add the bags you have, open ones too, and Blastomix says what is short.
    </p>
    <StockForm v-if="editing" v-bind="editing === 'new' ? {} : { stock: editing }" @close="editing = null" />
  </section>
</template>

<style scoped>
.head {
  display: flex;
  align-items: center;
  justify-content: space-between;
  padding-bottom: 0.6rem;
  border-bottom: 2px solid var(--ink);
}

li {
  display: grid;
  grid-template-columns: minmax(0, 1.2fr) minmax(0, 1.6fr) 4.6rem 6rem auto;
  gap: 0.8rem;
  align-items: center;
  padding: 0.3rem 0;
  border-bottom: 1px solid var(--line);
}

.empty {
  padding: 1rem 0;
  color: var(--ink-soft);
}

@media (max-width: 46rem) {
  li {
    grid-template-columns: 1fr auto auto;
    gap: 0 0.8rem;
  }

  li > :nth-child(2) {
    grid-row: 2;
    grid-column: 1 / 4;
  }

  li > :nth-child(4) {
    display: none;
  }
}
</style>
