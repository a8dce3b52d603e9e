<script setup lang="ts">
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

type Shape = ContainerRecord['shape']
const measures = (shape: Shape) => Object.keys(shape).filter((key) => key !== 'form')
/** Another shape begins with usual sides; its depth stays. */
function startShape(draft: ContainerRecord) {
  const { form, depthMm } = draft.shape
  draft.shape =
    form === 'round'
      ? { form, topDiameterMm: 100, baseDiameterMm: 75, depthMm }
      : { form, topLengthMm: 60, topWidthMm: 60, baseLengthMm: 45, baseWidthMm: 45, depthMm }
}
const wordFor = (draft: ContainerRecord) => cellWord(asContainer('', draft))
</script>

<template>
  <RecordForm
    v-slot="{ draft, problems }"
    collection="containers"
    :header="stored || container ? (container?.name ?? 'Your container') : 'A container of your own'"
    :stored="stored"
    :first="first"
    @saved="emit('saved', $event.body.basedOn ?? $event.id)"
    @close="emit('close')"
  >
    <RecordField at="name" />
    <RecordField v-first-focus at="measuredVolumeMl" :label="`Water one ${wordFor(draft)} holds`" />
    <div class="three">
      <RecordField at="kind" @change="draft.kind !== 'tray' && (draft.cells = 1)" />
      <RecordField v-if="draft.kind === 'tray'" at="cells" />
      <RecordField at="shape.form" @change="startShape(draft)" />
    </div>
    <div class="three">
      <RecordField v-for="key in measures(draft.shape)" :key="key" :at="`shape.${key}`" />
    </div>
    <p v-if="!problems.length">
      One {{ wordFor(draft) }} holds
      <strong><FigureValue :figure="cellVolume(asContainer('', draft))" /></strong>.
    </p>
  </RecordForm>
</template>
