<script setup lang="ts">
import { present } from '#core/present'
import { VARIATION } from '#core/season/uncertainty/simulate'
import { countsSeedlings } from '#core/sowing/crop'
import { roomIndoors } from '#core/season/demand/demand'
import { printNumber, printQuantity, printShare } from '#core/units/format'

/** What two thousand seasons like this one come to, simulated in a worker. */
const season = useSeason()
const household = useHousehold()
const context = useContext()
const SEASONS = 2000
const room = computed(() => roomIndoors(present(season.frame).places))
const { answer, done, ask, cancel } = useWorkerCall('simulateSeasons')

function simulate() {
  void ask({
    seasons: SEASONS,
    seed: 0.42,
    sowings: season.kept.flatMap(({ id, planned, crop }) => {
      const stored = season.sowing(id)
      return stored
        ? [
            {
              id,
              plants: stored.body.plants,
              clump: countsSeedlings(crop),
              seedlings: crop.seedlings,
              planned,
            },
          ]
        : []
    }),
  })
}
watch(
  () => season.kept,
  () => {
    if (!season.moving) answer.value = null
  },
)
const rows = computed(() =>
  season.kept
    .map(({ id, name }) => ({
      id,
      name,
      wanted: season.sowing(id)?.body.plants ?? 0,
      certainty: season.sowing(id)?.body.certainty ?? 0,
      chance: answer.value?.chance[id] ?? 0,
      plants: answer.value?.plants[id],
    }))
    .sort((a, b) => a.chance - b.chance),
)
const litres = (l: number) => printQuantity(l, 'volume', household.units)
</script>

<template>
  <section class="chance stack" aria-labelledby="chance-title">
    <h2 id="chance-title">How sure is it?</h2>
    <p class="soft">
      Simulates {{ printNumber(SEASONS) }} seasons with varying germination, losses and dates to see how often
      the plants are there.
    </p>
    <UnderWay v-if="done !== null" label="Simulating seasons" :done="done / SEASONS" @stop="cancel" />
    <Button v-else-if="!answer" :disabled="!season.kept.length" @click="simulate">
      Try {{ printNumber(SEASONS) }} seasons
    </Button>
    <template v-else>
      <p role="status">
        <strong>{{ printShare(answer.chanceOfAll) }}</strong> of seasons reach everything. At most
        <strong>{{ printNumber(answer.flats.half) }}</strong> flats stand at once in half of them,
        <strong :class="{ problem: answer.flats.nineTenths > room }">{{
          printNumber(answer.flats.nineTenths)
        }}</strong>
        in nine of ten; {{ printNumber(room) }} fit under the roof.
      </p>
      <FigureTable
        :columns="['Sowing', 'wanted', 'as sure as', 'reached in', 'plants in half', 'in 9 of 10 at least']"
      >
        <tr v-for="one in rows" :key="one.id">
          <th scope="row">{{ one.name }}</th>
          <td>{{ one.wanted }}</td>
          <td>{{ printShare(one.certainty) }}</td>
          <td :class="{ problem: one.chance < 0.8 }">{{ printShare(one.chance) }}</td>
          <td>{{ one.plants?.half }}</td>
          <td>{{ one.plants?.nineTenths }}</td>
        </tr>
      </FigureTable>
      <p class="soft">
        “As sure as” takes germination and losses as they stand. Here they vary too: a packet is known only as
        well as a test of {{ VARIATION.germinationSeeds }} seeds would tell, losses as from
        {{ VARIATION.lossPlants }} plants. So fewer seasons reach the number than you asked to be sure of; ask
        for more, test the packet, or sow a few cells more.
      </p>
      <FigureTable :columns="['Mix', 'in half', 'in 9 of 10 at most']">
        <tr v-for="(spread, recipeId) in answer.litres" :key="recipeId">
          <th scope="row">{{ context.nameOfMix(recipeId) }}</th>
          <td>{{ litres(spread.half) }}</td>
          <td>{{ litres(spread.nineTenths) }}</td>
        </tr>
      </FigureTable>
    </template>
  </section>
</template>

<style scoped>
.chance {
  justify-items: start;
}
</style>
