<script setup lang="ts">
import { counted } from '#core/text/plurals'
import { waysFrom, waysTo, type Step } from '#core/trays/lineage'
import type { Stored } from '#shared/records/collections'
import type { TrayRecord } from '#shared/records/tray'

/** Where its plants came from, and where they went: trays, batch of mix, packets, feeds. */
const props = defineProps<{ tray: Stored<TrayRecord> }>()
const trays = useTrays()
const household = useHousehold()
const context = useContext()
const { printDay } = useDates()

const once = (steps: readonly Step[]) => [
  ...new Map(
    steps.map((step) => [`${step.entryId} ${step.from.trayId} ${step.from.group} ${step.to.trayId}`, step]),
  ).values(),
]
const ways = (follow: typeof waysTo) =>
  once(
    props.tray.body.groups.flatMap(({ code }) => follow(trays.steps, { trayId: props.tray.id, group: code })),
  )
const from = computed(() => ways(waysTo))
const to = computed(() => ways(waysFrom))
const numberOf = (id: string) => trays.find(id)?.number
const batch = computed(() => household.batches.find(({ id }) => id === props.tray.body.batchId))
const packets = computed(() =>
  [...new Set(props.tray.body.groups.flatMap(({ packetId }) => (packetId ? [packetId] : [])))].flatMap(
    (id) => {
      const one = context.whole.packets.get(id)
      return one ? [`${one.name} of ${one.year}${one.supplier ? `, ${one.supplier}` : ''}`] : []
    },
  ),
)
const feeds = computed(() => {
  const own = new Set(props.tray.body.groups.map(({ sowingId }) => sowingId))
  return household.entries.filter(
    ({ body }) =>
      (body.kind === 'feed' || body.kind === 'feed given') &&
      body.snoozedUntil === null &&
      body.subjects.some((one) => one.id === props.tray.id || (one.what === 'sowings' && own.has(one.id))),
  )
})
const plants = (step: Step) => counted(Math.round(step.plants), 'plant')
</script>

<template>
  <section
    v-if="from.length || to.length || batch || packets.length || feeds.length"
    class="way stack-s"
    aria-labelledby="way-title"
  >
    <h2 id="way-title">Where it comes from, where it went</h2>
    <ul>
      <li v-for="one in from" :key="`f${one.entryId}${one.from.trayId}${one.from.group}`">
        {{ plants(one) }} of
        <NuxtLink :to="`/trays/${one.from.trayId}`">tray {{ numberOf(one.from.trayId) }}</NuxtLink
        ><template v-if="one.to.trayId !== tray.id">, by tray {{ numberOf(one.to.trayId) }}</template
        >,
        {{ printDay(one.on) }}
      </li>
      <li v-if="batch">
        Mix of <NuxtLink :to="`/batches/${batch.id}`">batch {{ batch.number }}</NuxtLink
        >, {{ batch.body.name }}
      </li>
      <li v-for="one in packets" :key="one">Seed: {{ one }}</li>
      <li v-for="one in feeds" :key="one.id">{{ one.body.name }}, {{ printDay(one.body.on) }}</li>
      <li v-for="one in to" :key="`t${one.entryId}${one.to.trayId}${one.to.group}`">
        {{ plants(one) }} into
        <NuxtLink :to="`/trays/${one.to.trayId}`">tray {{ numberOf(one.to.trayId) }}</NuxtLink
        >, {{ printDay(one.on) }}
      </li>
    </ul>
  </section>
</template>

<style scoped>
.way li {
  padding: 0.25rem 0;
}
</style>
