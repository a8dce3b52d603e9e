<script setup lang="ts">
import { computed } from 'vue'
import { NuxtLink } from '#components'
import { useRoute } from '#imports'
import { usePlaces } from '~/shell/usePlaces'

/** A place and the pages that belong to it, each within a press. */
const props = defineProps<{ of: string }>()
const { all } = usePlaces()
const route = useRoute()
const here = computed(() => all.value.filter(({ path, parent }) => path === props.of || parent === props.of))
</script>

<template>
  <nav class="sub-places no-print" aria-label="Pages of this place">
    <NuxtLink
      v-for="place in here"
      :key="place.path"
      :to="place.path"
      :title="place.what"
      :aria-current="route.path === place.path ? 'page' : undefined"
      >{{ place.title }}</NuxtLink
    >
  </nav>
</template>

<style scoped>
nav {
  display: flex;
  gap: 0.2rem 1.2rem;
  overflow-x: auto;
  border-bottom: 1px solid var(--line);
}

a {
  padding: 0.45rem 0;
  color: var(--ink-soft);
  font-weight: 600;
  text-decoration: none;
  white-space: nowrap;
}

a:hover {
  color: var(--enamel);
}

a[aria-current] {
  border-bottom: 3px solid var(--enamel);
  color: var(--ink);
}
</style>
