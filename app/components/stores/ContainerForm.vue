<script setup lang="ts">
import { computed, ref, useId } from 'vue'
import ChoiceField from '~/components/fields/ChoiceField.vue'
import DialogForm from '~/components/fields/DialogForm.vue'
import FieldFrame from '~/components/fields/FieldFrame.vue'
import NumberField from '~/components/fields/NumberField.vue'
import QuantityField from '~/components/fields/QuantityField.vue'
import FigureValue from '~/components/figures/FigureValue.vue'
import { useProblemAt } from '~/composables/useProblemAt'
import { useSaving } from '~/composables/useSaving'
import { useHousehold } from '~/state/household'
import type { Container } from '#core/containers/container'
import { cellVolume, cellWord, containerProblems } from '#core/containers/container'
import { asContainer, type ContainerRecord } from '#shared/records/container'

/** A container of the household's own: by its dimensions, or by the water it holds. */
const props = defineProps<{ container?: Container }>()
const emit = defineEmits<{ saved: [id: string]; close: [] }>()

const household = useHousehold()
const { saving, save } = useSaving('containers')
const nameId = useId()

const own = computed(() => household.everything?.containers.find(({ id }) => id === props.container?.id))
const draft = ref<ContainerRecord>(begin())

function begin(): ContainerRecord {
  const { container } = props
  if (!container)
    return {
      name: '',
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
  const isOwn = household.everything?.containers.some(({ id }) => id === container.id)
  return {
    name: isOwn ? container.name : `${container.name}, ours`,
    kind: container.kind,
    cells: container.cells,
    measuredVolumeMl: container.measuredVolumeMl ?? null,
    shape: { ...container.shape },
  }
}

const asked = computed(() => asContainer('', draft.value))
const problems = computed(() => containerProblems(asked.value))
const word = computed(() => cellWord(asked.value))
const problemAt = useProblemAt(() => problems.value, saving)

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
const measures = computed(() => MEASURES[draft.value.shape.form])
const measure = (key: string) => (draft.value.shape as unknown as Record<string, number>)[key]!
function setMeasure(key: string, mm: number | null) {
  draft.value.shape = { ...draft.value.shape, [key]: mm ?? 0 } as ContainerRecord['shape']
}
function setForm(form: 'rectangular' | 'round') {
  const { depthMm } = draft.value.shape
  draft.value.shape =
    form === 'round'
      ? { form, topDiameterMm: 100, baseDiameterMm: 75, depthMm }
      : { form, topLengthMm: 60, topWidthMm: 60, baseLengthMm: 45, baseWidthMm: 45, depthMm }
}
function setKind(kind: ContainerRecord['kind']) {
  draft.value.kind = kind
  if (kind !== 'tray') draft.value.cells = 1
}

async function keep() {
  const stored = await save(own.value?.id ?? crypto.randomUUID(), own.value?.version ?? 0, draft.value)
  if (!stored) return
  emit('saved', stored.id)
  emit('close')
}
</script>

<template>
  <DialogForm
    :header="own ? 'Your container' : 'A container of your own'"
    :wrong="problems.length > 0"
    :saving="saving"
    @keep="keep"
    @close="emit('close')"
  >
    <FieldFrame :id="nameId" label="Name" :problem="problemAt('name')">
      <input :id="nameId" v-model="draft.name" class="input" autocomplete="off" />
    </FieldFrame>
    <QuantityField
      v-model="draft.measuredVolumeMl"
      v-first-focus
      optional
      dimension="volume"
      assume="mL"
      :label="`Water one ${word} holds`"
      :hint="`Weigh it empty and full: 1 g is 1 mL. Leave empty to reckon from the measures.`"
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
        @update:model-value="setKind"
      />
      <NumberField
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
        @update:model-value="setForm"
      />
    </div>
    <div class="three">
      <QuantityField
        v-for="[key, label] in measures"
        :key="key"
        :model-value="measure(key)"
        dimension="length"
        assume="mm"
        :label="label"
        :problem="problemAt(`shape.${key}`)"
        @update:model-value="setMeasure(key, $event)"
      />
    </div>
    <p v-if="!problems.length">
      One {{ word }} holds <strong><FigureValue :figure="cellVolume(asked)" /></strong>.
    </p>
  </DialogForm>
</template>
