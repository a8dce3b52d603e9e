<script setup lang="ts">
import FoldAway from '~/kit/fields/FoldAway.vue'
import { present } from '#core/present'
import { counted } from '#core/text/plurals'
import { withOutside } from '#core/season/schedule/stays'
import type { Stored } from '#shared/records/collections'
import type { TrayRecord } from '#shared/records/tray'
import type { ProposedTray } from '#shared/derived/trays'

definePageMeta({
  place: {
    title: 'All trays',
    what: 'every tray and cell',
    words: 'trays cells key count prick out thin flat plug lay out',
    name: 'Trays',
    order: 3,
    key: 'y',
    tab: 1,
  },
})
const trays = useTrays()
const season = useSeason()
const context = useContext()
const { printDay } = useDates()

const search = ref('')
const making = ref(false)
const words = computed(() => search.value.toLowerCase().split(/\s+/).filter(Boolean))
const said = ({ number, body }: Stored<TrayRecord>) =>
  `tray ${number} ${body.name} ${body.groups.map(({ name }) => name).join(' ')}`.toLowerCase()
const found = (list: readonly Stored<TrayRecord>[]) =>
  list.filter((one) => words.value.every((word) => said(one).includes(word)))
const places = computed(() => {
  const known = withOutside(season.frame?.places ?? [])
  const here = found(trays.standing)
  const placed = known.map(({ id, name }) => ({
    id,
    name,
    list: here.filter(({ body }) => body.placeId === id || body.cut?.placeId === id),
  }))
  const lost = here.filter(({ body }) => !known.some(({ id }) => id === body.placeId))
  return [...placed, { id: 'nowhere', name: 'No place set', list: lost }].filter(({ list }) => list.length)
})
const emptied = computed(() => found(trays.all.filter(({ body }) => body.emptiedOn !== null)).reverse())
const containerOf = ({ body }: Stored<TrayRecord>) => context.whole.containers.get(body.containerId)

/** First what is to be sown; what stands already can be laid out as it is. */
const isSown = (one: ProposedTray) => one.holds.every(({ row }) => season.isSown(row.id))
const toLayOut = computed(() =>
  [
    {
      title: 'To sow in the next two weeks',
      list: trays.proposed.filter((one) => !isSown(one)),
      fold: false,
    },
    { title: 'Sown, not laid out in a tray', list: trays.proposed.filter(isSown), fold: true },
  ].filter(({ list }) => list.length),
)

async function layOut(one: ProposedTray) {
  const id = await trays.layOut(one)
  if (id) await navigateTo(`/trays/${id}`)
}
async function make(body: TrayRecord) {
  const id = await trays.make(body)
  making.value = false
  if (id) await navigateTo(`/trays/${id}`)
}
const standsNow = (tray: Stored<TrayRecord>) => {
  const { groups } = trays.stands(tray)
  const sum = (of: 'standing' | 'sown' | 'cells') => groups.reduce((all, one) => all + one[of], 0)
  if (!groups.length) return 'nothing laid out'
  if (sum('standing')) return `${counted(sum('standing'), 'plant')}`
  return sum('sown') ? `${counted(sum('sown'), 'seed')} sown` : `${counted(sum('cells'), 'cell')} to sow`
}
</script>

<template>
  <div class="trays">
    <PageTop title="Trays">
      <Button @click="making = true">Add a tray</Button>
    </PageTop>

    <component
      :is="group.fold ? FoldAway : 'section'"
      v-for="group in toLayOut"
      :key="group.title"
      :title="`${group.title}: ${group.list.length}`"
      :aria-label="group.title"
      class="no-print"
    >
      <h2 v-if="!group.fold">{{ group.title }}</h2>
      <ul class="proposals">
        <li v-for="one in group.list" :key="one.key">
          <strong>{{ printDay(one.on) }}</strong>
          <span>
            {{ one.container.name }}:
            <template v-for="(held, i) in one.holds" :key="held.row.id"
              ><template v-if="i">, </template>{{ counted(held.cells, 'cell') }} of
              {{ held.row.name }}</template
            >
          </span>
          <Button @click="layOut(one)">Lay out</Button>
        </li>
      </ul>
    </component>

    <TextField
      v-if="trays.all.length > 4"
      v-model="search"
      label="Search trays, crops and varieties"
      class="no-print"
    />

    <p v-if="!trays.standing.length" class="empty soft">
      No trays yet. Start one from your plan, or add one you already have.
    </p>
    <section v-for="place in places" :key="place.id" :aria-labelledby="`place-${place.id}`">
      <h2 :id="`place-${place.id}`">{{ place.name }}</h2>
      <ul class="shelf">
        <li v-for="tray in place.list" :key="tray.id">
          <NuxtLink :to="`/trays/${tray.id}`" class="one">
            <TrayDrawing
              v-if="containerOf(tray)"
              small
              :tray="tray.body"
              :stands="trays.stands(tray)"
              :container="present(containerOf(tray))"
              :name="`Tray ${tray.number}`"
            />
            <span class="number">{{ tray.number }}</span>
            <span class="what">
              {{ tray.body.groups.map(({ name }) => name).join(', ') || tray.body.name }}
              <span class="soft">{{ standsNow(tray) }}</span>
            </span>
          </NuxtLink>
        </li>
      </ul>
    </section>
    <p v-if="words.length && !places.length" class="soft">No match</p>

    <EarlierRecords collection="trays" :newest="24" what="trays" />
    <FoldAway v-if="emptied.length" :title="`Emptied lately: ${emptied.length}`" class="no-print">
      <ul>
        <li v-for="tray in emptied" :key="tray.id">
          <NuxtLink :to="`/trays/${tray.id}`">Tray {{ tray.number }}</NuxtLink>
          {{ tray.body.groups.map(({ name }) => name).join(', ') }}, empty since
          {{ printDay(present(tray.body.emptiedOn)) }}
        </li>
      </ul>
    </FoldAway>

    <Dialog v-model:visible="making" modal class="wide" header="Add a tray" :draggable="false">
      <TrayForm keep-label="Make it" @keep="make"><Button @click="making = false">Cancel</Button></TrayForm>
    </Dialog>
  </div>
</template>

<style scoped>
.trays {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 1.4rem;
}

.proposals li {
  display: flex;
  flex-wrap: wrap;
  gap: 0.3rem 1rem;
  align-items: center;
  padding: 0.5rem 0;
  border-top: 1px solid var(--line);
}

.proposals li span {
  flex: 1 1 14rem;
}

.shelf {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(100%, 16rem), 1fr));
  gap: 1.2rem;
  padding-bottom: 0.6rem;
  border-bottom: 5px solid var(--paper-deep);
}

.one {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 0.3rem 0.7rem;
  align-items: baseline;
  color: var(--ink);
  text-decoration: none;
}

.one > :first-child {
  grid-column: 1 / -1;
}

.number {
  font-family: var(--heading, inherit);
  font-size: 1.5rem;
  font-weight: 700;
}

.what .soft {
  display: block;
}

.one:hover .what {
  text-decoration: underline;
}
</style>
