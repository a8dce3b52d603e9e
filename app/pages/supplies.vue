<script setup lang="ts">
import Tabs from 'primevue/tabs'
import Tab from 'primevue/tab'
import TabList from 'primevue/tablist'
import TabPanel from 'primevue/tabpanel'
import TabPanels from 'primevue/tabpanels'
import { Plus, Trash2 } from '@lucide/vue'
import { cellVolume, cellWord, type Container } from '#core/containers/container'
import { TOOL_HABITS, type Tool } from '#core/feed/tool'
import { printBoth, printShare } from '#core/units/format'
import { MATERIAL_FIGURES, type Material } from '#core/media/material'
import { BUILT_IN } from '#core/media/materials'
import { changedFigures } from '#core/catalogue'
import { textureFill } from '#shared/drawings/textures'
import type { Collection } from '#shared/records/collection-names'

definePageMeta({
  place: {
    title: 'Supplies',
    what: 'materials, feeds, tools and containers you have',
    words: 'stores shed shelf stock packs bags tools containers scoops jugs',
    parent: '/plan',
    tab: 3,
    key: 's',
  },
})

const household = useHousehold()
const context = useContext()
const removal = useRemoval()

const TABS = [
  { value: 'stock', name: 'In stock' },
  { value: 'tools', name: 'Tools' },
  { value: 'containers', name: 'Containers' },
  { value: 'feeds', name: 'Feeds' },
  { value: 'materials', name: 'Materials' },
] as const
const route = useRoute()
const tab = ref(String(route.query.tab ?? 'stock'))
const tool = ref<Tool | 'new' | null>(null)
const container = ref<Container | 'new' | null>(null)
const material = ref<Material | 'new' | null>(null)
const ownRecord = (one: Material) =>
  household.everything?.materials.find(({ id, body }) => (body.basedOn ?? id) === one.id)
function knownBy(one: Material) {
  const changed = changedFigures(BUILT_IN, one, MATERIAL_FIGURES).length
  return !ownRecord(one) ? 'standard' : changed ? `${changed} corrected` : 'yours'
}

/* What stands in each table, a line a thing. */
const tools = computed(() =>
  context.tools.map((one) => ({
    one,
    id: one.id,
    name: one.name,
    kind: one.kind,
    holds:
      one.capacityMl === null ? '' : printBoth(one.capacityMl / 1000, 'volume', household.units).join(' · '),
    error: errorOf(one),
  })),
)
const containers = computed(() =>
  context.ownContainers.map((one) => ({
    one,
    id: one.id,
    name: one.name,
    kind: one.kind === 'tray' ? `${one.cells} cells` : one.kind,
    holds: cellVolume(one),
    holdsMl: cellVolume(one).value,
    by: one.measuredVolumeMl === undefined ? 'its dimensions' : 'measured with water',
  })),
)
const feeds = computed(() =>
  context.ownFeeds.map((one) => ({
    id: one.id,
    name: one.name,
    form: one.form,
    label: `${one.nPercent}-${one.p2o5Percent}-${one.k2oPercent}`,
    rate:
      one.labelRatePerL === null
        ? 'no label rate'
        : `${one.labelRatePerL} ${one.form === 'powder' ? 'g' : 'mL'} a litre`,
  })),
)
const materials = computed(() =>
  [...context.materials.values()].map((one) => ({
    one,
    id: one.id,
    name: one.name,
    pores: one.kind === 'medium' ? printShare(one.theta0) : '–',
    ph: one.ph,
    salts: one.smeEcMsPerCm,
    density: one.dryBulkDensityGPerL,
    own: ownRecord(one),
    by: knownBy(one),
  })),
)

function remove(collection: Collection, id: string) {
  const record = household.everything?.[collection].find(
    ({ id: own, body }) => own === id || ('basedOn' in body && body.basedOn === id),
  )
  if (record) void removal(collection, record as never)
}
function errorOf({ kind, capacityMl }: Tool) {
  const habit = TOOL_HABITS[kind]
  if (habit.absoluteG) return `± ${habit.absoluteG} g`
  if (habit.ofCapacity) return `± ${Number((habit.ofCapacity * (capacityMl ?? 0)).toPrecision(2))} mL`
  return `± ${printShare(habit.relativeError)}`
}
</script>

<template>
  <div class="supplies stack-l">
    <PageTop title="Supplies" />
    <SayStores />
    <Tabs v-model:value="tab" lazy>
      <TabList>
        <Tab v-for="one in TABS" :key="one.value" :value="one.value">{{ one.name }}</Tab>
      </TabList>
      <TabPanels>
        <TabPanel value="stock"><ShelfList /></TabPanel>
        <TabPanel value="tools">
          <SuppliesTable
            id="tools-title"
            title="Tools"
            :rows="tools"
            :columns="[
              { field: 'kind', header: 'Kind', sortable: true },
              { field: 'holds', header: 'Holds' },
              { field: 'error', header: 'Accurate to' },
            ]"
          >
            <template #add>
              <Button @click="tool = 'new'"> <Plus aria-hidden="true" /> Add a tool </Button>
            </template>
            <template #name="{ row }">
              <button type="button" class="name" @click="tool = row.one">{{ row.name }}</button>
            </template>
            <template #act="{ row }">
              <DeleteButton :of="row.name" @click="remove('tools', row.id)" />
            </template>
            <template #empty>No tools yet. Start with a teaspoon and a kitchen scale.</template>
          </SuppliesTable>
        </TabPanel>
        <TabPanel value="containers">
          <SuppliesTable
            id="containers-title"
            title="Containers of your own"
            :rows="containers"
            :columns="[
              { field: 'kind', header: 'Kind', sortable: true },
              { field: 'holdsMl', header: 'Holds', sortable: true },
              { field: 'by', header: 'Volume from' },
            ]"
          >
            <template #add>
              <Button @click="container = 'new'"> <Plus aria-hidden="true" /> Add a container </Button>
            </template>
            <template #name="{ row }">
              <button type="button" class="name" @click="container = row.one">{{ row.name }}</button>
            </template>
            <template #holdsMl="{ row }"
              ><FigureValue :figure="row.holds" /> a {{ cellWord(row.one) }}</template
            >
            <template #act="{ row }">
              <DeleteButton :of="row.name" @click="remove('containers', row.id)" />
            </template>
            <template #empty>
              None yet. Makers’ sizes vary by a fifth: measure yours with water for exact volumes.
            </template>
          </SuppliesTable>
        </TabPanel>
        <TabPanel value="feeds">
          <SuppliesTable
            id="feeds-title"
            title="Your own feeds"
            :rows="feeds"
            :columns="[
              { field: 'form', header: 'Form', sortable: true },
              { field: 'label', header: 'Label' },
              { field: 'rate', header: 'Label rate' },
            ]"
          >
            <template #add>
              <NuxtLink to="/feed" class="button"><Plus aria-hidden="true" /> Enter a label</NuxtLink>
            </template>
            <template #act="{ row }">
              <DeleteButton :of="row.name" @click="remove('feeds', row.id)" />
            </template>
            <template #empty>None yet. Enter a label on the Feed page.</template>
          </SuppliesTable>
        </TabPanel>
        <TabPanel value="materials">
          <SuppliesTable
            id="materials-title"
            title="Materials"
            :rows="materials"
            :columns="[
              { field: 'pores', header: 'Pore space' },
              { field: 'ph', header: 'pH', sortable: true },
              { field: 'salts', header: 'Salts, mS/cm', sortable: true },
              { field: 'density', header: 'Dry, g/L', sortable: true },
              { field: 'by', header: 'Figures' },
            ]"
          >
            <template #add>
              <Button @click="material = 'new'"> <Plus aria-hidden="true" /> Add a material </Button>
            </template>
            <template #name="{ row }">
              <button type="button" class="name swatched row nowrap" @click="material = row.one">
                <svg width="24" height="24" aria-hidden="true">
                  <rect width="24" height="24" rx="4" :fill="textureFill(row.id)" />
                </svg>
                {{ row.name }}
              </button>
            </template>
            <template #act="{ row }">
              <IconButton
                v-if="row.own"
                :icon="Trash2"
                :aria-label="`Undo your ${row.name}`"
                @click="remove('materials', row.own.id)"
              />
              <span v-else class="no-button" />
            </template>
          </SuppliesTable>
        </TabPanel>
      </TabPanels>
    </Tabs>
    <MaterialForm v-if="material" v-bind="material === 'new' ? {} : { material }" @close="material = null" />
    <ToolForm v-if="tool" v-bind="tool === 'new' ? {} : { tool }" @close="tool = null" />
    <ContainerForm
      v-if="container"
      v-bind="container === 'new' ? {} : { container }"
      @close="container = null"
    />
  </div>
</template>

<style scoped>
.swatched svg {
  flex: none;
}

.no-button {
  width: 2.5rem;
}
</style>
