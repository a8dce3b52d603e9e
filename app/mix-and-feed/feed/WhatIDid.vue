<script setup lang="ts">
import { strengthFromDose } from '#core/feed/dose'
import { judge, timesTheMost } from '#core/feed/growth-stage'
import { density } from '#core/feed/feed'
import { waterToRescue } from '#core/feed/rate'
import { parseQuantity } from '#core/units/parse'
import { printNumber } from '#core/units/format'
import { given } from '#core/working/figure'
import { yours } from '#core/working/source'

const saying = useSaying()

/** The other way round: what a dose that was already mixed comes to, and how to save it. */
const household = useHousehold()
const feed = useFeedDraft()
const said = ref('')
const message = ref<string>()
const amountG = ref<number | null>(null)
const emit = defineEmits<{ strength: [value: number | null] }>()

watch([said, () => household.units], () => {
  if (!said.value.trim()) {
    amountG.value = null
    message.value = undefined
    return
  }
  const mass = parseQuantity(said.value, { dimension: 'mass', units: household.units })
  const volume = parseQuantity(said.value, { dimension: 'volume', units: household.units })
  const ok = (feed.draft.label.form === 'powder' && mass.ok) || (mass.ok && !volume.ok)
  if (ok && mass.ok) amountG.value = mass.base
  else if (volume.ok) amountG.value = volume.base * 1000 * density(feed.feed).value
  else amountG.value = null
  message.value =
    amountG.value === null
      ? 'Say it like 2 tsp, 15 ml or 3 g.'
      : amountG.value <= 0
        ? 'It is above 0.'
        : undefined
})
const was = computed(() => {
  if (!feed.plan || !amountG.value || amountG.value <= 0) return null
  const amount = feed.feed.form === 'powder' ? amountG.value : amountG.value / density(feed.feed).value
  return strengthFromDose(feed.feed, amount, feed.draft.vessel)
})
watch(was, (figure) => emit('strength', figure?.value ?? null))
const verdict = computed(() => {
  if (!was.value) return null
  const at = judge(was.value.value, feed.growthStage)
  return at === 'strong' && was.value.value <= feed.growthStage.highNMgPerL * 1.02 ? 'right' : at
})
const times = computed(() => (was.value ? timesTheMost(was.value.value, feed.growthStage) : null))
const rescue = computed(() => {
  if (!was.value || (verdict.value !== 'strong' && verdict.value !== 'none wanted')) return null
  const to = feed.growthStage.highNMgPerL || 25
  // A hair over the band is the band.
  if (was.value.value <= to * 1.02) return null
  return waterToRescue(
    was.value,
    given(feed.draft.vessel.name, feed.draft.vessel.volumeL, 'L', yours('your vessel')),
    given('Most for this stage', to, 'mg/L', feed.growthStage.source),
  )
})
const WORDS = {
  'none wanted': 'and seed needs none yet',
  weak: 'weaker than this stage likes',
  right: 'right for this stage',
  strong: 'stronger than this stage likes',
} as const
</script>

<template>
  <FoldAway title="Check what I mixed">
    <div class="stack">
      <TextField
        v-model="said"
        :label="`Put into the ${feed.draft.vessel.name.toLowerCase()}`"
        :problem="message"
        placeholder="2 tsp"
      />
      <p v-if="was && verdict" role="status">
        <strong><FigureValue :figure="was" :digits="printNumber(was.value)" /></strong>
        {{ saying.nitrogenUnit }}: {{ WORDS[verdict]
        }}<template v-if="times && times >= 1.5"
          >: {{ printNumber(times, 2) }} times the most it likes</template
        >.
        <template v-if="rescue">
          Add <strong><FigureValue :figure="rescue" /></strong> of water and it is right.</template
        >
      </p>
    </div>
  </FoldAway>
</template>
