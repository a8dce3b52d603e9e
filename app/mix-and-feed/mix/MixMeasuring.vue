<script setup lang="ts">
import { present } from '#core/present'
import { DEFAULT_ALLOWANCES } from '#core/media/batch-request'
import { batchFields } from '#shared/records/batch'
import { usualScoops } from '#core/media/usual-scoop'

/** With what it is measured and stirred, how moist it is, and what is added for settling and loss. */
const household = useHousehold()
const context = useContext()
const mix = useMixDraft()
const { volume } = useMeasures()

const OWN_SIZE = 'own size'
const scoopChoices = computed(() => [
  ...context.scoops.map(({ name, capacityMl }) => ({
    value: name,
    name,
    volumeL: present(capacityMl) / 1000,
  })),
  ...usualScoops(household.units).map((scoop) => ({ value: scoop.name, ...scoop })),
  { value: OWN_SIZE, name: 'Another size', volumeL: null },
])
function chooseScoop(value: string) {
  const choice = scoopChoices.value.find((candidate) => candidate.value === value)
  mix.change('scoop', (draft) => {
    draft.scoop = {
      name: value === OWN_SIZE ? ownScoop(draft.scoop.volumeL) : value,
      volumeL: choice?.volumeL ?? draft.scoop.volumeL,
    }
  })
}
/** A measure of another size is called by what it holds. */
const ownScoop = (litres: number) => `${volume(litres)} measure`
provideRecordDraft({
  draft: toRef(mix, 'draft'),
  schema: batchFields,
  words: 'batches',
  problemAt: mix.problemAt,
  change: (path, next) =>
    mix.change(path, (draft) => {
      Object.assign(draft, next)
      if (path === 'scoop.volumeL') draft.scoop.name = ownScoop(draft.scoop.volumeL)
    }),
})
const scoopChosen = computed(() =>
  scoopChoices.value.some(
    ({ value, volumeL }) => value === mix.draft.scoop.name && volumeL === mix.draft.scoop.volumeL,
  )
    ? mix.draft.scoop.name
    : OWN_SIZE,
)
/** Ready mix comes dusty or dripping: how damp it is decides what is stirred in. */
const bagged = computed(() =>
  [...mix.draft.parts, ...mix.draft.lowerParts].some(
    ({ materialId }) => context.materials.get(materialId)?.bagged,
  ),
)
const packLines = computed(() => mix.plan?.lines.filter(({ material }) => material.packs.length > 1) ?? [])
const ALLOWANCES = ['spare', 'fill', 'fillUnderCover', 'mixingLossK', 'blockCompression'] as const
const hintOf = (key: (typeof ALLOWANCES)[number]) =>
  mix.draft.allowances[key] === DEFAULT_ALLOWANCES[key] ? 'default' : 'yours'
</script>

<template>
  <FoldAway title="Scoop, moisture and spare" kept-as="mix-measuring">
    <div class="groups stack-l">
      <div class="pair">
        <ChoiceField
          :model-value="scoopChosen"
          label="Measure with"
          :choices="scoopChoices"
          @update:model-value="chooseScoop"
        />
        <RecordField at="scoop.volumeL" />
        <RecordField at="feel" />
        <RecordField at="tubL" />
        <RecordField v-if="bagged" at="dampness" />
      </div>
      <div class="pair">
        <RecordField v-for="key in ALLOWANCES" :key="key" :at="`allowances.${key}`" :hint="hintOf(key)" />
      </div>
      <div v-if="packLines.length" class="pair">
        <ChoiceField
          v-for="line in packLines"
          :key="line.material.id"
          :model-value="line.pack.id"
          :label="`${line.material.name} comes in`"
          :choices="line.material.packs.map(({ id, name }) => ({ value: id, name }))"
          @update:model-value="(id) => mix.change('pack', (draft) => (draft.packIds[line.material.id] = id))"
        />
      </div>
    </div>
  </FoldAway>
</template>
