<script setup lang="ts">
import CheckField from '~/kit/fields/CheckField.vue'
import Button from 'primevue/button'
import { computed, ref } from 'vue'
import { useDates } from '~/kit/useDates'
import { useRuns } from '~/mix-and-feed/cards/usePlannedCard'
import { useContext } from '~/household/context'
import { useHousehold } from '~/household/household'
import { useSeason } from '~/plan/season'
import { addDays } from '#core/calendar/day'
import { printNumber, printQuantity } from '#core/units/format'

/** Batches and feeds the season asks for, by date; each becomes a card at the bench in one press. */
const season = useSeason()
const household = useHousehold()
const context = useContext()
const { names, planBatch, planFeed } = useRuns()
const { printDay } = useDates()

const WEEKS = 3
const until = computed(() => addDays(season.today, WEEKS * 7))
const everything = ref(false)
const soon = <T extends { on: string }>(runs: readonly T[]) =>
  runs.filter(({ on }) => on >= season.today && (everything.value || on <= until.value))
const litres = (l: number) => printQuantity(l, 'volume', household.kitchen)
</script>

<template>
  <div class="runs">
    <section aria-labelledby="mix-runs">
      <h2 id="mix-runs">Batches of mix</h2>
      <ul>
        <li v-for="run in soon(season.mixes)" :key="run.id">
          <span class="day">{{ printDay(run.on) }}</span>
          <span>
            <strong>{{ litres(run.looseL) }}</strong> of {{ context.nameOfMix(run.recipeId)
            }}<template v-if="run.tubs > 1">, in {{ run.tubs }} tubs</template>
            <span class="soft">
              for {{ names(run.of)
              }}<template v-if="season.known?.book.wantsSoak(run.recipeId)"
                >; soak on the evening of {{ printDay(run.soakOn) }}</template
              ></span
            >
          </span>
          <Button @click="planBatch(run)">Bench card</Button>
        </li>
      </ul>
      <p v-if="!soon(season.mixes).length" class="soft">No mix is due in the next {{ WEEKS }} weeks.</p>
    </section>
    <section aria-labelledby="feed-runs">
      <h2 id="feed-runs">Feeds</h2>
      <ul>
        <li v-for="run in soon(season.feeds)" :key="`${run.on} ${run.nMgPerL}`">
          <span class="day">{{ printDay(run.on) }}</span>
          <span>
            <strong>{{ litres(run.solutionL) }}</strong> at {{ printNumber(run.nMgPerL) }} mg/L<template
              v-if="run.cans > 1"
              >, {{ run.cans }} cans</template
            >
            <span class="soft"> for {{ names(run.of) }}</span>
          </span>
          <Button @click="planFeed(run)">Bench card</Button>
        </li>
      </ul>
      <p v-if="!soon(season.feeds).length" class="soft">No feed is due in the next {{ WEEKS }} weeks.</p>
    </section>
    <CheckField v-model="everything">the whole season</CheckField>
  </div>
</template>

<style scoped>
.runs {
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

.day {
  font-weight: 650;
}

.all {
  display: flex;
  gap: 0.5rem;
  align-items: center;
}

@media (max-width: 60rem) {
  .runs {
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
