<script setup lang="ts">
import { Plus, Trash2, X } from '@lucide/vue'
import { daysBetween } from '#core/season/day'
import { hardeningPlan } from '#core/season/hardening'
import { coverOf } from '#core/sowing/crop'
import { ladderById, LADDERS, rung as newRung, RUNG_STAGES, type LadderRung } from '#core/season/ladder'
import { rungsOf } from '#core/season/sowing'
import { containersText } from '#core/season/wording'
import { printNumber } from '#core/units/format'
import { asSowingRequest, sowingRecordProblems, type SowingRecord } from '#shared/records/sowing'
import type { PlannedRow } from '#shared/season'

/** One sowing: what is asked of it, and its ladder rung by rung. What follows by itself can be set, and says so. */
const props = defineProps<{ row: PlannedRow | undefined; id: string }>()
const emit = defineEmits<{ close: [] }>()

const season = useSeason()
const household = useHousehold()
const { printDay } = useDates()
const say = useNotices()
const remove = useRemoval()
const nameId = useId()
const outId = useId()
const sowId = useId()

const stored = computed(() => season.sowing(props.id))
const body = computed((): SowingRecord | undefined =>
  season.moving?.id === props.id ? season.moving.body : stored.value?.body,
)
const problems = computed(() =>
  body.value && season.known ? sowingRecordProblems(body.value, season.known) : [],
)
const problemAt = useProblemAt(() => problems.value, toRef(season, 'saving'))
const planned = computed(() => props.row?.planned)
const crop = computed(() => season.known?.crops.find((one) => one.id === body.value?.cropId))
const rungs = computed(() => {
  const request = body.value && season.known && asSowingRequest(body.value, season.known)
  return request ? rungsOf(request) : []
})
const usual = computed(() => ladderById(body.value?.ladderId ?? crop.value?.ladderId ?? 'cell').rungs)

/** Shown at once, kept a moment later, so that typing is one change. */
function edit(mutate: (next: SowingRecord) => void) {
  if (!body.value) return
  const next = copyOf(body.value)
  mutate(next)
  season.moving = { id: props.id, body: next }
  void keepSoon()
}
const keepSoon = useDebounceFn(keepNow, 700)
async function keepNow() {
  const hand = season.moving
  if (!hand || hand.id !== props.id || !season.known) return
  if (sowingRecordProblems(hand.body, season.known).length) return
  const kept = await season.keep([{ id: hand.id, after: hand.body }])
  if (kept && season.moving === hand) season.moving = null
}
onBeforeUnmount(async () => {
  await keepNow()
  // What cannot be kept does not stay on the shelf behind a closed panel.
  if (season.moving?.id === props.id && season.saving.state !== 'stale') season.moving = null
})

const editRung = (index: number, change: Partial<LadderRung>) =>
  edit((next) => {
    next.rungs = rungs.value.map((one, i) => (i === index ? { ...one, ...change } : { ...one }))
  })
const addRung = () =>
  edit((next) => {
    const list = rungs.value.map((one) => ({ ...one }))
    const at = list.findIndex(({ stage }) => stage === 'harden')
    const before = list[at < 0 ? list.length - 1 : at - 1]
    list.splice(at < 0 ? list.length : at, 0, {
      ...newRung('pot up', before?.containerId ?? 'pot-10cm', 'stretched-potting', 0.3),
      days: 14,
    })
    next.rungs = list
  })
const removeRung = (index: number) =>
  edit((next) => {
    next.rungs = rungs.value.filter((_, i) => i !== index).map((one) => ({ ...one }))
  })
const differs = (index: number, key: keyof LadderRung) =>
  body.value?.rungs != null && rungs.value[index]?.[key] !== usual.value[index]?.[key]

const packets = computed(() => [
  { value: null, name: 'no packet' },
  ...household.packets
    .filter((one) => one.body.cropId === body.value?.cropId)
    .map((one) => ({ value: one.id as string | null, name: `${one.body.name}, ${one.body.year}` })),
])
const ladders = computed(() => [
  {
    value: null as string | null,
    name: `usual: ${ladderById(crop.value?.ladderId ?? 'cell').name.toLowerCase()}`,
  },
  ...LADDERS.map(({ id, name }) => ({ value: id as string | null, name })),
])
const containers = computed(() =>
  household.containers.map(({ id, name }) => ({ value: id as string | null, name })),
)
const mixes = computed(() => [{ value: null as string | null, name: 'nothing new' }, ...household.mixChoices])
const stages = RUNG_STAGES.map((stage) => ({ value: stage, name: stage }))
const hardening = (index: number) => {
  const rung = planned.value?.rungs[index]
  return rung ? hardeningPlan(rung.from, daysBetween(rung.from, rung.until)) : []
}
const fixed = (index: number) => rungs.value[index]?.stage === 'harden'

async function give() {
  if (stored.value && (await remove('sowings', stored.value))) emit('close')
}
const asDate = (event: Event) => (event.target as HTMLInputElement).value || null
</script>

<template>
  <section v-if="body" class="slip sowing" :aria-labelledby="`${nameId}-title`">
    <header>
      <h2 :id="`${nameId}-title`">{{ body.name }}</h2>
      <button type="button" class="icon-button" aria-label="Remove this sowing" title="Remove" @click="give">
        <Trash2 aria-hidden="true" />
      </button>
      <button type="button" class="icon-button" aria-label="Close" @click="emit('close')">
        <X aria-hidden="true" />
      </button>
    </header>

    <div class="fields">
      <FieldFrame :id="nameId" label="On the label" :problem="problemAt('name')">
        <input
          :id="nameId"
          class="input"
          autocomplete="off"
          :value="body.name"
          @input="edit((next) => (next.name = ($event.target as HTMLInputElement).value))"
        />
      </FieldFrame>
      <NumberField
        :model-value="body.plants"
        label="Good plants"
        :problem="problemAt('plants')"
        @update:model-value="edit((next) => (next.plants = $event ?? 0))"
      />
      <NumberField
        :model-value="body.certainty"
        percent
        label="As sure as"
        hint="of having that many"
        :problem="problemAt('certainty')"
        @update:model-value="edit((next) => (next.certainty = $event ?? 0))"
      />
      <ChoiceField
        :model-value="body.packetId"
        label="Seed from"
        placeholder="no packet"
        :choices="packets"
        :problem="problemAt('packetId')"
        @update:model-value="edit((next) => (next.packetId = $event))"
      />
      <NumberField
        :model-value="body.germination"
        percent
        optional
        label="Germination"
        :hint="
          planned && body.germination === null
            ? `reckoned ${printNumber(planned.germination.value * 100)} %`
            : 'yours'
        "
        :problem="problemAt('germination')"
        @update:model-value="edit((next) => (next.germination = $event))"
      />
      <NumberField
        :model-value="body.seedsPerCell"
        optional
        label="Seeds in a cell"
        :hint="planned && body.seedsPerCell === null ? `by habit ${planned.perCell}` : 'yours'"
        :problem="problemAt('seedsPerCell')"
        @update:model-value="edit((next) => (next.seedsPerCell = $event))"
      />
      <FieldFrame
        :id="sowId"
        label="Sow on"
        :hint="body.sowOn ? 'yours' : planned ? `works out as ${printDay(planned.sowOn)}` : ''"
        :problem="problemAt('sowOn')"
      >
        <input
          :id="sowId"
          type="date"
          class="input"
          :value="body.sowOn ?? ''"
          @change="edit((next) => (next.sowOn = asDate($event)))"
        />
      </FieldFrame>
      <FieldFrame
        :id="outId"
        label="Out on"
        :hint="body.outOn ? 'yours' : planned ? `works out as ${printDay(planned.outOn)}` : ''"
        :problem="problemAt('outOn')"
      >
        <input
          :id="outId"
          type="date"
          class="input"
          :value="body.outOn ?? ''"
          @change="edit((next) => (next.outOn = asDate($event)))"
        />
      </FieldFrame>
      <ChoiceField
        :model-value="body.season"
        label="For"
        :choices="[
          { value: 'spring', name: 'spring and summer' },
          { value: 'autumn', name: 'autumn, before the frost' },
        ]"
        :problem="problemAt('season')"
        @update:model-value="edit((next) => (next.season = $event))"
      />
      <ChoiceField
        :model-value="body.ladderId"
        label="Ladder"
        placeholder="usual"
        :choices="ladders"
        :hint="body.rungs ? 'rungs changed below' : ''"
        @update:model-value="edit((next) => ((next.ladderId = $event), (next.rungs = null)))"
      />
    </div>

    <div v-if="planned && crop" class="said">
      <p>
        <strong>{{ printNumber(planned.seeds) }} seeds</strong>, {{ coverOf(crop) }};
        {{
          crop.light === 'wants dark'
            ? 'in the dark'
            : crop.light === 'wants light'
              ? 'in the light'
              : 'light or dark'
        }}
        at {{ printNumber(planned.rungs[0]!.care.mixC) }} °C.
        <template v-if="planned.emergence"
          >Up in <FigureValue :figure="planned.emergence" />, late after {{ printDay(planned.lateOn!) }}, sow
          again after {{ printDay(planned.resowOn!) }}.</template
        >
        <template v-if="crop.treatment">
          Before: {{ crop.treatment.kind
          }}<template v-if="crop.treatment.days"> for {{ crop.treatment.days }} days</template>.</template
        >
      </p>
      <p>
        <FigureValue :figure="planned.chance" /> of {{ crop.clump ? 'seeds' : 'cells' }} give a plant;
        germination <FigureValue :figure="planned.germination" />.
        <template v-if="crop.buryStem">May be set deep, to the seed leaves.</template>
        <template v-else>Set no deeper than it stood.</template>
        Out when nights stay above {{ printNumber(crop.lowestNightC) }} °C.
        <template v-if="row?.feeding.hungryOn">
          <strong class="problem">Hungry from {{ printDay(row.feeding.hungryOn) }}</strong
          >: feed stronger, or a richer mix.</template
        >
      </p>
      <p v-for="notice in planned.notices" :key="notice.kind" class="problem">{{ say(notice) }}</p>
    </div>
    <p v-else-if="problems[0]" class="problem" role="alert">{{ problems[0].message }}</p>

    <h3>The ladder</h3>
    <ol class="rungs">
      <li v-for="(rung, index) in rungs" :key="index">
        <ChoiceField
          :model-value="rung.stage"
          :label="`Rung ${index + 1}`"
          :choices="stages"
          :problem="problemAt(`rungs[${index}].stage`)"
          @update:model-value="editRung(index, { stage: $event })"
        />
        <NumberField
          :model-value="rung.days"
          optional
          label="Days"
          :hint="
            rung.days === null && planned?.rungs[index]
              ? `from ${printDay(planned.rungs[index]!.from)}`
              : 'yours'
          "
          :problem="problemAt(`rungs[${index}].days`)"
          @update:model-value="editRung(index, { days: $event })"
        />
        <template v-if="!fixed(index)">
          <ChoiceField
            :model-value="rung.containerId"
            label="In"
            :choices="containers"
            :hint="
              differs(index, 'containerId')
                ? 'yours'
                : planned?.rungs[index]
                  ? containersText(planned.rungs[index]!)
                  : ''
            "
            :problem="problemAt(`rungs[${index}].containerId`)"
            @update:model-value="editRung(index, { containerId: $event })"
          />
          <ChoiceField
            :model-value="rung.recipeId"
            label="Mix"
            placeholder="nothing new"
            :choices="mixes"
            :hint="planned?.rungs[index]?.looseL ? `${printNumber(planned.rungs[index]!.looseL)} L` : ''"
            :problem="problemAt(`rungs[${index}].recipeId`)"
            @update:model-value="editRung(index, { recipeId: $event })"
          />
        </template>
        <details v-else class="wide">
          <summary>In what they stand in, day by day</summary>
          <ol class="days">
            <li v-for="day in hardening(index)" :key="day.on">
              <strong>{{ printDay(day.on) }}</strong>
              {{ day.hours === 24 ? 'day and night' : `${day.hours} hours` }}:
              {{ day.where }}
            </li>
          </ol>
        </details>
        <NumberField
          :model-value="rung.nMgPerL"
          optional
          label="Feed"
          unit="mg/L"
          :hint="
            rung.nMgPerL === null && planned?.rungs[index]
              ? `${printNumber(planned.rungs[index]!.care.nMgPerL)}`
              : 'yours'
          "
          :problem="problemAt(`rungs[${index}].nMgPerL`)"
          @update:model-value="editRung(index, { nMgPerL: $event })"
        />
        <NumberField
          :model-value="rung.everyDays"
          optional
          label="every"
          unit="days"
          :hint="
            rung.everyDays === null && planned?.rungs[index]
              ? `${planned.rungs[index]!.care.everyDays || 'once'}`
              : 'yours'
          "
          :problem="problemAt(`rungs[${index}].everyDays`)"
          @update:model-value="editRung(index, { everyDays: $event })"
        />
        <NumberField
          :model-value="rung.lightHours"
          optional
          label="Light"
          unit="h"
          :hint="
            rung.lightHours === null && planned?.rungs[index]
              ? `${planned.rungs[index]!.care.lightHours || 'the sun'}`
              : 'yours'
          "
          :problem="problemAt(`rungs[${index}].lightHours`)"
          @update:model-value="editRung(index, { lightHours: $event })"
        />
        <NumberField
          :model-value="rung.mixC"
          optional
          label="Warmth"
          unit="°C"
          :hint="
            rung.mixC === null && planned?.rungs[index]
              ? `${printNumber(planned.rungs[index]!.care.mixC)}`
              : 'yours'
          "
          :problem="problemAt(`rungs[${index}].mixC`)"
          @update:model-value="editRung(index, { mixC: $event })"
        />
        <button
          v-if="index > 0"
          type="button"
          class="icon-button"
          :aria-label="`Take away rung ${index + 1}`"
          @click="removeRung(index)"
        >
          <X aria-hidden="true" />
        </button>
        <p v-if="planned?.rungs[index]" class="water soft">Water: {{ planned.rungs[index]!.care.water }}.</p>
      </li>
    </ol>
    <div class="buttons">
      <button type="button" class="button" @click="addRung"><Plus aria-hidden="true" /> Add a rung</button>
      <button v-if="body.rungs" type="button" class="button" @click="edit((next) => (next.rungs = null))">
        Back to the usual ladder
      </button>
    </div>
    <SaveProblem
      :saving="season.saving"
      :say="
        (other) =>
          `${other.name}, ${other.plants} plants, ${other.sowOn ? `sown ${printDay(other.sowOn)}` : other.outOn ? `out ${printDay(other.outOn)}` : 'by the frost'}`
      "
      @mine="season.keepMine()"
      @theirs="season.takeTheirs()"
      @later="season.later()"
    />
  </section>
</template>

<style scoped>
.sowing {
  display: grid;
  gap: 0.9rem;
}

header {
  display: flex;
  align-items: center;
}

header h2 {
  flex: 1;
}

.fields {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(8.6rem, 1fr));
  gap: 0.7rem 0.9rem;
}

.said {
  display: grid;
  gap: 0.3rem;
  max-width: 62rem;
}

.rungs > li {
  display: grid;
  grid-template-columns: 8rem 6rem minmax(9rem, 1.3fr) minmax(9rem, 1.3fr) 6.2rem 6.2rem 5.2rem 5.6rem 2.5rem;
  gap: 0.3rem 0.6rem;
  align-items: start;
  padding: 0.6rem 0;
  border-top: 1px solid var(--line);
}

.rungs .wide {
  grid-column: span 2;
  padding-top: 1.3rem;
}

.days {
  display: grid;
  gap: 0.15rem;
}

.rungs .icon-button {
  margin-top: 1.5rem;
}

.water {
  grid-column: 1 / -1;
}

@media (max-width: 70rem) {
  .rungs > li {
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  }
}
</style>
