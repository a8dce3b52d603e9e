<script setup lang="ts">
import { present } from '#core/present'
import { Play } from '@lucide/vue'
import type { StrokeAt } from '#shared/drawings/tray-marks'
import { GUIDED_JOB_NAMES } from '#core/jobs/guided-job'
import { counted } from '#core/text/plurals'
import { cellWord } from '#core/containers/container'
import { withOutside } from '#core/season/schedule/stays'
import { addDays, type Day } from '#core/calendar/day'
import { mixWarmth } from '#core/places/place'
import { daysUp } from '#core/sowing/emergence'
import { cellName, cellsOf, freeCells } from '#core/trays/layout'
import type { GroupStands } from '#core/trays/standing'
import type { TrayRecord } from '#shared/records/tray'
import { countsEach } from '#shared/derived/trays'

definePageMeta({ key: (route) => route.path })
const route = useRoute()
const trays = useTrays()
const bench = useGuidedJobs()
const season = useSeason()
const household = useHousehold()
const context = useContext()
const { printDay } = useDates()

const id = String(route.params.id)
const kept = computed(() => trays.find(id))
/** As the hand has it, while a stroke goes on. */
const laying = shallowRef<TrayRecord | null>(null)
const tray = computed(() => laying.value ?? kept.value?.body)
const container = computed(() => tray.value && context.whole.containers.get(tray.value.containerId))
const stands = computed(() => trays.stands(present(kept.value)))
const together = computed(
  () =>
    new Set(
      (tray.value?.groups ?? [])
        .filter(({ cropId, seedsPerCell }) => context.whole.crops.get(cropId)?.clump || seedsPerCell > 6)
        .map(({ code }) => code),
    ),
)
const word = computed(() => {
  const said = cellWord(present(container.value))
  return said === 'tray' ? 'furrow' : said
})
const isEach = (cropId: string) => countsEach(context.whole.crops.get(cropId), container.value)
const placeName = computed(() => {
  const known = withOutside(season.frame?.places ?? [])
  const named = (of: string | null | undefined) => known.find((one) => one.id === of)?.name
  const cut = tray.value?.cut
  return [
    named(tray.value?.placeId),
    cut && `from cell ${cut.column + 1} on ${named(cut.placeId) ?? 'elsewhere'}`,
  ]
    .filter(Boolean)
    .join('; ')
})
const water = useWater()
const { verdict } = useWaterWords()
/** When it needs water, in a line. */
const wet = computed(() => {
  const now = kept.value && water.of(kept.value)
  return now ? verdict(now) : ''
})
/** What is in it, and where it is. */
const inIt = computed(() =>
  [
    [...new Set(tray.value?.groups.map(({ name }) => name))].join(', ') || tray.value?.name,
    placeName.value,
    batch.value && `mix of batch ${batch.value.number}`,
    tray.value?.emptiedOn && `empty since ${printDay(tray.value.emptiedOn)}`,
  ]
    .filter(Boolean)
    .join(' · '),
)
const batch = computed(() => household.batches.find((one) => one.id === tray.value?.batchId))

// What a hand does here.
const MODES = [
  {
    id: 'lay',
    name: 'Lay out',
    does: 'Choose a group, then tap its cells.',
  },
  {
    id: 'count',
    name: 'Count',
    does: 'Tap each cell that is up, or type 31 of 36 beside the group.',
  },
  {
    id: 'choose',
    name: 'Move and thin',
    does: 'Select the cells, then choose what happens to the plants.',
  },
] as const
type Mode = (typeof MODES)[number]['id']
const mode = ref<Mode>(kept.value && stands.value.groups.some(({ sown }) => sown > 0) ? 'count' : 'lay')
const does = computed(() => present(MODES.find((one) => one.id === mode.value)).does)
const on = ref<Day>(season.today)

const { brush, lay, moveEdge, addGroups, takeOut, fromSeason, addSowing } = useTrayLaying(
  kept,
  laying,
  stands,
)
const { counting, mostIn, upIn, upNow, tap, tapAll, digit, keepCount, countNumber } = useTrayCount(
  kept,
  stands,
  on,
)
const { chosen, choose, all, plantsChosen, doubles, standingGroups } = useTrayChoice(
  kept,
  stands,
  on,
  together,
)
const moving = ref(false)

const toSow = computed(
  () =>
    kept.value?.body.emptiedOn === null &&
    stands.value.groups.some(({ sown, set, cells }) => cells > 0 && sown === 0 && set === 0),
)
const startSowing = () =>
  bench.start('sow', `Sow tray ${present(kept.value).number}`, [{ what: 'trays', id, stage: null }])

/** Plants here that the season moves on next, and how. */
const toMove = computed(() =>
  stands.value.groups.flatMap(({ group, standing }) => {
    const next = group.sowingId ? season.row(group.sowingId)?.planned.stages[group.stage + 1] : undefined
    return standing > 0 && next && (next.kind === 'prick out' || next.kind === 'pot up')
      ? [{ group, kind: next.kind, stage: next.index }]
      : []
  }),
)
const startMoving = ({ group, kind, stage }: (typeof toMove.value)[number]) =>
  bench.start(kind, `${GUIDED_JOB_NAMES[kind]} ${group.name}`, [
    { what: 'sowings', id: present(group.sowingId), stage },
    { what: 'trays', id, stage: null },
  ])

// Sowing, group by group.
async function sow(group: GroupStands) {
  const done = await trays.sow(
    present(kept.value),
    on.value,
    [group],
    `Sown: ${group.group.name}, ${printDay(on.value)}.`,
  )
  if (done && stands.value.groups.every(({ sown, set }) => sown > 0 || set > 0)) mode.value = 'count'
}

const gapsOf = ({ group }: GroupStands) =>
  cellsOf(present(tray.value), group.code).filter((cell) => {
    const now = present(stands.value.cells[cell])
    return now.sown > 0 && now.again === 0 && now.up === 0 && !counting.counts.value.has(cell)
  })
async function sowAgain(one: GroupStands) {
  const cells = gapsOf(one).map((cell): [number, number] => [cell, one.group.seedsPerCell])
  const said = `Sown again: ${counted(cells.length, 'cell')} of ${one.group.name}.`
  await trays.happened(present(kept.value), on.value, 'sown', [{ stands: one, cells }], said)
}

/** All cells of a group at once. */
function wholeGroup(cell: number) {
  const code = present(tray.value).cells[cell]
  if (!code) return
  const cells = cellsOf(present(tray.value), code)
  if (mode.value === 'count') tapAll(cells)
  if (mode.value !== 'choose') return
  choose([cell], 'begin')
  choose(cells, 'go on')
}

const handlers = { lay, count: tap, choose }
const stroke = (cells: readonly number[], at: StrokeAt) => handlers[mode.value](cells, at)

// One cell that is asked about.
const asked = ref<number | null>(null)
const askedUp = ref<number | null>(null)
function open(cell: number) {
  asked.value = cell
  askedUp.value = upIn(cell)
}
async function keepAsked() {
  const cell = present(asked.value)
  const group = stands.value.groups.find((one) => one.group.code === present(tray.value).cells[cell])
  const n = askedUp.value
  if (!group || n === null) return (asked.value = null)
  const act = await trays.happened(present(kept.value), on.value, 'up', [
    { stands: group, cells: [[cell, n]] },
  ])
  if (!act) return
  counting.forget(cell)
  asked.value = null
}

// The tray as a thing.
const changing = ref(false)
async function change(body: TrayRecord) {
  if (await trays.keep(present(kept.value), body)) changing.value = false
}
const isEmpty = computed(() => stands.value.groups.every(({ standing }) => standing === 0))
async function empty() {
  await trays.keep(present(kept.value), { ...present(kept.value).body, emptiedOn: on.value })
}
async function remove() {
  if (await trays.remove(present(kept.value))) await navigateTo('/trays')
}
/** The day it is to come up, by its packet or the warmth of the place it stands in. */
function expectedOf({ group, sownOn }: GroupStands): { on: Day; mixC: number | null } | null {
  const crop = context.whole.crops.get(group.cropId)
  if (!crop || !sownOn) return null
  const packet = group.packetId ? context.whole.packets.get(group.packetId)?.upDays : null
  const place = withOutside(season.frame?.places ?? []).find(
    ({ id: of }) => of === present(tray.value).placeId,
  )
  const mat = group.sowingId ? season.row(group.sowingId)?.planned.stages[0]?.where.untilUp : undefined
  const mixC = place ? mixWarmth(mat ?? place, crop.warmthC) : crop.warmthC
  const days = daysUp(crop, packet ?? null, mixC)
  return days && { on: addDays(sownOn, Math.round(days.value)), mixC: packet ? null : mixC }
}
/** What is short of what the sowing wants, and what to do. */
function shortOf(group: GroupStands): string | null {
  const { sowingId, stage } = group.group
  if (!sowingId || stage !== 0 || group.countedOn === null) return null
  const row = season.row(sowingId)
  const up = season.up.get(sowingId)?.up
  if (!row || up === undefined) return null
  const wanted = present(season.sowing(sowingId)).body.plants
  if (up >= wanted) return null
  const missing = wanted - up
  const late = row.planned.resowOn !== null && season.today >= row.planned.resowOn
  return late
    ? `${missing} short of ${wanted}: sow ${counted(Math.ceil(missing / row.planned.chance.value), 'cell')} again, into the gaps or a new tray.`
    : `${missing} short of ${wanted} so far${row.planned.lateOn ? `; wait until ${printDay(row.planned.lateOn)}` : ''}.`
}
const advised = computed(() => present(tray.value).groups.length > 1)
</script>

<template>
  <div v-if="!kept || !tray || !container" class="gone stack-l">
    <h1>Tray not found</h1>
    <p>
      It may have been deleted. Deleted items can be restored in <NuxtLink to="/settings">Settings</NuxtLink>.
    </p>
    <NuxtLink to="/trays" class="button main">All trays</NuxtLink>
  </div>
  <div v-else class="tray stack-l">
    <PageTop :title="`Tray ${kept.number}`" :hint="inIt">
      <NuxtLink :to="`/trays/labels?trays=${id}`" class="button">Labels</NuxtLink>
      <Button @click="changing = true">Edit tray</Button>
    </PageTop>

    <div class="modes no-print row-s" role="group" aria-label="What to do">
      <Button
        v-for="one in MODES"
        :key="one.id"
        :class="{ main: mode === one.id }"
        :aria-pressed="mode === one.id"
        @click="mode = one.id"
        >{{ one.name }}</Button
      >
      <DayField
        class="day"
        :model-value="on"
        label="On"
        hide-label
        @update:model-value="$event && (on = $event)"
      />
    </div>

    <div class="bench">
      <section class="drawing" aria-label="The tray from above">
        <DrawingFrame :file="`tray-${kept.number}`" title="The tray"
          ><TrayMap
            :tray="tray"
            :stands="stands"
            :container="container"
            :name="`Tray ${kept.number}`"
            :mode="mode"
            :chosen="mode === 'choose' ? chosen : undefined"
            :pending="counting.counts.value"
            :together="together"
            @stroke="stroke"
            @digit="(cell, n) => mode === 'count' && digit(cell, n)"
            @group="wholeGroup"
            @open="open"
            @edge="moveEdge"
        /></DrawingFrame>
        <p class="soft small no-print does">{{ does }}</p>
        <div v-if="mode === 'count' && counting.counts.value.size" class="bar row" role="status">
          <strong>{{ upNow.up }} of {{ upNow.of }} up</strong>
          <Button class="main" @click="keepCount">Save count</Button>
          <Button :disabled="!counting.strokes.value.length" @click="counting.takeBack()"
            >Undo last tap</Button
          >
          <Button text @click="counting.clear()">Discard</Button>
        </div>
        <div v-if="mode === 'choose'" class="bar row">
          <template v-if="chosen.size">
            <strong>{{ counted(plantsChosen, 'plant') }} in {{ counted(chosen.size, 'cell') }}</strong>
            <Button class="main" @click="moving = true">Move on</Button>
            <Button @click="all('thinned', 'thinned away', (n) => n - 1)">Thin to one</Button>
            <Button @click="all('out', 'planted out')">Planted out</Button>
            <Button @click="all('given', 'given away')">Given away</Button>
            <Button @click="all('lost', 'lost')">Lost</Button>
            <Button text @click="chosen = new Set()">None</Button>
          </template>
          <template v-else>
            <Button v-if="standingGroups.length" class="main" @click="moving = true"
              >Move on by number</Button
            >
            <Button v-if="doubles.length" @click="chosen = new Set(doubles)"
              >Select the {{ doubles.length }} doubled</Button
            >
            <span v-if="!standingGroups.length" class="soft">No plants yet: count what came up first.</span>
          </template>
        </div>
      </section>

      <section class="groups stack" aria-labelledby="groups-title">
        <div v-if="toSow || toMove.length || wet" class="answer stack">
          <p v-if="wet">{{ wet }}</p>
          <div class="buttons no-print">
            <Button v-if="toSow" class="main" @click="startSowing"><Play aria-hidden="true" /> Sow</Button>
            <Button
              v-for="(one, i) in toMove"
              :key="one.group.code"
              :class="{ main: i === 0 }"
              @click="startMoving(one)"
              ><Play aria-hidden="true" /> {{ GUIDED_JOB_NAMES[one.kind] }} {{ one.group.name }}</Button
            >
          </div>
        </div>
        <h2 id="groups-title">In this tray</h2>
        <ul>
          <GroupLine
            v-for="(one, i) in stands.groups"
            :key="one.group.code"
            :stands="one"
            :index="i"
            :mode="mode"
            :brush="brush === one.group.code"
            :each="isEach(one.group.cropId)"
            :short="shortOf(one)"
            :expected="expectedOf(one)"
            :word="word"
            :gaps="one.countedOn === null ? 0 : gapsOf(one).length"
            @again="sowAgain(one)"
            @brush="brush = one.group.code"
            @sow="sow(one)"
            @count="countNumber(one, $event)"
            @remove="takeOut(one.group.code)"
          />
        </ul>
        <p v-if="!stands.groups.length" class="soft">Nothing yet.</p>
        <template v-if="mode === 'lay'">
          <Button :class="{ main: brush === '' }" :aria-pressed="brush === ''" @click="brush = ''"
            >Clear cells</Button
          >
          <p class="soft">{{ counted(freeCells(tray), 'cell') }} free</p>
          <WishLine :tray="tray" :add="addGroups" />
          <ChoiceField
            v-if="fromSeason.length"
            :model-value="undefined"
            label="Or a planned sowing"
            placeholder="Choose one"
            :choices="fromSeason"
            @update:model-value="$event && addSowing($event)"
          />
          <TrayFits :tray="tray" :add="addGroups" />
        </template>
        <TrayAdvice
          v-if="tray.groups.length"
          :tray="tray"
          :stands="stands"
          :container="container"
          :together="advised"
        />
        <TrayWay :tray="kept" />
      </section>
    </div>

    <TrayWaterPanel v-if="tray.emptiedOn === null" :tray="kept" />

    <section class="stack" aria-labelledby="record-title">
      <h2 id="record-title">Photos and records</h2>
      <PhotoStrip :id="id" what="trays" :title="`tray ${kept.number}`" />
      <TrayLog :id="id" />
      <p class="links no-print row">
        <NuxtLink :to="`/trays/labels?trays=${id}`" class="button on-phone">Labels</NuxtLink>
        <Button class="on-phone" @click="changing = true">Edit tray</Button>
        <NuxtLink :to="{ path: '/signs', query: { tray: id } }" class="button"
          >What is wrong with it?</NuxtLink
        >
        <NuxtLink :to="`/records/trace/${id}`" class="button">Trace</NuxtLink>
      </p>
    </section>

    <FoldAway title="As a table" class="no-print">
      <TrayTable :tray="tray" :stands="stands" :together="together" />
    </FoldAway>
    <p class="no-print ends">
      <template v-if="tray.emptiedOn">
        <Button @click="trays.keep(kept, { ...kept.body, emptiedOn: null })">Restore</Button>
      </template>
      <template v-else>
        <Button v-if="isEmpty && stands.groups.length" @click="empty">Mark as empty</Button>
        <Button v-if="!trays.changes.get(id)?.length" text @click="remove">Delete tray</Button>
      </template>
    </p>

    <Dialog v-model:visible="changing" modal class="wide" :header="`Tray ${kept.number}`" :draggable="false">
      <TrayForm :tray="kept.body" keep-label="Save" @keep="change"
        ><Button @click="changing = false">Cancel</Button></TrayForm
      >
    </Dialog>
    <Dialog v-model:visible="moving" modal class="wide" header="Move plants" :draggable="false">
      <MoveOn
        :tray="kept"
        :groups="standingGroups"
        :chosen="[...chosen]"
        @done="((moving = false), (chosen = new Set()))"
        @cancel="moving = false"
      />
    </Dialog>
    <Dialog
      :visible="asked !== null"
      modal
      :header="asked === null ? '' : cellName(tray, asked)"
      :draggable="false"
      @update:visible="asked = null"
    >
      <form v-if="asked !== null" class="cell stack-l" @submit.prevent="keepAsked">
        <p v-if="!present(stands.cells[asked]).sown" class="soft">Nothing sown in this cell.</p>
        <TypedField v-else v-model="askedUp" label="Up" :hint="`of ${mostIn(asked)}`" />
        <div class="buttons">
          <Button v-if="present(stands.cells[asked]).sown" type="submit" class="main">Save</Button>
          <Button @click="asked = null">Cancel</Button>
        </div>
      </form>
    </Dialog>
  </div>
</template>

<style scoped>
.on-phone {
  display: none;
}

.day {
  width: 11rem;
}

.bench {
  display: grid;
  grid-template-columns: minmax(0, 1.7fr) minmax(18rem, 1fr);
  gap: 1.6rem;
  align-items: start;
}

.bar :deep(button) {
  white-space: nowrap;
}

.bar {
  position: sticky;
  bottom: calc(var(--foot) + var(--note));
  padding: 0.6rem 0;
  background: var(--paper);
}

.answer {
  padding: 0.6rem 0.8rem;
  border-left: 4px solid var(--water);
  background: var(--paper-raised);
}

.ends {
  display: flex;
  gap: 0.6rem;
}

.gone {
  justify-items: start;
}

@media (max-width: 60rem) {
  .bench {
    grid-template-columns: minmax(0, 1fr);
  }
}

/* On a phone the map comes first. */
@media (max-width: 46rem) {
  .modes :deep(.button) {
    min-height: 2.75rem;
    padding-inline: 0.7rem;
  }

  .day {
    width: 9.5rem;
  }

  .tray > :deep(.top .buttons) {
    display: none;
  }

  .does {
    display: none;
  }

  .links .on-phone {
    display: inline-flex;
  }
}
</style>
