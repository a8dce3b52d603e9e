<script setup lang="ts">
import { costOf } from '#core/supplies/cost'
import { needsOfBatch } from '#core/supplies/needs'
import { convert } from '#core/units/unit-table'

/** What the batch costs, and what of it is not on the shelf. */
const household = useHousehold()
const { money } = useMoney()
const context = useContext()
const mix = useMixDraft()
// Whole packs are a small integer programme: below the fold it waits until the hand has come to rest.
const root = useTemplateRef<HTMLElement>('root')
const plan = useFollowing(root, () => mix.plan)
const { linesFor, printAmount, packNames, nameOf } = useShopping()

const cost = computed(() => plan.value && costOf(plan.value, ({ kind, id }) => context.priceOf(kind, id)))
/** Only what the household keeps a record of can be short. */
const short = computed(() =>
  household.stocks.length && plan.value && !(mix.saved && household.making(mix.saved.id))
    ? linesFor(needsOfBatch(plan.value)).filter((line) => line.short > 0)
    : [],
)
/** The price of the measure people buy by. */
const each = computed(
  () =>
    ({
      metric: { name: 'litre', litres: 1 },
      us: { name: 'gallon', litres: convert(1, 'us-gal', 'L') },
      imperial: { name: 'litre', litres: 1 },
    })[household.units],
)
const names = (ids: readonly string[]) =>
  ids.map((id) => context.materials.get(id)?.name.split(',')[0]?.toLowerCase()).join(', ')
</script>

<template>
  <div v-if="cost || short.length" ref="root" class="cost stack-s">
    <p v-if="cost">
      Costs <strong><FigureValue :figure="cost.cost" :digits="money(cost.cost.value)" /></strong>,
      <FigureValue :figure="cost.perL" :digits="money(cost.perL.value * each.litres)" /> a {{ each.name }},
      <FigureValue :figure="cost.perPlant" :digits="money(cost.perPlant.value)" /> a plant<span
        v-if="cost.unpriced.length"
        class="soft"
        >, without {{ names(cost.unpriced) }}</span
      >.
    </p>
    <FoldAway v-if="short.length" title="Not all of it is in the supplies">
      <ul>
        <li v-for="line in short" :key="nameOf(line.goods)">
          {{ printAmount(line.goods, line.short) }} {{ nameOf(line.goods).toLowerCase() }} short<template
            v-if="line.buy"
            >: buy {{ packNames(line.goods, line.buy.packs).join(' and ')
            }}<template v-if="line.buy.cost !== null">, {{ money(line.buy.cost) }}</template></template
          >
        </li>
      </ul>
    </FoldAway>
    <p v-else-if="household.stocks.length && cost" class="soft small">The supplies hold all of it.</p>
  </div>
</template>

<style scoped>
.cost {
  padding-top: 0.5rem;
  border-top: 1px solid var(--line);
}

li {
  padding: 0.15rem 0;
  line-height: 1.3;
}
</style>
