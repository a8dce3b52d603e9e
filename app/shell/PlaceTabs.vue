<script setup lang="ts">
/** The pages of the place that is open, each within a press; the one that is open stays in sight. */
const { tabs, main, here } = usePlaces()
const route = useRoute()
const row = useTemplateRef<HTMLElement>('row')
const placeName = computed(() => main.value.find(({ path }) => path === here.value)?.name ?? 'Settings')
const reveal = () =>
  nextTick(() => {
    const open = row.value?.querySelector<HTMLElement>('[aria-current]')
    if (open && row.value)
      row.value.scrollLeft = open.offsetLeft - (row.value.clientWidth - open.offsetWidth) / 2
  })
onMounted(reveal)
watch(() => route.path, reveal)
</script>

<template>
  <nav v-if="tabs.length > 1" ref="row" class="tabs no-print" :aria-label="`${placeName}: pages`">
    <NuxtLink
      v-for="tab in tabs"
      :key="tab.path"
      :to="tab.path"
      :title="tab.what"
      :aria-current="route.path === tab.path ? 'page' : undefined"
      >{{ tab.tabTitle ?? tab.title }}</NuxtLink
    >
  </nav>
</template>

<style scoped>
nav {
  position: relative;
  display: flex;
  gap: 0 1.3rem;
  overflow-x: auto;
  padding-inline: max(clamp(0.9rem, 2vw, 2rem), (100% - 88rem) / 2 + clamp(0.9rem, 2vw, 2rem));
  border-bottom: 1px solid var(--line);
  scrollbar-width: none;
}

a {
  display: flex;
  align-items: center;
  min-height: 2.4rem;
  border-bottom: 3px solid transparent;
  color: var(--ink-soft);
  font-weight: 600;
  text-decoration: none;
  white-space: nowrap;
}

a:focus-visible {
  outline-offset: -3px;
}

a:hover {
  color: var(--enamel);
}

a[aria-current] {
  border-bottom-color: var(--enamel);
  color: var(--ink);
}

@media (pointer: coarse), (max-width: 46rem) {
  a {
    min-height: 2.75rem;
  }
}

/* A low window, or one that is zoomed, belongs to the page. */
@media (max-height: 30rem) {
  a {
    min-height: 2rem;
  }
}
</style>
