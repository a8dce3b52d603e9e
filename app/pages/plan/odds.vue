<script setup lang="ts">
import SeasonSubPage from '~/plan/SeasonSubPage.vue'
import SeasonChance from '~/plan/SeasonChance.vue'

definePageMeta({
  place: {
    title: 'Enough plants?',
    what: 'how often you reach your target',
    words: 'odds chance probability simulate',
    parent: '/plan',
    tab: 6,
  },
})
</script>

<template>
  <SeasonSubPage><SeasonChance /></SeasonSubPage>
</template>
