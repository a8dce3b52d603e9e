<script setup lang="ts">
import { printQuantity } from '#core/units/format'
import { namesListed } from '#shared/messages/message'
import { addDays } from '#core/calendar/day'

const saying = useSaying()

/** Batches and feeds the season asks for, by date; each becomes a card at the bench in one press. */
const season = useSeason()
const household = useHousehold()
const context = useContext()
const { names, planBatch, planFeed } = usePlannedCard()
const { printDay } = useDates()

const missing = useToBuy()
const toBuy = (recipeId: string) => missing(context.recipes.get(recipeId))
const WEEKS = 3
const until = computed(() => addDays(season.today, WEEKS * 7))
const everything = ref(false)
const soon = <T extends { on: string }>(demands: readonly T[]) =>
  demands.filter(({ on }) => on >= season.today && (everything.value || on <= until.value))
const litres = (l: number) => printQuantity(l, 'volume', household.units)
</script>

<template>
  <div class="demands">
    <section aria-labelledby="mix-batches">
      <h2 id="mix-batches">Mixes to make</h2>
      <ul>
        <li v-for="demand in soon(season.mixes)" :key="demand.id">
          <span class="day strong">{{ printDay(demand.on) }}</span>
          <span>
            <strong>{{ litres(demand.looseL) }}</strong> of {{ context.nameOfMix(demand.recipeId)
            }}<template v-if="demand.tubs > 1">, in {{ demand.tubs }} tubs</template>
            <span class="soft">
              for {{ names(demand.of)
              }}<template v-if="season.known?.book.wantsSoak(demand.recipeId)"
                >; soak the evening before, {{ printDay(demand.soakOn) }}</template
              ><template v-if="toBuy(demand.recipeId).length"
                >; you would need to buy {{ namesListed(toBuy(demand.recipeId), 5) }}</template
              ></span
            >
          </span>
          <Button @click="planBatch(demand)">Card</Button>
        </li>
      </ul>
      <p v-if="!soon(season.mixes).length" class="soft">No mixes due in the next {{ WEEKS }} weeks.</p>
    </section>
    <section aria-labelledby="feed-batches">
      <h2 id="feed-batches">Feeds to mix</h2>
      <ul>
        <li v-for="demand in soon(season.feeds)" :key="`${demand.on} ${demand.nMgPerL}`">
          <span class="day strong">{{ printDay(demand.on) }}</span>
          <span>
            <strong>{{ litres(demand.solutionL) }}</strong> at {{ saying.strength(demand.nMgPerL)
            }}<template v-if="demand.cans > 1">, {{ demand.cans }} cans</template>
            <span class="soft"> for {{ names(demand.of) }}</span>
          </span>
          <Button @click="planFeed(demand)">Card</Button>
        </li>
      </ul>
      <p v-if="!soon(season.feeds).length" class="soft">No feeds due in the next {{ WEEKS }} weeks.</p>
    </section>
    <CheckField v-model="everything">Show the whole season</CheckField>
  </div>
</template>

<style scoped>
.demands {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 1rem 2.4rem;
  align-items: start;
}

li {
  display: grid;
  grid-template-columns: 6.2rem 1fr auto;
  gap: 0.8rem;
  align-items: center;
  padding: 0.4rem 0;
  border-top: 1px solid var(--line);
}

.all {
  display: flex;
  gap: 0.5rem;
  align-items: center;
}

@media (max-width: 60rem) {
  .demands {
    grid-template-columns: minmax(0, 1fr);
  }

  li {
    grid-template-columns: 1fr auto;
  }

  .day {
    grid-column: 1 / -1;
  }
}
</style>
