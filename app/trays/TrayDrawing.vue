<script setup lang="ts">
import { present } from '#core/present'
import { last as lastOf, at as elementAt } from '#core/numeric/at'
import { cellState, cellWords, glyph, hatchOf, HATCHES, type StrokeAt } from '#shared/drawings/tray-marks'
import type { Container } from '#core/containers/container'
import { cellAt, trayPlan } from '#core/trays/drawing'
import { boundaries, cellName, edges } from '#core/trays/layout'
import { standingIn, type TrayStands } from '#core/trays/standing'
import type { TrayRecord } from '#shared/records/tray'
import { layoutOf } from '#shared/records/tray-layout'

/**
 * A tray from above, to scale. Cells are painted by hand, by finger or by keyboard: a stroke is all cells it went over. A
 * variety is told by its hatch and its letter, what stands in a cell by its mark.
 */
const props = defineProps<{
  tray: TrayRecord
  stands: TrayStands
  container: Container
  name: string
  /** What a hand does here; nothing where it only looks. */
  mode?: 'lay' | 'count' | 'choose' | undefined
  /** Cells that are chosen. */
  chosen?: ReadonlySet<number>
  /** Counts that are not kept yet. */
  pending?: ReadonlyMap<number, number>
  /** Groups in which several plants stay together. */
  together?: ReadonlySet<string>
  zoom?: number
  small?: boolean
}>()
const emit = defineEmits<{
  /** Cells under one stroke, as it goes on. */
  stroke: [cells: readonly number[], at: StrokeAt]
  digit: [cell: number, n: number]
  group: [cell: number]
  open: [cell: number]
  edge: [first: string, second: string, until: number, done: boolean]
}>()

const id = useId()
const svg = useTemplateRef<SVGSVGElement>('svg')
const plan = computed(() => trayPlan(props.container, props.tray, props.tray))
const layout = computed(() => layoutOf(props.tray))
const indexOf = computed(() => new Map(props.tray.groups.map(({ code }, i) => [code, i])))
const byCode = computed(() => new Map(props.tray.groups.map((group) => [group.code, group])))
const countedGroups = computed(
  () => new Set(props.stands.groups.filter(({ countedOn }) => countedOn).map(({ group }) => group.code)),
)

/** Cells drawn together: after a stroke only the groups it touched are drawn anew. */
const GROUP = 16
const groups = computed(() =>
  Array.from({ length: Math.ceil(plan.value.cells.length / GROUP) }, (_, i) => i * GROUP),
)
function markOf(cell: number) {
  const code = props.tray.cells[cell] ?? ''
  const up = props.pending?.get(cell)
  const stood = present(props.stands.cells[cell])
  const now = up === undefined ? stood : { ...stood, up }
  const state = cellState(now, code, {
    together: props.together?.has(code) ?? false,
    counted: countedGroups.value.has(code) || up !== undefined,
  })
  return { code, now, state, pending: up !== undefined }
}
const signature = (from: number) => {
  let text = ''
  for (let cell = from; cell < from + GROUP && cell < plan.value.cells.length; cell++) {
    const { code, now, state, pending } = markOf(cell)
    text += `${code}${indexOf.value.get(code)}${state}${now.sown}.${standingIn(now)}${pending ? 'p' : ''}${props.chosen?.has(cell) ? 'c' : ''};`
  }
  return text
}
function drawn(from: number) {
  const { cells } = plan.value
  return cells.slice(from, from + GROUP).map((box, i) => {
    const cell = from + i
    const { code, now, state, pending } = markOf(cell)
    const index = indexOf.value.get(code)
    const r = Math.min(box.w, box.h) / 2 - 1
    const first = code !== '' && (cell % props.tray.columns === 0 || props.tray.cells[cell - 1] !== code)
    return {
      cell,
      box,
      code: first || r > 12 ? code : '',
      state,
      pending,
      chosen: props.chosen?.has(cell) ?? false,
      hatch: index === undefined ? null : hatchOf(index),
      number: (state === 'sown' && now.sown > 6) || standingIn(now) > 2 ? standingIn(now) || now.sown : null,
      path: glyph(state, now.sown, Math.min(r, 14)),
      x: box.x + box.w / 2,
      y: box.y + box.h / 2,
      r,
    }
  })
}
const marked = computed(() => boundaries(layout.value))
const cut = computed(() => {
  const { cut: at, columns } = props.tray
  if (!at || at.column >= columns) return null
  const [one, other] = [elementAt(plan.value.cells, at.column - 1), present(plan.value.cells[at.column])]
  const { widthMm, heightMm } = plan.value
  if (props.tray.turned) {
    const y = (Math.max(one.y, other.y) + Math.min(one.y + one.h, other.y + other.h)) / 2
    return `M0 ${y}H${widthMm}`
  }
  const x = (Math.max(one.x, other.x) + Math.min(one.x + one.w, other.x + other.w)) / 2
  return `M${x} 0V${heightMm}`
})
const corner = computed(() => {
  const { x, y } = plan.value.mark
  const [dx, dy] = [x ? -1 : 1, y ? -1 : 1]
  return `M${x} ${y}h${16 * dx}l${-16 * dx} ${16 * dy}Z`
})
/** Edges between groups can be dragged where they lie in one row of cells after the other. */
const handles = computed(() =>
  props.mode === 'lay'
    ? edges(layout.value).map(({ first, second, until }) => {
        const box = present(plan.value.cells[until])
        const next = present(plan.value.cells[following(until)])
        const beside = Math.abs(next.y - box.y) < 1 && !props.tray.turned
        return {
          first,
          second,
          until,
          x: beside ? (box.x + box.w + next.x) / 2 : box.x + box.w / 2,
          y: beside
            ? box.y + box.h / 2
            : (Math.max(box.y, next.y) + Math.min(box.y + box.h, next.y + next.h)) / 2,
        }
      })
    : [],
)
const following = (cell: number) => Math.min(cell + 1, props.tray.cells.length - 1)

// The hand on the tray.
const LONG_PRESS_MS = 500
let stroke: Set<number> | null = null
let last: { x: number; y: number } | null = null
let pressing: ReturnType<typeof setTimeout> | null = null
let edge: { first: string; second: string } | null = null
function pointAt({ clientX, clientY }: PointerEvent | MouseEvent) {
  const box = present(svg.value).getBoundingClientRect()
  const { widthMm, heightMm } = plan.value
  return {
    x: ((clientX - box.left) / box.width) * (widthMm + 4) - 2,
    y: ((clientY - box.top) / box.height) * (heightMm + 4) - 2,
  }
}
function down(event: PointerEvent) {
  if (!props.mode || event.button !== 0) return
  const at = pointAt(event)
  const cell = cellAt(plan.value, at.x, at.y)
  if (cell === null) return
  present(svg.value).setPointerCapture(event.pointerId)
  cursor.value = cell
  last = at
  stroke = new Set([cell])
  emit('stroke', [cell], 'begin')
  if (event.pointerType !== 'mouse')
    pressing = setTimeout(() => {
      // Held still: this one cell is asked about, the stroke is none.
      if (stroke?.size === 1) {
        emit('stroke', [], 'cancel')
        stroke = null
        emit('open', cell)
      }
    }, LONG_PRESS_MS)
}
function move(event: PointerEvent) {
  if (edge) {
    const at = pointAt(event)
    const cell = cellAt(plan.value, at.x, at.y)
    if (cell !== null) emit('edge', edge.first, edge.second, cell, false)
    return
  }
  if (!stroke || !last) return
  const at = pointAt(event)
  const steps = Math.max(1, Math.ceil(Math.hypot(at.x - last.x, at.y - last.y) / 6))
  const fresh: number[] = []
  for (let i = 1; i <= steps; i++) {
    const cell = cellAt(
      plan.value,
      last.x + ((at.x - last.x) * i) / steps,
      last.y + ((at.y - last.y) * i) / steps,
    )
    if (cell === null || stroke.has(cell)) continue
    stroke.add(cell)
    fresh.push(cell)
  }
  last = at
  if (fresh.length) {
    if (pressing) clearTimeout(pressing)
    cursor.value = lastOf(fresh)
    emit('stroke', fresh, 'go on')
  }
}
function release(event: PointerEvent) {
  if (pressing) clearTimeout(pressing)
  if (edge) {
    const at = pointAt(event)
    const cell = cellAt(plan.value, at.x, at.y)
    emit('edge', edge.first, edge.second, cell ?? -1, true)
    edge = null
    return
  }
  if (!stroke) return
  stroke = null
  last = null
  emit('stroke', [], 'end')
}
function grabEdge(event: PointerEvent, one: { first: string; second: string }) {
  edge = one
  present(svg.value).setPointerCapture(event.pointerId)
}

// The same by keyboard.
const cursor = ref(0)
const focused = ref(false)
const DIRECTIONS: Record<string, [number, number]> = {
  ArrowRight: [1, 0],
  ArrowLeft: [-1, 0],
  ArrowDown: [0, 1],
  ArrowUp: [0, -1],
}
function neighbour(cell: number, [dx, dy]: [number, number]): number {
  const { cells } = plan.value
  const from = present(cells[cell])
  let best = cell
  let least = Infinity
  cells.forEach((to, i) => {
    const along = (to.x - from.x) * dx + (to.y - from.y) * dy
    const off = Math.abs((to.x - from.x) * dy) + Math.abs((to.y - from.y) * dx)
    if (along > 1 && off < 2 && along < least) {
      least = along
      best = i
    }
  })
  return best
}
function key(event: KeyboardEvent) {
  if (!props.mode || event.ctrlKey || event.metaKey || event.altKey) return
  const direction = DIRECTIONS[event.key]
  if (direction) {
    const next = neighbour(cursor.value, direction)
    if (event.shiftKey && next !== cursor.value) {
      emit('stroke', [cursor.value, next], 'begin')
      emit('stroke', [], 'end')
    }
    cursor.value = next
  } else if (event.key === ' ') {
    emit('stroke', [cursor.value], 'begin')
    emit('stroke', [], 'end')
  } else if (/^\d$/.test(event.key)) emit('digit', cursor.value, Number(event.key))
  else if (event.key === 'r') emit('group', cursor.value)
  else if (event.key === 'Enter') emit('open', cursor.value)
  else return
  event.preventDefault()
  event.stopPropagation()
}
const said = computed(() => {
  const { code, now, state } = markOf(cursor.value)
  return `${cellName(props.tray, cursor.value)}: ${cellWords(now, byCode.value.get(code), state)}${props.chosen?.has(cursor.value) ? ', chosen' : ''}`
})
const ring = computed(() => present(plan.value.cells[Math.min(cursor.value, plan.value.cells.length - 1)]))
const text = computed(
  () =>
    `${props.name} from above, ${props.tray.rows} rows of ${props.tray.columns}. ` +
    (props.stands.groups.length
      ? props.stands.groups
          .map(
            ({ group, cells, sown, up, standing }) =>
              `${group.code}, ${group.name}: ${cells} cells${sown ? `, ${up} up, ${standing} stand` : ', not sown yet'}`,
          )
          .join('; ')
      : 'Nothing is laid out in it yet.'),
)
</script>

<template>
  <div class="scroll" :class="{ small }">
    <svg
      ref="svg"
      :viewBox="`-2 -2 ${plan.widthMm + 4} ${plan.heightMm + 4}`"
      :style="{ '--zoom': zoom ?? 1, '--shape': (plan.widthMm + 4) / (plan.heightMm + 4) }"
      :class="[mode ? 'works' : 'still']"
      :role="mode ? 'application' : 'img'"
      :aria-label="text"
      :aria-describedby="mode ? `${id}-cell` : undefined"
      :tabindex="mode ? 0 : undefined"
      @pointerdown="down"
      @pointermove="move"
      @pointerup="release"
      @pointercancel="release"
      @keydown="key"
      @focus="focused = true"
      @blur="focused = false"
      @contextmenu="mode && $event.preventDefault()"
    >
      <defs>
        <pattern
          v-for="(d, i) in HATCHES"
          :id="`${id}-h${i}`"
          :key="i"
          width="6"
          height="6"
          patternUnits="userSpaceOnUse"
        >
          <rect width="6" height="6" class="ground" />
          <path :d="d" class="hatch" />
        </pattern>
      </defs>
      <rect class="rim" x="0" y="0" :width="plan.widthMm" :height="plan.heightMm" rx="5" />
      <path class="corner" :d="corner" />
      <g v-for="from in groups" :key="from" v-memo="[signature(from), plan]">
        <g
          v-for="one in drawn(from)"
          :key="one.cell"
          :class="[one.state, { chosen: one.chosen, pending: one.pending }]"
        >
          <ellipse
            v-if="plan.round"
            class="cell"
            :cx="one.x"
            :cy="one.y"
            :rx="one.box.w / 2"
            :ry="one.box.h / 2"
            :fill="one.hatch === null ? undefined : `url(#${id}-h${one.hatch})`"
          />
          <rect
            v-else
            class="cell"
            :x="one.box.x"
            :y="one.box.y"
            :width="one.box.w"
            :height="one.box.h"
            :rx="Math.min(2.5, one.r / 3)"
            :fill="one.hatch === null ? undefined : `url(#${id}-h${one.hatch})`"
          />
          <path v-if="one.path" class="glyph" :d="one.path" :transform="`translate(${one.x} ${one.y})`" />
          <text
            v-if="one.code && !small"
            class="code"
            :x="one.box.x + 1.6"
            :y="one.box.y + Math.min(8, one.r) + 0.5"
            :font-size="Math.min(8.5, one.r * 1.2)"
          >
            {{ one.code }}
          </text>
          <text
            v-if="one.number"
            class="number"
            :x="one.x"
            :y="one.box.y + one.box.h - 1.5"
            :font-size="Math.min(9, one.r)"
          >
            {{ one.number }}
          </text>
        </g>
      </g>
      <path
        v-for="(one, i) in marked"
        :key="`b${i}`"
        fill="none"
        stroke="var(--ink)"
        stroke-width="2.2"
        :d="
          (one.side === 'right') !== tray.turned
            ? `M${Math.max(present(plan.cells[one.cell]).x, present(plan.cells[one.side === 'right' ? one.cell + 1 : one.cell + tray.columns]).x) - 1.5} ${present(plan.cells[one.cell]).y - 1.5}v${present(plan.cells[one.cell]).h + 3}`
            : `M${present(plan.cells[one.cell]).x - 1.5} ${Math.max(present(plan.cells[one.cell]).y, present(plan.cells[one.side === 'right' ? one.cell + 1 : one.cell + tray.columns]).y) - 1.5}h${present(plan.cells[one.cell]).w + 3}`
        "
      />
      <path v-if="cut" class="cut" :d="cut" />
      <g
        v-for="one in handles"
        :key="`${one.first}${one.second}`"
        class="handle"
        @pointerdown.stop="grabEdge($event, one)"
      >
        <circle :cx="one.x" :cy="one.y" r="9" fill="transparent" />
        <rect :x="one.x - 2.5" :y="one.y - 6" width="5" height="12" rx="2.5" />
      </g>
      <rect
        v-if="focused"
        class="cursor"
        :x="ring.x - 1"
        :y="ring.y - 1"
        :width="ring.w + 2"
        :height="ring.h + 2"
        rx="3"
      />
    </svg>
    <p v-if="mode" :id="`${id}-cell`" class="soft small said" aria-live="polite">{{ focused ? said : '' }}</p>
  </div>
</template>

<style scoped>
.scroll {
  overflow: auto;
}

svg {
  display: block;
  width: calc(min(100%, 74vh * var(--shape)) * var(--zoom));
  height: auto;
  user-select: none;
}

.small svg {
  width: 100%;
}

/* A finger paints; beside the tray it scrolls. */
.works {
  cursor: crosshair;
  touch-action: none;
}

svg:focus {
  outline: none;
}

svg:focus-visible {
  outline: 3px solid var(--marigold);
  outline-offset: 2px;
}

.rim {
  fill: var(--paper-deep);
  stroke: var(--line-strong);
  stroke-width: 1.2;
}

.corner {
  fill: var(--enamel);
}

.ground {
  fill: var(--paper);
}

.hatch {
  fill: none;
  stroke: var(--line-strong);
  stroke-width: 0.7;
}

.cell {
  stroke: var(--ink-soft);
  stroke-width: 0.7;
}

.empty .cell {
  fill: none;
  stroke: var(--line-strong);
  stroke-dasharray: 2 1.6;
}

.reserved .cell {
  stroke-dasharray: 2 1.6;
}

.moved .cell,
.lost .cell,
.blank .cell {
  opacity: 0.55;
}

.glyph {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.2;
  stroke-linecap: round;
  stroke-linejoin: round;
}

.sown .glyph {
  fill: var(--ink);
}

.up .glyph,
.doubled .glyph,
.thinned .glyph {
  stroke: var(--leaf, var(--enamel));
  stroke-width: 1.8;
}

.doubled .cell {
  stroke: var(--marigold);
  stroke-width: 1.8;
}

.lost .glyph {
  stroke: var(--beet);
}

.chosen .cell {
  stroke: var(--enamel);
  stroke-width: 2.6;
}

.pending .cell {
  stroke: var(--enamel);
  stroke-width: 1.8;
}

.code {
  fill: var(--ink);
  font-weight: 700;
  paint-order: stroke;
  stroke: var(--paper);
  stroke-width: 1.6;
}

.number {
  fill: var(--ink);
  text-anchor: middle;
  font-weight: 700;
  paint-order: stroke;
  stroke: var(--paper);
  stroke-width: 1.6;
}

.cut {
  fill: none;
  stroke: var(--beet);
  stroke-width: 1.8;
  stroke-dasharray: 7 3;
}

.handle {
  cursor: grab;
}

.handle rect {
  fill: var(--enamel);
  stroke: var(--paper);
}

.cursor {
  fill: none;
  stroke: var(--marigold);
  stroke-width: 2.2;
  pointer-events: none;
}

.said {
  min-height: 1.6em;
  margin: 0.3rem 0 0;
}
</style>
