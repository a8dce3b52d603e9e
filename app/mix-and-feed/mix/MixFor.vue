<script setup lang="ts">
import { fillsOf, forSowings } from '#shared/commands/season-batch'

/** The sowings a batch is for: it fills what they are sown or potted into, and when it is made they have their mix. */
const mix = useMixDraft()
const season = useSeason()
const { names } = usePlannedCard()
const { printDay } = useDates()

const demands = computed(() => season.mixes.filter(({ on }) => on >= season.today))
const chosen = computed(() => {
  const [first] = mix.draft.sowings
  if (!first) return null
  const demand = demands.value.find(({ of }) =>
    of.some(({ sowingId, stage }) => sowingId === first.id && stage === first.stage),
  )
  return demand?.id ?? null
})
const choices = computed(() => [
  { value: null as string | null, name: 'no sowing' },
  ...demands.value.map((demand) => ({
    value: demand.id as string | null,
    name: `${printDay(demand.on)}: ${names(demand.of)}`,
  })),
])
const choose = (id: string | null) =>
  mix.change('sowings', (draft) => {
    const demand = demands.value.find((one) => one.id === id)
    draft.sowings = demand ? forSowings(demand) : []
    if (!demand) return
    draft.fills = fillsOf(demand)
    draft.onDate = demand.on
  })
</script>

<template>
  <ChoiceField
    v-if="demands.length"
    :model-value="chosen"
    label="For"
    placeholder="no sowing"
    :choices="choices"
    @update:model-value="choose"
  />
</template>
