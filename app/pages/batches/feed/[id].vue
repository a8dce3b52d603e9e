<script setup lang="ts">
import { present } from '#core/present'
import { Play } from '@lucide/vue'
const route = useRoute()
const household = useHousehold()
const guidedJobs = useGuidedJobs()
const context = useContext()
const feeding = computed(() => household.feedings.find(({ id }) => id === route.params.id))
if (!feeding.value) throw createError({ statusCode: 404, message: 'This feed is not planned.' })
const feed = computed(() => context.whole.feeds.get(present(feeding.value).body.feedId))
useHead({ title: () => `Card: ${feeding.value?.body.name ?? ''}` })
const cautions = computed(() => (feeding.value && usePlannedFeed(feeding.value)?.plan.cautions) ?? [])
</script>

<template>
  <BenchCard
    v-if="feeding"
    :title="feeding.body.name"
    kicker="Feed"
    :cautions="cautions"
    :back="`/feed?plan=${feeding.id}`"
    :pdf="`/api/households/${household.id}/papers/feed?id=${feeding.id}`"
  >
    <template #bar>
      <Button
        class="main"
        @click="
          guidedJobs.start('feed', `Feed: ${feeding.body.name}`, [
            { what: 'feedings', id: feeding.id, stage: null },
          ])
        "
      >
        <Play aria-hidden="true" /> Start
      </Button>
    </template>
    <FeedCardPart :feeding="feeding" labels />
    <div class="no-print">
      <LiveDose v-if="feed" :wanted-mg-per-l="feeding.body.targetNMgPerL" :feed="feed" />
    </div>
  </BenchCard>
</template>
