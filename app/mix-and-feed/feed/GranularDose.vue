<script setup lang="ts">
import { messageAt } from '#shared/messages/refusals'
import { present } from '#core/present'
import { first } from '#core/numeric/at'
import { forPlantingHole, granularFor, TOP_DRESS_EVERY_WEEKS, topDressDays } from '#core/feed/granular'
import { within } from '#core/problem'

/** Granular and slow feeds: into the mix, into the pot, into the planting hole; and when to dress again. */
const context = useContext()
const choices = computed(() => context.feedList.filter(({ use }) => use === 'mixed in'))
const feedId = ref('granular-5')
const containerId = ref('pot-10cm')
const feed = computed(() => choices.value.find(({ id }) => id === feedId.value) ?? first(choices.value))
const rate = ref<number | null>(null)
const gPerL = computed(() => rate.value ?? feed.value.labelRatePerL ?? 3)
const problem = computed(() => messageAt(within(['rate'], gPerL.value, 0.01, 50, 'g/L'), 'rate'))
const container = computed(() => present(context.containers.get(containerId.value)))
const dose = computed(() => (problem.value ? null : granularFor(feed.value, gPerL.value, container.value)))
const hole = computed(() => (problem.value ? null : forPlantingHole(feed.value, gPerL.value)))
const over = computed(() => feed.value.labelRatePerL !== null && gPerL.value > feed.value.labelRatePerL)
</script>

<template>
  <FoldAway class="granular" title="Granular feed, mixed in">
    <ChoiceField
      v-model="feedId"
      label="Feed"
      :choices="choices.map(({ id, name }) => ({ value: id, name }))"
      :hint="feed.release ?? ''"
    />
    <div class="pair">
      <TypedField
        :model-value="gPerL"
        label="Per litre of mix"
        unit="g"
        :problem="problem"
        :hint="over ? 'above the label' : 'the label’s rate unless you change it'"
        @update:model-value="rate = $event"
      />
      <ChoiceField
        v-model="containerId"
        label="Container"
        :choices="context.containerList.map(({ id, name }) => ({ value: id, name }))"
      />
    </div>
    <p v-if="dose && hole">
      <strong><FigureValue :figure="dose.perPotG" /></strong> in one (<FigureValue
        :figure="dose.perPotMl"
      />); <FigureValue :figure="hole.massG" /> in a planting hole (<FigureValue :figure="hole.volumeMl" />).
      It lets go <FigureValue :figure="dose.nitrogenMgPerL" /> of nitrogen in two months.
    </p>
    <p class="soft small">
      Dress the top again after {{ TOP_DRESS_EVERY_WEEKS }} weeks, and at fruit set: day
      {{ topDressDays(120).join(', ') }}. Work it in, water, keep it off the stem.
    </p>
    <p v-if="over" class="problem">Never above the label: choose less.</p>
  </FoldAway>
</template>
