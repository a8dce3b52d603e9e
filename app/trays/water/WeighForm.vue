<script setup lang="ts">
import { sayWeightDoubt } from '#shared/messages/readings'
import { present } from '#core/present'
import { isScale, TOOL_HABITS } from '#core/feed/tool'
import type { Day } from '#core/calendar/day'
import type { WEIGHED } from '#core/water/watering-events'
import { doubtOf } from '#core/water/weighing'
import { newEntry, waterRow } from '#shared/records/new-entry'
import { SCALE_SD_G, type WaterStore } from '#shared/derived/water'

/** A tray on the scale: dry, just watered, or as it stands. */
const props = defineProps<{ trayId: string; name: string; store: WaterStore; plantsG: number; by?: string }>()
const emit = defineEmits<{ close: [] }>()
const season = useSeason()
const context = useContext()
const water = useWater()
const { onScale } = useOnScale()

const NAMES = {
  now: 'as it is now',
  watered: 'just watered and drained',
  dry: 'dry, before it was watered at all',
}
const moment = ref<(typeof WEIGHED)[number]>('now')
const grams = ref<number | null>(null)
const extra = ref<number | null>(null)
const on = ref<Day | null>(season.today)
const at = ref(water.time)
const scales = computed(() => context.tools.filter(({ kind }) => isScale(kind)))
const scaleId = ref<string | null>(scales.value[0]?.id ?? null)
/** Of the scale, and of drops that hang on a tray, g. */
const sdG = computed(() => {
  const kind = scales.value.find(({ id }) => id === scaleId.value)?.kind
  return kind ? Math.max(3, TOOL_HABITS[kind].absoluteG ?? SCALE_SD_G) : SCALE_SD_G
})
const net = computed(() => (grams.value === null ? null : grams.value - (extra.value ?? 0)))
const { mass } = useMeasures()
const doubt = computed(() =>
  net.value === null ? null : doubtOf(props.store.store, net.value, moment.value, props.plantsG),
)
const sure = ref(false)
const future = computed(() =>
  on.value !== null && (on.value > season.today || (on.value === season.today && at.value > water.time))
    ? 'That is still to come.'
    : undefined,
)
const timeProblem = computed(() => (/^\d{2}:\d{2}$/.test(at.value) ? undefined : 'A time of day, as 07:30.'))
const wrong = computed(
  () =>
    net.value === null ||
    doubt.value?.kind === 'refused' ||
    (doubt.value?.kind === 'asked' && !sure.value) ||
    !on.value ||
    !!future.value ||
    !!timeProblem.value,
)
const entry = () =>
  newEntry({
    name: `Weighed: ${props.name}`,
    kind: 'weighed',
    on: present(on.value),
    at: at.value,
    subjects: [{ what: 'trays', id: props.trayId, stage: null }],
    water: [waterRow({ trayId: props.trayId, grams: net.value, moment: moment.value, sdG: sdG.value })],
  })
</script>

<template>
  <EntryForm
    :header="`Weigh ${name}`"
    keep-label="Save"
    :wrong="wrong"
    :entry="entry"
    :done="`Weighed: ${name}.`"
    @close="emit('close')"
  >
    <TypedField
      v-model="grams"
      v-first-focus
      label="It weighs"
      dimension="mass"
      :typical="onScale"
      hint="with its saucer and all that is in it"
      :problem="doubt?.kind === 'refused' ? sayWeightDoubt(doubt, mass) : undefined"
    />
    <LiveWeight @take="grams = $event" />
    <ChoiceField
      v-model="moment"
      label="When"
      :choices="(['now', 'watered', 'dry'] as const).map((value) => ({ value, name: NAMES[value] }))"
    />
    <TypedField
      v-model="extra"
      label="Weighed with it, to take off"
      dimension="mass"
      :typical="100"
      optional
      hint="a board or a basin under it; empty where nothing"
    />
    <p v-if="doubt?.kind === 'asked'" class="problem" role="alert">{{ sayWeightDoubt(doubt, mass) }}</p>
    <CheckField v-if="doubt?.kind === 'asked'" v-model="sure" label="It is so: keep it" />
    <ChoiceField
      v-if="scales.length > 1"
      v-model="scaleId"
      label="On"
      :choices="scales.map(({ id, name: of }) => ({ value: id as string | null, name: of }))"
    />
    <div class="pair">
      <DayField v-model="on" label="On" :problem="future" />
      <FieldFrame id="weighed-at" label="At" :problem="timeProblem">
        <InputText id="weighed-at" v-model="at" type="time" />
      </FieldFrame>
    </div>
  </EntryForm>
</template>
