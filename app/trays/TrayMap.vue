<script setup lang="ts">
import { first } from '#core/numeric/at'
import { useElementSize, useScroll } from '@vueuse/core'
import type { StrokeAt } from '#shared/drawings/tray-marks'
import type { Container } from '#core/containers/container'
import { trayPlan } from '#core/trays/drawing'
import type { TrayStands } from '#core/trays/standing'
import type { TrayRecord } from '#shared/records/tray'

/** The map of a tray as large as a finger needs it, and where it does not fit the whole of it small beside it. */
const props = defineProps<{
  tray: TrayRecord
  stands: TrayStands
  container: Container
  name: string
  mode: 'lay' | 'count' | 'choose'
  chosen: ReadonlySet<number> | undefined
  pending: ReadonlyMap<number, number>
  together: ReadonlySet<string>
}>()
const emit = defineEmits<{
  stroke: [cells: readonly number[], at: StrokeAt]
  digit: [cell: number, n: number]
  group: [cell: number]
  open: [cell: number]
  edge: [first: string, second: string, until: number, done: boolean]
}>()

/** A target for a finger, px (WCAG 2.5.5). */
const FINGER_PX = 44
const MOST = 6
const STEP = 1.4
const box = useTemplateRef<HTMLElement>('box')
const { width } = useElementSize(box, { width: 0, height: 0 })
const plan = computed(() => trayPlan(props.container, props.tray, props.tray))
/** So large that the smallest side of a cell is a finger wide. */
const forFinger = computed(() => {
  const { w, h } = first(plan.value.cells)
  const cellPx = (Math.min(w, h) * width.value) / (plan.value.widthMm + 4)
  return cellPx > 0 ? Math.min(MOST, Math.max(1, FINGER_PX / cellPx)) : 1
})
const isNarrow = computed(() => width.value > 0 && width.value < 560)
const zoom = ref(1)
watch(
  () => [isNarrow.value, forFinger.value] as const,
  ([narrow, finger]) => (zoom.value = narrow ? finger : 1),
  { immediate: true },
)

// What of the whole is in sight.
const scroller = ref<HTMLElement | null>(null)
watch(
  [box, zoom],
  () =>
    nextTick(() => (scroller.value = box.value?.querySelector<HTMLElement>('.scroll:not(.small)') ?? null)),
  { immediate: true },
)
const { x, y } = useScroll(scroller)
const seen = computed(() => {
  const at = scroller.value
  // Read anew as it scrolls and as it grows.
  void [x.value, y.value, zoom.value, width.value]
  if (!at?.scrollWidth || !at.scrollHeight) return null
  return {
    left: (100 * at.scrollLeft) / at.scrollWidth,
    top: (100 * at.scrollTop) / at.scrollHeight,
    width: Math.min(100, (100 * at.clientWidth) / at.scrollWidth),
    height: Math.min(100, (100 * at.clientHeight) / at.scrollHeight),
  }
})
function go(event: PointerEvent) {
  const at = scroller.value
  const small = event.currentTarget as HTMLElement
  if (!at) return
  const { left, top, width: wide, height: high } = small.getBoundingClientRect()
  at.scrollTo({
    left: ((event.clientX - left) / wide) * at.scrollWidth - at.clientWidth / 2,
    top: ((event.clientY - top) / high) * at.scrollHeight - at.clientHeight / 2,
  })
}
</script>

<template>
  <div ref="box" class="map" :class="{ large: zoom > 1.05 }">
    <div v-if="zoom > 1.05" class="beside no-print row nowrap">
      <div
        class="whole"
        aria-hidden="true"
        @pointerdown="go"
        @pointermove="(event) => event.buttons && go(event)"
      >
        <TrayDrawing :tray="tray" :stands="stands" :container="container" :name="name" small />
        <span
          v-if="seen"
          class="seen"
          :style="{
            left: `${seen.left}%`,
            top: `${seen.top}%`,
            width: `${seen.width}%`,
            height: `${seen.height}%`,
          }"
        />
      </div>
      <div class="zoom">
        <Button text aria-label="Smaller" @click="zoom = Math.max(1, zoom / STEP)">−</Button>
        <Button text aria-label="Larger" :disabled="zoom >= MOST" @click="zoom = Math.min(MOST, zoom * STEP)"
          >+</Button
        >
      </div>
    </div>
    <TrayDrawing
      v-bind="props"
      :zoom="zoom"
      @stroke="(cells, at) => emit('stroke', cells, at)"
      @digit="(cell, n) => emit('digit', cell, n)"
      @group="(cell) => emit('group', cell)"
      @open="(cell) => emit('open', cell)"
      @edge="(one, other, until, done) => emit('edge', one, other, until, done)"
    />
    <!-- Below the map: over it a tap would be no tap on a cell. -->
    <div v-if="zoom <= 1.05" class="zoom alone no-print">
      <Button text aria-label="Larger" @click="zoom = Math.min(MOST, zoom * STEP)">+</Button>
    </div>
  </div>
</template>

<style scoped>
.map {
  min-width: 0;
}

.large :deep(.scroll:not(.small)) {
  max-height: min(60vh, 24rem);
}

.beside {
  padding-bottom: 0.4rem;
}

.whole {
  position: relative;
  width: 9rem;
  touch-action: none;
  cursor: pointer;
}

.seen {
  position: absolute;
  border: 2px solid var(--marigold);
  border-radius: 2px;
  pointer-events: none;
}

.zoom {
  display: flex;
  margin-left: auto;
}

.alone {
  justify-content: flex-end;
}
</style>
