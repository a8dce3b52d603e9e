<script setup lang="ts">
import { computed } from 'vue'
import { useShopping } from '~/plan/supplies/useShopping'
import { goodsId } from '#core/supplies/goods'
import { printNumber } from '#core/units/format'

/** What the planned batches take that is not there, in the cheapest whole packs. */
const { planned, unmade, fed, packNames, printAmount, nameOf } = useShopping()

const counted = (count: number, one: string, many: string) =>
  count === 0 ? [] : [count === 1 ? one : `${count} ${many}`]
const whatFor = computed(() =>
  [
    ...counted(unmade.value.length, 'the batch planned and not yet made', 'batches planned and not yet made'),
    ...counted(fed.value.length, 'the feeding schedule', 'feeding schedules'),
  ].join(' and '),
)
const short = computed(() => planned.value.filter((line) => line.short > 0))
const enough = computed(() => planned.value.filter((line) => line.short === 0))
const cost = computed(() => short.value.reduce((sum, { buy }) => sum + (buy?.cost ?? 0), 0))
const unpriced = computed(() => short.value.filter(({ buy }) => buy?.cost == null).length)
</script>

<template>
  <section class="slip shopping" aria-labelledby="shopping-title">
    <h2 id="shopping-title">To buy</h2>
    <p v-if="unmade.length + fed.length === 0" class="soft">
      No batch is waiting to be made. Plan one in Mix and what it lacks stands here.
    </p>
    <template v-else>
      <p class="soft">for {{ whatFor }}</p>
      <table v-if="short.length" class="figures">
        <thead>
          <tr>
            <th scope="col">What</th>
            <th scope="col">Short</th>
            <th scope="col">Price</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="line in short" :key="goodsId(line.goods)">
            <th scope="row">
              <template v-if="line.buy">
                <span v-for="pack in packNames(line.goods, line.buy.packs)" :key="pack" class="pack">{{
                  pack
                }}</span>
              </template>
              <span v-else class="pack">{{ nameOf(line.goods) }}</span>
              <small v-if="line.buy" class="soft"
                >{{ nameOf(line.goods) }}; {{ printAmount(line.goods, line.buy.leftover) }} left over</small
              >
              <small v-else class="soft">say what it is sold in: add a pack of it</small>
            </th>
            <td>{{ printAmount(line.goods, line.short) }}</td>
            <td>{{ line.buy?.cost == null ? '–' : line.buy.cost.toFixed(2) }}</td>
          </tr>
        </tbody>
        <tfoot v-if="cost > 0">
          <tr>
            <th scope="row">Together<template v-if="unpriced">, as far as prices are known</template></th>
            <td />
            <td>{{ cost.toFixed(2) }}</td>
          </tr>
        </tfoot>
      </table>
      <p v-else class="enough">Nothing: the supplies hold it all.</p>
      <p v-if="enough.length && short.length" class="soft small">
        Enough of {{ enough.map(({ goods }) => nameOf(goods).toLowerCase()).join(', ') }}.
      </p>
      <p v-if="short.some(({ buy }) => buy && buy.packs.length > 1)" class="soft small">
        The cheapest whole packs that cover it, every combination weighed.
      </p>
      <p class="unseen">{{ printNumber(short.length) }} things to buy.</p>
    </template>
  </section>
</template>

<style scoped>
.shopping {
  display: grid;
  gap: 0.6rem;
  align-content: start;
}

.pack {
  display: block;
  font-weight: 650;
}

small {
  display: block;
  font-weight: 400;
}

td {
  white-space: nowrap;
}

tfoot th,
tfoot td {
  border-top: 2px solid var(--ink);
  font-weight: 700;
}

.enough {
  font: 700 1.3rem/1.2 var(--heading);
}
</style>
