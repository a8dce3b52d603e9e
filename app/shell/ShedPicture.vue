<script setup lang="ts">
import { textureFill } from '#shared/drawings/textures'

/** What Blastomix does, in one drawing: mix in layers, a tray with seedlings, a pot, and out of doors. */
const LAYERS = [
  { material: 'coir', y: 74, height: 26 },
  { material: 'castings', y: 100, height: 12 },
  { material: 'perlite', y: 112, height: 16 },
]
const CELLS = [0, 1, 2, 3, 4]
</script>

<template>
  <svg
    class="drawn"
    viewBox="0 0 460 140"
    role="img"
    aria-label="Layers of mix, a tray of seedlings, a pot, and a plant outdoors"
  >
    <rect
      v-for="one in LAYERS"
      :key="one.material"
      x="8"
      :y="one.y"
      width="84"
      :height="one.height"
      :fill="textureFill(one.material)"
    />
    <path class="line" d="M8 66V128H92V66" />
    <path class="arrow" d="M104 100h18m-6-6l6 6l-6 6" />
    <g v-for="i in CELLS" :key="i">
      <path
        stroke="var(--ink)"
        stroke-width="1.6"
        :d="`M${134 + i * 24} 96l4 30h14l4-30Z`"
        :fill="textureFill('coir')"
      />
      <path
        class="sprout"
        :d="`M${145 + i * 24} 96v-16m0 4c-8 0-9-6-9-10c6 0 9 4 9 10c0-6 3-10 9-10c0 4-1 10-9 10`"
      />
    </g>
    <path class="arrow" d="M262 100h18m-6-6l6 6l-6 6" />
    <path
      stroke="var(--ink)"
      stroke-width="1.6"
      d="M294 84l8 44h34l8-44Z"
      :fill="textureFill('potting-mix')"
    />
    <path
      class="sprout"
      d="M319 84v-36m0 12c-16 0-18-12-18-18c12 0 18 8 18 18m0-8c0-12 6-18 18-18c0 8-2 18-18 18"
    />
    <path class="arrow" d="M354 100h18m-6-6l6 6l-6 6" />
    <path fill="var(--soil)" d="M384 128q34-18 68 0Z" />
    <path
      class="sprout"
      d="M418 120v-72m0 20c-20 0-24-16-24-24c16 0 24 10 24 24m0-8c0-16 8-24 24-24c0 10-4 24-24 24m0 34c-14 0-20-8-20-14c12 0 20 4 20 14m0 4c0-8 8-14 20-14c0 8-6 14-20 14"
    />
    <path class="line" d="M4 128H456" />
  </svg>
</template>

<style scoped>
svg {
  max-width: 30rem;
}

.line,
.arrow,
.sprout {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2;
  stroke-linecap: round;
  stroke-linejoin: round;
}

.arrow {
  stroke: var(--ink-soft);
}

.sprout {
  stroke: var(--enamel);
  stroke-width: 2.4;
}
</style>
