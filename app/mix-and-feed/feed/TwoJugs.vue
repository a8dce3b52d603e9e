<script setup lang="ts">
import type { Concentrates } from '#core/feed/blend'

/** The bottles of concentrate, drawn with what may go into each: what stands in different ones must not meet undiluted. */
const props = defineProps<{ concentrates: Concentrates }>()
const jugs = computed(() =>
  [
    { name: 'A', feeds: props.concentrates.a },
    { name: 'B', feeds: props.concentrates.b },
    ...props.concentrates.alone.map((feed) => ({ name: 'alone', feeds: [feed] })),
  ].filter(({ feeds }) => feeds.length),
)
</script>

<template>
  <ul class="row-l">
    <li v-for="(jug, i) in jugs" :key="i">
      <svg viewBox="0 0 120 130" aria-hidden="true">
        <path
          fill="none"
          stroke="var(--ink)"
          stroke-width="2.5"
          stroke-linejoin="round"
          d="M28 8H84L78 24C102 34 104 60 104 84V112Q104 122 94 122H26Q16 122 16 112V84C16 60 18 34 36 24Z"
        />
        <path fill="var(--water-wash)" d="M18 62H102V112Q102 120 94 120H26Q18 120 18 112Z" />
        <text x="60" y="50">{{ jug.name }}</text>
      </svg>
      <strong class="unseen">Bottle {{ jug.name }}</strong>
      <span>{{ jug.feeds.map(({ name }) => name).join(' + ') }}</span>
    </li>
  </ul>
</template>

<style scoped>
li {
  display: grid;
  justify-items: center;
  width: 9.5rem;
  text-align: center;
  line-height: 1.25;
}

svg {
  width: 6rem;
}

text {
  text-anchor: middle;
  font: 740 1.3rem var(--heading);
}
</style>
