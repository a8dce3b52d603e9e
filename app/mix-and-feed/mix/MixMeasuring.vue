<script setup lang="ts">
import { present } from '#core/present'
import { DEFAULT_ALLOWANCES } from '#core/media/batch-request'
import { FEELS } from '#core/media/hydration'
import { DAMPNESSES } from '#core/media/moisture'
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
const setScoop = (litres: number) =>
  mix.change('scoop', (draft) => (draft.scoop = { name: ownScoop(litres), volumeL: litres }))
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
const ALLOWANCES = [
  ['spare', 'Spare'],
  ['fill', 'Filled to'],
  ['fillUnderCover', 'Filled under a cover'],
  ['mixingLossK', 'Even mix loses'],
] as const
const hintOf = (key: (typeof ALLOWANCES)[number][0] | 'blockCompression') =>
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
        <TypedField
          :model-value="mix.draft.scoop.volumeL"
          dimension="volume"
          label="It holds"
          :problem="mix.problemAt('scoop.volumeL')"
          @update:model-value="setScoop($event ?? 0)"
        />
        <ChoiceField
          :model-value="mix.draft.feel"
          label="Moisture: like a"
          :choices="FEELS.map((feel) => ({ value: feel, name: feel }))"
          @update:model-value="(feel) => mix.change('feel', (draft) => (draft.feel = feel))"
        />
        <TypedField
          :model-value="mix.draft.tubL"
          optional
          dimension="volume"
          label="Tub to stir in"
          hint="as large as needed"
          :problem="mix.problemAt('tubL')"
          @update:model-value="(value) => mix.change('tub', (draft) => (draft.tubL = value))"
        />
        <ChoiceField
          v-if="bagged"
          :model-value="mix.draft.dampness"
          label="How damp is the bag?"
          :choices="DAMPNESSES.map((one) => ({ value: one, name: one }))"
          @update:model-value="(one) => mix.change('dampness', (draft) => (draft.dampness = one))"
        />
      </div>
      <div class="pair">
        <TypedField
          v-for="[key, label] in ALLOWANCES"
          :key="key"
          :model-value="mix.draft.allowances[key]"
          percent
          :label="label"
          :hint="hintOf(key)"
          :problem="mix.problemAt(`allowances.${key}`)"
          @update:model-value="
            (value) => mix.change(`allowance-${key}`, (draft) => (draft.allowances[key] = value ?? 0))
          "
        />
        <TypedField
          :model-value="mix.draft.allowances.blockCompression"
          label="Blocks are pressed"
          unit="×"
          :hint="hintOf('blockCompression')"
          :problem="mix.problemAt('allowances.blockCompression')"
          @update:model-value="
            (value) =>
              mix.change('allowance-block', (draft) => (draft.allowances.blockCompression = value ?? 0))
          "
        />
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
