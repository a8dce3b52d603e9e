<script setup lang="ts">
/** A page about one side of the season; it needs a season to be about. */
const season = useSeason()
const route = useRoute()
</script>

<template>
  <div class="page">
    <h1>{{ route.meta.place?.title }}</h1>
    <slot v-if="season.frame && season.rows.length" />
    <p v-else class="soft">Nothing planned yet. <NuxtLink to="/plan">Plan your sowings</NuxtLink> first.</p>
  </div>
</template>
