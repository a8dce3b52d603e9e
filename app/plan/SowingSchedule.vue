<script setup lang="ts">
import { present } from '#core/present'
import { at as elementAt, first } from '#core/numeric/at'
import { counted } from '#core/text/plurals'
import { Plus, X } from '@lucide/vue'
import { daysBetween } from '#core/calendar/day'
import { hardeningPlan } from '#core/season/schedule/hardening'
import { stage as newStage, STAGE_KINDS, type ScheduleStage } from '#core/season/schedule/schedules'
import { withOutside } from '#core/season/schedule/stays'
import type { PlannedSowing } from '#core/season/schedule/sowing'
import { sayContainers } from '#shared/messages/containers'
import { printNumber } from '#core/units/format'
import { sowing as sowingSchema, type SowingRecord } from '#shared/records/sowing'

const { volume, temperature } = useMeasures()

/** A sowing stage by stage: what each stands in, how long, and how it is fed, lit and warmed. */
const props = defineProps<{
  body: SowingRecord
  stages: readonly ScheduleStage[]
  /** The stages it would have by itself. */
  usual: readonly ScheduleStage[]
  planned: PlannedSowing | undefined
  problemAt: (field: string) => string | undefined
}>()
const emit = defineEmits<{ edit: [mutate: (next: SowingRecord) => void] }>()
const context = useContext()
const season = useSeason()
const { printDay } = useDates()

const editStage = (index: number, change: Partial<ScheduleStage>) =>
  emit('edit', (next) => {
    next.stages = props.stages.map((one, i) => (i === index ? { ...one, ...change } : { ...one }))
  })
provideRecordDraft({
  // Stages are the sowing's own as soon as one is changed.
  draft: computed({
    get: () => ({ ...props.body, stages: props.stages }),
    set: ({ stages }) => emit('edit', (next) => (next.stages = stages.map((one) => ({ ...one })))),
  }) as Ref<object>,
  schema: sowingSchema,
  words: 'sowings',
  problemAt: (path) => props.problemAt(path),
})
const addStage = () =>
  emit('edit', (next) => {
    const list = props.stages.map((one) => ({ ...one }))
    const at = list.findIndex(({ kind }) => kind === 'harden')
    const before = list[at < 0 ? list.length - 1 : at - 1]
    list.splice(at < 0 ? list.length : at, 0, {
      ...newStage('pot up', before?.containerId ?? 'pot-10cm', 'stretched-potting', 0.3),
      days: 14,
    })
    next.stages = list
  })
const removeStage = (index: number) =>
  emit('edit', (next) => {
    next.stages = props.stages.filter((_, i) => i !== index).map((one) => ({ ...one }))
  })
const differs = (index: number, key: keyof ScheduleStage) =>
  props.body.stages != null && props.stages[index]?.[key] !== props.usual[index]?.[key]

const saying = useSaying()
/** What follows from the stage and the methods until it is set. */
const CARE = [
  { key: 'nMgPerL', none: '', unit: saying.value.litreUnit },
  { key: 'everyDays', none: 'once' },
  { key: 'lightHours', none: 'daylight' },
  { key: 'mixC', none: '' },
] as const

/** Where leaves have said how strong this crop likes its feed, the strength says so. */
const learnedFeed = computed(() => {
  const response = context.crops.get(props.body.cropId)?.feedResponse
  return response ? `, ${printNumber(response.factor, 2)} × from your records` : ''
})

const containers = computed(() =>
  context.containerList.map(({ id, name }) => ({ value: id as string | null, name })),
)
const mixes = computed(() => [{ value: null as string | null, name: 'no new mix' }, ...context.mixChoices])
const kinds = STAGE_KINDS.map((kind) => ({ value: kind, name: kind }))
const hardening = (index: number) => {
  const stage = props.planned?.stages[index]
  return stage ? hardeningPlan(stage.from, daysBetween(stage.from, stage.until)) : []
}
const places = computed(() => [
  { value: null as string | null, name: 'the usual place' },
  ...withOutside(season.frame?.places ?? []).map(({ id, name }) => ({ value: id as string | null, name })),
])
/** Half of it stands in the next place, to begin with. */
function setElsewhere(index: number, share: number | null) {
  const planned = props.planned?.stages[index]?.where.place.id
  const other = places.value.find(({ value }) => value !== null && value !== planned)?.value
  const placeId = elementAt(props.stages, index).elsewhere?.placeId ?? other
  editStage(index, { elsewhere: share === null || !placeId ? null : { placeId, share } })
}
const fixed = (index: number) => props.stages[index]?.kind === 'harden'
</script>

<template>
  <section class="schedule">
    <ol class="stages">
      <li v-for="(stage, index) in stages" :key="index">
        <ChoiceField
          :model-value="stage.kind"
          :label="`Stage ${index + 1}`"
          :choices="kinds"
          :problem="problemAt(`stages[${index}].kind`)"
          @update:model-value="editStage(index, { kind: $event })"
        />
        <RecordField
          :at="`stages[${index}].days`"
          :hint="
            stage.days === null && planned?.stages[index]
              ? `from ${printDay(elementAt(planned.stages, index).from)}`
              : 'set by you'
          "
        />
        <template v-if="!fixed(index)">
          <RecordField
            :at="`stages[${index}].containerId`"
            :choices="containers"
            :hint="
              differs(index, 'containerId')
                ? 'set by you'
                : planned?.stages[index]
                  ? sayContainers(elementAt(planned.stages, index))
                  : ''
            "
          />
          <RecordField v-if="index > 0" :at="`stages[${index}].plantsEach`" />
          <RecordField
            :at="`stages[${index}].recipeId`"
            placeholder="no new mix"
            :choices="mixes"
            :hint="planned?.stages[index]?.looseL ? volume(elementAt(planned.stages, index).looseL) : ''"
          />
        </template>
        <FoldAway v-else class="wide whole" title="Same pots, hardened off day by day">
          <ol class="days stack-s">
            <li v-for="day in hardening(index)" :key="day.on">
              <strong>{{ printDay(day.on) }}</strong>
              {{ day.hours === 24 ? 'day and night' : counted(day.hours, 'hour') }}:
              {{ day.where }}
            </li>
          </ol>
        </FoldAway>
        <FoldAway class="wide whole" kept-as="stage-conditions" title="Place, warmth, light and feed">
          <div class="conditions">
            <RecordField
              v-for="{ key, none, ...field } in CARE"
              :key="key"
              :at="`stages[${index}].${key}`"
              v-bind="field"
              :hint="
                stage[key] === null && planned?.stages[index]
                  ? none && !elementAt(planned.stages, index).care[key]
                    ? none
                    : key === 'mixC'
                      ? temperature(elementAt(planned.stages, index).care[key])
                      : `${printNumber(elementAt(planned.stages, index).care[key])}${key === 'nMgPerL' ? learnedFeed : ''}`
                  : 'set by you'
              "
            />
            <RecordField
              :at="`stages[${index}].placeId`"
              placeholder="usual"
              :choices="places"
              :hint="planned?.stages[index] ? elementAt(planned.stages, index).where.place.name : ''"
            />
            <RecordField
              v-if="index === 0"
              at="stages[0].upPlaceId"
              placeholder="usual"
              :choices="places"
              :hint="planned?.stages[0] ? first(planned.stages).where.untilUp.name : ''"
            />
            <TypedField
              :model-value="stage.elsewhere?.share ?? null"
              percent
              optional
              label="Share kept somewhere else"
              hint="none"
              :problem="problemAt(`stages[${index}].elsewhere.share`)"
              @update:model-value="setElsewhere(index, $event)"
            />
            <ChoiceField
              v-if="stage.elsewhere"
              :model-value="stage.elsewhere.placeId"
              label="Where"
              :choices="places.flatMap(({ value, name }) => (value === null ? [] : [{ value, name }]))"
              @update:model-value="editStage(index, { elsewhere: { ...stage.elsewhere, placeId: $event } })"
            />
          </div>
        </FoldAway>
        <Button v-if="index > 0" text :aria-label="`Delete stage ${index + 1}`" @click="removeStage(index)">
          <X aria-hidden="true" />
        </Button>
        <p v-if="planned?.stages[index]?.placed?.sharesWith.length" class="water whole">
          Shares a tray with {{ present(elementAt(planned.stages, index).placed).sharesWith.join(', ') }}.
        </p>
        <p v-else-if="planned?.stages[index]?.placed?.apart" class="water soft whole">
          Not in a tray with {{ present(present(elementAt(planned.stages, index).placed).apart).name }}:
          {{ present(present(elementAt(planned.stages, index).placed).apart).why }}.
        </p>
        <p v-if="planned?.stages[index]" class="water soft whole">
          Water: {{ elementAt(planned.stages, index).care.water }}.
        </p>
      </li>
    </ol>
    <div class="buttons">
      <Button @click="addStage"><Plus aria-hidden="true" /> Add a stage</Button>
      <Button v-if="body.stages" @click="emit('edit', (next) => (next.stages = null))">
        Reset to the usual schedule
      </Button>
    </div>
  </section>
</template>

<style scoped>
.stages > li {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(7.4rem, 1fr));
  gap: 0.3rem 0.6rem;
  align-items: start;
  padding: 0.6rem 0;
  border-top: 1px solid var(--line);
}

.conditions {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(7.4rem, 1fr));
  gap: 0.3rem 0.6rem;
}

.stages .icon-button {
  margin-top: 1.5rem;
}
</style>
