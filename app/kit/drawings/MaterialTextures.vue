<script setup lang="ts">
import { TEXTURES, TILE } from '#shared/drawings/texture-marks'
</script>

<template>
  <svg class="textures" width="0" height="0" aria-hidden="true" focusable="false">
    <defs>
      <pattern
        v-for="texture in TEXTURES"
        :id="`texture-${texture.id}`"
        :key="texture.id"
        :width="TILE"
        :height="TILE"
        patternUnits="userSpaceOnUse"
      >
        <rect :width="TILE" :height="TILE" :style="{ fill: `var(--${texture.id})` }" />
        <path v-if="texture.grains" :d="texture.grains" :style="{ fill: `var(--${texture.id}-mark)` }" />
        <path
          v-if="texture.lines"
          :d="texture.lines"
          fill="none"
          stroke-width="1.2"
          stroke-linecap="round"
          :style="{ stroke: `var(--${texture.id}-mark)` }"
        />
      </pattern>
    </defs>
  </svg>
</template>

<style scoped>
.textures {
  position: absolute;
}
</style>
