<script setup lang="ts">
import type { Bodies, Stored } from '#shared/records/collections'
import { traceOf } from '#shared/derived/trace'

definePageMeta({ place: { title: 'Trace', what: 'where a tray comes from', parent: '/records' } })
const route = useRoute()
const context = useContext()
const { printDay } = useDates()
const id = computed(() => String(route.params.id))

interface Records {
  trays: Stored<Bodies['trays']>[]
  batches: Stored<Bodies['batches']>[]
  entries: Stored<Bodies['entries']>[]
}
const { answer: records, problem } = useRead<Records>(() => `trace/${encodeURIComponent(id.value)}`)
const trace = computed(() => records.value && traceOf(id.value, records.value, context.whole, printDay))
const number = computed(() => records.value?.trays.find((one) => one.id === id.value)?.number)
const KINDS = {
  seed: 'Seed',
  material: 'Material',
  batch: 'Batch',
  tray: 'Tray',
  feed: 'Feeds',
  water: 'Water',
}
const print = () => window.print()
</script>

<template>
  <div class="trace stack-l">
    <PageTop :title="number ? `Where tray ${number} comes from` : 'Trace'">
      <NuxtLink :to="`/trays/${id}`" class="button">Its page</NuxtLink>
      <Button @click="print">Print</Button>
    </PageTop>
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
    <p v-else-if="!trace" class="soft">Following it back …</p>
    <template v-else>
      <p v-if="trace.shared.length" class="shared">
        Only trays that do badly have {{ trace.shared.join(' and ') }} in common. Look there first.
      </p>
      <DrawingFrame file="trace" title="Trace"><TraceDrawing :trace="trace" /></DrawingFrame>
      <h2>In words</h2>
      <ul class="words">
        <li v-for="node in trace.nodes" :key="node.id">
          <b>{{ KINDS[node.kind] }}</b>
          <NuxtLink v-if="node.to" :to="node.to">{{ node.name }}</NuxtLink>
          <span v-else>{{ node.name }}</span>
          <span class="soft">{{ node.says }}</span>
          <span v-if="node.isSick" class="sick">does badly</span>
        </li>
      </ul>
    </template>
  </div>
</template>

<style scoped>
.shared {
  padding: 0.6rem 0.9rem;
  border-left: 4px solid var(--marigold);
  background: var(--paper-deep);
  font-weight: 600;
}

.words li {
  display: flex;
  flex-wrap: wrap;
  gap: 0 0.7rem;
  padding: 0.25rem 0;
  border-bottom: 1px solid var(--line);
}

.words b {
  min-width: 5rem;
}

.sick {
  padding-left: 0.5rem;
  border-left: 3px solid var(--beet);
}
</style>
