<script setup lang="ts">
import { counted } from '#core/text/plurals'

definePageMeta({
  place: {
    title: 'Getting started',
    what: 'your last frost, what you have, what you want to grow',
    words: 'first start begin setup onboarding new household frosts',
    parent: '/',
  },
})
const season = useSeason()
const example = useExample()
const context = useContext()
const { planBatch } = usePlannedCard()
const { printDay } = useDates()
const { volume } = useMeasures()
/** The first mix the season asks for from today on. */
const nextMix = computed(() => season.mixes.find(({ on }) => on >= season.today) ?? season.mixes[0])
/** What is sown first. */
const next = computed(
  () =>
    season.kept
      .filter(({ id }) => !season.isSown(id))
      .sort((a, b) => (a.planned.sowOn < b.planned.sowOn ? -1 : 1))[0],
)
</script>

<template>
  <div class="page first">
    <PageTop title="Getting started">
      <NuxtLink class="button" to="/help#how">How it works</NuxtLink>
      <Button :disabled="example.opening" @click="example.openExample()">{{
        example.opening ? 'Opening …' : 'See a demo'
      }}</Button>
    </PageTop>
    <div v-if="!season.kept.length" class="stack">
      <ShedPicture />
      <p>Plan sowings, work out mixes and feeds, and follow every tray from seed to planting out.</p>
    </div>
    <FirstFrost />
    <FirstSupplies />
    <FirstStep :number="3" title="What do you want to grow?" :done="season.kept.length > 0">
      <SeasonSentence v-if="season.known" label="One crop or a whole list" />
      <p v-else class="soft">
        Add your last frost first, above. Or <NuxtLink to="/mix">plan a mix</NuxtLink> or
        <NuxtLink to="/feed">a feed</NuxtLink> without it.
      </p>
      <FoldAway v-if="season.known" title="Already growing? Add it"><StandsAlready /></FoldAway>
      <template v-if="season.kept.length" #changed>
        <p>
          <strong>{{ counted(season.kept.length, 'sowing') }}</strong>:
          {{ season.kept.map(({ name }) => name).join(', ') }}.
        </p>
        <template v-if="next">
          <p>
            First: sow {{ next.name }} on <strong>{{ printDay(next.planned.sowOn) }}</strong><template
              v-if="nextMix"
              >. You’ll need {{ volume(nextMix.looseL) }} of
              {{ context.nameOfMix(nextMix.recipeId).toLowerCase() }}</template
            >.
          </p>
          <div class="buttons">
            <Button v-if="nextMix" class="main" @click="planBatch(nextMix)">Mix card</Button>
            <SowStrip :sowing-ids="[next.id]" />
          </div>
        </template>
        <p class="buttons">
          <NuxtLink class="button" to="/plan">See the plan</NuxtLink>
          <NuxtLink class="button" to="/">Today</NuxtLink>
        </p>
      </template>
    </FirstStep>
  </div>
</template>

<style scoped>
.first {
  max-width: 56rem;
}
</style>
