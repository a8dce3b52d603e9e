<script setup lang="ts">
import { definePageMeta } from '#imports'
import SeasonSubPage from '~/plan/SeasonSubPage.vue'
import SeasonShopping from '~/plan/SeasonShopping.vue'

definePageMeta({
  place: {
    title: 'Buying for the season',
    what: 'what the season takes beyond the supplies, by when',
    parent: '/season',
  },
})
</script>

<template>
  <SeasonSubPage><SeasonShopping /></SeasonSubPage>
</template>
