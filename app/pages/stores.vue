<script setup lang="ts">
import { definePageMeta } from '#imports'
import Button from 'primevue/button'
import { computed, ref } from 'vue'
import { NuxtLink } from '#components'
import FigureValue from '~/components/figures/FigureValue.vue'
import ContainerForm from '~/components/stores/ContainerForm.vue'
import MaterialForm from '~/components/stores/MaterialForm.vue'
import ShelfList from '~/components/stores/ShelfList.vue'
import ShoppingSlip from '~/components/stores/ShoppingSlip.vue'
import ToolForm from '~/components/stores/ToolForm.vue'
import { useRemoval } from '~/composables/useRemoval'
import { useContext } from '~/state/context'
import { useHousehold } from '~/state/household'
import { Plus, Trash2 } from '@lucide/vue'
import { cellVolume, cellWord, type Container } from '#core/containers/container'
import { TOOL_HABITS, type Tool } from '#core/feed/tool'
import { printBoth, printShare } from '#core/units/format'
import { MATERIAL_FIGURES, type Material } from '#core/media/material'
import { BUILT_IN } from '#core/media/materials'
import { changedFigures } from '#core/catalogue'
import { textureFill } from '~/drawings/textures'
import type { Collection } from '#shared/collections'

definePageMeta({
  place: { title: 'Stores', what: 'packs, tools, containers and feeds you own', order: 6, key: 's' },
})

const household = useHousehold()
const context = useContext()
const removal = useRemoval()

const tool = ref<Tool | 'new' | null>(null)
const container = ref<Container | 'new' | null>(null)
const material = ref<Material | 'new' | null>(null)
const materials = computed(() => [...context.materials.values()])
const ownRecord = (one: Material) =>
  household.everything?.materials.find(({ id, body }) => (body.basedOn ?? id) === one.id)

const changedIn = (one: Material) => changedFigures(BUILT_IN, one, MATERIAL_FIGURES)

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
  <div class="stores">
    <header>
      <h1>Stores</h1>
      <p class="soft">
        What you own. Making a batch draws on the shelf; what you measured yourself replaces the book.
      </p>
    </header>

    <div class="shelf">
      <ShelfList />
      <ShoppingSlip />
    </div>

    <section aria-labelledby="tools-title">
      <div class="head">
        <h2 id="tools-title">Tools</h2>
        <Button @click="tool = 'new'"> <Plus aria-hidden="true" /> Add a tool </Button>
      </div>
      <ul v-if="context.tools.length">
        <li v-for="one in context.tools" :key="one.id">
          <button type="button" class="name" @click="tool = one">{{ one.name }}</button>
          <span class="soft">{{ one.kind }}</span>
          <span>{{
            one.capacityMl === null
              ? ''
              : printBoth(one.capacityMl / 1000, 'volume', household.kitchen).join(' · ')
          }}</span>
          <span class="soft">{{ errorOf(one) }}</span>
          <Button text :aria-label="`Remove ${one.name}`" @click="remove('tools', one.id)">
            <Trash2 aria-hidden="true" />
          </Button>
        </li>
      </ul>
      <p v-else class="empty">No tools yet. A teaspoon and a kitchen scale are a good start.</p>
    </section>

    <section aria-labelledby="containers-title">
      <div class="head">
        <h2 id="containers-title">Containers of your own</h2>
        <Button @click="container = 'new'"> <Plus aria-hidden="true" /> Add a container </Button>
      </div>
      <ul v-if="context.ownContainers.length">
        <li v-for="one in context.ownContainers" :key="one.id">
          <button type="button" class="name" @click="container = one">{{ one.name }}</button>
          <span class="soft">{{ one.kind === 'tray' ? `${one.cells} cells` : one.kind }}</span>
          <span><FigureValue :figure="cellVolume(one)" /> a {{ cellWord(one) }}</span>
          <span class="soft">{{
            one.measuredVolumeMl === undefined ? 'by its measures' : 'measured with water'
          }}</span>
          <Button text :aria-label="`Remove ${one.name}`" @click="remove('containers', one.id)">
            <Trash2 aria-hidden="true" />
          </Button>
        </li>
      </ul>
      <p v-else class="empty">
        None yet. Makers’ cells differ by a fifth: weigh the water one holds and it counts exactly.
      </p>
    </section>

    <section aria-labelledby="feeds-title">
      <div class="head">
        <h2 id="feeds-title">Feeds of your own</h2>
        <NuxtLink to="/feed" class="button"><Plus aria-hidden="true" /> Enter a label</NuxtLink>
      </div>
      <ul v-if="context.ownFeeds.length">
        <li v-for="one in context.ownFeeds" :key="one.id">
          <strong>{{ one.name }}</strong>
          <span class="soft">{{ one.form }}</span>
          <span>{{ one.nPercent }}-{{ one.p2o5Percent }}-{{ one.k2oPercent }}</span>
          <span class="soft">{{
            one.labelRatePerL === null
              ? 'no label rate'
              : `${one.labelRatePerL} ${one.form === 'powder' ? 'g' : 'mL'} a litre`
          }}</span>
          <Button text :aria-label="`Remove ${one.name}`" @click="remove('feeds', one.id)">
            <Trash2 aria-hidden="true" />
          </Button>
        </li>
      </ul>
      <p v-else class="empty">None yet. Type a label in Feed and it is kept here.</p>
    </section>

    <section aria-labelledby="materials-title">
      <div class="head">
        <h2 id="materials-title">Materials</h2>
        <Button @click="material = 'new'"> <Plus aria-hidden="true" /> Add a material </Button>
      </div>
      <ul>
        <li v-for="one in materials" :key="one.id">
          <button type="button" class="name swatched" @click="material = one">
            <svg width="24" height="24" aria-hidden="true">
              <rect width="24" height="24" rx="4" :fill="textureFill(one.id)" />
            </svg>
            {{ one.name }}
          </button>
          <span class="soft">{{
            one.kind === 'medium' ? `${printShare(one.theta0)} pores` : 'by the gram'
          }}</span>
          <span>pH {{ one.ph }} · {{ one.smeEcMsPerCm }} mS/cm · {{ one.dryBulkDensityGPerL }} g/L</span>
          <span class="soft">{{
            ownRecord(one)
              ? changedIn(one).length
                ? `${changedIn(one).length} corrected`
                : 'yours'
              : 'as the book has it'
          }}</span>
          <Button
            v-if="ownRecord(one)"
            text
            :aria-label="`Undo your ${one.name}`"
            @click="remove('materials', ownRecord(one)!.id)"
          >
            <Trash2 aria-hidden="true" />
          </Button>
          <span v-else class="no-button" />
        </li>
      </ul>
    </section>

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
.stores {
  display: grid;
  gap: 2rem;
}

.shelf {
  display: grid;
  grid-template-columns: minmax(0, 1.7fr) minmax(19rem, 1fr);
  gap: 1.6rem;
  align-items: start;
}

.head {
  display: flex;
  align-items: center;
  justify-content: space-between;
  padding-bottom: 0.6rem;
  border-bottom: 2px solid var(--ink);
}

li {
  display: grid;
  grid-template-columns: 1.4fr 0.9fr 1.3fr 1fr auto;
  gap: 0.8rem;
  align-items: center;
  padding: 0.3rem 0;
  border-bottom: 1px solid var(--line);
}

.swatched {
  display: flex;
  align-items: center;
  gap: 0.6rem;
}

.swatched svg {
  flex: none;
}

.no-button {
  width: 2.5rem;
}

.empty {
  padding: 1rem 0;
  color: var(--ink-soft);
}

@media (max-width: 66rem) {
  .shelf {
    grid-template-columns: minmax(0, 1fr);
  }
}

@media (max-width: 46rem) {
  li {
    grid-template-columns: 1fr auto auto;
    gap: 0 0.8rem;
  }

  li > :nth-child(3) {
    grid-row: 2;
    grid-column: 1 / 3;
  }

  li > :nth-child(4) {
    display: none;
  }
}
</style>
