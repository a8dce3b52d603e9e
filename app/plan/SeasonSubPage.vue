<script setup lang="ts">
import { NuxtLink } from '#components'
import { useRoute } from '#imports'
import SubPlaces from '~/shell/SubPlaces.vue'
import { useSeason } from '~/plan/season'

/** A page about one side of the season; it needs a season to be about. */
const season = useSeason()
const route = useRoute()
</script>

<template>
  <div class="sub">
    <h1>{{ route.meta.place?.title }}</h1>
    <SubPlaces of="/season" />
    <slot v-if="season.frame && season.rows.length" />
    <p v-else class="soft">
      Nothing is planned yet. <NuxtLink to="/season">Say what you will raise</NuxtLink>, and it stands here.
    </p>
  </div>
</template>

<style scoped>
.sub {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 1.2rem;
}
</style>
