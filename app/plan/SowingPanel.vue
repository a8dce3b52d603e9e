<script setup lang="ts">
import { sayProblemOf } from '#shared/messages/refusals'
import { present } from '#core/present'
import { first } from '#core/numeric/at'
import { counted } from '#core/text/plurals'
import { useDebounceFn } from '@vueuse/core'
import { Trash2 } from '@lucide/vue'
import { countsSeedlings, coverOf } from '#core/sowing/crop'
import { frostAfter, isTender } from '#core/calendar/frost'
import { scheduleById, stagesWith, SCHEDULES } from '#core/season/schedule/schedules'
import { stagesOf } from '#core/season/schedule/sowing'
import { germinationSeen, wilson } from '#core/sowing/odds'
import { capital } from '#core/text/capital'
import { printShare } from '#core/units/format'
import { sowing as sowingSchema, type SowingRecord } from '#shared/records/sowing'
import { sayContainers } from '#shared/messages/containers'
import { asSowingRequest, sowingRecordProblems } from '#shared/derived/sowing-request'
import type { PlannedRow } from '#shared/derived/planned-row'

const DoneForm = defineAsyncComponent(() => import('~/today/DoneForm.vue'))
const { said, temperature, length } = useMeasures()

/** One sowing: what is asked of it, and its schedule stage by stage. What follows by itself can be set, and says so. */
const props = defineProps<{ row: PlannedRow | undefined; id: string }>()
const emit = defineEmits<{ close: []; choose: [text: string] }>()

const season = useSeason()
const trays = useTrays()
const household = useHousehold()
const context = useContext()
const { printDay } = useDates()
const say = useNotices()
const { note } = useNotes()
const remove = useRemoval()

const stored = computed(() => season.sowing(props.id))
const body = computed((): SowingRecord | undefined =>
  season.moving?.id === props.id ? season.moving.body : stored.value?.body,
)
const problems = computed(() =>
  body.value && season.known ? sowingRecordProblems(body.value, season.known) : [],
)
const problemAt = useProblemAt(() => problems.value, toRef(season, 'saving'))
const planned = computed(() => props.row?.planned)
const crop = computed(() => season.known?.crops.get(body.value?.cropId ?? ''))
const stages = computed(() => {
  const request = body.value && season.known && asSowingRequest(body.value, season.known)
  return request ? stagesOf(request) : []
})
const usual = computed(() =>
  stagesWith(body.value?.scheduleId ?? crop.value?.scheduleId ?? 'cell', context.whole.usualMixes),
)

/** Shown at once, kept a moment later, so that typing is one change. */
function edit(mutate: (next: SowingRecord) => void) {
  if (!body.value) return
  const next = copyOf(body.value)
  mutate(next)
  season.moving = { id: props.id, body: next }
  void keepSoon()
}
provideRecordDraft({
  draft: computed({
    get: () => body.value ?? {},
    set: (next) => edit((before) => Object.assign(before, next)),
  }),
  schema: sowingSchema,
  words: 'sowings',
  problemAt,
})
const own = (isSet: boolean, usual: string) => (isSet ? 'set by you' : planned.value ? usual : '')
const keepSoon = useDebounceFn(keepNow, 700)
async function keepNow() {
  const hand = season.moving
  if (!hand || hand.id !== props.id || !season.known) return
  if (sowingRecordProblems(hand.body, season.known).length) return
  const kept = await season.keep(hand.id, hand.body)
  if (kept && season.moving === hand) season.moving = null
}
onBeforeUnmount(async () => {
  await keepNow()
  // What cannot be kept does not stay on the shelf behind a closed panel.
  if (season.moving?.id === props.id && season.saving.state !== 'stale') season.moving = null
})

const packets = computed(() => [
  { value: null, name: 'no packet' },
  ...household.packets
    .filter((one) => one.body.cropId === body.value?.cropId)
    .map((one) => ({ value: one.id as string | null, name: `${one.body.name}, ${one.body.year}` })),
])
const places = computed(() => [
  { value: null as string | null, name: 'the usual place' },
  ...(season.frame?.places ?? []).map(({ id, name }) => ({ value: id as string | null, name })),
])
/** How likely a frost still is after the day it goes out; nothing where frost does it no harm, or there is none. */
const frost = computed(() => {
  const { frame } = season
  return planned.value &&
    crop.value &&
    frame?.lastFrost &&
    isTender(crop.value) &&
    body.value?.season === 'spring'
    ? frostAfter(planned.value.outOn, { ...frame, lastFrost: frame.lastFrost })
    : null
})
const schedules = computed(() => [
  {
    value: null as string | null,
    name: `usual: ${scheduleById(crop.value?.scheduleId ?? 'cell').name.toLowerCase()}`,
  },
  ...SCHEDULES.map(({ id, name }) => ({ value: id as string | null, name })),
])
const isOut = computed(() => season.done.get(props.id)?.out !== undefined)
/** Sown long ago, and not out yet: the weather may keep it in. */
const mayHold = computed(() => season.done.get(props.id)?.up !== undefined && !isOut.value)
const counting = ref(false)
const inUnits = (name: string) => said(name)
/** A tray has records that tell more. */
const wrongWith = computed(() => {
  const [tray] = trays.ofSowing(props.id)
  return tray ? `/signs?tray=${tray.id}` : '/signs'
})
const sownOf = computed(() => season.countable(props.id))
/** What came up by the last count, with its interval, and the germination it tells of. */
const seen = computed(() => {
  const count = season.up.get(props.id)
  if (!count || !sownOf.value) return null
  const { up } = count
  const { what, most, seedsEach } = sownOf.value
  const of = Math.max(up, most)
  return {
    ...{ up, of, what },
    ...wilson(up, of),
    germination: germinationSeen(up / of, seedsEach),
    packet: household.packets.find((one) => one.id === body.value?.packetId),
  }
})
const packetSaving = useSaving('packets')
async function keepGermination() {
  const { packet, germination } = seen.value ?? {}
  if (!packet || germination == null) return
  const kept = await packetSaving.save(packet.id, packet.version, {
    ...packet.body,
    germination: Math.min(1, Math.round(germination * 1000) / 1000),
  })
  if (kept) note(`${packet.body.name} germination set to ${printShare(germination)}.`)
}
async function removeIt() {
  if (stored.value && (await remove('sowings', stored.value))) emit('close')
}
async function giveUp() {
  emit('close')
  await season.giveUp(props.id)
}
</script>

<template>
  <section v-if="body" class="sowing stack-l" :aria-label="body.name">
    <SowStrip :sowing-ids="[id]" />
    <dl v-if="planned && crop" class="summary stack-s">
      <div>
        <dt>Sow</dt>
        <dd>
          <strong>{{ printDay(planned.sowOn) }}</strong>, {{ counted(planned.seeds, 'seed') }} in
          {{ sayContainers(first(planned.stages), inUnits) }}
        </dd>
      </div>
      <div v-if="planned.emergeOn">
        <dt>Up</dt>
        <dd>
          about {{ printDay(planned.emergeOn)
          }}<span class="soft">; check if nothing is up by {{ printDay(present(planned.lateOn)) }}</span>
        </dd>
      </div>
      <div v-for="stage in planned.stages.slice(1)" :key="stage.index">
        <dt>{{ capital(stage.kind === 'harden' ? 'harden off' : stage.kind) }}</dt>
        <dd>
          {{ printDay(stage.from)
          }}<template v-if="stage.kind !== 'harden'">, into {{ sayContainers(stage, inUnits) }}</template>
        </dd>
      </div>
      <div>
        <dt>Plant out</dt>
        <dd>
          <strong>{{ printDay(planned.outOn) }}</strong>
        </dd>
      </div>
      <div v-if="trays.ofSowing(id).length">
        <dt>Growing in</dt>
        <dd>
          <template v-for="(one, i) in trays.ofSowing(id)" :key="one.id"
            ><template v-if="i">, </template
            ><NuxtLink :to="`/trays/${one.id}`">tray {{ one.number }}</NuxtLink></template
          >
        </dd>
      </div>
    </dl>
    <p v-else-if="problems[0]" class="problem" role="alert">
      {{ said(sayProblemOf(problems[0], 'sowings')) }}
    </p>
    <template v-if="planned">
      <p v-for="notice in planned.notices" :key="notice.kind" class="problem">{{ say(notice) }}</p>
      <p v-if="row?.feeding.hungryOn" class="problem">
        Runs out of food about {{ printDay(row.feeding.hungryOn) }}: feed more strongly, or use a richer mix.
      </p>
    </template>
    <div class="buttons">
      <Button v-if="season.isSown(id) && planned" class="main" @click="counting = true"
        >Count what came up</Button
      >
      <NuxtLink v-if="season.isSown(id)" class="button" :to="wrongWith">What is wrong with it?</NuxtLink>
    </div>
    <DoneForm
      v-if="counting && planned"
      :title="`Came up: ${body.name}`"
      kind="look"
      :of="[{ sowingId: id, stage: 0 }]"
      :counts="sownOf"
      @close="counting = false"
    />
    <p v-if="seen" class="seen">
      <strong>{{ seen.up }} of {{ counted(seen.of, seen.what) }} came up</strong>:
      {{ printShare(seen.up / seen.of) }} ({{ printShare(seen.low) }} to {{ printShare(seen.high) }}, 95 %
      range)<template v-if="seen.germination !== null"
        >, a germination of about {{ printShare(seen.germination) }}.
        <Button v-if="seen.packet" @click="keepGermination">Save to the packet</Button></template
      ><template v-else>.</template>
    </p>

    <FoldAway kept-as="sowing-seed" title="Edit: seed and numbers">
      <div class="fields">
        <RecordField v-for="key in ['name', 'plants', 'certainty']" :key="key" :at="key" />
        <RecordField at="packetId" placeholder="no packet" :choices="packets" />
        <RecordField
          at="germination"
          :hint="own(body.germination !== null, `estimated ${printShare(planned?.germination.value ?? 0)}`)"
        />
        <RecordField
          at="seedsPerCell"
          :hint="own(body.seedsPerCell !== null, `default ${planned?.perCell}`)"
        />
        <RecordField
          at="depthMm"
          :typical="0.5"
          :hint="own(body.depthMm !== null, row ? length(row.crop.depthMm) : '')"
        />
      </div>
    </FoldAway>
    <FoldAway kept-as="sowing-dates" title="Edit: dates and place">
      <div class="fields">
        <RecordField
          v-for="key in ['sowOn', 'outOn'] as const"
          :key="key"
          :at="key"
          :hint="own(body[key] !== null, `calculated: ${planned ? printDay(planned[key]) : ''}`)"
        />
        <RecordField
          at="placeId"
          placeholder="usual"
          :choices="places"
          :hint="own(body.placeId !== null, planned ? first(planned.stages).where.place.name : '')"
        />
        <RecordField at="season" />
        <RecordField
          at="scheduleId"
          placeholder="usual"
          :choices="schedules"
          :hint="body.stages ? 'stages were edited' : ''"
          @change="edit((next) => (next.stages = null))"
        />
      </div>
    </FoldAway>
    <FoldAway kept-as="sowing-stages" title="Edit: stages">
      <SowingSchedule
        :body="body"
        :stages="stages"
        :usual="usual"
        :planned="planned"
        :problem-at="problemAt"
        @edit="edit"
      />
    </FoldAway>
    <FoldAway v-if="planned && crop" kept-as="sowing-why" title="Why">
      <div class="said stack-s">
        <p>
          <strong>{{ counted(planned.seeds, 'seed') }}</strong>, {{ coverOf(crop, length) }};
          {{
            crop.light === 'wants dark'
              ? 'in the dark'
              : crop.light === 'wants light'
                ? 'in the light'
                : 'light or dark'
          }}
          at {{ temperature(first(planned.stages).care.mixC) }}.
          <template v-if="planned.emergence"
            >Up in <FigureValue :figure="planned.emergence" />, resow if nothing is up by
            {{ printDay(present(planned.resowOn)) }}.</template
          >
          <template v-if="crop.treatment">
            Before: {{ crop.treatment.kind
            }}<template v-if="crop.treatment.days"> for {{ counted(crop.treatment.days, 'day') }}</template
            >.</template
          >
        </p>
        <p>
          <FigureValue :figure="planned.chance" /> of {{ countsSeedlings(crop) ? 'seeds' : 'cells' }} give a
          plant; germination <FigureValue :figure="planned.germination" />.
          <template v-if="crop.buryStem">Can be planted deep, up to the seed leaves.</template>
          <template v-else>Plant no deeper than before.</template>
          Plant out when nights stay above {{ temperature(crop.lowestNightC)
          }}<template v-if="frost"
            >; a frost after {{ printDay(planned.outOn) }}: <FigureValue :figure="frost" /></template
          >.
        </p>
      </div>
    </FoldAway>
    <AlsoFits v-if="row && !season.isSown(id)" :row="row" @choose="emit('choose', $event)" />
    <div class="buttons">
      <Button v-if="mayHold" @click="season.holdOver(id)">Keep in a bigger pot</Button>
      <Button v-if="isOut && row?.careUntil" @click="season.endCrop(id)">Crop finished</Button>
      <Button v-if="season.isSown(id) && !isOut" @click="giveUp">It failed</Button>
      <Button @click="removeIt"><Trash2 aria-hidden="true" /> Delete</Button>
    </div>
    <SaveProblem :saving="season.saving" @later="season.later()" @settled="season.later()" />
  </section>
</template>

<style scoped>
.fields {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(8.6rem, 1fr));
  min-width: 0;
  gap: 0.7rem 0.9rem;
}

.summary div {
  display: grid;
  grid-template-columns: 6.2rem minmax(0, 1fr);
}

.summary dt {
  color: var(--ink-soft);
}
</style>
