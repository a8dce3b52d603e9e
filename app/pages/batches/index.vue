<script setup lang="ts">
import { Droplets, FileText, Shovel } from '@lucide/vue'
import { inSentence } from '#core/text/plurals'
import { saidInParts } from '#core/media/recipe'
import { growthStageById } from '#core/feed/growth-stage'

const saying = useSaying()

definePageMeta({
  place: {
    title: 'Batches',
    what: 'mixes and feeds planned and made, with their cards',
    words: 'bench card label print batch',
    parent: '/mix',
    tab: 3,
    key: 'b',
  },
})

const household = useHousehold()
const season = useSeason()
const context = useContext()
const remove = useRemoval()

const { printDay } = useDates()
const batches = computed(() =>
  [...household.batches].reverse().map((batch) => ({
    batch,
    planned: usePlannedBatch(batch),
    fills: batch.body.fills.map(
      ({ containerId, count }) =>
        `${count} × ${context.containers.get(containerId)?.name ?? 'a deleted container'}`,
    ),
    feeds: household.feedings.filter(({ body }) => body.batchId === batch.id),
  })),
)
const looseFeeds = computed(() =>
  household.feedings.filter(({ body }) => !household.batches.some(({ id }) => id === body.batchId)),
)
</script>

<template>
  <div class="bench">
    <PageTop title="Batches">
      <NuxtLink to="/mix" class="button"><Shovel aria-hidden="true" /> New mix</NuxtLink>
      <NuxtLink to="/feed" class="button"><Droplets aria-hidden="true" /> New feed</NuxtLink>
    </PageTop>
    <SeasonBatches v-if="season.frame && season.rows.length" />
    <h2 v-if="batches.length">Your batches</h2>
    <ol v-if="batches.length" class="batches">
      <li v-for="{ batch, planned, fills, feeds } in batches" :key="batch.id">
        <p class="number"><span class="unseen">Batch</span> {{ batch.number }}</p>
        <div class="body stack-s">
          <h2>
            <NuxtLink :to="`/mix?batch=${batch.id}`">{{ batch.body.name }}</NuxtLink>
          </h2>
          <p>{{ fills.join(' · ') }}</p>
          <div class="bar">
            <RecipeBar :parts="batch.body.parts" :height="26" />
            <span class="soft">{{ saidInParts(batch.body.parts) }}</span>
          </div>
          <ul v-if="feeds.length" class="feeds">
            <li v-for="feeding in feeds" :key="feeding.id">
              <Droplets aria-hidden="true" />
              <NuxtLink :to="`/feed?plan=${feeding.id}`">{{ feeding.body.name }}</NuxtLink>
              <span class="soft"
                >{{ saying.strength(feeding.body.targetNMgPerL) }} in the
                {{ inSentence(feeding.body.vessel.name) }}</span
              >
            </li>
          </ul>
        </div>
        <p class="litres">
          <FigureValue v-if="planned" :figure="planned.plan.mixL" />
          <span class="soft">loose mix</span>
          <span v-if="household.making(batch.id)" class="made">made</span>
          <span v-else-if="batch.body.onDate" class="soft">{{ printDay(batch.body.onDate) }}</span>
        </p>
        <div class="actions row-s nowrap">
          <NuxtLink :to="`/batches/${batch.id}`" class="button"
            ><FileText aria-hidden="true" /> Card</NuxtLink
          >
          <DeleteButton :of="`batch ${batch.number}, ${batch.body.name}`" @click="remove('batches', batch)" />
        </div>
      </li>
    </ol>
    <div v-else class="empty stack-l">
      <p>No batches yet. Plan your sowings and the mixes follow, or start with a recipe.</p>
      <div class="buttons">
        <NuxtLink to="/plan" class="button main">Plan your sowings</NuxtLink>
        <NuxtLink to="/mix" class="button">Plan a mix</NuxtLink>
      </div>
    </div>

    <EarlierRecords collection="batches" :newest="20" what="batches" />

    <section v-if="looseFeeds.length" aria-labelledby="loose-title">
      <h2 id="loose-title">Feeds without a batch</h2>
      <ul class="loose">
        <li v-for="feeding in looseFeeds" :key="feeding.id">
          <Droplets aria-hidden="true" />
          <NuxtLink :to="`/feed?plan=${feeding.id}`">{{ feeding.body.name }}</NuxtLink>
          <span class="soft"
            >{{ growthStageById(feeding.body.growthStageId).name.toLowerCase() }},
            {{ saying.strength(feeding.body.targetNMgPerL) }}</span
          >
          <NuxtLink :to="`/batches/feed/${feeding.id}`" class="button"
            ><FileText aria-hidden="true" /> Card</NuxtLink
          >
          <DeleteButton :of="feeding.body.name" @click="remove('feedings', feeding)" />
        </li>
      </ul>
    </section>
  </div>
</template>

<style scoped>
.bench {
  display: grid;
  gap: 1.6rem;
}

.batches > li {
  display: grid;
  grid-template-columns: 4.2rem minmax(0, 1fr) 8rem auto;
  gap: 0.4rem 1.4rem;
  align-items: start;
  padding: 1.1rem 0;
  border-top: 2px solid var(--ink);
}

.number {
  font: 740 3rem/0.9 var(--heading);
  letter-spacing: -0.04em;
  color: var(--enamel);
}

.body h2 a {
  color: inherit;
  text-decoration-color: var(--line-strong);
}

.bar {
  display: grid;
  grid-template-columns: minmax(0, 26rem) auto;
  gap: 0.8rem;
  align-items: center;
}

.litres {
  display: grid;
  font: 720 1.7rem/1.1 var(--heading);
  text-align: right;
}

.litres .soft {
  font: 400 0.9375rem/1.3 var(--text);
}

.litres .made {
  justify-self: end;
  padding: 0 0.55em;
  border: 1.5px solid var(--enamel);
  border-radius: 1em;
  color: var(--enamel);
  font: 650 0.9375rem/1.45 var(--text);
}

.feeds li,
.loose li {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0.2rem 0.55rem;
}

.feeds svg,
.loose > li > svg {
  width: 1.15em;
  height: 1.15em;
  color: var(--water);
}

.loose li {
  padding: 0.4rem 0;
}

.loose .button {
  margin-left: auto;
}

.empty {
  justify-items: start;
  max-width: 34rem;
  text-align: start;
  padding: 2rem;
  border: 2px dashed var(--line-strong);
  border-radius: 0.6rem;
}

@media (max-width: 52rem) {
  .batches > li {
    grid-template-columns: 2.6rem minmax(0, 1fr);
  }

  .number {
    font-size: 2.2rem;
  }

  .litres {
    grid-column: 2;
    display: flex;
    align-items: baseline;
    gap: 0.5rem;
    text-align: left;
  }

  .actions {
    grid-column: 2;
  }
}
</style>
