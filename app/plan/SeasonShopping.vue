<script setup lang="ts">
import { present } from '#core/present'
import { computed, toRef } from 'vue'
import { refDebounced } from '@vueuse/core'
import { useDates } from '~/kit/useDates'
import { useShopping } from '~/plan/supplies/useShopping'
import { useContext } from '~/household/context'
import { useHousehold } from '~/household/household'
import { useSeason } from '~/plan/season'
import { printNumber } from '#core/units/format'
import { onShelves } from '#core/supplies/draw'
import { goodsId } from '#core/supplies/goods'
import { kindOf } from '#shared/reckoning/wish'
import { visitsOf } from '#core/season/schedule/final-care'
import {
  needsOfFeed,
  needsOfMix,
  needsOfVisit,
  seedShort,
  shortFrom,
  type DatedNeeds,
} from '#core/season/demand/shopping'

/** What the rest of the season takes beyond the supplies: whole packs, what they cost, and by when. */
const season = useSeason()
const household = useHousehold()
const context = useContext()
const { linesFor, packNames, printAmount, nameOf } = useShopping()
const { printDay } = useDates()

// Reckoned once the hand has come to rest: a drag redraws the season, not the shop.
const settledMixes = refDebounced(toRef(season, 'mixes'), 300)
const settledFeeds = refDebounced(toRef(season, 'feeds'), 300)
const isDone = (sowingId: string, stage: number) =>
  season.done.get(sowingId)?.[`stage-${stage}`] !== undefined
const dated = computed((): DatedNeeds[] => {
  const mixes = settledMixes.value
    .filter(({ of }) => of.some(({ sowingId, stage }) => !isDone(sowingId, stage)))
    .flatMap((demand) => {
      const recipe = context.recipes.get(demand.recipeId)
      return recipe ? [needsOfMix(demand, recipe, context.materials)] : []
    })
  const feed = context.feeds.get(present(season.frame).feedId)
  const feeds = feed ? settledFeeds.value.filter(({ on }) => on >= season.today) : []
  const care = season.kept.flatMap((row) =>
    visitsOf(row, row.planned.outOn)
      .filter(({ on }) => on >= season.today)
      .map((visit) => needsOfVisit(visit, context.materials)),
  )
  return [...mixes, ...feeds.map((demand) => needsOfFeed(demand, present(feed))), ...care]
})
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
const lines = computed(() =>
  linesFor(dated.value.flatMap(({ needs }) => needs))
    .filter(({ short }) => short > 0)
    .map((line) => ({ ...line, by: by.value.get(`${line.goods.kind} ${goodsId(line.goods)}`) ?? '' }))
    .sort((a, b) => (a.by < b.by ? -1 : a.by > b.by ? 1 : 0)),
)
const cost = computed(() => lines.value.reduce((sum, { buy }) => sum + (buy?.cost ?? 0), 0))
const unpriced = computed(() => lines.value.some(({ buy }) => !buy || buy.cost === null))
</script>

<template>
  <section aria-labelledby="season-shopping">
    <h2 id="season-shopping">To buy for the rest of the season</h2>
    <p v-if="!lines.length && !seed.length" class="soft">The supplies cover it all.</p>
    <table v-else class="figures">
      <thead>
        <tr>
          <th scope="col">What</th>
          <th scope="col">by</th>
          <th scope="col" class="aside">wanted</th>
          <th scope="col" class="aside">there</th>
          <th scope="col">buy</th>
          <th scope="col">cost</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="line in lines" :key="nameOf(line.goods)">
          <th scope="row">{{ nameOf(line.goods) }}</th>
          <td>{{ line.by ? printDay(line.by) : '' }}</td>
          <td class="aside">{{ printAmount(line.goods, line.wanted) }}</td>
          <td class="aside">{{ printAmount(line.goods, line.inSupplies) }}</td>
          <td>
            {{
              line.buy
                ? packNames(line.goods, line.buy.packs).join(', ')
                : printAmount(line.goods, line.short)
            }}
          </td>
          <td>{{ line.buy?.cost ? line.buy.cost.toFixed(2) : '–' }}</td>
        </tr>
        <tr v-for="line in seed" :key="line.from">
          <th scope="row">Seed: {{ line.name }}</th>
          <td>{{ printDay(line.on) }}</td>
          <td class="aside">{{ printNumber(line.seeds) }}</td>
          <td class="aside">{{ printNumber(line.there ?? 0) }}</td>
          <td>{{ printNumber(line.seeds - (line.there ?? 0)) }} seeds</td>
          <td>–</td>
        </tr>
      </tbody>
      <tfoot>
        <tr>
          <th scope="row">In all{{ unpriced ? ', where prices are known' : '' }}</th>
          <td colspan="5">
            <strong>{{ cost.toFixed(2) }}</strong>
          </td>
        </tr>
      </tfoot>
    </table>
  </section>
</template>

<style scoped>
section {
  display: grid;
  gap: 0.5rem;
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
