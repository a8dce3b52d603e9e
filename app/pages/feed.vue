<script setup lang="ts">
import { present } from '#core/present'
import { timesTheMost } from '#core/feed/growth-stage'
import type { Feed } from '#core/feed/feed'
import { strengthToExpect, wayToUse } from '#core/jobs/feed-steps'
import { sayMeasurement } from '#shared/messages/steps'
import { dissolvesNitrogen } from '#core/feed/feed'
import { printNumber } from '#core/units/format'
import { bodyOf } from '#shared/records/collections'
import { sayStrength } from '#shared/messages/feed'

definePageMeta({
  place: {
    title: 'Feed',
    what: 'how much feed in how much water',
    words: 'fertiliser fertilizer dose dilute strength ppm',
    parent: '/mix',
    tab: 2,
    key: 'f',
  },
})

const route = useRoute()
const router = useRouter()
const household = useHousehold()
const saying = useSaying()
const context = useContext()
const feed = useFeedDraft()
/** A label that is half typed is none to hand on. */
const sharable = computed(() => bodyOf('feeds').safeParse(feed.draft.label).success)
const sharing = ref(false)
const { note } = useNotes()
const { first: unreadable } = provideUnreadable()

useOnBench(feed, 'a feed', () => {
  const plan = household.feedings.find(({ id }) => id === route.query.plan)
  if (plan) return feed.draft.id === plan.id ? null : () => feed.open(plan)
  const batch = household.batches.find(({ id }) => id === route.query.batch)
  return batch && (feed.draft.batchId !== batch.id || feed.draft.id) ? () => feed.begin(batch.id) : null
})

const feedChoices = computed(() => {
  const there = (id: string) => context.shelves('feed', id).length > 0
  const group = (title: string, of: (one: Feed) => boolean) => ({
    group: title,
    choices: context.feedList
      .filter((one) => (context.ownFeeds.includes(one) || dissolvesNitrogen(one)) && of(one))
      .map(({ id, name }) => ({ value: id, name })),
  })
  return [
    group('From your supplies', ({ id }) => there(id)),
    group('Your feeds', (one) => !there(one.id) && context.ownFeeds.includes(one)),
    group('Others', (one) => !there(one.id) && !context.ownFeeds.includes(one)),
  ].filter(({ choices }) => choices.length)
})
/** The three numbers everybody knows a feed by. */
const labelTitle = computed(() => {
  const { nPercent, p2o5Percent, k2oPercent } = feed.draft.label
  return `On the label: ${[nPercent, p2o5Percent, k2oPercent].map((n) => printNumber(n)).join('-')}`
})
const stageChoices = computed(() => feed.growthStages.map(({ id, name }) => ({ value: id, name })))
const batchChoices = computed(() => [
  { value: null, name: 'none' },
  ...household.batches.map(({ id, number, body }) => ({ value: id, name: `${number} · ${body.name}` })),
])

const did = ref<number | null>(null)
const giving = ref(false)
const flags = computed(() => {
  const label = feed.labelStrength?.value
  return [
    ...(label
      ? [
          { name: 'full strength', value: label },
          { name: 'half', value: label / 2 },
          { name: 'quarter', value: label / 4 },
          { name: 'a tenth', value: label / 10 },
        ]
      : []),
    ...feed.rules.flatMap(({ text, strength }) => (strength ? [{ name: text, value: strength.value }] : [])),
    ...(did.value ? [{ name: 'what I did', value: did.value }] : []),
  ]
})
const expected = computed(() => feed.plan && strengthToExpect(feed.plan, feed.draft.toolId))
const range = computed(() =>
  expected.value
    ? {
        low: expected.value.lowNMgPerL.value,
        high: expected.value.highNMgPerL.value,
        at: expected.value.nMgPerL.value,
      }
    : null,
)
/** Far above the band it says how far. */
const verdict = computed(() => {
  const times = timesTheMost(feed.draft.targetNMgPerL, feed.growthStage)
  return sayStrength(
    present(feed.plan).verdict,
    times ? { value: times, printed: printNumber(times, 2) } : null,
  )
})

/** The answer in one line. */
const measured = computed(() => {
  const way = feed.plan && wayToUse(feed.plan, feed.draft.toolId)
  return way
    ? sayMeasurement(way)
    : feed.plan?.stock && `${sayMeasurement(feed.plan.stock.dosing)} of stock solution`
})
const jugChoices = computed(() => [
  ...context.jugs.map(({ name, capacityMl }) => ({ value: name, name, volumeL: present(capacityMl) / 1000 })),
  { value: 'Jug', name: 'Another vessel', volumeL: null },
])
function chooseJug(value: string) {
  const choice = jugChoices.value.find((candidate) => candidate.value === value)
  feed.change('vessel', (draft) => {
    draft.vessel = { name: value, volumeL: choice?.volumeL ?? draft.vessel.volumeL }
  })
}
async function save() {
  const stored = await feed.save()
  if (!stored) return
  const card = stored.body.batchId ? `/batches/${stored.body.batchId}` : `/batches/feed/${stored.id}`
  note('The feed is planned.', { name: 'Bench card', run: () => router.push(card) })
  await router.replace({ query: { plan: stored.id } })
}
async function begin() {
  feed.begin()
  await router.replace({ query: {} })
}
const blocked = computed(() =>
  unreadable.value ? `${unreadable.value[1]} cannot be read yet.` : feed.problem,
)
const cardAddress = computed(() =>
  feed.saved
    ? feed.saved.body.batchId
      ? `/batches/${feed.saved.body.batchId}`
      : `/batches/feed/${feed.saved.id}`
    : null,
)
</script>

<template>
  <div class="feed">
    <PageTop :title="feed.saved ? feed.saved.body.name : 'New feed'">
      <Button v-if="feed.draft.version > 0" @click="begin">New feed</Button>
    </PageTop>

    <p v-if="feed.plan && measured" class="whole hero">
      <strong>{{ measured }}</strong> in {{ saying.volume(feed.draft.vessel.volumeL) }} of water:
      {{ verdict }}
    </p>
    <StrengthScale
      class="whole"
      :growth-stages="feed.growthStages"
      :growth-stage-id="feed.draft.growthStageId"
      :target="feed.draft.targetNMgPerL"
      :flags="flags"
      :range="range"
      @target="feed.setTarget"
      @growth-stage="feed.chooseGrowthStage"
    />

    <section class="column stack-l" aria-labelledby="wanted-title">
      <h2 id="wanted-title" class="unseen">What you feed</h2>
      <ChoiceField
        :model-value="feed.draft.feedId"
        label="Feed"
        :choices="feedChoices"
        @update:model-value="feed.chooseFeed"
      />
      <ChoiceField
        :model-value="feed.draft.growthStageId"
        label="Stage"
        :choices="stageChoices"
        :hint="feed.growthStage.sign"
        @update:model-value="feed.chooseGrowthStage"
      />
      <TypedField
        :model-value="feed.draft.targetNMgPerL"
        label="Strength"
        :unit="saying.nitrogenUnit"
        :problem="feed.problemAt('targetNMgPerL')"
        :hint="feed.plan ? verdict : undefined"
        @update:model-value="feed.setTarget($event ?? 0)"
      />
      <div class="pair">
        <ChoiceField
          :model-value="
            jugChoices.some(({ value }) => value === feed.draft.vessel.name) ? feed.draft.vessel.name : 'Jug'
          "
          label="Into"
          :choices="jugChoices"
          @update:model-value="chooseJug"
        />
        <TypedField
          :model-value="feed.draft.vessel.volumeL"
          dimension="volume"
          label="It holds"
          :problem="feed.problemAt('vessel.volumeL')"
          @update:model-value="
            (value) => feed.change('volume', (draft) => (draft.vessel.volumeL = value ?? 0))
          "
        />
      </div>
      <FoldAway
        :title="labelTitle"
        :needed="feed.problems.some(({ path }) => path[0] === 'feed')"
        kept-as="feed-label"
      >
        <div class="column stack-l">
          <FeedLabel :label="feed.draft.label" :problem-at="feed.problemAt" @set="feed.setLabel" />
          <div>
            <Button :disabled="!sharable" @click="sharing = true">Share this feed</Button>
          </div>
        </div>
      </FoldAway>
      <TextField
        v-if="feed.relabelled"
        label="Its name"
        hint="Saved with your feeds."
        :problem="feed.labelSaving.state === 'refused' ? feed.labelSaving.message : undefined"
        :model-value="feed.draft.label.name"
        @update:model-value="feed.setLabel('name', $event)"
      />
      <ShareCard v-if="sharing" kind="feed" :body="feed.draft.label" @close="sharing = false" />
    </section>

    <section class="column slip stack-l" aria-labelledby="measure-title">
      <h2 id="measure-title">How to measure it</h2>
      <MeasuringSlip />
      <form class="save no-print stack-l" @submit.prevent="save">
        <div class="pair">
          <TextField
            label="Name"
            :problem="feed.problemAt('name')"
            :model-value="feed.draft.name"
            :placeholder="`${feed.draft.label.name}, ${feed.growthStage.name.toLowerCase()}`"
            @update:model-value="feed.change('name', (draft) => (draft.name = $event))"
          />
          <ChoiceField
            v-if="household.batches.length"
            :model-value="feed.draft.batchId"
            label="For batch"
            :choices="batchChoices"
            :problem="feed.problemAt('batchId')"
            @update:model-value="(id) => feed.change('batch', (draft) => (draft.batchId = id))"
          />
        </div>
        <SaveProblem :saving="feed.saving" @later="feed.dismiss()" @settled="feed.dismiss()" />
        <p
          v-if="'message' in feed.labelSaving && feed.labelSaving.state !== 'refused'"
          class="problem"
          role="alert"
        >
          {{ feed.labelSaving.message }}
        </p>
        <p v-if="blocked" class="problem">{{ blocked }}</p>
        <div class="buttons at-thumb">
          <Button type="submit" class="main" :disabled="!!blocked || feed.saving.state === 'busy'">
            {{ feed.saved ? 'Save the changes' : 'Plan this feed' }}
          </Button>
          <NuxtLink v-if="cardAddress" class="button" :to="cardAddress">Bench card</NuxtLink>
          <Button v-if="feed.saved" @click="giving = true">Log as given</Button>
        </div>
      </form>
      <GivenList v-if="feed.saved" :feeding-id="feed.saved.id" />
      <GiveForm v-if="giving && feed.saved" :feeding="feed.saved" @close="giving = false" />
    </section>

    <div class="more">
      <FoldAway title="Why: how much N, P and K" kept-as="feed-why">
        <p v-if="feed.plan" class="strengths">
          <span
            v-for="[symbol, figure] in [
              ['N', feed.plan.nMgPerL],
              ['P', feed.plan.pMgPerL],
              ['K', feed.plan.kMgPerL],
            ] as const"
            :key="symbol"
            >{{ symbol }} <strong><FigureValue :figure="figure" :digits="printNumber(figure.value)" /></strong
          ></span>
          <span class="soft">{{ saying.litreUnit }}</span>
        </p>
      </FoldAway>
      <FoldAway title="Your own rules on the chart" kept-as="feed-rules"><FeedRules /></FoldAway>
      <WhatIDid @strength="did = $event" />
      <FeedVolumes />
      <FeedWater />
      <EveryWay />
      <WeighIt @volume="(litres) => feed.change('volume', (draft) => (draft.vessel.volumeL = litres))" />
      <GranularDose />
      <FoldAway title="Several feeds in one can">
        <p>
          Two or three salts that together meet a target, and which of them may share a bottle.
          <NuxtLink to="/blend">Combine feeds</NuxtLink>
        </p>
      </FoldAway>
    </div>
  </div>
</template>

<style scoped>
.feed {
  display: grid;
  grid-template-columns: minmax(20rem, 1fr) minmax(24rem, 1.4fr);
  gap: 1rem clamp(1rem, 2.5vw, 2.5rem);
  align-items: start;
}

.whole {
  grid-column: 1 / -1;
  min-width: 0;
}

.strengths {
  display: flex;
  flex-wrap: wrap;
  gap: 0.3rem 1.1rem;
  padding-bottom: 0.8rem;
}

.save {
  padding-top: 0.9rem;
  border-top: 1px solid var(--line);
}

.buttons .main {
  flex: 1 1 11rem;
}

@media (max-width: 52rem) {
  .feed {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
