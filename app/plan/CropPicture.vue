<script setup lang="ts">
import type { CropFamily } from '#core/sowing/crop'

/** What a crop is raised for, as a small drawing: a fruit, a head, a bulb, a root, a sprig, a flower. */
defineProps<{ family: CropFamily }>()
</script>

<template>
  <svg class="crop" viewBox="0 0 40 40" width="36" height="36" aria-hidden="true">
    <g v-if="family === 'fruiting'">
      <path class="green" d="M20 15c-3-6-9-6-12-3 5 0 8 1 12 3Zm0 0c3-6 9-6 12-3-5 0-8 1-12 3Z" />
      <circle fill="var(--marigold-wash)" cx="20" cy="25" r="11" />
      <path d="M20 14V7M13 22q2-4 5-4" />
    </g>
    <g v-else-if="family === 'leafy'">
      <path class="green" d="M20 36C8 34 4 24 6 12c7 1 12 6 14 12 2-6 7-11 14-12 2 12-2 22-14 24Z" />
      <path class="green" d="M20 35c-5-9-5-19 0-29 5 10 5 20 0 29Z" />
      <path d="M20 12v22M10 19l8 12M30 19l-8 12" />
    </g>
    <g v-else-if="family === 'brassica'">
      <path class="green" d="M5 25c0-5 3-8 7-8 0-6 5-9 8-9s8 3 8 9c4 0 7 3 7 8 0 6-6 10-15 10S5 31 5 25Z" />
      <path d="M20 35V16M20 27l-8-7M20 27l8-7M20 32l-11-5M20 32l11-5" />
    </g>
    <g v-else-if="family === 'allium'">
      <path class="green" d="M18 22C17 14 14 8 8 5c5 0 10 5 11 16Zm4 0c1-8 4-14 10-17-5 0-10 5-11 16Z" />
      <path fill="var(--paper-deep)" d="M20 18c2 4 9 5 9 12 0 4-4 6-9 6s-9-2-9-6c0-7 7-8 9-12Z" />
      <path d="M20 20v16M16 24q-2 6 1 11M24 24q2 6-1 11" />
    </g>
    <g v-else-if="family === 'root'">
      <path class="green" d="M20 15C13 12 10 8 11 4c5 1 8 5 9 11Zm0 0c7-3 10-7 9-11-5 1-8 5-9 11Z" />
      <path fill="var(--marigold-wash)" d="M12 15h16c2 7-4 17-8 23-4-6-10-16-8-23Z" />
      <path d="M13 20h5M22 24h5M16 28h4" />
    </g>
    <g v-else-if="family === 'herb'">
      <path d="M20 37V8" />
      <path
        class="green"
        d="M20 14c-3-6-3-9 0-11 3 2 3 5 0 11Zm0 6c-7 1-10-1-11-5 5-1 9 1 11 5Zm0 0c7 1 10-1 11-5-5-1-9 1-11 5Zm0 10c-8 1-12-1-13-6 6-1 11 1 13 6Zm0 0c8 1 12-1 13-6-6-1-11 1-13 6Z"
      />
    </g>
    <g v-else-if="family === 'cut flower'">
      <path d="M20 20v18M20 31q7-1 9-6" />
      <g fill="var(--water-wash)">
        <ellipse
          v-for="turn in [0, 45, 90, 135, 180, 225, 270, 315]"
          :key="turn"
          cx="20"
          cy="6"
          rx="3"
          ry="5"
          :transform="`rotate(${turn} 20 13)`"
        />
      </g>
      <circle fill="var(--paper-deep)" cx="20" cy="13" r="3.500" />
    </g>
    <g v-else>
      <path class="green" d="M4 33c2-8 8-9 16-9s14 1 16 9c-9 3-23 3-32 0Z" />
      <g fill="var(--water-wash)">
        <circle
          v-for="[x, y] in [
            [11, 20],
            [20, 14],
            [29, 20],
          ]"
          :key="x"
          :cx="x"
          :cy="y"
          r="5"
        />
      </g>
      <path d="M11 25v4M20 19v9M29 25v4" />
    </g>
  </svg>
</template>

<style scoped>
.crop {
  flex: none;
  stroke: var(--ink);
  stroke-width: 1.5;
  stroke-linecap: round;
  stroke-linejoin: round;
  fill: none;
}

.green {
  fill: var(--leaf-wash);
}
</style>
