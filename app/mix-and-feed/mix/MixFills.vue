<script setup lang="ts">
import { present } from '#core/present'
import { at } from '#core/numeric/at'
import { Minus, Plus, X } from '@lucide/vue'
import { counted } from '#core/text/plurals'
import { cellWord, cellVolume, type Container } from '#core/containers/container'
import { COVER_IS_THE_MIX } from '#core/media/batch-request'
import { FEELS, type Feel } from '#core/media/hydration'

/** What the mix must fill: containers with their count and cover. */
const context = useContext()
const mix = useMixDraft()

const PICTURE_PX = 62

const rows = computed(() =>
  mix.draft.fills.map((fill, index) => ({
    fill,
    index,
    container: context.containers.get(fill.containerId),
  })),
)
/** One scale for all, from the largest. */
const scale = computed(() => {
  const deepest = Math.max(...rows.value.map(({ container }) => size(container)), 60)
  return PICTURE_PX / deepest
})
const size = (container: Container | undefined) => {
  if (!container) return 0
  const { shape } = container
  return Math.max(shape.depthMm, shape.form === 'round' ? shape.topDiameterMm : shape.topWidthMm)
}

const mainMaterial = computed(
  () => [...mix.draft.parts].sort((a, b) => b.parts - a.parts)[0]?.materialId ?? 'loam',
)
const containerChoices = computed(() => [
  ...(context.ownContainers.length
    ? [{ group: 'Ours', choices: context.ownContainers.map(({ id, name }) => ({ value: id, name })) }]
    : []),
  ...(['tray', 'open tray', 'pot', 'block'] as const).map((kind) => ({
    group: { tray: 'Trays of cells', 'open tray': 'Open trays', pot: 'Pots', block: 'Soil blocks' }[kind],
    choices: context.containerList
      .filter((container) => container.kind === kind && !context.ownContainers.includes(container))
      .map(({ id, name }) => ({ value: id, name })),
  })),
])
const coverChoices = computed(() => [
  { value: COVER_IS_THE_MIX, name: 'the mix' },
  ...context.media.map(({ id, name }) => ({ value: id, name })),
])

const NO_BALL = 'nothing: sown in it'
const ballChoices = computed(() => [
  { value: NO_BALL, name: NO_BALL },
  ...context.containerList.map(({ id, name }) => ({ value: id, name })),
])
const AS_THE_BATCH = 'as usual'
const feelChoices = [AS_THE_BATCH, ...FEELS].map((feel) => ({ value: feel, name: feel }))

const adding = ref<string>()
function add(containerId: string) {
  mix.addFill(containerId)
  // The list goes back to its invitation.
  adding.value = containerId
  void nextTick(() => (adding.value = undefined))
}

/** What is refused is shown. */
const problemIn = (index: number) =>
  ['coverMm', 'coverMaterialId', 'topMm', 'plants', 'ballContainerId'].some((field) =>
    mix.problemAt(`fills[${index}].${field}`),
  )
const measuring = ref<{ container: Container; index: number } | null>(null)
function measured(id: string) {
  const { index } = present(measuring.value)
  mix.change('container', (draft) => (at(draft.fills, index).containerId = id))
}
</script>

<template>
  <section class="stack-l" aria-labelledby="fills-title">
    <h2 id="fills-title">What it fills</h2>
    <ul class="fills">
      <li v-for="{ fill, index, container } in rows" :key="index" class="fill">
        <div class="picture">
          <ContainerSection
            v-if="container"
            :container="container"
            :fill="
              fill.coverMm > 0
                ? mix.draft.allowances.fillUnderCover
                : container.kind === 'block'
                  ? 1
                  : mix.draft.allowances.fill
            "
            :cover-mm="fill.coverMm"
            :mix-material-id="mainMaterial"
            :cover-material-id="
              fill.coverMaterialId === COVER_IS_THE_MIX ? mainMaterial : fill.coverMaterialId
            "
            :scale="scale"
          />
        </div>
        <div class="what stack-s">
          <div class="row">
            <div class="count">
              <IconButton
                :icon="Minus"
                :aria-label="`One ${container?.name ?? 'container'} less`"
                :disabled="fill.count <= 1"
                @click="mix.setCount(index, fill.count - 1)"
              />
              <TypedField
                :model-value="fill.count"
                :label="`How many: ${container?.name ?? 'container'}`"
                hide-label
                :problem-id="mix.problemAt(`fills[${index}].count`) && `fill-${index}-count`"
                @update:model-value="mix.setCount(index, $event ?? 0)"
              />
              <IconButton
                :icon="Plus"
                :aria-label="`One ${container?.name ?? 'container'} more`"
                @click="mix.setCount(index, fill.count + 1)"
              />
            </div>
            <strong class="name">{{ container?.name ?? 'A container that is no longer here' }}</strong>
            <Button
              text
              :aria-label="`Delete ${container?.name ?? 'this container'}`"
              @click="mix.removeFill(index)"
            >
              <X aria-hidden="true" />
            </Button>
          </div>
          <p
            v-for="field in ['count', 'containerId', 'coverMaterialId', 'topMm']"
            v-show="mix.problemAt(`fills[${index}].${field}`)"
            :id="`fill-${index}-${field}`"
            :key="field"
            class="problem"
            role="alert"
          >
            {{ mix.problemAt(`fills[${index}].${field}`) }}
          </p>
          <p v-if="container && mix.plan?.fills[index]" class="soft small">
            <template v-if="fill.cells">{{ counted(Math.round(fill.cells), 'cell') }} filled · </template
            >takes
            <FigureValue :figure="at(mix.plan.fills, index).looseL" />
            <template v-if="at(mix.plan.fills, index).lowerL">
              over <FigureValue :figure="present(at(mix.plan.fills, index).lowerL)" />
            </template>
          </p>
          <FoldAway
            v-if="container"
            title="Cover, layers, potting up"
            :needed="!!(problemIn(index) || fill.coverMm || fill.topMm)"
          >
            <p class="soft small">
              <FigureValue :figure="cellVolume(container)" /> a {{ cellWord(container) }}
              <button type="button" class="link" @click="measuring = { container, index }">
                {{ container.measuredVolumeMl === undefined ? 'Correct it' : 'measured' }}
              </button>
            </p>
            <div class="cover row">
              <span>Cover</span>
              <TypedField
                :model-value="fill.coverMm"
                dimension="length"
                :typical="5"
                :label="`Cover on ${container?.name ?? 'it'}`"
                hide-label
                :problem="mix.problemAt(`fills[${index}].coverMm`)"
                @update:model-value="
                  (mm) => mix.change(`cover-${index}`, (draft) => (at(draft.fills, index).coverMm = mm ?? 0))
                "
              />
              <span>of</span>
              <ChoiceField
                :model-value="fill.coverMaterialId"
                :label="`What covers ${container?.name ?? 'it'}`"
                hide-label
                :choices="coverChoices"
                @update:model-value="
                  (id) => mix.change('cover', (draft) => (at(draft.fills, index).coverMaterialId = id))
                "
              />
            </div>
            <div v-if="container && container.kind !== 'block'" class="layer row">
              <CheckField
                :aria-label="`${container.name} in two layers`"
                :model-value="fill.topMm != null"
                @update:model-value="mix.layer(index, $event)"
                >{{ fill.topMm == null ? 'in two layers' : 'of this mix the top' }}</CheckField
              >
              <TypedField
                v-if="fill.topMm != null"
                :model-value="fill.topMm"
                dimension="length"
                :typical="5"
                :label="`Depth of the top layer in ${container.name}`"
                hide-label
                @update:model-value="mix.setLayer(index, $event ?? 0)"
              />
            </div>
            <div class="pair">
              <TypedField
                :model-value="fill.plants ?? 1"
                :label="`Plants in each ${cellWord(container)}`"
                :problem="mix.problemAt(`fills[${index}].plants`)"
                @update:model-value="
                  (plants) =>
                    mix.change(`plants-${index}`, (draft) => (at(draft.fills, index).plants = plants))
                "
              />
              <ChoiceField
                :model-value="fill.ballContainerId ?? NO_BALL"
                label="Potted up out of"
                :choices="ballChoices"
                @update:model-value="
                  (id) =>
                    mix.change(
                      'ball',
                      (draft) => (at(draft.fills, index).ballContainerId = id === NO_BALL ? null : id),
                    )
                "
              />
              <ChoiceField
                :model-value="fill.feel ?? AS_THE_BATCH"
                label="This part wet like"
                :choices="feelChoices"
                @update:model-value="
                  (feel) =>
                    mix.change(
                      'feel',
                      (draft) =>
                        (at(draft.fills, index).feel = feel === AS_THE_BATCH ? null : (feel as Feel)),
                    )
                "
              />
            </div>
            <p v-if="mix.problemAt(`fills[${index}].ballContainerId`)" class="problem" role="alert">
              {{ mix.problemAt(`fills[${index}].ballContainerId`) }}
            </p>
          </FoldAway>
        </div>
      </li>
    </ul>
    <MixLower />
    <p v-if="mix.problemAt('fills')" class="problem" role="alert">{{ mix.problemAt('fills') }}</p>
    <ChoiceField
      :model-value="adding"
      label="Add a container"
      hide-label
      :choices="containerChoices"
      placeholder="Add a tray, pot or block …"
      @update:model-value="add"
    />
    <ContainerForm
      v-if="measuring"
      :container="measuring.container"
      @saved="measured"
      @close="measuring = null"
    />
  </section>
</template>

<style scoped>
section {
  align-content: start;
}

.fill {
  display: grid;
  grid-template-columns: 4.6rem 1fr;
  gap: 0.8rem;
  padding: 0.7rem 0;
  border-top: 1px solid var(--line);
}

.fills {
  border-bottom: 1px solid var(--line);
}

.picture {
  display: grid;
  justify-items: center;
  align-items: end;
  align-self: start;
  min-height: 4.2rem;
  padding-top: 0.35rem;
}

.name {
  flex: 1 1 100%;
  order: -1;
  line-height: 1.15;
}

.count {
  display: flex;
  align-items: center;
}

.count .icon-button {
  width: 2.25rem;
}

.count :deep(.input) {
  width: 3.6rem;
  text-align: center;
  font-weight: 700;
}

.cover {
  align-items: baseline;
}

.cover > :nth-child(2) {
  flex: 0 0 5.5rem;
}

.cover > :last-child {
  flex: 1 1 9rem;
}

.layer label {
  display: flex;
  gap: 0.5rem;
  align-items: center;
  min-height: 2rem;
  cursor: pointer;
}

.layer :deep(.field) {
  width: 7rem;
}

@media (max-width: 30rem) {
  .fill {
    grid-template-columns: 1fr;
  }

  .picture {
    display: none;
  }
}
</style>
