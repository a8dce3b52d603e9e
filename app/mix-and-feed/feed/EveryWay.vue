<script setup lang="ts">
import { present } from '#core/present'
import { inSentence } from '#core/text/plurals'
import { advised, type Scooped, type Way } from '#core/feed/planner'
import { isScale, TOOL_HABITS } from '#core/feed/tool'
import { printNumber, printQuantity, printShare } from '#core/units/format'
import { printFraction } from '#core/units/fraction'

const saying = useSaying()

/** The whole space searched: the least error with no stock, with one, with two, and which to take. */
const household = useHousehold()
const context = useContext()
const feed = useFeedDraft()
const { ways, searching } = useWays(() =>
  feed.plan && feed.plan.massG.value > 0
    ? { feed: feed.feed, massG: feed.plan.massG.value, tools: context.tools }
    : null,
)
const best = computed(() => ways.value && advised(ways.value))
const rows = computed(() =>
  ways.value
    ? [
        { name: 'Straight', way: ways.value.direct },
        { name: 'One stock', way: ways.value.stock },
        { name: 'Two dilutions', way: ways.value.twoStep },
      ]
    : [],
)
function said({ tool, amount }: Scooped): string {
  if (isScale(tool.kind)) return `${printNumber(amount)} g on the ${inSentence(tool.name)}`
  if (tool.kind === 'syringe') return `${printNumber(amount)} mL by ${inSentence(tool.name)}`
  return `${printFraction(amount / present(tool.capacityMl), TOOL_HABITS[tool.kind].step)} × ${inSentence(tool.name)}`
}
const volume = (litres: number) => printQuantity(litres, 'volume', household.units)
const words = (way: Way) =>
  [...way.stocks.map((one) => `${said(one)} made up to ${volume(one.madeUpToL)}`), said(way.dose)].join(
    ', of that ',
  )
const range = (way: Way) => {
  const middle = feed.draft.targetNMgPerL * (1 + way.rounding)
  return `${printNumber(middle * (1 - way.spread))}–${printNumber(middle * (1 + way.spread))} ${saying.value.litreUnit}`
}
</script>

<template>
  <FoldAway v-if="context.tools.length" class="every" title="Compare ways to measure it">
    <p v-if="searching" class="soft" role="status">Searching …</p>
    <template v-else-if="ways">
      <FigureTable :columns="['Way', 'Off by', 'Gives']">
        <tr v-for="{ name, way } in rows" :key="name" :class="{ best: way && way === best }">
          <th scope="row">
            {{ name }}<template v-if="way && way === best">: best</template>
            <small v-if="way">{{ words(way) }}</small>
            <small v-else>none of your tools reaches it</small>
          </th>
          <td>{{ way ? `± ${printShare(way.worst)}` : '–' }}</td>
          <td>{{ way ? range(way) : '–' }}</td>
        </tr>
      </FigureTable>
      <p class="soft small">{{ ways.looked.toLocaleString('en') }} ways compared.</p>
    </template>
  </FoldAway>
</template>

<style scoped>
small {
  display: block;
  color: var(--ink-soft);
  font-weight: 400;
}

.best th,
.best td {
  background: var(--water-wash);
}

td {
  white-space: nowrap;
}
</style>
