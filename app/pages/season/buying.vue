<script setup lang="ts">
import { definePageMeta } from '#imports'
import SeasonSubPage from '~/components/season/SeasonSubPage.vue'
import SeasonShopping from '~/components/season/SeasonShopping.vue'

definePageMeta({
  place: {
    title: 'Buying for the season',
    what: 'what the season takes beyond the stores, by when',
    parent: '/season',
  },
})
</script>

<template>
  <SeasonSubPage><SeasonShopping /></SeasonSubPage>
</template>
