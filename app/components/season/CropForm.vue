<script setup lang="ts">
import { computed, ref, useId } from 'vue'
import ChoiceField from '~/components/fields/ChoiceField.vue'
import DialogForm from '~/components/fields/DialogForm.vue'
import FieldFrame from '~/components/fields/FieldFrame.vue'
import NumberField from '~/components/fields/NumberField.vue'
import { copyOf } from '~/composables/copyOf'
import { useProblemAt } from '~/composables/useProblemAt'
import { useSaving } from '~/composables/useSaving'
import { useHousehold } from '~/state/household'
import { cropProblems, type Crop } from '#core/sowing/crop'
import { EMERGENCE_DAYS } from '#core/sowing/emergence'
import { LADDERS } from '#core/season/ladder'
import { crop as cropShape, cropRecordOf, type CropRecord } from '#shared/records/crop'
import { CROPS } from '#core/sowing/crops'

/** A crop put right for this place, or one of the household's own after the likeness of another. */
const props = defineProps<{ crop: Crop; asNew: boolean }>()
const emit = defineEmits<{ close: [] }>()
const household = useHousehold()
const { saving, save } = useSaving('crops')
const nameId = useId()

const stored = household.crops.find(
  ({ id, body }) => !props.asNew && (id === props.crop.id || body.basedOn === props.crop.id),
)
const draft = ref<CropRecord>(
  props.asNew
    ? { ...cropRecordOf(props.crop), basedOn: null, name: '' }
    : stored?.body
      ? copyOf(stored.body)
      : cropRecordOf(props.crop),
)
const f = computed(() => draft.value.figures)
const problems = computed(() => [
  ...cropProblems(f.value).map((problem) => ({ ...problem, path: ['figures', ...problem.path] })),
  ...(draft.value.name.trim() ? [] : [{ path: ['name'], message: 'Give it a name.' }]),
])
const problemAt = useProblemAt(() => problems.value, saving)
const NUMBERS = [
  { key: 'outAfterFrostWeeks', label: 'Out, weeks after frost', hint: 'negative: before it' },
  { key: 'depthMm', label: 'Depth', unit: 'mm' },
  { key: 'warmthC', label: 'Warmth', unit: '°C' },
  { key: 'lowestNightC', label: 'Lowest night', unit: '°C' },
  { key: 'germination', label: 'Germination', percent: true },
  { key: 'seedsPerCell', label: 'Seeds in a cell' },
] as const
const same = <Value extends string>(...values: Value[]) => values.map((value) => ({ value, name: value }))
const kin = same(...Object.keys(EMERGENCE_DAYS))

async function keep() {
  const body = cropShape.parse(draft.value)
  if (await save(stored?.id ?? crypto.randomUUID(), stored?.version ?? 0, body)) emit('close')
}
async function back() {
  if (!stored) return
  await household.remove('crops', stored)
  emit('close')
}
const inBook = CROPS.some(({ id }) => id === props.crop.id)
</script>

<template>
  <DialogForm
    :header="asNew ? `A crop like ${crop.name.toLowerCase()}` : crop.name"
    :wrong="problems.length > 0"
    :saving="saving"
    @keep="keep"
    @close="emit('close')"
  >
    <FieldFrame :id="nameId" label="Name" :problem="problemAt('name')">
      <input :id="nameId" v-model="draft.name" class="input" autocomplete="off" />
    </FieldFrame>
    <div class="three">
      <NumberField
        :model-value="f.weeks[0]"
        label="Weeks, from"
        :problem="problemAt('figures.weeks[0]')"
        @update:model-value="f.weeks[0] = $event ?? 0"
      />
      <NumberField
        :model-value="f.weeks[1]"
        label="to"
        hint="before planting out"
        :problem="problemAt('figures.weeks[1]')"
        @update:model-value="f.weeks[1] = $event ?? 0"
      />
      <NumberField
        v-model="f.weeksBeforeFrost"
        optional
        label="Wants outside, weeks"
        hint="before autumn’s frost; empty for hardy"
        :problem="problemAt('figures.weeksBeforeFrost')"
      />
      <NumberField
        v-for="{ key, ...field } in NUMBERS"
        :key="key"
        v-bind="field"
        :model-value="f[key]"
        :problem="problemAt(`figures.${key}`)"
        @update:model-value="f[key] = $event ?? 0"
      />
      <NumberField
        :model-value="f.emergence.factor"
        label="Days, times those of"
        :problem="problemAt('figures.emergence.factor')"
        @update:model-value="f.emergence.factor = $event ?? 0"
      />
    </div>
    <div class="pair">
      <ChoiceField v-model="f.emergence.like" label="Comes up as" :choices="kin" />
      <ChoiceField v-model="f.light" label="Light" :choices="same('wants light', 'wants dark', 'either')" />
      <ChoiceField v-model="f.appetite" label="Appetite" :choices="same('light', 'medium', 'heavy')" />
      <ChoiceField
        v-model="f.ladderId"
        label="Usual ladder"
        :choices="LADDERS.map(({ id, name }) => ({ value: id, name }))"
      />
    </div>
    <label><input v-model="f.clump" type="checkbox" /> stays together as a clump</label>
    <label><input v-model="f.buryStem" type="checkbox" /> roots from a buried stem</label>
    <label><input v-model="f.autumn" type="checkbox" /> also sown for autumn</label>
    <template #more>
      <button v-if="stored && inBook" type="button" class="button" @click="back">Back to the book</button>
    </template>
  </DialogForm>
</template>

<style scoped>
label {
  display: flex;
  gap: 0.5rem;
  align-items: center;
}
</style>
