<script setup lang="ts">
import { first } from '#core/numeric/at'
import { Check, Grid3x3, Play, Tags } from '@lucide/vue'
import { namesListed } from '#shared/messages/message'

/** Lay out, label, sow: a sowing from the plan into its trays, in place. What is in one tray is one job. */
const props = defineProps<{ sowingIds: readonly string[] }>()
const trays = useTrays()
const season = useSeason()
const household = useHousehold()
const guidedJobs = useGuidedJobs()
const busy = ref(false)
const isOurs = (id: string) => props.sowingIds.includes(id)

const proposals = computed(() =>
  trays.toLayOut.filter(({ holds }) => holds.some(({ row }) => isOurs(row.id))),
)
const laidOut = computed(() => [...new Set(props.sowingIds.flatMap((id) => trays.ofSowing(id)))])
const isSown = computed(() => props.sowingIds.every((id) => season.isSown(id)))
/** Shares its tray with others: they are laid out together. */
const others = computed(() => [
  ...new Set(
    proposals.value.flatMap(({ holds }) => holds.flatMap(({ row }) => (isOurs(row.id) ? [] : [row.name]))),
  ),
])
async function layOut() {
  busy.value = true
  for (const one of [...proposals.value]) await trays.layOut(one)
  busy.value = false
}
const labels = computed(
  () =>
    `/api/households/${household.id}/labels.pdf?${new URLSearchParams({
      trays: laidOut.value.map(({ id }) => id).join(),
      kind: 'stake',
      copies: 'group',
      paper: household.units === 'us' ? 'letter' : 'a4',
      start: '1',
    })}`,
)
const name = computed(() => namesListed(props.sowingIds.map((id) => season.sowing(id)?.body.name ?? '')))
const sow = () =>
  guidedJobs.start(
    'sow',
    `Sow ${name.value}`,
    laidOut.value.map(({ id }) => ({ what: 'trays' as const, id, stage: null })),
  )
/** Within its days, or late: months ahead nothing is marked by a slip of the hand. */
const isTime = computed(() => {
  const from = props.sowingIds.flatMap((id) => season.row(id)?.planned.sowRange[0] ?? [])
  return from.length > 0 && from.every((day) => day <= season.today)
})
/** Without a tray of cells it is marked as sown. */
const markSown = () =>
  season.mark(
    { kind: 'stage', of: props.sowingIds.map((sowingId) => ({ sowingId, stage: 0 })) },
    `Sow ${name.value}`,
  )
</script>

<template>
  <ol
    v-if="!isSown && (proposals.length || laidOut.length || isTime)"
    class="no-print row-s"
    :aria-label="`Sow ${name}: steps`"
  >
    <li
      v-if="proposals.length || laidOut.length"
      class="row-s nowrap"
      :class="{ done: laidOut.length && !proposals.length }"
    >
      <Button v-if="proposals.length" class="main" :disabled="busy" @click="layOut">
        <Grid3x3 aria-hidden="true" /> Lay out{{
          others.length ? ` with ${first(others)}${others.length > 1 ? ' and others' : ''}` : ''
        }}
      </Button>
      <span v-else>
        <Check aria-hidden="true" />
        <template v-for="(one, i) in laidOut" :key="one.id"
          ><template v-if="i">, </template
          ><NuxtLink :to="`/trays/${one.id}`">Tray {{ one.number }}</NuxtLink></template
        >
      </span>
    </li>
    <li v-if="laidOut.length" class="row-s nowrap">
      <a class="button" :href="labels" target="_blank" rel="noopener"><Tags aria-hidden="true" /> Labels</a>
    </li>
    <li class="row-s nowrap">
      <Button v-if="laidOut.length" :class="{ main: !proposals.length }" @click="sow">
        <Play aria-hidden="true" /> Sow
      </Button>
      <Button v-else-if="!proposals.length && isTime" @click="markSown"
        ><Check aria-hidden="true" /> Mark as sown</Button
      >
      <span v-else-if="proposals.length" class="soft">then labels, then sow</span>
    </li>
  </ol>
</template>

<style scoped>
li:not(:last-child)::after {
  content: '→';
  color: var(--ink-soft);
}

.done span {
  display: inline-flex;
  gap: 0.3rem;
  align-items: center;
}

.done svg {
  width: 1.2em;
  height: 1.2em;
  color: var(--enamel);
}
</style>
