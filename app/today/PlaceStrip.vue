<script setup lang="ts">
import { useMediaQuery } from '@vueuse/core'
import { FLAT_MM } from '#core/containers/flat'
import type { Place } from '#core/places/place'
import type { Standing } from '#core/season/today/walk'
import { printNumber } from '#core/units/format'

/**
 * A place from above, small: its trays side by side to scale, in rows of flats as they stand, the one to touch marked.
 * What is free shows the board.
 */
const props = defineProps<{ place: Place; standing: readonly Standing[] }>()

const trays = useTrays()

/** Flats side by side, and one flat on screen, px: 54 by 28 cm. */
const ACROSS = 4
const WIDE = 108
const HIGH = (WIDE * FLAT_MM.short) / FLAT_MM.long

const taken = computed(() => props.standing.reduce((sum, { flats }) => sum + flats, 0))
const board = computed(() =>
  Math.max(1, Math.ceil(Math.max(taken.value, Math.min(props.place.flats ?? 0, 24)) - 1e-6)),
)
const rows = computed(() => Math.ceil(board.value / ACROSS))
const across = computed(() => Math.min(ACROSS, board.value))

/** A rest so small is not drawn in a row of its own, flats. */
const SLIVER = 0.08

interface Piece {
  readonly one: Standing
  readonly x: number
  readonly y: number
  readonly width: number
  readonly first: boolean
}
/** Each sowing takes its flats one after the other; one that does not end with its row goes on in the next. */
const pieces = computed((): Piece[] => {
  const list: Piece[] = []
  let at = 0
  for (const one of props.standing) {
    let left = one.flats
    let first = true
    while (left > (first ? 0 : SLIVER)) {
      const row = Math.floor(at / across.value + 1e-9)
      const inRow = at - row * across.value
      const part = Math.min(left, across.value - inRow)
      list.push({ one, x: inRow * WIDE, y: row * (HIGH + 6), width: part * WIDE, first })
      at += part
      left -= part
      first = false
    }
  }
  return list
})
const height = computed(() => rows.value * (HIGH + 6) - 6)
const slots = computed(() =>
  Array.from({ length: board.value }, (_, i) => ({
    x: (i % across.value) * WIDE,
    y: Math.floor(i / across.value) * (HIGH + 6),
  })),
)
const onPhone = useMediaQuery('(max-width: 40rem)')
/** As many letters as the tray has room for. */
const label = ({ one, width }: Piece) => {
  const room = Math.floor((width - (one.touch ? 30 : 10)) / (onPhone.value ? 9 : 7.4))
  return room < 3 ? '' : one.name.length <= room ? one.name : `${one.name.slice(0, room - 1)}…`
}
const sprouts = ({ x, y, width }: Piece) => {
  const n = Math.max(1, Math.floor(width / 26))
  return Array.from(
    { length: n },
    (_, i) =>
      `M${x + ((i + 0.5) * width) / n} ${y + HIGH - 6}v-7m0 2c-5 0 -6 -3 -6 -6c4 0 6 2 6 6c0 -4 2 -6 6 -6c0 3 -1 6 -6 6`,
  ).join('')
}
const seeds = ({ x, y, width }: Piece) => {
  const n = Math.max(1, Math.floor(width / 14))
  return Array.from({ length: n }, (_, i) => ({ x: x + ((i + 0.5) * width) / n, y: y + HIGH - 10 }))
}
/** A sowing that stands in a tray of its own leads there. */
const wayTo = ({ sowingId }: Standing) => {
  const here = trays.ofSowing(sowingId)
  const tray = here.find(({ body }) => body.placeId === props.place.id) ?? here[0]
  return tray ? `/trays/${tray.id}` : `/plan?sowing=${sowingId}`
}
const DO = { danger: 'in danger', late: 'late', due: 'to do today', done: 'done today' }
const said = ({ name, count, container, isUp, touch }: Standing) =>
  `${name}, ${printNumber(Math.round(count * 10) / 10)} × ${container}, ${isUp ? 'up' : 'not up yet'}${touch ? `, ${DO[touch]}` : ''}`
</script>

<template>
  <svg
    :viewBox="`-3 -3 ${across * WIDE + 6} ${height + 6}`"
    :style="{ '--across': across }"
    role="group"
    :aria-label="`${place.name}: ${standing.length ? standing.map(said).join('; ') : 'empty'}`"
  >
    <rect
      v-for="(slot, i) in slots"
      :key="i"
      fill="none"
      stroke="var(--line-strong)"
      stroke-dasharray="3 4"
      v-bind="slot"
      :width="WIDE"
      :height="HIGH"
      rx="3"
    />
    <NuxtLink
      v-for="(piece, i) in pieces"
      :key="`${piece.one.sowingId} ${i}`"
      v-slot="{ href, navigate }"
      :to="wayTo(piece.one)"
      custom
    >
      <a
        :href="href"
        :class="['tray', piece.one.touch]"
        :aria-label="said(piece.one)"
        :tabindex="piece.first ? 0 : -1"
        @click="navigate"
      >
        <title>{{ said(piece.one) }}</title>
        <rect
          class="body"
          :x="piece.x + 1.5"
          :y="piece.y + 1.5"
          :width="Math.max(2, piece.width - 3)"
          :height="HIGH - 3"
          rx="3"
        />
        <path
          v-if="piece.one.isUp"
          fill="none"
          stroke="var(--ink-soft)"
          stroke-width="1.4"
          :d="sprouts(piece)"
        />
        <circle
          v-for="(seed, n) in piece.one.isUp ? [] : seeds(piece)"
          :key="n"
          fill="var(--ink-soft)"
          :cx="seed.x"
          :cy="seed.y"
          r="1.8"
        />
        <text v-if="piece.first" :x="piece.x + 7" :y="piece.y + 19">{{ label(piece) }}</text>
        <path
          v-if="piece.first && piece.one.touch === 'done'"
          fill="none"
          stroke="var(--enamel)"
          stroke-width="3"
          :d="`M${piece.x + piece.width - 20} ${piece.y + 12}l4 5l8 -10`"
        />
        <circle
          v-else-if="piece.first && piece.one.touch"
          class="touch"
          :cx="piece.x + piece.width - 12"
          :cy="piece.y + 12"
          r="6"
        />
      </a>
    </NuxtLink>
  </svg>
</template>

<style scoped>
svg {
  display: block;
  width: min(100%, calc(var(--across) * 7.4rem));
  height: auto;
}

.tray {
  cursor: pointer;
}

.body {
  fill: var(--paper-deep);
  stroke: var(--ink-soft);
  stroke-width: 1.2;
}

.tray.due .body,
.tray.late .body {
  stroke: var(--enamel);
  stroke-width: 3;
}

.tray.late .body {
  stroke: var(--marigold);
}

.tray.danger .body {
  fill: var(--beet-wash);
  stroke: var(--beet);
  stroke-width: 3;
}

.touch {
  fill: var(--enamel);
}

.late .touch {
  fill: var(--marigold);
}

.danger .touch {
  fill: var(--beet);
}

text {
  font-size: 13.5px;
  font-weight: 600;
}

a:focus-visible {
  outline: none;
}

a:focus-visible .body {
  stroke: var(--marigold);
  stroke-width: 4;
}
/* Drawn smaller on a phone: the letters are not. */
@media (max-width: 40rem) {
  text {
    font-size: 16.5px;
  }
}
</style>
