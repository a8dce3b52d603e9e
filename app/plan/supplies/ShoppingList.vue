<script setup lang="ts">
import { counted } from '#core/text/plurals'
import { onShelves } from '#core/supplies/draw'
import { goodsId } from '#core/supplies/goods'
import { seedShort, shortFrom } from '#core/season/demand/shopping'
import { kindOf } from '#shared/derived/wish'
import { neededByDay } from '#shared/derived/shopping'

/** All there is to buy, in whole packs, and by when: for what is planned to be mixed, fed and sown. */
const season = useSeason()
const household = useHousehold()
const context = useContext()
const bench = useBench()
const { linesFor, packNames, printAmount, nameOf } = useShopping()
const { printDay } = useDates()
const { money } = useMoney()

const dated = computed(() => neededByDay(bench))
/** Seed for what is not sown yet. */
const seed = computed(() =>
  seedShort(
    season.kept
      .filter(({ id }) => !season.isSown(id))
      .map(({ id, name, crop, planned }) => {
        const packet = household.packets.find((one) => one.id === season.sowing(id)?.body.packetId)
        return {
          // Two kinds of one crop are two packets.
          from: packet?.id ?? `${crop.id} ${kindOf(name)}`,
          name: packet ? `${packet.body.name}, ${packet.body.year}` : name,
          there: packet ? packet.body.seeds : 0,
          seeds: planned.seeds,
          on: planned.sowOn,
        }
      }),
  ),
)
const by = computed(() => shortFrom(dated.value, (kind, id) => onShelves(context.shelves(kind, id))))
const byText = (on: string) => (on <= season.today ? 'now' : printDay(on))
const lines = computed(() =>
  [
    ...linesFor(dated.value.flatMap(({ needs }) => needs))
      .filter(({ short }) => short > 0)
      .map(({ goods, wanted, inSupplies, short, buy }) => ({
        key: `${goods.kind} ${goodsId(goods)}`,
        name: nameOf(goods),
        on: by.value.get(`${goods.kind} ${goodsId(goods)}`) ?? '',
        need: printAmount(goods, wanted),
        have: inSupplies > 0 ? printAmount(goods, inSupplies) : 'none',
        buy: buy ? packNames(goods, buy.packs).join(', ') : printAmount(goods, short),
        cost: buy?.cost ?? null,
      })),
    ...seed.value.map(({ from, name, on, seeds, there }) => ({
      key: from,
      name: `Seed: ${name}`,
      on,
      need: counted(seeds, 'seed'),
      have: there ? counted(there, 'seed') : 'none',
      buy: counted(seeds - (there ?? 0), 'seed'),
      cost: null,
    })),
  ].sort((a, b) => (a.on < b.on ? -1 : a.on > b.on ? 1 : 0)),
)
const cost = computed(() => lines.value.reduce((sum, one) => sum + (one.cost ?? 0), 0))
const unpriced = computed(() => lines.value.filter((one) => one.cost === null).length)
</script>

<template>
  <section class="shopping" aria-label="Shopping list">
    <p v-if="!lines.length" class="soft">Nothing to buy: your supplies cover everything planned.</p>
    <table v-else class="figures">
      <thead>
        <tr>
          <th scope="col">Item</th>
          <th scope="col">Needed by</th>
          <th scope="col" class="aside">Need</th>
          <th scope="col" class="aside">Have</th>
          <th scope="col">Buy</th>
          <th scope="col">Cost</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="line in lines" :key="line.key">
          <th scope="row">{{ line.name }}</th>
          <td>{{ line.on ? byText(line.on) : '' }}</td>
          <td class="aside">{{ line.need }}</td>
          <td class="aside">{{ line.have }}</td>
          <td>{{ line.buy }}</td>
          <td>{{ line.cost === null ? '–' : money(line.cost) }}</td>
        </tr>
      </tbody>
      <tfoot>
        <tr>
          <th scope="row">Total</th>
          <td colspan="5">
            <strong v-if="cost > 0 || !unpriced">{{ money(cost) }}</strong>
            <template v-if="unpriced"
              >{{ cost > 0 ? ', and ' : '' }}{{ counted(unpriced, 'item') }} without a price</template
            >
          </td>
        </tr>
      </tfoot>
    </table>
  </section>
</template>

<style scoped>
.shopping {
  min-width: 0;
  overflow-x: auto;
}

tfoot th,
tfoot td {
  padding-top: 0.5rem;
  border-top: 2px solid var(--line-strong);
}

/* On a phone: what to buy, by when and for how much. */
@media (max-width: 40rem) {
  .aside {
    display: none;
  }
}
</style>
