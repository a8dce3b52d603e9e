<script setup lang="ts">
import { present } from '#core/present'
import {
  MATERIAL_FIGURES,
  type Material,
  type MaterialFigure,
  type MaterialFigures,
} from '#core/media/material'
import { BUILT_IN } from '#core/media/materials'
import { FIT_ENOUGH, fitError } from '#core/media/retention'
import { printNumber, printShare } from '#core/units/format'
import { fieldAt } from '#shared/records/field-at'
import { material as schema, type MaterialRecord } from '#shared/records/material'

/** A material's figures, each with its source, to be corrected by the household's own measuring. */
const props = defineProps<{ material?: Material }>()
const emit = defineEmits<{ close: [] }>()

const household = useHousehold()

const source = computed(() => props.material ?? present(BUILT_IN.get('compost')))
const figuresOf = (material: Material) =>
  Object.fromEntries(MATERIAL_FIGURES.map((key) => [key, material[key]])) as unknown as MaterialFigures
const original = computed(() => (props.material ? BUILT_IN.get(props.material.id) : undefined))
const stored = computed(() =>
  household.everything?.materials.find(({ id, body }) => (body.basedOn ?? id) === props.material?.id),
)
const first: MaterialRecord = {
  name: props.material?.name ?? '',
  basedOn: original.value ? original.value.id : null,
  figures: figuresOf(source.value),
  packL: 20,
  sustainability: props.material?.sustainability ?? '',
}

/** How well a curve goes through the four points of water. */
const fit = ({ figures: { theta0, theta10, theta50, theta100 } }: MaterialRecord) =>
  fitError([theta0, theta10, theta50, theta100])

const tags = computed(() => [...new Set(MATERIAL_FIGURES.map((key) => source.value.sources[key].tag))])
/** What stands beside a field: the built-in value when it was changed, else where it comes from. */
function hint(draft: MaterialRecord, key: MaterialFigure) {
  const before = original.value?.[key]
  if (before === undefined || before === (draft.figures[key] ?? before)) return source.value.sources[key].tag
  return `was ${fieldAt(schema, `figures.${key}`).unit === 'share' ? printShare(before) : printNumber(before)}`
}
</script>

<template>
  <RecordForm
    collection="materials"
    :header="material ? material.name : 'A material of your own'"
    :stored="stored"
    :first="first"
    @close="emit('close')"
  >
    <template #default="{ draft }">
      <RecordField v-first-focus at="name" />
      <p v-if="material" class="soft">{{ material.sustainability }}</p>
      <p v-if="original" class="soft small">
        {{ original.sources.theta10.cite }}. Type over what you measured; the rest stays standard.
      </p>
      <p class="small" :class="fit(draft) > FIT_ENOUGH ? 'problem' : 'soft'" role="status">
        {{
          fit(draft) > FIT_ENOUGH
            ? `No smooth curve goes through these four points: it misses them by ${printShare(fit(draft))} of volume. Look at them again.`
            : `The curve through the four points misses them by ${printShare(fit(draft))} of volume.`
        }}
      </p>
      <div class="three">
        <RecordField
          v-for="key in MATERIAL_FIGURES"
          :key="key"
          :at="`figures.${key}`"
          :usual="source[key]"
          :hint="hint(draft, key)"
        />
      </div>
      <p class="soft small">
        Where these come from:
        <template v-for="tag in tags" :key="tag"><SourceMark :tag="tag" />&ensp;</template>
      </p>
    </template>
    <template #more="{ draft }">
      <Button v-if="original" @click="draft.figures = figuresOf(original)"> Reset to standard </Button>
    </template>
  </RecordForm>
</template>
