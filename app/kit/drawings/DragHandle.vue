<script setup lang="ts">
/**
 * What is moved along a scale in a drawing: dragged, or by the keys of a slider (WAI-ARIA). What it looks like lies in the
 * slot; it has the class `held` while it is.
 */
const props = defineProps<{
  label: string
  value: number
  min: number
  max: number
  /** The value in words. */
  says: string
  step: number
  page?: number
  /** The value under a point of the drawing, in the units it is drawn in. */
  at: (point: { readonly x: number; readonly y: number }) => number
}>()
const emit = defineEmits<{ move: [value: number] }>()
const held = ref(false)
/** How far beside its value it was taken hold of, so that it does not jump. */
let beside = 0
const within = (value: number) => Math.min(props.max, Math.max(props.min, value))

function drag(event: PointerEvent) {
  const handle = event.currentTarget as SVGGElement
  const toDrawing = handle.getScreenCTM()?.inverse()
  if (!toDrawing) return
  const value = props.at(new DOMPoint(event.clientX, event.clientY).matrixTransform(toDrawing))
  if (event.type === 'pointerdown') {
    handle.setPointerCapture(event.pointerId)
    held.value = true
    beside = props.value - value
  } else if (held.value) {
    const moved = within(Math.round((value + beside) / props.step) * props.step)
    if (moved !== props.value) emit('move', moved)
  }
}
function press(event: KeyboardEvent) {
  const { step, page, value, min, max } = props
  const by = keyMove(event, { step, page, home: min - value, end: max - value })
  if (by !== null) emit('move', within(props.value + by))
}
</script>

<template>
  <g
    class="handle"
    :class="{ held }"
    role="slider"
    tabindex="0"
    :aria-label="label"
    :aria-valuenow="value"
    :aria-valuemin="min"
    :aria-valuemax="max"
    :aria-valuetext="says"
    @pointerdown="drag"
    @pointermove="drag"
    @pointerup="held = false"
    @pointercancel="held = false"
    @keydown="press"
  >
    <slot />
  </g>
</template>

<style scoped>
.handle {
  outline: none;
  touch-action: none;
}
</style>
