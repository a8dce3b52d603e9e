<script setup lang="ts">
import { present } from '#core/present'
import { at as elementAt, first } from '#core/numeric/at'
import { scaleSequential } from 'd3-scale'
import { interpolateRgb } from 'd3-interpolate'
import { traitsOf, type FinderRequest, type FinderTrait } from '#core/media/finder'
import { printShare } from '#core/units/format'
import { printTrait, TRAITS } from '#shared/drawings/traits'

/** Every blend of three materials at once: a corner is one of them alone, the point is the blend looked at. */
const props = defineProps<{
  request: FinderRequest
  names: readonly string[]
  trait: FinderTrait
  shares: readonly [number, number, number]
}>()
const emit = defineEmits<{ shares: [shares: [number, number, number]] }>()

const SIDE = 360
const TALL = (SIDE * Math.sqrt(3)) / 2
const PAD = 30
const STEPS = 20
const SHADES = 14

const at = ([a, b, c]: readonly [number, number, number]) => ({
  x: PAD + SIDE * (b + c / 2) + 0 * a,
  y: PAD + TALL * (1 - c),
})
const traitAt = (shares: readonly number[]) => traitsOf(props.request, shares)[props.trait]

/** Small triangles over all blends, each with the trait at its middle. */
const cells = computed(() => {
  const found: { path: string; value: number }[] = []
  const corner = (i: number, j: number) => at([1 - (i + j) / STEPS, i / STEPS, j / STEPS])
  const push = (points: [number, number][]) => {
    const middle = points.reduce(([i, j], [pi, pj]) => [i + pi / 3, j + pj / 3], [0, 0])
    const shares = [STEPS - first(middle) - elementAt(middle, 1), first(middle), elementAt(middle, 1)].map(
      (amount) => Math.max(amount, 1e-9),
    )
    const path = points.map(([i, j]) => corner(i, j)).map(({ x, y }) => `${x.toFixed(1)} ${y.toFixed(1)}`)
    found.push({ path: `M${path.join('L')}Z`, value: traitAt(shares) })
  }
  for (let j = 0; j < STEPS; j++)
    for (let i = 0; i + j < STEPS; i++) {
      push([
        [i, j],
        [i + 1, j],
        [i, j + 1],
      ])
      if (i + j < STEPS - 1)
        push([
          [i + 1, j],
          [i + 1, j + 1],
          [i, j + 1],
        ])
    }
  return found
})
const range = computed(() => {
  const values = cells.value.map(({ value }) => value)
  return [Math.min(...values), Math.max(...values)] as const
})
const colour = computed(() => scaleSequential(range.value, interpolateRgb('#f4efe2', '#1f5c7a')))
/** Cells of nearly the same value drawn as one: a step of the map. */
const steps = computed(() => {
  const [low, high] = range.value
  const paths = new Map<number, string>()
  for (const { path, value } of cells.value) {
    const step = high > low ? Math.min(SHADES - 1, Math.floor(((value - low) / (high - low)) * SHADES)) : 0
    paths.set(step, (paths.get(step) ?? '') + path)
  }
  return [...paths].map(([step, path]) => ({ path, value: low + ((step + 0.5) / SHADES) * (high - low) }))
})
const point = computed(() => at(props.shares))
const value = computed(() => traitAt(props.shares.map((share) => Math.max(share, 1e-9))))

const svg = useTemplateRef<SVGSVGElement>('svg')
const held = ref(false)
function place(event: PointerEvent) {
  const box = present(svg.value).getBoundingClientRect()
  const scale = (SIDE + 2 * PAD) / box.width
  const [px, py] = [(event.clientX - box.left) * scale, (event.clientY - box.top) * scale]
  const c = 1 - (py - PAD) / TALL
  const b = (px - PAD) / SIDE - c / 2
  move([1 - b - c, b, c])
}
/** To the nearest blend in twentieths, inside the triangle. */
function move(wanted: readonly number[]) {
  const kept = wanted.map((share) => Math.max(0, share))
  const sum = kept.reduce((a, b) => a + b, 0) || 1
  const twentieths = kept.map((share) => Math.round((share / sum) * 20))
  twentieths[0] = Math.max(0, 20 - elementAt(twentieths, 1) - elementAt(twentieths, 2))
  const total = twentieths.reduce((a, b) => a + b, 0)
  emit('shares', twentieths.map((share) => share / total) as [number, number, number])
}
function grab(event: PointerEvent) {
  held.value = true
  ;(event.currentTarget as Element).setPointerCapture(event.pointerId)
  place(event)
}
function press(event: KeyboardEvent) {
  const step = 0.05
  const by: Record<string, [number, number, number]> = {
    ArrowLeft: [step, -step, 0],
    ArrowRight: [-step, step, 0],
    ArrowUp: [-step / 2, -step / 2, step],
    ArrowDown: [step / 2, step / 2, -step],
  }
  const change = by[event.key]
  if (!change) return
  event.preventDefault()
  move(props.shares.map((share, i) => share + elementAt(change, i)))
}
</script>

<template>
  <svg
    ref="svg"
    class="drawn"
    :viewBox="`0 0 ${SIDE + 2 * PAD} ${TALL + 2 * PAD}`"
    role="group"
    :aria-label="`${TRAITS[trait].name} over all blends of ${names.join(', ')}`"
  >
    <g
      class="field"
      @pointerdown="grab"
      @pointermove="held && place($event)"
      @pointerup="held = false"
      @pointercancel="held = false"
    >
      <path
        v-for="step in steps"
        :key="step.value"
        :d="step.path"
        :fill="colour(step.value)"
        :stroke="colour(step.value)"
      />
    </g>
    <text :x="PAD" :y="TALL + PAD + 22">{{ names[0] }}</text>
    <text :x="PAD + SIDE" :y="TALL + PAD + 22" text-anchor="end">{{ names[1] }}</text>
    <text :x="PAD + SIDE / 2" :y="PAD - 10" text-anchor="middle">{{ names[2] }}</text>
    <g
      class="point"
      role="slider"
      tabindex="0"
      :aria-label="`Blend of ${names.join(', ')}`"
      :aria-valuenow="Math.round(shares[0] * 100)"
      aria-valuemin="0"
      aria-valuemax="100"
      :aria-valuetext="`${names.map((name, i) => `${name} ${printShare(elementAt(shares, i))}`).join(', ')}: ${TRAITS[trait].name} ${printTrait(trait, value)}`"
      @keydown="press"
      @pointerdown="grab"
      @pointermove="held && place($event)"
      @pointerup="held = false"
      @pointercancel="held = false"
    >
      <circle :cx="point.x" :cy="point.y" r="11" />
      <text :x="point.x" :y="point.y - 18" text-anchor="middle" class="value">
        {{ printTrait(trait, value) }}
      </text>
    </g>
  </svg>
</template>

<style scoped>
svg {
  max-width: 28rem;
  overflow: visible;
}

.field {
  cursor: crosshair;
  touch-action: none;
}

text {
  font-size: 16px;
  font-weight: 600;
}

.point {
  cursor: grab;
  touch-action: none;
  outline: none;
}

.point circle {
  fill: var(--marigold);
  stroke: var(--ink);
  stroke-width: 2.5;
}

.point:focus-visible circle {
  stroke-width: 5;
}

.value {
  font-size: 20px;
  stroke: var(--paper);
  stroke-width: 5px;
  paint-order: stroke;
}
</style>
