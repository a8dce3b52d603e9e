<script setup lang="ts">
import { at as elementAt } from '#core/numeric/at'
import type { Blend, BlendElement, WantKinds, Wanted } from '#core/feed/blend'
import { BLEND_ELEMENTS } from '#core/feed/blend'
import { printNumber, printShare } from '#core/units/format'

const saying = useSaying()

/**
 * Each nutrient on a scale of its own, so wide that what is wanted stands at two thirds: what the water brings, what each
 * feed brings, and the mark of what is wanted. Feeds are told apart by letter and by hatching.
 */
const props = defineProps<{
  blend: Blend
  wanted: Wanted
  kinds: WantKinds
  water: Partial<Wanted>
  names: Readonly<Record<BlendElement, string>>
}>()

const WIDTH = 420
const TALL = 22
const letter = (i: number) => String.fromCharCode(97 + i)
const rows = computed(() =>
  BLEND_ELEMENTS.map((element) => {
    const wanted = props.wanted[element]
    const gives = props.blend.gives[element]
    const most = Math.max(wanted * 1.5, gives * 1.05, 1)
    const x = (mgPerL: number) => (mgPerL / most) * WIDTH
    let at = 0
    const piece = (code: string, name: string, amount: number) => {
      const from = at
      at += amount
      return { code, name, amount, x: x(from), width: x(amount) }
    }
    const pieces = [
      piece('water', 'water', props.water[element] ?? 0),
      ...props.blend.shares.map((share, i) =>
        piece(letter(i), elementAt(props.blend.lines, i).feed.name, share[element]),
      ),
    ].filter(({ amount }) => amount > 0.05)
    const miss = props.blend.misses[element]
    return {
      element,
      pieces,
      mark: props.kinds[element] === 'any' ? null : x(wanted),
      kind: props.kinds[element],
      wanted,
      gives,
      off: Math.abs(miss) < 0.01 ? 'right' : `${miss > 0 ? '+' : '−'}${printShare(Math.abs(miss))}`,
      far: Math.abs(miss) > 0.1,
    }
  }),
)
const said = computed(() =>
  rows.value
    .map(
      ({ element, gives, wanted, kind, off }) =>
        `${props.names[element]} ${printNumber(gives, 2)} ${saying.value.litreUnit}, ${kind === 'any' ? 'any amount' : `${kind} ${printNumber(wanted)} wanted: ${off}`}`,
    )
    .join('; '),
)
const HATCHES = [0, 45, 90, 135, 20, 70, 110, 160]
</script>

<template>
  <div class="stack-s">
    <p class="unseen">{{ said }}.</p>
    <svg width="0" height="0" class="defs" aria-hidden="true">
      <defs>
        <pattern
          v-for="(angle, i) in HATCHES"
          :id="`hatch-${letter(i)}`"
          :key="i"
          width="7"
          height="7"
          patternUnits="userSpaceOnUse"
          :patternTransform="`rotate(${angle})`"
        >
          <rect width="7" height="7" fill="var(--paper-raised)" />
          <path :d="i % 2 ? 'M0 1H7M0 4H7' : 'M0 2H7'" stroke="var(--enamel)" stroke-width="1.6" />
        </pattern>
      </defs>
    </svg>
    <div v-for="row in rows" :key="row.element" class="row" aria-hidden="true">
      <strong>{{ row.element }}</strong>
      <svg :viewBox="`0 -12 ${WIDTH} ${TALL + 16}`" preserveAspectRatio="none" class="scale">
        <path stroke="var(--line-strong)" :d="`M0 ${TALL}H${WIDTH}`" />
        <g v-for="piece in row.pieces" :key="piece.code">
          <rect
            :x="piece.x"
            y="0"
            :width="Math.max(1, piece.width)"
            :height="TALL"
            :class="piece.code === 'water' ? 'water' : 'share'"
            :fill="piece.code === 'water' ? undefined : `url(#hatch-${piece.code})`"
          />
          <text v-if="piece.width > 18" :x="piece.x + piece.width / 2" :y="TALL - 6">{{ piece.code }}</text>
        </g>
        <path
          v-if="row.mark !== null"
          class="mark"
          :d="`M${row.mark} -12V${TALL + 3}M${row.mark - 5} -12H${row.mark + 5}`"
        />
      </svg>
      <span :class="{ far: row.far }">{{ printNumber(row.gives, 3) }} · {{ row.off }}</span>
    </div>
    <ol class="key">
      <li v-for="({ feed }, i) in blend.lines" :key="feed.id">
        <b>{{ letter(i) }}</b> {{ feed.name }}
      </li>
    </ol>
  </div>
</template>

<style scoped>
.defs {
  position: absolute;
}

.row {
  display: grid;
  grid-template-columns: 2.2rem minmax(0, 1fr) 7.5rem;
  gap: 0.6rem;
  align-items: center;
}

.scale {
  width: 100%;
  height: 2.4rem;
  overflow: visible;
}

.share {
  stroke: var(--enamel);
}

.water {
  fill: var(--water);
  stroke: var(--ink);
}

text {
  text-anchor: middle;
  font-weight: 700;
  font-size: 15px;
  paint-order: stroke;
  stroke: var(--paper-raised);
  stroke-width: 4px;
}

.mark {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2.5;
}

.far {
  color: var(--beet);
  font-weight: 700;
}

/* On a phone the scale has the whole width, so that its letters can be read. */
@media (max-width: 40rem) {
  .row {
    grid-template-columns: 2.2rem 1fr;
  }

  .scale {
    grid-row: 2;
    grid-column: 1 / -1;
  }
}

.key {
  display: flex;
  flex-wrap: wrap;
  gap: 0.2rem 1.2rem;
}
</style>
