<script setup lang="ts">
import { definePageMeta } from '#imports'
import { computed } from 'vue'
import Button from 'primevue/button'
import { NuxtLink } from '#components'
import FirstFrost from '~/first-hour/FirstFrost.vue'
import FirstUnits from '~/first-hour/FirstUnits.vue'
import FirstRoom from '~/first-hour/FirstRoom.vue'
import FirstSupplies from '~/first-hour/FirstSupplies.vue'
import FirstStep from '~/first-hour/FirstStep.vue'
import SeasonSentence from '~/plan/SeasonSentence.vue'
import StandsAlready from '~/plan/StandsAlready.vue'
import PageTop from '~/shell/PageTop.vue'
import { useDates } from '~/kit/useDates'
import { useMeasures } from '~/kit/useMeasures'
import { usePlannedCard } from '~/mix-and-feed/cards/usePlannedCard'
import { useContext } from '~/household/context'
import { useSeason } from '~/plan/season'
import { useExample } from '~/household/example'
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
const context = useContext()
const { planBatch } = usePlannedCard()
const { printDay } = useDates()
const { volume } = useMeasures()
const example = useExample()
/** The first mix the season asks for from today on. */
const nextMix = computed(() => season.mixes.find(({ on }) => on >= season.today) ?? season.mixes[0])
const standing = computed(() => season.rows.filter(({ id }) => season.done.has(id)))
</script>

<template>
  <div class="first">
    <PageTop
      title="What do you have, and what do you want?"
      hint="Answer what you like, in any order; leave the rest. Nothing is filled in that you did not say, and every answer can be changed."
    />
    <p class="buttons">
      <NuxtLink class="button" to="/help#how">How it hangs together</NuxtLink>
      <Button :disabled="example.opening" @click="example.openExample()">
        {{ example.opening ? 'Setting it up …' : 'Look at an example first' }}
      </Button>
    </p>
    <FirstUnits />
    <FirstFrost />
    <FirstRoom />
    <FirstSupplies />
    <FirstStep
      step="stands"
      title="What stands already"
      why="Type or paste it, a line each: Blastomix goes on from where it is."
      later="under Season, What stands already."
      :done="standing.length > 0"
    >
      <StandsAlready v-if="season.known" />
      <p v-else class="soft">Say your frosts above first: what stands is planned on from there.</p>
      <template v-if="standing.length" #changed>
        <p>
          {{ counted(standing.length, 'sowing') }} under way:
          {{ standing.map(({ name }) => name).join(', ') }}.
        </p>
      </template>
    </FirstStep>
    <FirstStep
      step="wish"
      title="What you want"
      why="One sentence: how many good plants, of what, by when."
      later="under Season; or begin with a mix under Mix."
      :done="season.rows.length > standing.length"
    >
      <SeasonSentence v-if="season.known" />
      <p v-else class="soft">
        A wish is planned by your frosts: say them above. Without them you can
        <NuxtLink to="/mix">plan a mix</NuxtLink> or <NuxtLink to="/feed">a feed</NuxtLink> right away.
      </p>
      <template v-if="nextMix" #changed>
        <p>
          It wants {{ volume(nextMix.looseL) }} of {{ context.nameOfMix(nextMix.recipeId) }} on
          {{ printDay(nextMix.on) }}.
        </p>
        <p class="buttons">
          <Button class="main" @click="planBatch(nextMix)">The first bench card</Button>
          <NuxtLink class="button" to="/plan">See the season</NuxtLink>
          <NuxtLink class="button" to="/">What is to do today</NuxtLink>
        </p>
      </template>
    </FirstStep>
  </div>
</template>

<style scoped>
.first {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 0.9rem;
  max-width: 60rem;
}
</style>
