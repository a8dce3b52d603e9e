<script setup lang="ts">
import { at } from '#core/numeric/at'
import { useMediaQuery } from '@vueuse/core'
import { ArrowRightLeft, X } from '@lucide/vue'
import { MAX_SHARE, type Part } from '#core/media/recipe'
import { printNumber, printShare } from '#core/units/format'
import { layBands, unevenLine } from '#shared/drawings/section-layout'
import { textureFill } from '#shared/drawings/textures'

/** The recipe as a section through the mix: a band a material, with edges that drag. */
const props = defineProps<{ parts: readonly Part[]; problemAt: (field: string) => string | undefined }>()
const context = useContext()
const emit = defineEmits<{
  parts: [index: number, parts: number]
  share: [index: number, share: number]
  boundary: [boundary: number, upperParts: number]
  remove: [index: number]
  swap: [materialId: string]
}>()

const WIDTH = 168
const LABEL = 76
const STEP = 0.25

/** On a phone the answer under it is in sight. */
const narrow = useMediaQuery('(max-width: 52rem)')
const height = computed(() => Math.max(narrow.value ? 240 : 400, props.parts.length * LABEL))
const sum = computed(() => props.parts.reduce((total, { parts }) => total + Math.max(0, parts), 0))
const bands = computed(() =>
  layBands(
    props.parts.map(({ parts }) => parts),
    height.value,
    LABEL,
  ),
)
const rows = computed(() =>
  props.parts.map((part, index) => ({
    ...part,
    index,
    name: context.materials.get(part.materialId)?.name ?? 'No longer here',
    share: sum.value > 0 ? Math.max(0, part.parts) / sum.value : 0,
    band: at(bands.value, index),
  })),
)

function outline(index: number): string {
  const { top, height: tall } = at(bands.value, index)
  const last = index === bands.value.length - 1
  const floor = last
    ? `${WIDTH} ${height.value}L0 ${height.value}`
    : reversed(unevenLine(top + tall, WIDTH, index + 1))
  const ceiling = index === 0 ? unevenLine(6, WIDTH, 0) : unevenLine(top, WIDTH, index)
  return `M${ceiling}L${floor}Z`
}
const reversed = (line: string) => line.split('L').reverse().join('L')

const text = computed(
  () =>
    `Section through the mix: ${rows.value.map(({ name, share }) => `${name} ${printShare(share)}`).join(', ')}.`,
)

/** Where growers write recipes in per cent, they type them in per cent. */
const perCent = defineModel<boolean>('perCent', { default: false })
const tooMuch = ref<number | null>(null)
function setPerCent(index: number, share: number) {
  const possible = share > 0 && share <= MAX_SHARE && props.parts.length > 1
  tooMuch.value = possible ? null : index
  if (possible) emit('share', index, share)
}

/** Parts of the upper band with its edge at a height of the drawing, px. */
const upperAt = (boundary: number, y: number) =>
  ((y - at(bands.value, boundary).top) / height.value) * sum.value
const lowerOf = (boundary: number) => at(props.parts, boundary + 1).parts
/** A vertical slider's value grows upwards: it is what the lower band has. */
const bothOf = (boundary: number) => at(props.parts, boundary).parts + lowerOf(boundary)
</script>

<template>
  <div class="section" :style="{ height: `${height}px` }">
    <svg :width="WIDTH + 36" :height="height" role="group" :aria-label="text">
      <g>
        <path
          v-for="row in rows"
          :key="row.materialId"
          :d="outline(row.index)"
          :fill="textureFill(row.materialId)"
          class="band"
        >
          <title>{{ row.name }}</title>
        </path>
      </g>
      <path
        fill="none"
        stroke="var(--ink)"
        stroke-width="2.5"
        stroke-linejoin="round"
        :d="`M1 0V${height - 1}H${WIDTH - 1}V0`"
      />
      <path
        v-for="row in rows"
        :key="`lead-${row.materialId}`"
        fill="none"
        stroke="var(--line-strong)"
        stroke-width="1.5"
        :d="`M${WIDTH + 2} ${row.band.top + row.band.height / 2}L${WIDTH + 12} ${row.band.top + row.band.height / 2}L${WIDTH + 26} ${row.band.labelY}H${WIDTH + 34}`"
      />
      <DragHandle
        v-for="row in rows.slice(0, -1)"
        :key="`edge-${row.materialId}`"
        class="edge"
        aria-orientation="vertical"
        :label="`Edge between ${row.name} and ${at(rows, row.index + 1).name}`"
        :value="lowerOf(row.index)"
        :min="STEP"
        :max="bothOf(row.index) - STEP"
        :says="`${row.name} ${printNumber(row.parts)} parts, ${at(rows, row.index + 1).name} ${printNumber(lowerOf(row.index))} parts`"
        :step="STEP"
        :page="1"
        :at="({ y }) => bothOf(row.index) - upperAt(row.index, y)"
        @move="emit('boundary', row.index, bothOf(row.index) - $event)"
      >
        <rect fill="transparent" x="0" :y="row.band.top + row.band.height - 14" :width="WIDTH" height="28" />
        <path
          fill="none"
          stroke="var(--paper)"
          stroke-width="2"
          :d="`M${unevenLine(row.band.top + row.band.height, WIDTH, row.index + 1)}`"
        />
        <rect
          class="grip"
          :x="WIDTH / 2 - 21"
          :y="row.band.top + row.band.height - 7"
          width="42"
          height="14"
          rx="7"
        />
        <path class="ridges" :d="`M${WIDTH / 2 - 8} ${row.band.top + row.band.height - 1.5}h16m-16 3h16`" />
      </DragHandle>
    </svg>
    <ul>
      <li v-for="row in rows" :key="row.materialId" :style="{ top: `${row.band.labelY}px` }">
        <p class="who">
          <strong :title="row.name">{{ row.name.split(',')[0] }}</strong>
          <span class="soft">{{ printShare(row.share) }}</span>
        </p>
        <div class="how-much row-s nowrap">
          <TypedField
            v-if="perCent"
            :model-value="row.share"
            percent
            :label="`Per cent of ${row.name}`"
            hide-label
            :problem="
              tooMuch === row.index ? 'Shares cannot exceed 100 %, and the others need some.' : undefined
            "
            @update:model-value="setPerCent(row.index, $event ?? 0)"
          />
          <TypedField
            v-else
            :model-value="row.parts"
            :label="`Parts of ${row.name}`"
            hide-label
            :problem="problemAt(`parts[${row.index}].parts`)"
            @update:model-value="emit('parts', row.index, $event ?? 0)"
          />
          <IconButton
            :icon="ArrowRightLeft"
            class="swap"
            :aria-label="`Something instead of ${row.name}`"
            title="Something instead"
            @click="emit('swap', row.materialId)"
          />
          <Button
            class="remove"
            text
            :aria-label="`Leave out ${row.name}`"
            @click="emit('remove', row.index)"
          >
            <X aria-hidden="true" />
          </Button>
        </div>
      </li>
    </ul>
  </div>
</template>

<style scoped>
.section {
  position: relative;
  min-width: 21rem;
}

svg {
  display: block;
  overflow: visible;
}

.edge {
  cursor: ns-resize;
}

.grip {
  fill: var(--paper-raised);
  stroke: var(--enamel);
  stroke-width: 2.5;
}

.ridges {
  stroke: var(--enamel);
  stroke-width: 1.5;
}

.edge:hover .grip,
.edge.held .grip {
  fill: var(--enamel);
}

.edge:hover .ridges,
.edge.held .ridges {
  stroke: var(--on-enamel);
}

.edge:focus-visible .grip {
  stroke: var(--marigold);
  stroke-width: 5;
}

li {
  position: absolute;
  left: 210px;
  right: 0;
  translate: 0 -50%;
}

.who {
  display: flex;
  gap: 0.4rem;
  line-height: 1.2;
  white-space: nowrap;
}

.who strong {
  overflow: hidden;
  text-overflow: ellipsis;
}

.swap {
  width: 2rem;
  margin-left: auto;
}

.remove {
  width: 2rem;
}

.how-much > :first-child {
  flex: 0 0 auto;
  width: 3.8rem;
}

.how-much:has([aria-invalid='true']) {
  flex-wrap: wrap;
}

.how-much:has([aria-invalid='true']) > :first-child {
  width: 100%;
}
</style>
