<script setup lang="ts">
import { present } from '#core/present'
import { useElementSize, useEventListener } from '@vueuse/core'
import type { Day } from '#core/calendar/day'
import type { PlannedRow } from '#shared/derived/planned-row'
import type { SowingRecord } from '#shared/records/sowing'
import { printNumber } from '#core/units/format'
import { demandPanels, seasonScale } from '#shared/drawings/season-scale'

const { volume } = useMeasures()

/** Every sowing on one axis of time, and under it what they ask for day by day. */
const selected = defineModel<string | null>({ required: true })
const season = useSeason()
const { printDay, printMonth, locale } = useDates()
const { note } = useNotes()

const box = useTemplateRef<HTMLElement>('box')
const { width: measured } = useElementSize(box, { width: 1180, height: 0 })
const width = computed(() => Math.max(640, measured.value || 1180))
const wide = computed(() => width.value >= 800)
const LEFT = computed(() => (wide.value ? 168 : 8))
const ROW = computed(() => (wide.value ? 37 : 52))
const TOP = 44
const GAP = 30

/** The axis stands still while the hand is at work. */
const held = shallowRef<{ from: Day; days: number } | null>(null)
const shownExtent = computed(() => held.value ?? present(season.extent))
const scale = computed(() =>
  seasonScale(shownExtent.value.from, shownExtent.value.days, LEFT.value, width.value - 64),
)
const rows = computed(() =>
  [...season.rows].sort((a, b) =>
    a.planned.sowOn < b.planned.sowOn ? -1 : a.planned.sowOn > b.planned.sowOn ? 1 : 0,
  ),
)
/** While one is dragged the rows stay in their order, so that it does not jump from under the hand. */
const order = shallowRef<string[] | null>(null)
const shown = computed(() => {
  if (!order.value) return rows.value
  const at = new Map(order.value.map((id, i) => [id, i]))
  return [...rows.value].sort((a, b) => (at.get(a.id) ?? 0) - (at.get(b.id) ?? 0))
})
const under = computed(() => TOP + rows.value.length * ROW.value + GAP)
const panels = computed(() => demandPanels(season.crowded.length))
const height = computed(() => under.value + panels.value.high)

// Dragging: the season is planned anew with every day the hand moves.
// What the hand is on is chosen when it lets go: a panel opening under it would hold up the first frame.
let pressed: string | null = null
let hold: {
  id: string
  row: PlannedRow
  body: SowingRecord
  edge: number | null
  from: number
  days: number
} | null = null
function press(event: PointerEvent, row: PlannedRow, edge: number | null) {
  pressed = row.id
  const body = bodyNow(row.id)
  if (!body || event.button !== 0) return
  if (edge === null && season.isSown(row.id)) return
  hold = { id: row.id, row, body, edge, from: event.clientX, days: 0 }
  order.value = rows.value.map(({ id }) => id)
  held.value = season.extent
  ;(event.currentTarget as Element).setPointerCapture?.(event.pointerId)
}
function bodyAt(days: number) {
  const { edge, body, row } = present(hold)
  return edge === null ? season.moved(body, row, days) : season.edged(body, row, edge, days)
}
useEventListener('pointermove', (event: PointerEvent) => {
  if (!hold) return
  const svgWidth = present(present(box.value).querySelector('svg')).getBoundingClientRect().width
  const days = scale.value.days(((event.clientX - hold.from) * width.value) / svgWidth)
  if (days === hold.days) return
  hold.days = days
  season.moving = { id: hold.id, body: bodyAt(days) }
})
useEventListener('pointerup', async () => {
  if (pressed) selected.value = pressed
  pressed = null
  if (!hold) return
  const { id, days } = hold
  const body = bodyAt(days)
  hold = null
  if (days !== 0) await save(id, body)
  else season.moving = null
  letGo()
})

/** As it stands under the hand, though it may not be saved yet. */
const bodyNow = (id: string) => (season.moving?.id === id ? season.moving.body : season.sowing(id)?.body)
/** Shown at once, and saved one after the other: who is faster than the answer goes on from where it stands. */
let saved = Promise.resolve()
function save(id: string, body: SowingRecord) {
  const hand = { id, body }
  season.moving = hand
  saved = saved.then(async () => {
    await season.keep(id, body)
    if (season.moving === hand) season.moving = null
  })
  return saved
}
function letGo() {
  order.value = null
  held.value = null
}
function giveUp() {
  pressed = null
  hold = null
  season.moving = null
  letGo()
}
useEventListener('pointercancel', giveUp)
useEventListener('keydown', (event: KeyboardEvent) => {
  if (event.key === 'Escape' && hold) giveUp()
})

function key(event: KeyboardEvent, { id, name }: PlannedRow) {
  if (event.key === 'Enter' || event.key === ' ') {
    event.preventDefault()
    selected.value = id
    return
  }
  const days = keyMove(event, { step: 1, page: 7 })
  const body = bodyNow(id)
  const row = season.row(id)
  if (days === null || !body || !row) return
  if (season.isSown(id)) return note(`${name} is sown: its sowing day stays. Change a stage instead.`)
  void save(id, season.moved(body, row, days))
}

const text = computed(() => {
  const stands = season.crowded.map((place) => {
    const most = Math.max(0, ...(present(season.load).places.get(place.id) ?? []))
    return `${printNumber(most)}${place.flats === null ? '' : ` of ${printNumber(place.flats)}`} flats in ${place.name}`
  })
  return (
    `${rows.value.length} sowings from ${printDay(present(season.extent).from)}. At most ${stands.join(', ')}. ` +
    `${season.mixes.length} batches of mix, ${volume(season.mixes.reduce((sum, { looseL }) => sum + looseL, 0))} in all; ${season.feeds.length} feeds.`
  )
})
/** The two names stand on the far sides of their lines, and so never on each other. */
const lastFrost = computed(() => present(season.frame).lastFrost)
const firstFrost = computed(() => present(season.frame).firstFrost)
const frostAhead = computed(() => lastFrost.value !== null && season.today <= lastFrost.value)
const inRange = (day: Day | null): day is Day =>
  day !== null && scale.value.x(day) >= scale.value.left && scale.value.x(day) <= scale.value.right
</script>

<template>
  <div ref="box" class="box">
    <svg :viewBox="`0 0 ${width} ${height}`" :width="width" :height="height" role="group" :aria-label="text">
      <defs>
        <pattern id="harden" width="8" height="8" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <rect width="8" height="8" fill="var(--paper)" />
          <path d="M0 0V8" class="harden-line" />
        </pattern>
      </defs>
      <rect
        v-if="lastFrost"
        class="frost"
        fill="var(--water-wash)"
        opacity="0.75"
        :x="scale.left"
        :y="TOP"
        :width="Math.max(0, Math.min(scale.right, scale.x(lastFrost)) - scale.left)"
        :height="height - TOP"
      />
      <rect
        v-if="inRange(firstFrost)"
        class="frost"
        fill="var(--water-wash)"
        opacity="0.75"
        :x="scale.x(firstFrost)"
        :y="TOP"
        :width="scale.right - scale.x(firstFrost)"
        :height="height - TOP"
      />
      <g class="axis">
        <path v-for="x in scale.weeks" :key="x" :d="`M${x} ${TOP}V${height}`" class="week" />
        <g v-for="month in scale.months" :key="month.day">
          <path :d="`M${month.x} ${TOP - 14}V${height}`" class="month" />
          <text v-if="month.width > 40" class="strong" :x="month.x + 6" :y="TOP - 12">
            {{ printMonth(month.day) }}
          </text>
        </g>
        <g v-if="inRange(lastFrost)">
          <path class="frost-line" :d="`M${scale.x(lastFrost)} ${TOP - 4}V${height}`" />
          <text
            class="frost-name strong"
            :x="scale.x(lastFrost) + (frostAhead ? 6 : -6)"
            :y="TOP - 28"
            :text-anchor="frostAhead ? 'start' : 'end'"
          >
            last frost
          </text>
        </g>
      </g>

      <SeasonRow
        v-for="(row, i) in shown"
        :key="row.id"
        v-memo="[row, i, scale, selected === row.id, season.isSown(row.id), season.today, locale]"
        :row="row"
        :scale="scale"
        :y="TOP + i * ROW"
        :height="ROW"
        :labels="wide"
        :selected="selected === row.id"
        :sown="season.isSown(row.id)"
        :today="season.today"
        :thought="row.id === season.thought?.id"
        :print-day="printDay"
        @press="(event, edge) => press(event, row, edge)"
        @key="(event) => key(event, row)"
      />

      <g v-if="inRange(season.today)" class="today" pointer-events="none">
        <path :d="`M${scale.x(season.today)} ${TOP - 22}V${height}`" />
        <text
          :x="scale.x(season.today) + (frostAhead ? -5 : 5)"
          :y="TOP - 28"
          :text-anchor="frostAhead ? 'end' : 'start'"
        >
          today
        </text>
      </g>

      <SeasonDemand :scale="scale" :top="under" :panels="panels" />
    </svg>
    <p class="soft small">
      Each row is one sowing; its blocks show pot, mix and feed. Drag to move. <span class="sign ring" /> up ·
      <span class="sign hatch" /> hardening off · <span class="sign dots" /> seed soaking or chilling · leaf:
      planted out
    </p>
  </div>
</template>

<style scoped>
.box {
  overflow-x: auto;
  touch-action: pan-x pan-y;
}

svg {
  display: block;
  user-select: none;
}

.week {
  stroke: var(--line);
  stroke-opacity: 0.55;
}

.month {
  stroke: var(--line-strong);
  stroke-opacity: 0.5;
}

/* A solid edge of the cold: dots are seed that soaks. */
.frost-line {
  stroke: var(--water-ink);
  stroke-width: 2;
}

.axis .frost-name {
  fill: var(--water-ink);
}

.today path {
  stroke: var(--marigold);
  stroke-width: 2.5;
}

.today text {
  fill: var(--marigold-ink);
  font-weight: 700;
}

.harden-line {
  stroke: var(--line-strong);
  stroke-width: 2;
}

.sign {
  display: inline-block;
  width: 1.6rem;
  height: 0.8rem;
  vertical-align: -0.05rem;
}

.ring {
  width: 0.7rem;
  height: 0.7rem;
  border: 1.6px solid var(--ink);
  border-radius: 50%;
}

.hatch {
  border: 1px solid var(--line-strong);
  background: repeating-linear-gradient(135deg, var(--paper) 0 4px, var(--line-strong) 4px 6px);
}

.dots {
  height: 0;
  border-top: 3px dotted var(--water);
  vertical-align: 0.25rem;
}
</style>
