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
const within = (value: number) => Math.min(props.max, Math.max(props.min, value))

/** While it is held: from the window into the drawing, and how far beside its value it was taken, so that it does not jump. */
let hold: { readonly toDrawing: DOMMatrix; readonly beside: number } | null = null
const valueAt = ({ clientX, clientY }: PointerEvent, toDrawing: DOMMatrix) =>
  props.at(new DOMPoint(clientX, clientY).matrixTransform(toDrawing))
function take(event: PointerEvent) {
  const handle = event.currentTarget as SVGGElement
  const toDrawing = handle.getScreenCTM()?.inverse()
  if (!toDrawing) return
  handle.setPointerCapture(event.pointerId)
  hold = { toDrawing, beside: props.value - valueAt(event, toDrawing) }
  held.value = true
}
function drag(event: PointerEvent) {
  if (!hold) return
  const { toDrawing, beside } = hold
  const moved = within(Math.round((valueAt(event, toDrawing) + beside) / props.step) * props.step)
  if (moved !== props.value) emit('move', moved)
}
function letGo() {
  hold = null
  held.value = false
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
    @pointerdown="take"
    @pointermove="drag"
    @pointerup="letGo"
    @pointercancel="letGo"
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
