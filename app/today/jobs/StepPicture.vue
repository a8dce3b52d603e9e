<script setup lang="ts">
import { last, first } from '#core/numeric/at'
import type { Picture } from '#core/jobs/picture'
import { pictureWords } from '#shared/messages/pictures'
import { textureFill } from '#shared/drawings/textures'

/** What the hand does in a step, drawn: how full, how deep, which cells. */
const props = defineProps<{ picture: Picture }>()
const words = computed(() => pictureWords(props.picture))

/** The drawing is 320 by 200. */
const W = 320
const H = 200

/** A section through a cell: depths to scale, its sides a little sloped. */
const cell = computed(() => {
  if (props.picture.kind !== 'cell') return null
  const { depthMm, freeMm, dentMm, seeds, coverMm } = props.picture
  const scale = 150 / depthMm
  const top = 25
  const fill = top + Math.min(120, freeMm * scale)
  const dent = Math.min(110, Math.max(dentMm > 0 ? 9 : 0, dentMm * scale))
  return {
    top,
    fill,
    dent,
    coverPx: Math.min(dent, Math.max(coverMm > 0 ? 7 : 0, coverMm * scale)),
    freePx: fill - top,
    seeds: Array.from(
      { length: Math.min(6, seeds) },
      (_, i) => W / 2 + (i - (Math.min(6, seeds) - 1) / 2) * 14,
    ),
  }
})
const cells = computed(() => {
  if (props.picture.kind !== 'cells') return null
  const { rows, columns, chosen } = props.picture
  const size = Math.min(280 / columns, 170 / rows)
  const here = new Set(chosen)
  return {
    size,
    x: (W - size * columns) / 2,
    y: (H - size * rows) / 2,
    all: Array.from({ length: rows * columns }, (_, i) => ({
      i,
      x: (i % columns) * size,
      y: Math.floor(i / columns) * size,
      on: here.has(i),
    })),
  }
})
const scoops = computed(() => {
  if (props.picture.kind !== 'scoops') return []
  const { of } = props.picture
  const most = Math.max(...of.map(({ scoops: n }) => n), 0.01)
  const each = Math.min(90, 300 / of.length)
  const left = (W - each * of.length) / 2 + 5
  return of.map((one, i) => ({
    ...one,
    // `Worm castings` is castings, `Coir, washed` is coir.
    word: last(first(one.name.split(',')).split(' ')),
    x: left + i * each,
    width: each - 10,
    height: Math.max(4, (120 * one.scoops) / most),
  }))
})
const quarter = (n: number) => {
  const whole = Math.floor(Math.round(n * 4) / 4)
  return `${whole || ''}${['', '¼', '½', '¾'][Math.round((n - whole) * 4) % 4]}` || '0'
}
</script>

<template>
  <svg :viewBox="`0 0 ${W} ${H}`" role="img" :aria-label="words" class="picture">
    <g v-if="picture.kind === 'tub'">
      <path
        class="mix"
        :d="`M${70 + 12 * (1 - picture.filled)} ${180 - 140 * picture.filled}H${250 - 12 * (1 - picture.filled)}L238 180H82Z`"
      />
      <path class="line thick" d="M66 30L82 182H238L254 30" />
      <path class="mark" :d="`M52 ${180 - 140 * picture.filled}H266`" />
    </g>
    <g v-else-if="picture.kind === 'scoops'">
      <g v-for="one in scoops" :key="one.materialId">
        <rect
          stroke="var(--ink)"
          stroke-width="2"
          :x="one.x"
          :y="165 - one.height"
          :width="one.width"
          :height="one.height"
          :fill="textureFill(one.materialId)"
        />
        <text
          :x="one.x + one.width / 2"
          :y="155 - one.height"
          font-size="21px"
          font-weight="700"
          text-anchor="middle"
        >
          {{ quarter(one.scoops) }}
        </text>
        <text :x="one.x + one.width / 2" y="186" font-size="16px" text-anchor="middle">
          {{ one.word }}
        </text>
      </g>
    </g>
    <g v-else-if="picture.kind === 'squeeze'">
      <path
        class="hand"
        d="M95 150c-22-10-30-40-18-66 8-18 26-30 48-30h72c26 0 40 18 40 44 0 34-22 58-58 58h-60c-10 0-18-2-24-6Z"
      />
      <path class="mix" d="M118 62c12-22 72-22 86 0 4 8-4 14-12 14h-62c-8 0-16-6-12-14Z" />
      <path
        class="line"
        d="M112 82c10-8 22-6 28 4M146 80c10-8 22-6 28 4M180 80c10-8 22-6 26 6M90 112c18 10 40 14 62 12"
      />
      <path class="mark" d="M262 60v60m-12-12l12 14l12-14" opacity="0.25" />
    </g>
    <g v-else-if="picture.kind === 'sieve'">
      <path class="line thick" d="M50 60H270L258 92H62Z" />
      <path class="line" d="M76 92V60M102 92V60M128 92V60M154 92V60M180 92V60M206 92V60M232 92V60" />
      <circle v-for="i in 12" :key="i" class="mix" :cx="76 + i * 14" :cy="104 + ((i * 37) % 40)" r="3" />
      <path class="mix" d="M96 180c20-34 108-34 128 0Z" />
      <path class="line thick" d="M70 130L82 182H238L250 130" />
    </g>
    <g v-else-if="picture.kind === 'thermometer'">
      <path class="mix" d="M60 110H260L248 182H72Z" />
      <path class="line thick" d="M56 80L72 184H248L264 80" />
      <rect class="paper" x="150" y="18" width="20" height="124" rx="10" />
      <rect class="mark-fill" x="156" y="92" width="8" height="46" rx="4" />
      <circle class="mark-fill" cx="160" cy="146" r="13" />
      <text x="182" y="44" font-size="21px" font-weight="700">&lt; {{ picture.belowC }} °C</text>
    </g>
    <g v-else-if="cell">
      <path
        class="mix"
        :d="`M${98 + (cell.fill - cell.top) * 0.16} ${cell.fill}H${W / 2 - 16}L${W / 2 - 8} ${cell.fill + cell.dent}H${W / 2 + 8}L${W / 2 + 16} ${cell.fill}H${222 - (cell.fill - cell.top) * 0.16}L198 175H122Z`"
      />
      <path
        v-if="cell.coverPx"
        fill="var(--vermiculite)"
        stroke="var(--vermiculite-mark)"
        :d="`M${W / 2 - 15} ${cell.fill + cell.dent - cell.coverPx}L${W / 2 - 8} ${cell.fill + cell.dent}H${W / 2 + 8}L${W / 2 + 15} ${cell.fill + cell.dent - cell.coverPx}Z`"
      />
      <ellipse
        v-for="x in cell.seeds"
        :key="x"
        fill="var(--marigold)"
        stroke="var(--ink)"
        :cx="x"
        :cy="cell.fill + cell.dent - 3"
        rx="5"
        ry="3.4"
      />
      <path class="line thick" d="M96 25L122 177H198L224 25" />
      <g v-if="cell.dent">
        <path
          class="mark"
          :d="`M246 ${cell.fill}h22M246 ${cell.fill + cell.dent}h22M257 ${cell.fill}v${cell.dent}`"
        />
      </g>
      <path
        v-if="cell.freePx"
        class="mark"
        :d="`M52 ${cell.top}h22M52 ${cell.fill}h22M63 ${cell.top}v${cell.freePx}`"
      />
    </g>
    <g v-else-if="cells" :transform="`translate(${cells.x} ${cells.y})`">
      <rect
        v-for="one in cells.all"
        :key="one.i"
        :class="one.on ? 'chosen' : 'paper'"
        :x="one.x + 1"
        :y="one.y + 1"
        :width="Math.max(1, cells.size - 2)"
        :height="Math.max(1, cells.size - 2)"
        rx="2"
      />
      <path class="mark-fill" d="M-8-8h14l-14 14Z" />
    </g>
    <g v-else-if="picture.kind === 'soak'">
      <path v-if="picture.how === 'below'" fill="var(--water)" opacity="0.55" d="M40 150H280V178H40Z" />
      <path
        class="mix"
        d="M70 84H104L98 168H76ZM116 84H150L144 168H122ZM162 84H196L190 168H168ZM208 84H242L236 168H214Z"
      />
      <path class="line thick" d="M34 120V180H286V120" />
      <path class="line" d="M62 82H250" />
      <g v-if="picture.how === 'below'">
        <path
          class="mark"
          d="M87 160v-44m-8 10l8-12l8 12M133 160v-44m-8 10l8-12l8 12M179 160v-44m-8 10l8-12l8 12M225 160v-44m-8 10l8-12l8 12"
        />
      </g>
      <g v-else>
        <path
          v-for="i in 9"
          :key="i"
          class="mark"
          :d="`M${60 + i * 21} ${22 + ((i * 13) % 16)}v${picture.how === 'mist' ? 8 : 26}`"
        />
      </g>
    </g>
    <g v-else-if="picture.kind === 'can'">
      <path fill="var(--water)" opacity="0.55" :d="`M96 ${176 - 110 * picture.filled}H224V176H96Z`" />
      <path
        class="line thick"
        d="M94 52V178H226V52M226 120L296 60M288 50l18 18M94 70C40 70 40 150 94 150M94 52H226"
      />
      <path class="mark" :d="`M84 ${176 - 110 * picture.filled}H236`" />
    </g>
    <g v-else-if="picture.kind === 'plant'">
      <path class="mix" d="M90 110H230L212 182H108Z" />
      <path class="line thick" d="M86 96L106 184H214L234 96" />
      <path
        class="stem"
        :d="`M160 ${picture.bury ? 150 : 120}V${picture.bury ? 82 : 56}m0 14c-22 0-34-10-38-26 22-2 36 8 38 26Zm0 0c22 0 34-10 38-26-22-2-36 8-38 26Z`"
      />
      <path
        class="root"
        :d="`M160 ${picture.bury ? 140 : 112}c-4 14-18 20-24 36m24-36c0 20 2 28-2 44m2-44c6 14 18 18 24 34`"
      />
      <path v-if="picture.lift" class="hand" d="M204 30c18-12 44-14 74-8v26c-28 2-52 4-66-6-8-4-12-8-8-12Z" />
      <path class="mark" d="M64 110h22" />
    </g>
    <g v-else-if="picture.kind === 'hole'">
      <path class="mix" d="M70 64H130L140 124H180L190 64H250L234 184H86Z" />
      <path class="line thick" d="M62 36L84 186H236L258 36" />
      <path
        v-if="picture.castings"
        fill="var(--vermiculite)"
        stroke="var(--vermiculite-mark)"
        d="M138 110H182L179 124H141Z"
      />
      <path v-if="picture.stake" class="line thick" d="M212 8V170" />
      <path
        v-if="picture.stake"
        class="stem"
        d="M160 124V30m0 30c-20 0-30-8-34-22 20-2 32 6 34 22Zm0 0c20 0 30-8 34-22-20-2-32 6-34 22Z"
      />
    </g>
    <g v-else-if="picture.kind === 'label'">
      <path class="label" d="M40 30H250a20 20 0 0 1 20 20v70a20 20 0 0 1-20 20H40Z" />
      <text
        v-for="(line, i) in picture.lines.slice(0, 3)"
        :key="i"
        x="58"
        :y="66 + i * 28"
        font-size="21px"
        font-weight="700"
      >
        {{ line.slice(0, 20) }}
      </text>
      <path class="line thick" d="M236 186L286 122l12 10L248 192Z" />
    </g>
    <g v-else-if="picture.kind === 'wash'">
      <path fill="var(--water)" opacity="0.55" d="M40 110H280L262 180H58Z" />
      <path class="line thick" d="M36 84L56 184H264L284 84" />
      <rect class="paper" x="96" y="52" width="120" height="54" rx="4" transform="rotate(-12 156 80)" />
      <circle
        v-for="i in 7"
        :key="i"
        fill="var(--paper-raised)"
        stroke="var(--water)"
        :cx="70 + i * 28"
        :cy="104 - ((i * 17) % 14)"
        :r="5 + (i % 3) * 3"
      />
    </g>
    <g v-else-if="picture.kind === 'cover'">
      <path class="mix" d="M60 128H260L254 160H66Z" />
      <path class="line thick" d="M54 122H266L258 164H62Z" />
      <path
        v-if="picture.cover === 'dome'"
        fill="var(--water-wash)"
        fill-opacity="0.5"
        stroke="var(--ink-soft)"
        stroke-width="2.5"
        d="M58 122C64 50 100 40 160 40s96 10 102 82Z"
      />
      <path
        v-if="picture.cover === 'film'"
        fill="var(--water-wash)"
        fill-opacity="0.5"
        stroke="var(--ink-soft)"
        stroke-width="2.5"
        d="M54 122C90 108 230 108 266 122l-6 16H60Z"
      />
      <path
        v-if="picture.warm"
        class="heat"
        d="M80 186c8-10 8-10 16 0s8 10 16 0 8-10 16 0 8 10 16 0 8-10 16 0 8 10 16 0 8-10 16 0 8 10 16 0 8-10 16 0"
      />
    </g>
  </svg>
</template>

<style scoped>
.picture {
  display: block;
  width: 100%;
  max-height: 100%;
}

.line,
.mark,
.stem,
.root,
.heat {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2;
  stroke-linecap: round;
  stroke-linejoin: round;
}

.thick {
  stroke-width: 4;
}

.mix {
  fill: var(--soil);
}

.mark {
  stroke: var(--enamel);
  stroke-width: 3;
}

.mark-fill,
.chosen {
  fill: var(--enamel);
}

.paper,
.label {
  fill: var(--paper-raised);
  stroke: var(--ink-soft);
  stroke-width: 2;
}

.hand {
  fill: var(--paper-deep);
  stroke: var(--ink);
  stroke-width: 2.5;
}

.stem {
  stroke-width: 3.5;
}

.root {
  stroke: var(--paper-deep);
}

.heat {
  stroke: var(--beet);
  stroke-width: 3;
}

text {
  font-family: var(--text);
}
</style>
