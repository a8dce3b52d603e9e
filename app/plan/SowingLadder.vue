<script setup lang="ts">
import { counted } from '#core/text/plurals'
import { useMeasures } from '~/kit/useMeasures'
import FoldAway from '~/kit/fields/FoldAway.vue'
import TypedField from '~/kit/fields/TypedField.vue'
import Button from 'primevue/button'
import { computed } from 'vue'
import ChoiceField from '~/kit/fields/ChoiceField.vue'
import { useDates } from '~/kit/useDates'
import { useContext } from '~/household/context'
import { useSeason } from '~/plan/season'
import { Plus, X } from '@lucide/vue'
import { daysBetween } from '#core/calendar/day'
import { hardeningPlan } from '#core/season/schedule/hardening'
import { rung as newRung, RUNG_STAGES, type LadderRung } from '#core/season/schedule/schedules'
import { withOutside } from '#core/season/schedule/stays'
import type { PlannedSowing } from '#core/season/schedule/sowing'
import { containersText } from '#core/season/schedule/containers-text'
import { printNumber } from '#core/units/format'
import type { SowingRecord } from '#shared/records/sowing'

const { volume, temperature } = useMeasures()

/** A sowing rung by rung: what each stands in, how long, and how it is fed, lit and warmed. */
const props = defineProps<{
  body: SowingRecord
  rungs: readonly LadderRung[]
  /** The rungs it would have by itself. */
  usual: readonly LadderRung[]
  planned: PlannedSowing | undefined
  problemAt: (field: string) => string | undefined
}>()
const emit = defineEmits<{ edit: [mutate: (next: SowingRecord) => void] }>()
const context = useContext()
const season = useSeason()
const { printDay } = useDates()

const editRung = (index: number, change: Partial<LadderRung>) =>
  emit('edit', (next) => {
    next.rungs = props.rungs.map((one, i) => (i === index ? { ...one, ...change } : { ...one }))
  })
const addRung = () =>
  emit('edit', (next) => {
    const list = props.rungs.map((one) => ({ ...one }))
    const at = list.findIndex(({ stage }) => stage === 'harden')
    const before = list[at < 0 ? list.length - 1 : at - 1]
    list.splice(at < 0 ? list.length : at, 0, {
      ...newRung('pot up', before?.containerId ?? 'pot-10cm', 'stretched-potting', 0.3),
      days: 14,
    })
    next.rungs = list
  })
const removeRung = (index: number) =>
  emit('edit', (next) => {
    next.rungs = props.rungs.filter((_, i) => i !== index).map((one) => ({ ...one }))
  })
const differs = (index: number, key: keyof LadderRung) =>
  props.body.rungs != null && props.rungs[index]?.[key] !== props.usual[index]?.[key]

/** What follows from the stage and the schools until it is set. */
const CARE = [
  { key: 'nMgPerL', label: 'Feed', unit: 'mg/L', none: '' },
  { key: 'everyDays', label: 'every', unit: 'days', none: 'once' },
  { key: 'lightHours', label: 'Light', unit: 'h', none: 'the sun' },
  { key: 'mixC', label: 'Warmth', dimension: 'temperature', none: '' },
] as const

/** Where leaves have said how strong this crop likes its feed, the strength says so. */
const learnedFeed = computed(() => {
  const response = context.crops.get(props.body.cropId)?.feedResponse
  return response ? `, ${printNumber(response.factor, 2)} × by your leaves` : ''
})

const containers = computed(() =>
  context.containerList.map(({ id, name }) => ({ value: id as string | null, name })),
)
const mixes = computed(() => [{ value: null as string | null, name: 'nothing new' }, ...context.mixChoices])
const stages = RUNG_STAGES.map((stage) => ({ value: stage, name: stage }))
const hardening = (index: number) => {
  const rung = props.planned?.rungs[index]
  return rung ? hardeningPlan(rung.from, daysBetween(rung.from, rung.until)) : []
}
const places = computed(() => [
  { value: null as string | null, name: 'where such plants stand' },
  ...withOutside(season.frame?.places ?? []).map(({ id, name }) => ({ value: id as string | null, name })),
])
/** Half of it stands in the next place, to begin with. */
function setElsewhere(index: number, share: number | null) {
  const planned = props.planned?.rungs[index]?.where.place.id
  const other = places.value.find(({ value }) => value !== null && value !== planned)?.value
  const placeId = props.rungs[index]!.elsewhere?.placeId ?? other
  editRung(index, { elsewhere: share === null || !placeId ? null : { placeId, share } })
}
const fixed = (index: number) => props.rungs[index]?.stage === 'harden'
</script>

<template>
  <section class="ladder">
    <h2>The ladder</h2>
    <p class="soft">
      The way from seed to planting out. Each rung is what it stands in for a while: container, mix, feed,
      place. What is left empty follows by itself.
    </p>
    <ol class="rungs">
      <li v-for="(rung, index) in rungs" :key="index">
        <ChoiceField
          :model-value="rung.stage"
          :label="`Rung ${index + 1}`"
          :choices="stages"
          :problem="problemAt(`rungs[${index}].stage`)"
          @update:model-value="editRung(index, { stage: $event })"
        />
        <TypedField
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
          <TypedField
            v-if="index > 0"
            :model-value="rung.plantsEach ?? null"
            optional
            label="Plants in each"
            hint="one"
            :problem="problemAt(`rungs[${index}].plantsEach`)"
            @update:model-value="editRung(index, { plantsEach: $event })"
          />
          <ChoiceField
            :model-value="rung.recipeId"
            label="Mix"
            placeholder="nothing new"
            :choices="mixes"
            :hint="planned?.rungs[index]?.looseL ? volume(planned.rungs[index]!.looseL) : ''"
            :problem="problemAt(`rungs[${index}].recipeId`)"
            @update:model-value="editRung(index, { recipeId: $event })"
          />
        </template>
        <FoldAway v-else class="wide" title="In what they stand in, day by day">
          <ol class="days">
            <li v-for="day in hardening(index)" :key="day.on">
              <strong>{{ printDay(day.on) }}</strong>
              {{ day.hours === 24 ? 'day and night' : counted(day.hours, 'hour') }}:
              {{ day.where }}
            </li>
          </ol>
        </FoldAway>
        <TypedField
          v-for="{ key, label, none, ...field } in CARE"
          :key="key"
          :model-value="rung[key]"
          optional
          :label="label"
          v-bind="field"
          :hint="
            rung[key] === null && planned?.rungs[index]
              ? none && !planned.rungs[index]!.care[key]
                ? none
                : key === 'mixC'
                  ? temperature(planned.rungs[index]!.care[key])
                  : `${printNumber(planned.rungs[index]!.care[key])}${key === 'nMgPerL' ? learnedFeed : ''}`
              : 'yours'
          "
          :problem="problemAt(`rungs[${index}].${key}`)"
          @update:model-value="editRung(index, { [key]: $event })"
        />
        <Button v-if="index > 0" text :aria-label="`Take away rung ${index + 1}`" @click="removeRung(index)">
          <X aria-hidden="true" />
        </Button>
        <ChoiceField
          :model-value="rung.placeId ?? null"
          label="Stands in"
          placeholder="by habit"
          :choices="places"
          :hint="planned?.rungs[index] ? planned.rungs[index]!.where.place.name : ''"
          @update:model-value="editRung(index, { placeId: $event })"
        />
        <ChoiceField
          v-if="index === 0"
          :model-value="rung.upPlaceId ?? null"
          label="Until it is up"
          placeholder="by habit"
          :choices="places"
          :hint="planned?.rungs[0] ? planned.rungs[0]!.where.untilUp.name : ''"
          @update:model-value="editRung(index, { upPlaceId: $event })"
        />
        <TypedField
          :model-value="rung.elsewhere?.share ?? null"
          percent
          optional
          label="A part elsewhere"
          hint="none"
          :problem="problemAt(`rungs[${index}].elsewhere.share`)"
          @update:model-value="setElsewhere(index, $event)"
        />
        <ChoiceField
          v-if="rung.elsewhere"
          :model-value="rung.elsewhere.placeId"
          label="in"
          :choices="places.flatMap(({ value, name }) => (value === null ? [] : [{ value, name }]))"
          @update:model-value="editRung(index, { elsewhere: { ...rung.elsewhere, placeId: $event } })"
        />
        <p v-if="planned?.rungs[index]?.placed?.sharesWith.length" class="water">
          Shares its tray with {{ planned.rungs[index]!.placed!.sharesWith.join(', ') }}.
        </p>
        <p v-else-if="planned?.rungs[index]?.placed?.apart" class="water soft">
          Not in one tray with {{ planned.rungs[index]!.placed!.apart!.name }}:
          {{ planned.rungs[index]!.placed!.apart!.why }}.
        </p>
        <p v-if="planned?.rungs[index]" class="water soft">Water: {{ planned.rungs[index]!.care.water }}.</p>
      </li>
    </ol>
    <div class="buttons">
      <Button @click="addRung"><Plus aria-hidden="true" /> Add a rung</Button>
      <Button v-if="body.rungs" @click="emit('edit', (next) => (next.rungs = null))">
        Back to the usual ladder
      </Button>
    </div>
  </section>
</template>

<style scoped>
.rungs > li {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(7.4rem, 1fr));
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
</style>
