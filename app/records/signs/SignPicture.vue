<script setup lang="ts">
import type { SignId } from '#core/signs/seen'

/** A sign as it is seen: one seedling in its cell, with what is wrong with it drawn, not only coloured. */
const props = defineProps<{ sign: SignId; label: string }>()
const GREEN = '#6f9a4a'
const PALE = '#d9d28a'

/** Leaves: two old ones below, two young ones above; a stem that may be long, lean or lie. */
const look = computed(() => {
  const { sign } = props
  return {
    stem: sign === 'leggy' ? 62 : 38,
    thin: sign === 'leggy' || sign === 'fallen',
    old: sign === 'pale old' ? PALE : sign === 'purple' ? '#7d4a7a' : GREEN,
    young: sign === 'pale new' ? PALE : sign === 'purple' ? '#8f6a8a' : GREEN,
    droop: sign === 'wilting dry' || sign === 'wilting wet',
    lies: sign === 'fallen',
    up: sign !== 'no show',
  }
})
const ROOTS = ['M48 84q-8 8-18 8', 'M52 84q8 8 18 8', 'M50 84v16', 'M47 86q-10 14-4 20', 'M53 86q10 14 4 20']
</script>

<template>
  <svg viewBox="0 0 100 120" role="img" :aria-label="label" class="sign">
    <path d="M18 78h64l-8 38H26z" class="cell" />
    <path v-if="sign === 'sheds water'" d="M20.500 90h59l-5 26H26z" class="dry" />
    <g v-if="sign === 'wilting wet'" class="water">
      <path d="M22 97h56l-4 19H26z" />
    </g>
    <g v-if="sign === 'circling'" class="roots">
      <path d="M25 92q25 9 50 0q2 8-4 12q-21 7-42 0q-5-3-4-12M28 104q22 12 44 0M32 111q18 8 36 0" />
    </g>
    <g v-else-if="look.up" class="roots"><path v-for="root in ROOTS" :key="root" :d="root" /></g>
    <path v-if="sign === 'green crust'" d="M18 76q8-5 16-1t16-1t16 1t16 1v4H18z" class="algae" />
    <g v-if="sign === 'white crust'" class="salt">
      <path d="M18 76h64v4H18z" />
      <path d="M22 76l3-4l3 4M38 76l3-5l3 5M56 76l3-4l3 4M70 76l3-5l3 5" />
    </g>
    <g v-if="sign === 'floating'" class="perlite">
      <circle v-for="x in [22, 30, 37, 45, 56, 63, 71, 78]" :key="x" :cx="x" :cy="76 - (x % 3)" r="3.200" />
    </g>
    <g v-if="sign === 'mould'" class="fluff">
      <path v-for="x in [24, 32, 60, 70, 77]" :key="x" :d="`M${x} 77q-4-7 0-9q5 1 3 9M${x} 77q5-5 6-8`" />
    </g>
    <g v-if="look.up" :transform="look.lies ? 'rotate(78 50 78)' : undefined">
      <path :d="`M50 78v-${look.stem}`" :class="['stem', { thin: look.thin }]" />
      <path v-if="look.lies" d="M47 78h6v-7h-6z" class="neck" />
      <g :transform="`translate(50 ${78 - look.stem * 0.55})`">
        <path
          :fill="look.old"
          class="leaf"
          :d="
            look.droop
              ? 'M0 0q-6 16-16 22q-1-14 16-22M0 0q6 16 16 22q1-14-16-22'
              : 'M0 0q-14-8-24 0q12 9 24 0M0 0q14-8 24 0q-12 9-24 0'
          "
        />
      </g>
      <g :transform="`translate(50 ${78 - look.stem})`">
        <path
          :fill="look.young"
          class="leaf"
          :d="
            look.droop
              ? 'M0 0q-8 12-18 16q0-12 18-16M0 0q8 12 18 16q0-12-18-16'
              : sign === 'curled'
                ? 'M0 0q-10-12-20-8q3 9 9 6q-4-6-9-2M0 0q10-12 20-8q-3 9-9 6q4-6 9-2'
                : 'M0 0q-12-14-22-10q6 13 22 10M0 0q12-14 22-10q-6 13-22 10'
          "
        />
        <path
          v-if="sign === 'pale new'"
          class="vein"
          d="M0 0l-17-8M-6-4l-5 2M-10-6l-4 1M0 0l17-8M6-4l5 2M10-6l4 1"
        />
        <g v-if="sign === 'burnt'" class="burnt">
          <path d="M-22-10q6 0 7 5q-5 1-7-5M22-10q-6 0-7 5q5 1 7-5" />
        </g>
        <g v-if="sign === 'spots'" class="burnt">
          <circle
            v-for="[x, y] in [
              [-9, -5],
              [-14, -7],
              [8, -6],
              [15, -7],
              [11, -3],
            ]"
            :key="x"
            :cx="x"
            :cy="y"
            r="1.900"
          />
        </g>
        <g v-if="sign === 'eaten'" class="bite">
          <circle cx="-18" cy="-11" r="5" />
          <circle cx="14" cy="-11" r="5.500" />
          <circle cx="20" cy="-4" r="4" />
        </g>
        <path v-if="sign === 'seed coat'" class="coat" d="M-11-12q11-14 22 0q-2 8-11 8t-11-8" />
      </g>
    </g>
    <g v-if="sign === 'no show'" class="seed">
      <ellipse cx="50" cy="86" rx="5" ry="3.500" />
      <path d="M40 60q10-12 20 0M50 52v-2" class="ask" />
    </g>
    <g v-if="sign === 'flies'" class="flies">
      <g
        v-for="[x, y] in [
          [24, 60],
          [72, 52],
          [66, 70],
          [34, 44],
          [80, 66],
        ]"
        :key="x"
        :transform="`translate(${x} ${y})`"
      >
        <path d="M-3-2q-4-3-5 1q2 3 5-1M3-2q4-3 5 1q-2 3-5-1" />
        <ellipse rx="1.500" ry="3.200" />
      </g>
    </g>
    <g v-if="sign === 'sheds water'" class="drops">
      <path d="M30 72q4-8 8 0a4 4 0 1 1-8 0M62 72q4-8 8 0a4 4 0 1 1-8 0M14 84q3-6 6 0a3 3 0 1 1-6 0" />
    </g>
  </svg>
</template>

<style scoped>
.sign {
  width: 100%;
  height: auto;
}

.cell {
  fill: var(--soil);
  stroke: var(--ink);
  stroke-width: 1.5;
}

.dry {
  fill: var(--coir);
  opacity: 0.8;
}

.water path {
  fill: var(--water);
  opacity: 0.75;
}

.roots path {
  fill: none;
  stroke: #efe6cf;
  stroke-width: 1.6;
  stroke-linecap: round;
}

.algae {
  fill: #3f7a3a;
}

.salt path {
  fill: #f3f0e6;
  stroke: var(--ink);
  stroke-width: 0.8;
}

.perlite circle {
  fill: var(--perlite);
  stroke: var(--ink);
  stroke-width: 0.8;
}

.fluff path {
  fill: none;
  stroke: #b9b6ad;
  stroke-width: 2;
}

.stem {
  stroke: #6f8a4a;
  stroke-width: 4;
  stroke-linecap: round;
}

.thin {
  stroke-width: 1.8;
}

.neck {
  fill: #7a5230;
}

.leaf {
  stroke: var(--ink);
  stroke-width: 1;
}

.vein {
  fill: none;
  stroke: #4f7a34;
  stroke-width: 1.6;
}

.burnt path,
.burnt circle {
  fill: #7a4a22;
}

.bite circle {
  fill: var(--paper);
  stroke: var(--ink);
  stroke-width: 0.8;
}

.coat {
  fill: #8a6a3a;
  stroke: var(--ink);
}

.seed ellipse {
  fill: #c9a95f;
}

.ask {
  fill: none;
  stroke: var(--ink-soft);
  stroke-width: 2;
  stroke-dasharray: 3 3;
}

.flies path {
  fill: var(--air, #e3edf1);
  stroke: var(--ink);
  stroke-width: 0.6;
}

.flies ellipse {
  fill: var(--ink);
}

.drops path {
  fill: var(--water);
}
</style>
