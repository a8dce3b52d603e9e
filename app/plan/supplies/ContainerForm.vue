<script setup lang="ts">
import { present } from '#core/present'
import type { Container } from '#core/containers/container'
import { cellVolume, cellWord } from '#core/containers/container'
import type { ContainerRecord } from '#shared/records/container'
import { asContainer, containerRecordOf } from '#shared/records/as-container'

/** A container of the household's own: by its dimensions, or by the water it holds. */
const props = defineProps<{ container?: Container }>()
const emit = defineEmits<{ saved: [id: string]; close: [] }>()

const household = useHousehold()
/** The household's own row of it, if there is one; a catalogue container is corrected, and stands in its place. */
const stored = computed(() =>
  household.everything?.containers.find(({ id, body }) => (body.basedOn ?? id) === props.container?.id),
)
const first: ContainerRecord = props.container
  ? copyOf(containerRecordOf(props.container))
  : {
      name: '',
      basedOn: null,
      kind: 'tray',
      cells: 40,
      measuredVolumeMl: null,
      shape: {
        form: 'rectangular',
        topLengthMm: 40,
        topWidthMm: 40,
        baseLengthMm: 28,
        baseWidthMm: 28,
        depthMm: 50,
      },
    }

const MEASURES = {
  rectangular: [
    ['topLengthMm', 'Top length'],
    ['topWidthMm', 'Top width'],
    ['baseLengthMm', 'Base length'],
    ['baseWidthMm', 'Base width'],
    ['depthMm', 'Depth'],
  ],
  round: [
    ['topDiameterMm', 'Top across'],
    ['baseDiameterMm', 'Base across'],
    ['depthMm', 'Depth'],
  ],
} as const
type Shape = ContainerRecord['shape']
const measure = (shape: Shape, key: string) => present((shape as unknown as Record<string, number>)[key])
const setMeasure = (draft: ContainerRecord, key: string, mm: number | null) =>
  (draft.shape = { ...draft.shape, [key]: mm ?? 0 } as Shape)
function setForm(draft: ContainerRecord, form: Shape['form']) {
  const { depthMm } = draft.shape
  draft.shape =
    form === 'round'
      ? { form, topDiameterMm: 100, baseDiameterMm: 75, depthMm }
      : { form, topLengthMm: 60, topWidthMm: 60, baseLengthMm: 45, baseWidthMm: 45, depthMm }
}
function setKind(draft: ContainerRecord, kind: ContainerRecord['kind']) {
  draft.kind = kind
  if (kind !== 'tray') draft.cells = 1
}
const wordFor = (draft: ContainerRecord) => cellWord(asContainer('', draft))
</script>

<template>
  <RecordForm
    v-slot="{ draft, problemAt, problems }"
    collection="containers"
    :header="stored || container ? (container?.name ?? 'Your container') : 'A container of your own'"
    :stored="stored"
    :first="first"
    @saved="emit('saved', $event.body.basedOn ?? $event.id)"
    @close="emit('close')"
  >
    <TextField v-model="draft.name" label="Name" :problem="problemAt('name')" />
    <TypedField
      v-model="draft.measuredVolumeMl"
      v-first-focus
      optional
      dimension="volume"
      :typical="0.1"
      :label="`Water one ${wordFor(draft)} holds`"
      :hint="`Weigh it empty and full of water: 1 g is 1 mL. Empty: estimated from its size.`"
      :problem="problemAt('measuredVolumeMl')"
      :unit-in-base="0.001"
    />
    <div class="three">
      <ChoiceField
        :model-value="draft.kind"
        label="Kind"
        :choices="[
          { value: 'tray', name: 'Tray of cells' },
          { value: 'pot', name: 'Pot, cup or bag' },
          { value: 'open tray', name: 'Open tray' },
          { value: 'block', name: 'Soil block' },
        ]"
        @update:model-value="setKind(draft, $event)"
      />
      <TypedField
        v-if="draft.kind === 'tray'"
        :model-value="draft.cells"
        label="Cells in one"
        :problem="problemAt('cells')"
        @update:model-value="draft.cells = $event ?? 0"
      />
      <ChoiceField
        :model-value="draft.shape.form"
        label="Shape"
        :choices="[
          { value: 'rectangular', name: 'Four-sided' },
          { value: 'round', name: 'Round' },
        ]"
        @update:model-value="setForm(draft, $event)"
      />
    </div>
    <div class="three">
      <TypedField
        v-for="[key, label] in MEASURES[draft.shape.form]"
        :key="key"
        :model-value="measure(draft.shape, key)"
        dimension="length"
        :typical="5"
        :label="label"
        :problem="problemAt(`shape.${key}`)"
        @update:model-value="setMeasure(draft, key, $event)"
      />
    </div>
    <p v-if="!problems.length">
      One {{ wordFor(draft) }} holds
      <strong><FigureValue :figure="cellVolume(asContainer('', draft))" /></strong>.
    </p>
  </RecordForm>
</template>
