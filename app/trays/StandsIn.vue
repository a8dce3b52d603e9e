<script setup lang="ts">
import { counted } from '#core/text/plurals'
import { waysFrom, type Spot } from '#core/trays/lineage'

/** Where everything stands that came from a batch of mix or a packet of seed: its trays, and the trays they led to. */
const props = defineProps<{ batchId?: string; packetId?: string }>()
const trays = useTrays()

const first = computed((): Spot[] =>
  trays.all.flatMap(({ id, body }) =>
    body.groups
      .filter(({ packetId }) =>
        props.packetId ? packetId === props.packetId : body.batchId === props.batchId,
      )
      .map(({ code }) => ({ trayId: id, group: code })),
  ),
)
const spots = computed(() => {
  const after = first.value.flatMap((spot) => waysFrom(trays.steps, spot).map(({ to }) => to))
  return [
    ...new Map([...first.value, ...after].map((spot) => [`${spot.trayId} ${spot.group}`, spot])).values(),
  ]
})
const list = computed(() =>
  trays.all.flatMap((tray) => {
    const codes = new Set(spots.value.filter(({ trayId }) => trayId === tray.id).map(({ group }) => group))
    if (codes.size === 0) return []
    const plants = trays
      .stands(tray)
      .groups.reduce((sum, one) => sum + (codes.has(one.group.code) ? one.standing : 0), 0)
    return [{ id: tray.id, number: tray.number, plants, gone: tray.body.emptiedOn !== null }]
  }),
)
</script>

<template>
  <p v-if="list.length" class="no-print">
    In
    <template v-for="(one, i) in list" :key="one.id"
      ><template v-if="i">, </template><NuxtLink :to="`/trays/${one.id}`">tray {{ one.number }}</NuxtLink
      >{{ ' ' }}<span class="soft">({{ one.gone ? 'empty' : counted(one.plants, 'plant') }})</span></template
    >.
  </p>
</template>
